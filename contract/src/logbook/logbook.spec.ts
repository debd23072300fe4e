import { emptyLog, type LogEntry } from '../documents/log.js';
import type { Battery, Radio } from '../documents/gear.js';
import { curlew, hour, shale, shelf, trip } from '../testing/outing.js';
import { correctionId } from '../debrief/corrections.js';
import { debriefOf } from '../debrief/debrief.js';
import { tooSmallFrom, figuresOverTime, trendOf, type FigureOnDay } from './figures-over-time.js';
import { forecastsOfPlaces, sayForecasts } from './forecasts-of-places.js';
import { ahAnHour, logbookCsv, whAContact } from './logbook-csv.js';
import { neverUsed } from './never-used.js';
import { outingRow, type OutingRow } from './outing-row.js';
import { totalsByYear, totalsOf } from './season-totals.js';
import { cameTrue } from './told-and-came.js';

const at = (of: number) => new Date(hour(of)).toISOString();
const read = (of: number, outAh: number): LogEntry => ({
  ...{ id: `r${of}`, at: at(of), kind: 'reading', state: 'off' },
  outAh,
});
const taken = (entries: readonly LogEntry[], of = trip(), gear: Parameters<typeof outingRow>[3] = shelf) => {
  const row = outingRow(of, { ...emptyLog('islet'), entries }, null, gear);
  if (!row.ok) throw new Error(row.problems[0].sentence);
  return row.value;
};
const row = taken([read(17.9, 3.4)]);

describe('a line of the logbook', () => {
  it('is an outing in figures, as planned and as it went', () => {
    // Two blocks of CW, five hours: half of the time at 0.44 of 1.9 A, listening at 0.14 A.
    expect(row.plannedAh).toBeGreaterThan(2.5);
    expect(Math.abs(row.usedAh - 3.4)).toBeLessThan(0.1);
    expect(row.onAirHours).toBeCloseTo(5, 9);
    expect(row.contacts).toBeNull();
    expect(row.sunShare).toBeNull();
    expect(row.lowestSoc).toBeCloseTo(1 - row.usedAh / 20, 1);
    expect(row.usedWh / row.usedAh).toBeGreaterThan(12.5);
    expect([row.told, row.came, row.earlyHours]).toEqual([1, 'lasted', 0]);
    expect([row.radios, row.modes, row.battery]).toEqual([['Curlew'], ['CW'], '2 × Shale']);
    expect([row.planned.length, row.actual.length]).toEqual([41, 41]);
    expect(row.planned[0]).toBe(1);
    expect(row.actual.at(-1)).toBeLessThan(0.86);
  });

  it('ended early where it was called off and nothing was left, and was left early where there was', () => {
    const end: LogEntry = { id: 'e', at: at(14), kind: 'end' };
    const full = taken([read(13.9, 2), end]);
    expect([full.came, full.earlyHours]).toEqual(['leftEarly', 4]);
    expect(taken([read(12, 1.5)]).came).toBe('notKnown');
    const small = trip({ startSoc: 0.2 });
    const empty = taken([read(13.9, 2.1), end], small);
    expect(empty.came).toBe('endedEarly');
  });

  it('is the same as the debrief of that outing tells', () => {
    const guessed: Radio = { ...curlew, receiveA: { value: 0.3, source: 'assumed' } };
    const amps = [8.1, 8.4, 8.7].map((of): LogEntry => ({
      ...{ id: `a${of}`, at: at(of), kind: 'reading', state: 'listening' },
      amps: 0.34,
    }));
    const log = { ...emptyLog('islet'), entries: [...amps, read(17.9, 3.4)] };
    const line = taken(log.entries, trip(), [guessed, shale]);
    const found = debriefOf(trip(), log, [guessed, shale]);
    if (!found.ok) throw new Error(found.problems[0].sentence);
    const { corrections, ended, now } = found.value;
    expect(line.taught.map(({ at: place }) => place)).toContain('receiveA');
    expect(line.taught.map(({ id, after }) => [id, after])).toEqual(
      corrections.map((correction) => [correctionId(correction), correction.after]),
    );
    expect([line.came, line.earlyHours]).toEqual([ended.came, ended.earlyHours]);
    expect(line.actual.at(-1)).toBeCloseTo(now.soc.p50, 3);
  });

  it('knows what was carried in vain', () => {
    const spare: Radio = { ...curlew, id: 'spare', name: 'Spare' };
    const of = trip({ loadout: [...trip().loadout, { gear: 'spare', count: 1 }] });
    expect(taken([read(17.9, 3.4)], of, [...shelf, spare]).unused).toEqual(['spare']);
    expect(row.unused).toEqual([]);
  });

  it('goes out as a table that spreadsheets read', () => {
    const [heading, line] = logbookCsv([{ ...row, contacts: 42, name: '=cmd' }]).split('\n');
    expect(heading.split(',').length).toBe(20);
    expect(line).toContain("islet,'=cmd,islet,2027-09-04T08:00,2027-09-04T20:00,");
    expect(ahAnHour(row)).toBeCloseTo(row.usedAh / 5, 9);
    expect(ahAnHour({ ...row, onAirHours: 0 })).toBeNull();
    expect(whAContact(row)).toBeNull();
    expect(whAContact({ ...row, contacts: 10 })).toBeCloseTo(row.usedWh / 10, 9);
  });
});

describe('many outings', () => {
  const of = (told: number, came: OutingRow['came'] = 'lasted') => ({ told, came });

  it('tell how well the chances came true, from five outings up', () => {
    const four = [of(0.9), of(0.9), of(0.5), of(0.5, 'endedEarly')];
    expect(cameTrue(four)).toBeNull();
    expect(cameTrue([...four, of(0.1, 'leftEarly'), of(0.1, 'notKnown')])).toBeNull();
    const found = cameTrue([...four, of(1)])!;
    expect([found.outings, found.lasted]).toEqual([5, 4]);
    expect(found.expected).toBeCloseTo(3.8, 9);
    expect(found.brier).toBeCloseTo((0.01 + 0.01 + 0.25 + 0.25 + 0) / 5, 12);
    expect(found.byTens.map(({ from, outings, lasted }) => [from, outings, lasted])).toEqual([
      [0.9, 3, 3],
      [0.5, 2, 1],
    ]);
    // A tenth that the machine has a little less of.
    expect(cameTrue(Array.from({ length: 5 }, () => of(1 - 0.9)))!.byTens[0].from).toBe(0.1);
    expect(cameTrue(Array.from({ length: 5 }, () => of(0.7)))!.byTens[0].from).toBe(0.7);
  });

  it('have totals, by year too, the sun weighed by what was used', () => {
    const rows = [
      { ...row, usedAh: 10, sunShare: 0.5, contacts: 20 },
      { ...row, usedAh: 30, sunShare: 0.1, startMs: Date.UTC(2026, 5, 1) },
      { ...row, usedAh: 5 },
    ];
    const totals = totalsOf(rows);
    expect(totals.usedAh).toBe(45);
    expect(totals.contacts).toBe(20);
    expect(totals.sunShare).toBeCloseTo((5 + 3) / 40, 12);
    expect(totalsByYear(rows).map(({ year, outings }) => [year, outings])).toEqual([
      [2027, 2],
      [2026, 1],
    ]);
    expect(totalsOf([row]).sunShare).toBeNull();
  });

  it('say what came along in most of the last ten and was never used, the heaviest first', () => {
    const rows = (count: number, carried: readonly string[], unused = carried, fromMs = 0) =>
      Array.from({ length: count }, (_, place) => ({ carried, unused, startMs: fromMs + place }));
    expect(neverUsed(rows(7, ['shale']), shelf)).toEqual([]);
    expect(neverUsed(rows(8, ['shale', 'curlew']), shelf)).toEqual([
      { gear: 'curlew', name: 'Curlew', outings: 8, weightG: 700 },
      { gear: 'shale', name: 'Shale', outings: 8, weightG: null },
    ]);
    // Used once, in the last ten; before them.
    expect(neverUsed([...rows(9, ['curlew']), ...rows(1, ['curlew'], [], 99)], shelf)).toEqual([]);
    expect(neverUsed([...rows(10, ['curlew']), ...rows(1, ['curlew'], [], -1)], shelf).length).toBe(1);
  });

  it('say how the forecasts for a place were, surer ones weighing more', () => {
    const sky = (place: string, mean: number, sd: number, month = 6) => ({
      ...{ place, latitudeDeg: 55, startMs: Date.UTC(2027, month, 1), sky: { mean, sd } },
    });
    const found = forecastsOfPlaces([
      sky('Skua Head', 0.8, 0.05),
      sky('Skua Head', 1, 0.2),
      sky('Islet', 1, 0.1),
    ]);
    expect(found.map(({ place, outings }) => [place, outings])).toEqual([
      ['Skua Head', 2],
      ['Islet', 1],
    ]);
    expect(found[0].light.mean).toBeCloseTo((400 * 0.8 + 25 * 1) / 425, 9);
    expect(sayForecasts(found[0])).toBe(
      'Forecasts for Skua Head in summer were 23 % too bright, by 2 outings.',
    );
    expect(sayForecasts(found[1])).toBeNull();
    expect(sayForecasts({ ...found[0], outings: 1, light: { mean: 1.25, sd: 0.05 } })).toBe(
      'Forecasts for Skua Head in summer were 20 % too dull, by 1 outing.',
    );
    expect(forecastsOfPlaces([sky('Skua Head', 1, 0.1), sky('Skua Head', 1, 0.1, 11)]).length).toBe(2);
  });
});

describe('a figure over the years', () => {
  const YEAR_MS = 365.25 * 24 * 3_600_000;
  const day = (years: number, value: number, sd = 0.1): FigureOnDay => ({
    ...{ timeMs: years * YEAR_MS, value, sd, from: 'outing' },
  });

  it('falls along a line that says when it becomes too small', () => {
    const days = [day(0, 18), day(1, 17.5), day(2, 17)];
    expect(trendOf(days)!.perYear).toBeCloseTo(-0.5, 9);
    expect(tooSmallFrom(days, 16, 2 * YEAR_MS)! / YEAR_MS).toBeCloseTo(4, 6);
    expect(tooSmallFrom(days, 17.5, 2 * YEAR_MS)).toBe(2 * YEAR_MS);
    expect(tooSmallFrom(days, 5, 2 * YEAR_MS)).toBeNull();
    expect(tooSmallFrom([day(0, 17), day(1, 18)], 16, YEAR_MS)).toBeNull();
    expect(trendOf([day(1, 17), day(1, 18)])).toBeNull();
    // One that nobody is sure of weighs little.
    expect(trendOf([...days, day(3, 30, 10)])!.perYear).toBeLessThan(-0.4);
  });

  it('is what the bench and outings have said of it, at least twice', () => {
    const tested: Battery = {
      ...shale,
      measuredAh: {
        ...{ value: 9.5, source: 'measured', date: '2027-05-01', spread: 0.1 },
        others: [{ value: 9.8, source: 'measured', date: '2026-05-01' }],
      } as const,
    };
    const one = { ...row, taught: [] };
    expect(figuresOverTime([one], [curlew, shale])).toEqual([]);
    const [series] = figuresOverTime([one], [tested]);
    expect([series.name, series.at, series.label]).toEqual(['Shale', 'measuredAh', 10]);
    expect(series.days.map(({ value, from }) => [value, from])).toEqual([
      [9.8, 'gear'],
      [9.5, 'gear'],
    ]);
    const taught: OutingRow = {
      ...row,
      taught: [
        {
          ...({ id: 'shale measuredAh', gear: 'shale', at: 'measuredAh' } as const),
          ...{ before: { mean: 10, sd: 0.5 }, after: { mean: 9.4, sd: 0.2 } },
        },
      ],
    };
    expect(figuresOverTime([taught], [tested])[0].days.at(-1)).toEqual(
      jasmine.objectContaining({ value: 9.4, sd: 0.2, from: 'outing' }),
    );
  });
});

describe('the two lines of an outing', () => {
  it('go at even distances from its start to its end, each the last that is known there', () => {
    const { planned, actual } = row;
    expect(planned.length).toBe(actual.length);
    expect(planned[0]).toBe(1);
    for (const line of [planned, actual])
      expect(line.every((soc, point) => point === 0 || soc <= line[point - 1])).toBeTrue();
    // Nothing is on but in the blocks, 8 to 10 and 12 to 15 of 6 to 18: level before, between and after.
    const at = (of: number) => planned[Math.round(((of - 6) / 12) * (planned.length - 1))];
    expect(at(10.6)).toBe(at(11.6));
    expect(at(15.6)).toBe(planned.at(-1)!);
    expect(at(7.4)).toBe(1);
    expect(at(10.6)).toBeLessThan(0.98);
    expect(at(15.6)).toBeLessThan(at(10.6) - 0.02);
  });
});

describe('the season of a place', () => {
  it('is that of its hemisphere, and the northern where nobody knows; outings without a sky say nothing', () => {
    const july = { place: 'Islet', startMs: Date.UTC(2027, 6, 1), sky: { mean: 1, sd: 0.1 } };
    const seasons = (latitudeDeg: number | null) =>
      forecastsOfPlaces([{ ...july, latitudeDeg }]).map(({ season }) => season);
    expect([seasons(55), seasons(-35), seasons(null)]).toEqual([['summer'], ['winter'], ['summer']]);
    expect(forecastsOfPlaces([{ ...july, latitudeDeg: 55, sky: null }])).toEqual([]);
  });
});
