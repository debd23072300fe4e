import { emptyRun, expectedFor, sampleFor, take, type ChanceLaw } from '../chance/chance-law.js';
import type { Sample } from '../chance/sample.js';

/** How far the search goes, in standard deviations worse than expected. */
export const MOST_CAUTION = 2.6;
/** Samples that are looked at: for the light of their skies, and for where they lie. */
const LOOKED_AT = 120;

/** A mean and a standard deviation. */
interface Place {
  readonly mean: number;
  readonly sd: number;
}

/** As samples of a plan are made: nothing off in the middle, a standard deviation of one. */
const AS_PLANNED: Place = { mean: 0, sd: 1 };

/**
 * The outings that a ration is made for: so many standard deviations worse (or better, where negative) than expected, in everything at
 * once. Expected is what the samples of a law have in the middle: of a plan nothing is off, of an outing under way it is what its
 * readings said. Source: convention of this project.
 */
export function cautiousOutings(law: ChanceLaw, seed: number): (caution: number) => Sample {
  const expected = expectedFor(law);
  const samples = Array.from({ length: LOOKED_AT }, (_, index) => sampleFor(law, seed, index));
  const skies = law.sun ? skiesByLight(law, samples, expected) : [];
  const placeOf = (read: (sample: Sample) => number): Place =>
    law.sampleAt ? placeAmong(samples.map(read)) : AS_PLANNED;
  const places = {
    receive: Array.from(expected.receive, (_, radio) => placeOf(({ receive }) => receive[radio])),
    keyDown: Array.from(expected.keyDown, (_, radio) => placeOf(({ keyDown }) => keyDown[radio])),
    accessories: Array.from(expected.accessories, (_, at) => placeOf(({ accessories }) => accessories[at])),
    modeFactor: placeOf(({ modeFactor }) => modeFactor),
    habit: placeOf(({ habit }) => habit ?? 0),
    capacity: placeOf(({ capacity }) => capacity),
    truth: placeOf(({ truth }) => truth),
  };
  const blocks = Array.from(expected.blocks, (own, block) =>
    law.sampleAt ? placeAmong(samples.map((sample) => sample.blocks[block])).mean : own,
  );
  const socs = samples[0].socs?.map((_, pack) => placeAmong(samples.map((sample) => sample.socs![pack])));

  return (caution) => {
    // Better than expected a ration trusts its battery and its panel alone: nobody counts on transmitting less than planned.
    const more = ({ mean, sd }: Place) => mean + Math.max(0, caution) * sd;
    const less = ({ mean, sd }: Place) => mean - caution * sd;
    const brightest = skies.length - 1;
    const sky = skies[Math.floor(brightest * Math.max(0, 0.5 - caution / (2 * MOST_CAUTION)))];
    return {
      ...expected,
      receive: Float64Array.from(places.receive, more),
      keyDown: Float64Array.from(places.keyDown, more),
      accessories: Float64Array.from(places.accessories, more),
      modeFactor: more(places.modeFactor),
      habit: caution > 0 || law.sampleAt ? more(places.habit) : expected.habit,
      capacity: less(places.capacity),
      truth: less(places.truth),
      blocks: Float64Array.from(blocks),
      sky: (caution > 0 && sky) || expected.sky,
      ...(socs && { socs: socs.map((soc) => Math.min(1, Math.max(0, less(soc)))) }),
    };
  };
}

function placeAmong(values: readonly number[]): Place {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const variance = values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / values.length;
  return { mean, sd: Math.sqrt(variance) };
}

/** Skies of an outing from the dimmest to the brightest. */
function skiesByLight(
  law: ChanceLaw,
  samples: readonly Sample[],
  expected: Sample,
): readonly (Float32Array | null)[] {
  const run = emptyRun(law);
  const { hours } = law.steps;
  return samples
    .map(({ sky }) => {
      take(law, { ...expected, sky }, run, []);
      return { sky, light: run.sunA!.reduce((sum, amps, step) => sum + amps * hours[step], 0) };
    })
    .sort((a, b) => a.light - b.light)
    .map(({ sky }) => sky);
}
