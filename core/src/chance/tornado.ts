import { fixed, sayQuantity } from '../say/quantity.js';
import { NO_LEVEL, tightMarch, type TightOutcome } from '../march/tight-march.js';
import type { PlanInput } from '../forecast/plan-input.js';
import {
  chanceLaw,
  sampleFor,
  emptyRun,
  expectedFor,
  take,
  truthGain,
  capacityGain,
  type ChanceLaw,
} from './chance-law.js';
import { SEED } from '../random/seed.js';
import type { Sample } from './sample.js';
import { sampledShare } from './sampled-load.js';
import { accessoryFactor, keyDownFactor, receiveFactor } from './spreads.js';
import { copyOf } from '../march/tight-pack.js';

/** What is not known of a plan. */
export type UncertainInput =
  'sky' | 'share' | 'modeFactor' | 'receive' | 'keyDown' | 'accessories' | 'capacity' | 'truth' | 'aim';

/** How far one thing that is not known moves a plan, all else as expected. */
export interface Swing {
  readonly input: UncertainInput;
  readonly label: string;
  /** Charge to spare above the reserve at the lowest point when it turns out badly and well, as one of ten times each, Ah; negative: what is lacking. */
  readonly badAh: number;
  readonly goodAh: number;
  /** What badly and well mean, in words. */
  readonly bad: string;
  readonly good: string;
}

export interface Tornado {
  /** To spare with everything as expected, Ah. */
  readonly expectedAh: number;
  /** The widest first. */
  readonly swings: readonly Swing[];
}

/** A tenth of all cases lie beyond it on either side. */
const TENTH = 1.2816;
/** Skies that are put in order to find the tenth dimmest and the tenth brightest. */
const SKIES = 200;

const LABELS: Record<UncertainInput, string> = {
  sky: 'The sky',
  share: 'Transmit duty cycle',
  modeFactor: 'How hard overs are keyed',
  receive: 'Receive current',
  keyDown: 'Key-down current',
  accessories: 'Current of everything else',
  capacity: 'Capacity of the battery',
  truth: 'Panel output against label',
  aim: 'How the panel lies',
};

/**
 * What matters most: each input in turn from its tenth worst to its tenth best with all others as expected, and the charge
 * to spare at the lowest point. Source: convention of this project, docs/model.md.; Eschenbach (1992), Interfaces 22, 40, on the picture.
 */
export function tornado(plan: PlanInput, seed = SEED, law = chanceLaw(plan)): Tornado {
  // What is lacking at the lowest point is asked for: nothing is taken off.
  const { restart: _restart, ...run } = emptyRun(law);
  const packs = law.packs.map(copyOf);
  // Packs in turn stand as one, since charge below zero has no pack to lie in.
  const [first] = packs;
  const total = law.packs.reduce((sum, { deliverableAh }) => sum + deliverableAh, 0);
  const reserveSoc = plan.packs[0].reserveSoc;
  const out: TightOutcome = { endHours: 0, lowestSoc: 0, endSoc: 0, steps: 0 };
  const toSpare = (sample: Sample): number => {
    take(law, sample, run, packs);
    first.levels.fill(NO_LEVEL);
    const gain = capacityGain(law.weaknesses[0].capacitySpread, sample);
    first.storedAh = law.packs.reduce((sum, { storedAh }) => sum + storedAh, 0) * gain;
    first.deliverableAh = total * gain;
    tightMarch(run, [first], out);
    return (out.lowestSoc - reserveSoc) * first.deliverableAh;
  };
  const expected = expectedFor(law);
  const base = toSpare(expected);
  const swing = (
    input: UncertainInput,
    [bad, good]: readonly [Sample, Sample],
    [badWords, goodWords]: readonly [string, string],
  ): Swing => ({
    input,
    label: LABELS[input],
    badAh: toSpare(bad),
    goodAh: toSpare(good),
    bad: badWords,
    good: goodWords,
  });
  const swings = [
    swing(
      'share',
      [
        { ...expected, habit: TENTH },
        { ...expected, habit: -TENTH },
      ],
      shareWords(law),
    ),
    swing('modeFactor', both(expected, 'modeFactor', TENTH), factorWords(law)),
    swing('receive', all(expected, 'receive'), receiveWords(law)),
    swing('keyDown', all(expected, 'keyDown'), keyDownWords(law)),
    swing('accessories', all(expected, 'accessories'), accessoryWords(law)),
    swing('capacity', both(expected, 'capacity', -TENTH), capacityWords(law, expected, total)),
    ...(law.sun ? sunSwings(law, expected, seed, swing) : []),
  ];
  return {
    expectedAh: base,
    swings: swings
      .filter(({ badAh, goodAh }) => Math.abs(goodAh - badAh) > 0.005)
      .sort((a, b) => Math.abs(b.goodAh - b.badAh) - Math.abs(a.goodAh - a.badAh)),
  };
}

const both = (
  sample: Sample,
  input: 'modeFactor' | 'capacity' | 'truth',
  by: number,
): readonly [Sample, Sample] => [
  { ...sample, [input]: by },
  { ...sample, [input]: -by },
];

/** Every radio, or every accessory, at once. */
const all = (sample: Sample, input: 'receive' | 'keyDown' | 'accessories'): readonly [Sample, Sample] => [
  { ...sample, [input]: sample[input].map(() => TENTH) },
  { ...sample, [input]: sample[input].map(() => -TENTH) },
];

const percent = (share: number) => sayQuantity({ value: share, unit: 'share' });
const amps = (value: number) => sayQuantity({ value, unit: 'A' });
const ampereHours = (value: number) => sayQuantity({ value, unit: 'Ah' });

function sunSwings(
  law: ChanceLaw,
  expected: Sample,
  seed: number,
  swing: (
    input: UncertainInput,
    samples: readonly [Sample, Sample],
    words: readonly [string, string],
  ) => Swing,
): Swing[] {
  const sun = law.sun!;
  const run = emptyRun(law);
  const sunAh = (sample: Sample): number => {
    take(law, sample, run, []);
    const { hours } = law.steps;
    return run.sunA!.reduce(
      (sum, offered, step) => sum + Math.min(sun.maxA, offered * run.sunGain) * hours[step],
      0,
    );
  };
  const skies = Array.from({ length: SKIES }, (_, index) => {
    const sample = { ...expected, sky: sampleFor(law, seed, index).sky };
    return { draw: sample, ampereHours: sunAh(sample) };
  }).sort((a, b) => a.ampereHours - b.ampereHours);
  const dim = skies[Math.floor(SKIES * 0.1)];
  const bright = skies[Math.floor(SKIES * 0.9)];
  const truthOf = (by: number) => percent(law.plan.sun!.truth * truthGain(sun, { ...expected, truth: by }));
  const askew = { ...expected, aim: { tilt: TENTH, azimuth: TENTH } };
  const askewBack = { ...expected, aim: { tilt: -TENTH, azimuth: -TENTH } };
  const [worse, better] = sunAh(askew) < sunAh(askewBack) ? [askew, askewBack] : [askewBack, askew];
  return [
    swing(
      'sky',
      [dim.draw, bright.draw],
      [`${ampereHours(dim.ampereHours)} of sun`, `${ampereHours(bright.ampereHours)} of sun`],
    ),
    swing('truth', both(expected, 'truth', -TENTH), [
      `${truthOf(-TENTH)} of its label`,
      `${truthOf(TENTH)} of its label`,
    ]),
    swing(
      'aim',
      [worse, better],
      [`${ampereHours(sunAh(worse))} of sun`, `${ampereHours(sunAh(better))} of sun`],
    ),
  ];
}

/** The block that transmits most, which the words tell of. */
const busiest = ({ load: { blocks } }: ChanceLaw) =>
  blocks.reduce((most, block) => (block.share > most.share ? block : most), blocks[0]);

function shareWords(law: ChanceLaw): readonly [string, string] {
  const block = busiest(law);
  if (!block) return ['', ''];
  const at = (habit: number) =>
    `${percent(sampledShare(block, habit, 0))} of the time where ${percent(block.share)} is planned`;
  return [at(TENTH), at(-TENTH)];
}

function factorWords(law: ChanceLaw): readonly [string, string] {
  const block = law.load.blocks.reduce(
    (most, one) => (one.modeSpread > most.modeSpread ? one : most),
    law.load.blocks[0],
  );
  if (!block) return ['', ''];
  const at = (by: number) => `${fixed(block.modeFactor + by * block.modeSpread, 2)} of key-down on average`;
  return [at(TENTH), at(-TENTH)];
}

function receiveWords(law: ChanceLaw): readonly [string, string] {
  const [block] = law.load.blocks;
  if (!block) return ['', ''];
  const at = (by: number) => amps(block.receiveA * receiveFactor(block.receiveFrom, by));
  return [at(TENTH), at(-TENTH)];
}

function keyDownWords(law: ChanceLaw): readonly [string, string] {
  const block = busiest(law);
  if (!block) return ['', ''];
  const at = (by: number) => amps(block.keyDownA * keyDownFactor(block.keyDownFrom, by));
  return [at(TENTH), at(-TENTH)];
}

function accessoryWords({ load: { accessories }, steps: { hours } }: ChanceLaw): readonly [string, string] {
  const at = (by: number) =>
    ampereHours(
      accessories.reduce(
        (sum, { amps: series, from }) =>
          sum +
          accessoryFactor(from, by) * series.reduce((total, value, step) => total + value * hours[step], 0),
        0,
      ),
    );
  return [at(TENTH), at(-TENTH)];
}

function capacityWords(law: ChanceLaw, expected: Sample, totalAh: number): readonly [string, string] {
  const at = (by: number) =>
    `${ampereHours(totalAh * capacityGain(law.weaknesses[0].capacitySpread, { ...expected, capacity: by }))} to give`;
  return [at(-TENTH), at(TENTH)];
}
