import { generator, normal, seedOf } from '../random/generator.js';
import type { SkyPlace } from '../sun/light-table.js';
import { drawSky, type SkyLaw } from './drawn-sky.js';

/**
 * One outing as chance may have it: everything that is not known, as standard deviations from what is expected, and a sky.
 * The same index and seed give the same draw whatever the kit, so that kits are told apart by what they are and not by luck.
 */
export interface ChanceDraw {
  readonly receive: number;
  readonly modeFactor: number;
  readonly capacity: number;
  readonly truth: number;
  readonly aim: { readonly tilt: number; readonly azimuth: number };
  /** How talkative the operators are all through the outing, and in each block on its own; null where shares stand as planned. */
  readonly habit: number | null;
  readonly blocks: Float64Array;
  /** One place in a light table an hour; null without a sun. */
  readonly sky: Float32Array | null;
}

/** Draws beyond this are taken as this: nothing is five times off. */
const FURTHEST = 3;

/**
 * A draw by its number. What belongs to the operators, to the gear and to the sky comes from generators of their own: one
 * more block does not change the weather.
 */
export function drawOf(seed: number, index: number, blocks: number, sky: SkyLaw | null): ChanceDraw {
  const of = (what: string) => generator(seedOf(`${seed} ${index} ${what}`));
  const gear = of('gear');
  const operators = of('operators');
  const deviation = (next: () => number) => Math.min(FURTHEST, Math.max(-FURTHEST, normal(next)));
  const places: Float32Array<ArrayBufferLike> | null = sky && new Float32Array(sky.hours.length);
  if (sky && places) drawSky(sky, of('sky'), places);
  return {
    receive: deviation(gear),
    modeFactor: deviation(gear),
    capacity: deviation(gear),
    truth: deviation(gear),
    aim: { tilt: deviation(gear), azimuth: deviation(gear) },
    habit: deviation(operators),
    blocks: Float64Array.from({ length: blocks }, () => deviation(operators)),
    sky: places,
  };
}

/** The outing as it is expected: nothing off, the sky as it is said. */
export const expectedDraw = (
  blocks: number,
  sky: SkyLaw | null,
  placeOf: (cloud: number, rain: boolean) => SkyPlace,
): ChanceDraw => ({
  receive: 0,
  modeFactor: 0,
  capacity: 0,
  truth: 0,
  aim: { tilt: 0, azimuth: 0 },
  habit: null,
  blocks: new Float64Array(blocks),
  sky: sky && Float32Array.from(sky.hours, ({ cloud, rain }) => placeOf(cloud, rain)),
});
