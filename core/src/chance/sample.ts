import { generator, normal, seedOf } from '../random/generator.js';
import type { SkyIndex } from '../sun/light-table.js';
import { sampleSky, type SaidHour, type SkyLaw } from './sampled-sky.js';

/**
 * One outing as chance may have it: everything that is not known, as standard deviations from what is expected, and a sky.
 * The same index and seed give the same sample whatever the kit, so that kits are told apart by what they are and not by luck.
 */
export interface Sample {
  /** By radio, in the order of the operating positions. */
  readonly receive: Float64Array;
  readonly keyDown: Float64Array;
  /** By accessory. */
  readonly accessories: Float64Array;
  readonly modeFactor: number;
  readonly capacity: number;
  /** Of both of the battery's resistances. */
  readonly resistance: number;
  readonly truth: number;
  readonly aim: { readonly tilt: number; readonly azimuth: number };
  /** How talkative the operators are all through the outing, and in each block on its own; null where shares stand as planned. */
  readonly habit: number | null;
  readonly blocks: Float64Array;
  /** One place in a light table an hour; null without a sun. */
  readonly sky: Float32Array | null;
  /** State of charge of each pack at the start, in the order of use; as planned if absent. */
  readonly socs?: readonly number[];
}

/** How many of each a plan has. */
export interface SampleShape {
  readonly positions: number;
  readonly blocks: number;
  readonly accessories: number;
}

/** Samples beyond this are taken as this: nothing is five times off. */
export const FURTHEST = 3;

/**
 * A sample by its number. What belongs to the operators, to each piece of gear and to the sky comes from generators of their
 * own: one more block does not change the weather.
 */
export function sampleOf(seed: number, index: number, shape: SampleShape, sky: SkyLaw | null): Sample {
  const of = (what: string) => generator(seedOf(`${seed} ${index} ${what}`));
  const deviation = (next: () => number) => Math.min(FURTHEST, Math.max(-FURTHEST, normal(next)));
  const several = (count: number, next: () => number) =>
    Float64Array.from({ length: count }, () => deviation(next));
  const gear = of('gear');
  const operators = of('operators');
  const places: Float32Array<ArrayBufferLike> | null = sky && new Float32Array(sky.hours.length);
  if (sky && places) sampleSky(sky, of('sky'), places);
  return {
    receive: several(shape.positions, of('receive')),
    keyDown: several(shape.positions, of('key down')),
    accessories: several(shape.accessories, of('accessories')),
    modeFactor: deviation(gear),
    capacity: deviation(gear),
    truth: deviation(gear),
    aim: { tilt: deviation(gear), azimuth: deviation(gear) },
    resistance: deviation(gear),
    habit: deviation(operators),
    blocks: several(shape.blocks, operators),
    sky: places,
  };
}

/** The outing as it is expected: nothing off, the sky as it is said. */
export const expectedSample = (
  shape: SampleShape,
  sky: SkyLaw | null,
  skyIndexOf: (hour: SaidHour, index: number) => SkyIndex,
): Sample => ({
  receive: new Float64Array(shape.positions),
  keyDown: new Float64Array(shape.positions),
  accessories: new Float64Array(shape.accessories),
  modeFactor: 0,
  capacity: 0,
  resistance: 0,
  truth: 0,
  aim: { tilt: 0, azimuth: 0 },
  habit: null,
  blocks: new Float64Array(shape.blocks),
  sky: sky && Float32Array.from(sky.hours, skyIndexOf),
});
