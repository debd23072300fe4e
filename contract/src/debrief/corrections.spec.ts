import { chanceOf, forecast } from '@knapsack/core';
import { withEntry, type Figure } from '../documents/figure.js';
import type { Gear, Radio } from '../documents/gear.js';
import { emptyLog, type LogEntry } from '../documents/log.js';
import type { Trip } from '../documents/trip.js';
import { resolve } from '../resolve/resolve.js';
import { hour, shelf as known, trip } from '../testing/outing.js';
import {
  correctionId,
  isAccepted,
  withAll,
  withCorrection,
  withoutCorrection,
  type Correction,
} from './corrections.js';
import { debriefOf } from './debrief.js';
import { dayLearned, knownBefore } from './known-before.js';
import { sayCorrection, sayMiddle, saySure } from './say-correction.js';

const at = (of: number) => new Date(hour(of)).toISOString();
const read = (of: number, values: object): LogEntry =>
  ({ ...{ id: `r${of}`, at: at(of), kind: 'reading' }, ...values }) as LogEntry;
/** A meter that shows more than was planned for, listening and with the key down. */
const entries = [
  read(8.1, { state: 'listening', amps: 0.36 }),
  read(8.2, { state: 'keyDown', amps: 2.1 }),
  read(8.3, { state: 'listening', amps: 0.35 }),
  read(17.9, { state: 'off', outAh: 3.9 }),
];
/** A radio whose receive current nobody has measured. */
const shelf: readonly Gear[] = known.map((gear) =>
  gear.kind === 'radio' ? { ...gear, receiveA: { value: 0.3, source: 'assumed' } } : gear,
);
function debrief(of: Trip, gear: readonly Gear[]) {
  const found = debriefOf(of, { ...emptyLog(of.id), entries }, gear);
  if (!found.ok) throw new Error(found.problems[0].sentence);
  return found.value;
}
const figures = (of: Trip, gear: readonly Gear[]) => {
  const plan = resolve(of, gear);
  if (!plan.ok) throw new Error(plan.problems[0].sentence);
  return { chance: chanceOf(plan.value).chance, usedAh: forecast(plan.value).march.books.loadsAh };
};
const after: Trip = { ...trip(), id: 'later', name: 'Later', startSoc: 0.28 };
const byId = (all: readonly Gear[], id: string) => all.find((gear) => gear.id === id)!;
const found = debrief(trip(), shelf);
const receive = found.corrections.find(({ place }) => place.at === 'receiveA')!;

describe('what an outing has taught of the gear', () => {
  it('is the radio’s currents as the meter showed them, with how sure they are', () => {
    expect(receive.gear).toBe(byId(shelf, receive.gear).id);
    expect(receive.before.mean).toBe(0.3);
    expect(Math.abs(receive.after.mean - 0.355)).toBeLessThan(0.01);
    expect(receive.after.sd).toBeLessThan(0.8 * receive.before.sd);
    const words = sayCorrection(receive, 'Curlew 10');
    expect(words).toMatch(/^Curlew 10: the receive current is 0\.\d+ A, not 0\.\d+ A\.$/);
    expect(sayMiddle(receive, receive.after)).toMatch(/^0\.\d+ to 0\.\d+ A$/);
    expect(new Set(found.corrections.map(correctionId)).size).toBe(found.corrections.length);
  });

  it('changes the next plan where it is accepted, and no more once it is taken back', () => {
    const before = figures(after, shelf);
    const taught = withAll(shelf, found.corrections, trip());
    const then = figures(after, taught);
    // Five hours at the duty cycle, receive and transmit current that stood before, and that stand now.
    const mean = (share: number, receiveA: number, keyDownA: number) =>
      receiveA + share * 0.44 * (keyDownA - receiveA);
    const { receiveA, transmit, duty } = byId(taught, 'curlew') as Radio;
    const keyDownA = transmit.find(({ rfW }) => rfW === 10)!.amps;
    const share = duty?.[0].value ?? 0.5;
    expect(before.usedAh).toBeCloseTo(5 * mean(0.5, 0.3, 1.9), 6);
    expect(then.usedAh).toBeCloseTo(5 * mean(share, receiveA.value, keyDownA), 6);
    expect(then.usedAh).toBeGreaterThan(before.usedAh + 0.15);
    expect(then.chance).toBeLessThan(before.chance - 0.1);
    const back = taught.map((gear) =>
      found.corrections.reduce((so, { place }) => withoutCorrection(so, place, 'islet'), gear),
    );
    expect(JSON.stringify(back)).toBe(JSON.stringify(shelf));
    expect(figures(after, back)).toEqual(before);
  });

  it('is accepted once, and then said so', () => {
    const once = withCorrection(byId(shelf, receive.gear), receive, trip());
    if (!once.ok) throw new Error();
    expect(isAccepted(once.value, receive.place, 'islet')).toBeTrue();
    expect(isAccepted(once.value, receive.place, 'other')).toBeFalse();
    expect((once.value as Radio).receiveA).toEqual(
      jasmine.objectContaining({ source: 'learned', outing: 'islet', date: dayLearned(trip()) }),
    );
    const twice = withCorrection(once.value, receive, trip());
    expect(!twice.ok && twice.problems[0].sentence).toContain('was accepted already');
  });

  it('is weighed against what was known before the outing: accepting teaches nothing twice', () => {
    const taught = withAll(shelf, found.corrections, trip());
    expect(JSON.stringify(knownBefore(taught, trip()))).toBe(JSON.stringify(shelf));
    const again = debrief(trip(), taught);
    expect(again.corrections).toEqual(found.corrections);
    expect(again.waterfall).toEqual(found.waterfall);
    // A later outing knows it, and has less to learn.
    const later = debrief({ ...after, end: new Date(Date.parse(after.end) + 1000).toISOString() }, taught);
    const second = later.now.learned.get('receive')!;
    expect(second.before.sd).toBeLessThan(0.8 * found.now.learned.get('receive')!.before.sd);
    expect(second.again).toBeTrue();
    expect(found.corrections.some(({ again }) => again)).toBeFalse();
  });

  it('is nothing of what was only planned when the last was entered', () => {
    const [first, second] = trip().blocks;
    const blocks = [first, { ...second, mode: 'SSB' as const, powerW: 5 }];
    const keyed = [8.4, 8.5, 8.6, 8.7].map((of) => read(of, { state: 'keyDown', amps: 1.95 }));
    const log = { ...emptyLog('islet'), entries: [...entries.slice(0, 3), ...keyed] };
    const found = debriefOf(trip({ blocks }), log, shelf);
    if (!found.ok) throw new Error(found.problems[0].sentence);
    const ids = found.value.corrections.map(correctionId).join();
    expect(ids).toContain('curlew receiveA');
    expect(ids).toContain('curlew transmit 10');
    expect(ids).not.toMatch(/SSB|transmit 5/);
  });

  it('stands with the transmit current that was measured, and beside what the sheet says', () => {
    const radio = byId(shelf, 'curlew') as Radio;
    const sheet = { rfW: 10, amps: 2.3, source: 'datasheet' } as const;
    const two: Radio = { ...radio, transmit: [sheet, ...radio.transmit] };
    const place = { at: 'transmit', rfW: 10 } as const;
    const taught = withCorrection(two, { place, after: { mean: 2.05, sd: 0.02 } }, trip());
    if (!taught.ok) throw new Error();
    const { transmit } = taught.value as Radio;
    expect(transmit.length).toBe(two.transmit.length);
    expect(transmit[0]).toEqual(sheet);
    expect(transmit[1]).toEqual(
      jasmine.objectContaining({
        amps: 2.05,
        source: 'learned',
        others: [{ value: 1.9, source: 'measured' }],
      }),
    );
    expect(JSON.stringify(withoutCorrection(taught.value, place, 'islet'))).toBe(JSON.stringify(two));
  });

  it('says how sure it is by what is left of the doubt', () => {
    expect(saySure({ mean: 1, sd: 0.02 })).toBe('sure');
    expect(saySure({ mean: 1, sd: 0.05 })).toBe('fairly sure');
    expect(saySure({ mean: 1, sd: 0.2 })).toBe('not sure');
  });

  it('is of the second radio too, by its own hours: the meter in line counts both', () => {
    const second: Radio = {
      ...(byId(shelf, 'curlew') as Radio),
      ...{ id: 'whimbrel', name: 'Whimbrel 5', receiveA: { value: 0.2, source: 'assumed' } },
    };
    const both = [...shelf, second];
    const apart = (of: Partial<Trip['blocks'][number]>) => ({ ...trip().blocks[1], ...of });
    const of = trip({
      blocks: [trip().blocks[0], apart({ station: 2, mode: 'SSB', activity: 'answering', share: 0.3 })],
      loadout: [...trip().loadout, { gear: 'whimbrel', count: 1 }],
    });
    const seen = [
      ...entries.slice(0, 3),
      read(12.1, { state: 'listening', amps: 0.29 }),
      read(12.2, { state: 'keyDown', amps: 2.3 }),
      read(12.3, { state: 'listening', amps: 0.3 }),
    ];
    const told = debriefOf(of, { ...emptyLog(of.id), entries: seen }, both);
    if (!told.ok) throw new Error(told.problems[0].sentence);
    const heard = (id: string) =>
      told.value.corrections.find(({ gear, place }) => gear === id && place.at === 'receiveA')!.after.mean;
    expect(Math.abs(heard('curlew') - 0.355)).toBeLessThan(0.025);
    expect(Math.abs(heard('whimbrel') - 0.295)).toBeLessThan(0.025);
    const duties = told.value.corrections.filter(({ place }) => place.at === 'duty').map(correctionId);
    expect(duties.every((id) => /curlew duty CW|whimbrel duty SSB/.test(id)))
      .withContext(`${duties}`)
      .toBeTrue();
    // Where the first radio stayed switched off, it has taught nothing.
    const alone = trip({ ...of, blocks: [of.blocks[1]] });
    const taught = debriefOf(alone, { ...emptyLog(of.id), entries: seen.slice(3) }, both);
    if (!taught.ok) throw new Error(taught.problems[0].sentence);
    expect(new Set(taught.value.corrections.map(({ gear }) => gear))).toContain('whimbrel');
    expect(new Set(taught.value.corrections.map(({ gear }) => gear))).not.toContain('curlew');
  });

  it('is of one of two radios of a kind: nobody knows later which it was', () => {
    const two = trip({
      blocks: [...trip().blocks, { ...trip().blocks[0], id: 'three', station: 2 }],
      loadout: trip().loadout.map((item) => ({ ...item, count: 2 })),
    });
    const told = debrief(two, shelf);
    expect(told.corrections.length).toBeGreaterThan(0);
    expect(new Set(told.corrections.map(correctionId)).size).toBe(told.corrections.length);
  });

  it('is told of every kind of figure', () => {
    const of = (place: Correction['place'], was: number, is: number) =>
      sayCorrection(
        { gear: 'x', place, before: { mean: was, sd: 0 }, after: { mean: is, sd: 0 } },
        'Shale 18',
      );
    expect(of({ at: 'measuredAh' }, 18, 17.5)).toBe('Shale 18 holds 17.5 Ah, not 18 Ah.');
    expect(of({ at: 'truth' }, 0.9, 0.68)).toBe('Shale 18 gives 68 %, not 90 %, of what its label says.');
    expect(of({ at: 'duty', mode: 'SSB', activity: 'calling', instead: 0.3 }, 0.3, 0.38)).toBe(
      'SSB, calling and running stations: the transmit duty cycle is 38 %, not 30 %.',
    );
    expect(of({ at: 'transmit', rfW: 10 }, 2, 2)).toBe(
      'Shale 18: the transmit current at 10 W is 2 A, as planned.',
    );
    expect(of({ at: 'health' }, 1, 0.9)).toContain('state of health of 90 %, not 100 %');
    expect(of({ at: 'resistanceOhm' }, 0.03, 0.04)).toContain('40 mΩ, not 30 mΩ');
    expect(of({ at: 'receiveByEarA' }, 0.3, 0.4)).toContain('at normal volume');
  });
});

it('is kept as it is told: a share to the per cent', () => {
  const place = { at: 'duty', mode: 'CW', activity: 'calling', instead: 0.5 } as const;
  const taught = withCorrection(byId(shelf, 'curlew'), { place, after: { mean: 0.4826, sd: 0.02 } }, trip());
  expect(taught.ok && (taught.value as Radio).duty![0].value).toBe(0.48);
});

describe('gear as it was known before an outing', () => {
  const radio = byId(shelf, 'curlew') as Radio;
  const later = { value: 0.2, source: 'measured', date: '2028-01-01' } as const;

  it('knows nothing of what was measured after it', () => {
    const measured: Radio = { ...radio, receiveA: { ...later, others: [radio.receiveA] } };
    expect(knownBefore([measured], trip())).toEqual([radio]);
    const shale = byId(shelf, 'shale');
    const tested = { ...shale, measuredAh: { ...later, value: 9 } } as Gear;
    expect(knownBefore([tested], trip())).toEqual([shale]);
    // On its last day is not after it.
    const then = { ...later, date: dayLearned(trip()) };
    expect(knownBefore([{ ...radio, receiveA: then }], trip())).toEqual([{ ...radio, receiveA: then }]);
  });

  it('keeps what it cannot do without, though it was measured later', () => {
    const measured: Radio = {
      ...radio,
      receiveA: later,
      transmit: [{ rfW: 10, amps: 2, source: 'learned', date: '2028-01-01', outing: 'x' }],
    };
    expect(knownBefore([measured], trip())).toEqual([measured]);
    expect(debrief(trip(), [measured, byId(shelf, 'shale')]).waterfall.plannedAh).toBeGreaterThan(1);
  });
});

describe('a figure that was learned', () => {
  const bench: Figure = { value: 0.3, source: 'measured', date: '2027-05-02' };
  const learned = (date: string) => ({ value: 0.4, source: 'learned', date, outing: 'islet' }) as const;

  it('goes before a measured one, unless that was measured later or is pinned', () => {
    expect(withEntry(bench, learned('2027-06-01')).value).toBe(0.4);
    expect(withEntry(bench, learned('2027-04-01')).value).toBe(0.3);
    expect(withEntry({ ...bench, pinned: true }, learned('2027-06-01')).value).toBe(0.3);
    expect(withEntry({ ...bench, source: 'datasheet' }, learned('2027-04-01')).value).toBe(0.4);
    expect(withEntry(withEntry(bench, learned('2027-06-01')), { ...bench, date: '2027-07-01' }).value).toBe(
      0.3,
    );
    // Typed in today, though nobody wrote down the day.
    expect(withEntry(learned('2027-06-01'), { value: 0.2, source: 'measured' }).value).toBe(0.2);
  });

  it('of two outings is the later one’s', () => {
    const two = withEntry(learned('2027-06-01'), { ...learned('2027-05-01'), value: 0.5, outing: 'a' });
    expect(two.value).toBe(0.4);
    expect(
      withEntry(learned('2027-06-01'), { ...learned('2027-08-01'), value: 0.5, outing: 'a' }).value,
    ).toBe(0.5);
  });
});
