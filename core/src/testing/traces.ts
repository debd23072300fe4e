import type { Readings } from '../bench/readings.js';
import { generator, normal } from '../random/generator.js';

/** A trace of known content: levels held for some seconds each, with noise, so many readings a second. */
export function traceOf(
  levels: readonly { readonly amps: number; readonly seconds: number }[],
  { noiseA = 0, perSecond = 5, restV = 13.2, ohm = 0.05, seed = 1 } = {},
): Readings {
  const next = generator(seed);
  const amps: number[] = [];
  for (const level of levels) {
    for (let index = 0; index < level.seconds * perSecond; index++) {
      amps.push(level.amps + noiseA * normal(next));
    }
  }
  const current = Float64Array.from(amps);
  return {
    timesMs: current.map((_, index) => (index * 1000) / perSecond),
    volts: current.map((value) => restV - value * ohm),
    amps: current,
  };
}
