import type { Chance } from '../chance/chance.js';
import type { Tornado } from '../chance/tornado.js';
import { forecast } from '../forecast/forecast.js';
import { HOUR_MS } from '../span.js';
import { leadOf, workedPlan, type WhiteboardChange } from '../testing/plans.js';
import { NO_WIRING } from '../wire/cable-runs.js';
import { chanceSum } from './chance-sum.js';
import { explain, type Explained } from './explain.js';
import { sayTerm, type Sum } from './sum.js';
import {
  chanceSentence,
  missingSentence,
  plainSentence,
  planSentence,
  verdictSentence,
} from './verdict-sentence.js';

const told = ({ lines }: Sum): string[] =>
  lines.map(({ label, terms, result }) => `${label}: ${terms.map(sayTerm).join('')} = ${sayTerm(result)}`);

const H = HOUR_MS;
const worked = workedPlan;
const sumsOf = (change?: WhiteboardChange): Record<Explained, Sum> =>
  explain(forecast(worked(change)), 'UTC');
const sunFrom =
  (fromHour: number, toHour: number) =>
  (timeMs: number): number =>
    timeMs >= fromHour * H && timeMs < toHour * H ? 2.5 : 0;

/** Each followed on paper: 20 Ah at 25 °C without cold or age, figures as they are typed above. */
describe('a sum as it is told', () => {
  it('of the load: each way of working, each block, each load, and what each takes in all', () => {
    expect(told(sumsOf().load)).toEqual([
      'an over of CW 10 W: 0.30 A + 0.44 × (2.00 A − 0.30 A) = 1.05 A',
      'an over of SSB 5 W: 0.41 A + 0.30 × (1.40 A − 0.41 A) = 0.71 A',
      'CW 10 W: (0.50 × 1.05 A + 0.50 × 0.30 A) × 4.00 h = 2.70 Ah',
      'SSB 5 W: (0.25 × 0.71 A + 0.75 × 0.30 A) × 2.00 h = 0.80 Ah',
      'relay: 0.10 A × 10.00 h = 1.00 Ah',
      'lamp: (0.050 A + 3 W ÷ 13.26 V) × 5.00 h = 1.38 Ah',
      'fan: 2 W ÷ 13.40 V × 2.00 h = 0.30 Ah',
      'switched off: 0.00 A × 1.00 h = 0.00 Ah',
      'Curlew in all: 3.50 Ah = 47 Wh',
      'relay in all: 1.00 Ah = 13 Wh',
      'lamp in all: 1.38 Ah = 18 Wh',
      'fan in all: 0.30 Ah = 4.0 Wh',
      'together:  = 6.18 Ah',
      'in energy:  = 82 Wh',
      'mean of the outing: 6.18 Ah ÷ 10.00 h = 0.62 A',
    ]);
  });

  it('of what is left, of one battery and of several', () => {
    expect(told(sumsOf().margin)).toEqual([
      'Shale 20, LiFePO4, at 25 °C: 20.0 Ah × 1.00 health × 1.00 cold = 20.0 Ah',
      'at the end, above the reserve: (69.1 % − 10.0 %) × 20.0 Ah = 11.8 Ah',
      'at the mean current of the plan: 11.8 Ah ÷ 0.62 A = 19 h 08',
    ]);
    const [first] = worked().packs;
    const two = sumsOf({
      wiring: { ...NO_WIRING, radio: leadOf(0.05) },
      packs: [
        { ...first, name: 'first', startSoc: 0.3 },
        { ...first, name: 'second', label: { ...first.label, ratedAh: 9 } },
      ],
    });
    expect(told(two.margin)).toEqual([
      'first, LiFePO4, at 25 °C: 20.0 Ah × 1.00 health × 1.00 cold = 20.0 Ah',
      'left in first: (10.0 % − 10.0 %) × 20.0 Ah = 0.00 Ah',
      'second, LiFePO4, at 25 °C: 9.00 Ah × 1.00 health × 1.00 cold = 9.00 Ah',
      'left in second: (75.5 % − 10.0 %) × 9.00 Ah = 5.90 Ah',
      'together:  = 5.90 Ah',
      'at the mean current of the plan: 5.90 Ah ÷ 0.62 A = 9 h 30',
    ]);
    // 51.7 % is 15 of 29 Ah.
    expect(told(two.lowest).slice(-2)).toEqual([
      'consumption until then:  = 6.20 Ah',
      'left in all packs: 51.7 % − (6.20 Ah) ÷ 29.0 Ah = 30.3 %',
    ]);
    expect(told(two.lowest).slice(0, 2)).toEqual([
      'first stores: 20.0 Ah × 1.00 health = 20.0 Ah',
      'second stores: 9.00 Ah × 1.00 health = 9.00 Ah',
    ]);
    expect(told(two.schools)[1]).toBe('a fixed share of it: 26.1 Ah = past the end');
    expect(told(two.events)).toEqual(['the next battery, second:  = Thu 04:04']);
    // The battery in use is the second: its resistance, and its name.
    expect(told(two.end)).toEqual([
      'at rest with 76 % left:  = 13.24 V',
      'at the terminals, mean current: 13.24 V − 0.10 A × (27.8 mΩ + 22.2 mΩ) = 13.24 V',
      'at the radio, key down: 13.24 V − 0.10 A × 22.2 mΩ − 2.54 A × 27.8 mΩ − 2.00 A × 50.0 mΩ = 13.07 V',
      'reserve of the plan:  = 10 %',
      'Curlew drops out:  = 9.00 V',
      'second cuts off:  = 10.00 V',
    ]);
  });

  it('of what is missing, with what the sun still offers until the plan is furthest behind it', () => {
    const { margin, end, schools, assumptions } = sumsOf({
      pack: { startSoc: 0.2 },
      offeredA: sunFrom(3, 7),
    });
    expect(told(margin)).toEqual([
      'CW 10 W: (0.50 × 1.05 A + 0.50 × 0.30 A) × 0.76 h = 0.51 Ah',
      'relay: 0.10 A × 0.76 h = 0.08 Ah',
      'lamp: (0.050 A + 3 W ÷ 12.47 V) × 0.76 h = 0.22 Ah',
      'fan: 2 W ÷ 12.47 V × 0.76 h = 0.12 Ah',
      'missing:  = 0.93 Ah',
    ]);
    expect(margin.remark).toBeUndefined();
    expect(told(end).slice(0, 3)).toEqual([
      'at rest with 10 % left:  = 12.75 V',
      'at the terminals, mean current: 12.75 V − 1.22 A × (12.5 mΩ + 10.0 mΩ) = 12.72 V',
      'at the radio, key down: 12.75 V − 1.22 A × 10.0 mΩ − 2.54 A × 12.5 mΩ − 2.00 A × 20.0 mΩ = 12.67 V',
    ]);
    expect(told(schools)).toEqual([
      'all of the rated capacity: (100 % − 0.0 %) × 20.0 Ah = 20.0 Ah = past the end',
      'a fixed share of it: (100 % − 10.0 %) × 20.0 Ah = 18.0 Ah = Thu 02:15',
      'down to the volts at which the radio quits: (100 % − 0.1 %) × 20.0 Ah = 20.0 Ah = past the end',
    ]);
    expect(told(assumptions)).toEqual([
      'cautious: takes 8.55 Ah, lacks 2.41 Ah = Thu 01:28',
      'expected, taken here: takes 6.23 Ah, lacks 0.93 Ah = Thu 02:15',
      'measured: takes 6.23 Ah, lacks 0.93 Ah = Thu 02:15',
    ]);
    const faint = sumsOf({ pack: { startSoc: 0.2 }, offeredA: (timeMs) => sunFrom(3, 7)(timeMs) / 5 }).margin;
    expect(told(faint).at(-2)).toBe('less what the sun offers:  = −2.00 Ah');
    expect(faint.remark).toBe('Up to the moment when the plan is furthest behind the sun.');
  });

  it('of the lowest point, with what the sun gave until then', () => {
    const { lowest, sun } = sumsOf({ pack: { startSoc: 0.6 }, offeredA: sunFrom(0, 1) });
    // From 60 %: 2.5 of the sun come in the first hour, 99 % of what is beyond the load is stored.
    expect(told(lowest).slice(-4)).toEqual([
      'consumption until then:  = 6.20 Ah',
      'given by the sun until then:  = 2.50 Ah',
      'lost to the cold, high currents and charging:  = 0.02 Ah',
      'left in the pack: 60.0 % − (6.20 Ah − 2.50 Ah + 0.02 Ah) ÷ 20.0 Ah = 41.4 %',
    ]);
    expect(told(sun)).toEqual([
      'offered at the battery:  = 2.50 Ah',
      'used: 2.50 Ah − 0.00 Ah that nothing takes = 2.50 Ah',
      'best at Thu 00:00:  = 2.50 A',
      'beyond the load then:  = 1.58 A',
      'at the worst by day:  = 1.58 A',
      'solar covers the load for:  = 1 h 00',
    ]);
    expect(sumsOf().sun.lines).toEqual([]);
  });
});

const CHANCE: Chance = {
  chance: 0.872,
  samples: 400,
  finished: 349,
  standardError: 0.017,
  stopped: 'sure',
  edgesMs: new Float64Array(),
  p10: new Float32Array(),
  p50: new Float32Array(),
  p90: new Float32Array(),
  target: 0.95,
  medianLowestSoc: 0.4,
  endMs: 5 * H,
};
const UP = {
  target: 0.95,
  p50: 0.982,
  p10: 0.9,
  outages: 2,
  longestH: 3.5,
  share: 0.9,
} as unknown as NonNullable<Chance['availability']>;

describe('a chance as it is told', () => {
  it('is counted, held against its target, and says when the others end', () => {
    expect(told(chanceSum(CHANCE, null, 'UTC'))).toEqual([
      'Simulated outings that reach the end above the reserve, on the air: 349 / 400 = 87.2 % = ± 1.7 %',
      'Target chance:  = 95.0 %',
      'Simulated outings: enough: the target is more than two standard errors away = 400',
      'The others end, the middle of them:  = Thu 05:00',
    ]);
    expect(chanceSum(CHANCE, null, 'UTC').title).toBe('The chance that it lasts');
    expect(told(chanceSum({ ...CHANCE, endMs: null, stopped: 'limit' }, null, 'UTC')).slice(2)).toEqual([
      'Simulated outings: as many as are ever taken: the target is too near to be sure = 400',
    ]);
    expect(told(chanceSum({ ...CHANCE, stopped: 'not yet' }, null, 'UTC'))[2]).toContain('still simulating');
  });

  it('of gear that comes back by itself counts the hours that it is up', () => {
    const sum = chanceSum({ ...CHANCE, availability: UP }, null, 'UTC');
    expect(sum.title).toBe('The chance that it is up as wanted');
    expect(told(sum)).toEqual([
      'Simulated outings that are up for at least 95 % of the hours wanted: 349 / 400 = 87.2 % = ± 1.7 %',
      'Target chance:  = 95.0 %',
      'Simulated outings: enough: the target is more than two standard errors away = 400',
      'Half of them are up for at least:  = 98.2 %',
      'Nine in ten are up for at least:  = 90.0 %',
      'Outages, in the middle of them:  = 2',
      'The longest outage, in the middle of them:  = 3 h 30',
    ]);
  });

  it('says what matters most by how far it swings', () => {
    const tornado = {
      expectedAh: 4.85,
      swings: [{ label: 'The sky', badAh: -1.5, goodAh: 6, bad: '1 Ah of sun', good: '9 Ah of sun' }],
    } as unknown as Tornado;
    expect(told(chanceSum(CHANCE, tornado, 'UTC')).slice(-2)).toEqual([
      'To spare at the lowest point, all as expected:  = 4.85 Ah',
      'The sky: 1 Ah of sun: −1.50 Ah · 9 Ah of sun: 6.00 Ah = 7.50 Ah',
    ]);
  });

  it('stands at the head of the sentence, and what would do at its end', () => {
    const says = (chance: Chance | null) => plainSentence(chanceSentence(chance));
    expect(says(null)).toBe('Calculating the chance …');
    expect(says(CHANCE)).toBe('Lasts in 87 of 100 simulated outings, target 95 %.');
    expect(says({ ...CHANCE, stopped: 'not yet' })).toBe(
      'So far it lasts in 87 of 100 simulated outings, target 95 %.',
    );
    expect(says({ ...CHANCE, target: 0.88, stopped: 'limit' })).toBe(
      'Lasts in 87 of 100 simulated outings, borderline for the target of 88 %.',
    );
    expect(says({ ...CHANCE, availability: UP })).toBe(
      'Up for at least 95 % of the hours wanted in 87 of 100 simulated outings, target 95 %; half reach 98.2 %, nine in ten 90 %.',
    );
    expect(says({ ...CHANCE, availability: UP, stopped: 'not yet' })).toContain('So far up for');
    const missing = (wouldDoAh?: number | null) =>
      plainSentence(missingSentence({ chance: CHANCE, wouldDoAh }));
    expect(missing()).toBe('');
    expect(missing(34)).toBe(' A battery of 34 Ah of this kind would do.');
    expect(missing(null)).toBe(
      ' No battery of this kind up to 1000 Ah would do: a larger panel or less load.',
    );
    expect(plainSentence(missingSentence({ chance: null, wouldDoAh: 34 }))).toBe('');
    const { verdict } = forecast(worked());
    expect(plainSentence(planSentence(verdict, { chance: CHANCE, wouldDoAh: 34 }, 'UTC'))).toBe(
      'Lasts in 87 of 100 simulated outings, target 95 %. The typical outing lasts past Thu 10:00 with 11.8 Ah to spare; lowest state of charge 69 % at the end. A battery of 34 Ah of this kind would do.',
    );
  });
});

describe('the typical outing in a sentence', () => {
  let verdict: ReturnType<typeof forecast>['verdict'];
  beforeAll(() => {
    ({ verdict } = forecast(worked()));
  });
  const says = (change: Partial<typeof verdict>) =>
    plainSentence(verdictSentence({ ...verdict, ...change }, 'UTC'));

  it('tells little to spare in hundredths, and the hour of a low point before the end', () => {
    expect(says({ marginAh: 0.456, lowestMs: 4 * H })).toBe(
      'The typical outing lasts past Thu 10:00 with 0.46 Ah to spare; lowest state of charge 69 % at Thu 04:00.',
    );
    expect(says({ marginAh: 1 })).toContain('with 1.0 Ah to spare');
  });

  it('counts the outages of gear that comes back by itself', () => {
    const up = (outages: number) =>
      says({
        availability: { share: 0.915, outages, longestH: 2, wantedHours: 10 } as typeof verdict.availability,
      });
    expect(up(0)).toBe('The typical one is up for 91.5 %; lowest state of charge 69 % at Thu 10:00.');
    expect(up(1)).toBe(
      'The typical one is up for 91.5 %, with one outage of 2 h 00; lowest state of charge 69 % at Thu 10:00.',
    );
    expect(up(3)).toContain('with 3 outages, the longest 2 h 00;');
  });

  it('unfolds each figure into its own sum', () => {
    const unfolds = (parts: ReturnType<typeof verdictSentence>) =>
      parts.flatMap((part) => (typeof part === 'string' ? [] : [part.unfolds]));
    expect(unfolds(verdictSentence(verdict, 'UTC'))).toEqual(['end', 'margin', 'lowest']);
    expect(unfolds(chanceSentence(CHANCE))).toEqual(['chance']);
    expect(
      unfolds(
        verdictSentence(
          { ...verdict, endMs: 4 * H, binds: 'radioDropout', stopSoc: 0.48, marginHours: -6 },
          'UTC',
        ),
      ),
    ).toEqual(['end', 'margin', 'end']);
  });
});
