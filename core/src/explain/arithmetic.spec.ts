import { forecast, type Forecast } from '../forecast/forecast.js';
import type { PlanInput } from '../forecast/plan-input.js';
import { HOUR_MS } from '../span.js';
import { workedOut } from '../testing/arithmetic.js';
import { leadOf, measuredRadio, workedPlan } from '../testing/plans.js';
import { NO_WIRING } from '../wire/cable-runs.js';
import { explain, type Explained } from './explain.js';
import type { SumLine } from './sum.js';

const worked = workedPlan;
const sun = (timeMs: number) => (timeMs > 3 * HOUR_MS && timeMs < 7 * HOUR_MS ? 2.5 : 0);

/** Plans of each make that a sum has lines of its own for. */
const PLANS: Readonly<Record<string, PlanInput>> = {
  plain: worked(),
  'with sun, some of which nothing takes': worked({ offeredA: sun }),
  'too short': worked({ pack: { startSoc: 0.35 } }),
  'too short, with sun later': worked({ pack: { startSoc: 0.2 }, offeredA: sun }),
  'cold and aged': worked({
    temperatureC: -15,
    pack: { label: { chemistry: 'agm', cellsInSeries: 6, ratedAh: 24, health: 0.7 }, reserveSoc: 0.5 },
  }),
  'heavy cables': worked({
    wiring: { ...NO_WIRING, shared: leadOf(0.05), radio: leadOf(0.08) } as PlanInput['wiring'],
  }),
  'two in turn': worked({
    packs: [
      { ...worked().packs[0], name: 'first', startSoc: 0.3 },
      { ...worked().packs[0], name: 'second', label: { ...worked().packs[0].label, ratedAh: 9 } },
    ],
  }),
  'two radios': worked({
    others: [
      {
        radio: { name: 'Dunlin', figures: measuredRadio(0.05, [3, 0.7]), dropoutV: 8 },
        blocks: [{ ...worked().blocks[0], startMs: HOUR_MS, endMs: 3 * HOUR_MS, label: 'CW 3 W', powerW: 3 }],
      },
    ],
  }),
  'a power station': worked({
    pack: { label: { ...worked().packs[0].label, socket: { volts: 13, efficiency: 0.88, idleW: 2 } } },
  }),
  'a charger on the way': worked({
    pack: { startSoc: 0.6 },
    feeds: [{ name: 'charger', startMs: 2 * HOUR_MS, endMs: 4 * HOUR_MS, amps: 2 }],
  }),
  'too short, with a charger': worked({
    pack: { startSoc: 0.2 },
    feeds: [{ name: 'charger', startMs: HOUR_MS, endMs: 5 * HOUR_MS, amps: 0.3 }],
  }),
  'back by itself': worked({
    pack: { startSoc: 0.3 },
    offeredA: sun,
    restart: { reconnectV: 13, targetUp: 0.95 },
  }),
};
const RUNS = Object.entries(PLANS).map(([name, plan]): readonly [string, Forecast] => [name, forecast(plan)]);

const valueOf = ({ result }: SumLine): number => (typeof result === 'string' ? NaN : result.value);
const lineOf = (lines: readonly SumLine[], label: RegExp): SumLine =>
  lines.find((line) => label.test(line.label))!;
/** Lines that tell a figure of the forecast as it is; all others work it out. */
const TOLD =
  /^(together|in energy|consumption until then|given by (the sun|chargers)|lost to|less what (the sun|chargers)|missing|at rest with|reserve of the plan|offered|best at|beyond|at the worst|solar covers|would carry|the loads come back)| drops out$| cuts off$/;
/** Lines whose terms are words about other figures. */
const IN_WORDS = /in all$|^outages|out of its cells/;

describe('the arithmetic of the sums', () => {
  for (const [name, run] of RUNS) {
    it(`comes to what stands behind each line: ${name}`, () => {
      const sums = explain(run, 'UTC');
      const checked = (Object.keys(sums) as Explained[])
        .filter((of) => of !== 'assumptions' && of !== 'events' && of !== 'schools')
        .flatMap((of) => sums[of].lines.map((line) => ({ of, line })))
        .filter(({ line }) => !IN_WORDS.test(line.label));
      const [told, workedOnes] = [true, false].map((is) =>
        checked.filter(({ line }) => TOLD.test(line.label) === is),
      );
      for (const { of, line } of told) expect(line.terms).withContext(`${of}: ${line.label}`).toEqual([]);
      expect(workedOnes.length).toBeGreaterThan(6);
      for (const { of, line } of workedOnes)
        expect(workedOut(line)).withContext(`${of}: ${line.label}`).toBeCloseTo(valueOf(line), 9);
    });

    it(`leads from one line to the next: ${name}`, () => {
      const { verdict, march, packs, plan } = run;
      const { load, lowest, margin, schools, end } = explain(run, 'UTC');
      expect(valueOf(lineOf(load.lines, /^together/))).toBe(verdict.plannedAh);
      expect(valueOf(lineOf(load.lines, /^in energy/))).toBe(verdict.plannedWh);
      expect(valueOf(lineOf(load.lines, /^mean of/))).toBe(verdict.meanA);
      expect(valueOf(lineOf(lowest.lines, /^left in/))).toBe(verdict.lowestSoc);
      // What the lowest point is made of: what was stored, less what was used up and lost, and what the sun gave.
      const given = lowest.lines.find(({ label }) => /given by the sun/.test(label));
      if (given) expect(valueOf(given)).toBeGreaterThan(0);
      expect(valueOf(lineOf(margin.lines, verdict.endMs === null ? /mean current/ : /^missing/))).toBeCloseTo(
        verdict.endMs === null ? verdict.marginHours : -verdict.marginAh,
        9,
      );
      // Each way of counting: what stands before the sign is what stands behind it.
      if (packs.length === 1)
        schools.lines.forEach((line, index) => {
          const sign = line.terms.indexOf(' = ');
          expect(workedOut({ terms: line.terms.slice(0, sign) })).toBeCloseTo(
            verdict.schools[index].usableAh,
            9,
          );
        });
      const ends = end.lines.map(({ label }) => label);
      expect(ends.slice(-3)).toEqual([
        'reserve of the plan',
        'Curlew drops out',
        jasmine.stringMatching(/ cuts off$/),
      ]);
      expect(valueOf(end.lines.at(-3)!)).toBe(plan.packs[0].reserveSoc);
      expect(valueOf(end.lines.at(-2)!)).toBe(9);
      // At rest, and at the terminals under the mean current: what the march had in that step, to a step's worth.
      const step = Math.min(
        march.terminalV.length - 1,
        Math.max(0, march.edgesMs.findIndex((ms) => ms >= (verdict.endMs ?? plan.outing.endMs)) - 1),
      );
      if (!packs[0].socket && march.wantedA[step] > 0 && packs.length === 1 && !plan.offeredA)
        expect(valueOf(lineOf(end.lines, /at the terminals/)))
          .withContext('terminals')
          .toBeCloseTo(march.terminalV[step], 1);
    });
  }

  it('tells the cells of a power station what was taken at its socket, and its own', () => {
    const run = RUNS.find(([name]) => name === 'a power station')![1];
    const { lines } = explain(run, 'UTC').load;
    const atSocket = lines.filter(
      ({ result }) => typeof result !== 'string' && result.unit === 'Ah at socket',
    );
    expect(atSocket.length).toBe(6);
    const cells = lineOf(lines, /out of its cells/);
    const ampereHours = atSocket.reduce((sum, line) => sum + valueOf(line), 0);
    const [volts, efficiency, idleW, hours, cellsV] = cells.terms.flatMap((term) =>
      typeof term === 'string' ? [] : [term.value],
    );
    expect([volts, efficiency, idleW, hours]).toEqual([13, 0.88, 2, 10]);
    expect(((ampereHours * volts) / efficiency + idleW * hours) / cellsV).toBeCloseTo(valueOf(cells), 1);
    expect(valueOf(cells)).toBeCloseTo(run.verdict.plannedAh, 9);
  });

  it('names the radio and the assumption of a line only where there are several', () => {
    const labels = (name: string) =>
      explain(RUNS.find(([own]) => own === name)![1], 'UTC').load.lines.map(({ label }) => label);
    expect(labels('two radios').slice(0, 6)).toEqual([
      'an over of CW 10 W on Curlew',
      'an over of SSB 5 W on Curlew',
      'an over of CW 3 W on Dunlin',
      'CW 10 W on Curlew',
      'SSB 5 W on Curlew',
      'CW 3 W on Dunlin',
    ]);
    expect(labels('plain').slice(0, 2)).toEqual(['an over of CW 10 W', 'an over of SSB 5 W']);
  });

  it('says of gear that comes back by itself how long it is up, and at what volts', () => {
    const run = RUNS.find(([name]) => name === 'back by itself')![1];
    const { share, outages, longestH } = run.verdict.availability!;
    const { lines } = explain(run, 'UTC').end;
    expect(valueOf(lineOf(lines, /^up, of/))).toBe(share);
    expect(lineOf(lines, /^outages/)).toEqual({
      label: 'outages',
      terms: ['the longest ', { value: longestH, unit: 'duration' }],
      result: String(outages),
    });
    expect(valueOf(lineOf(lines, /^the loads come back/))).toBe(13);
    const never = forecast({ ...PLANS['back by itself'], restart: { reconnectV: Infinity, targetUp: 0.95 } });
    expect(lineOf(explain(never, 'UTC').end.lines, /^the loads come back/).result).toBe(
      'never by themselves',
    );
  });
});
