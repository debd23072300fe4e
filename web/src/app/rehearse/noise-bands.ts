import type { ControllerGear, NoiseReading } from '@knapsack/contract';

/** Bands that a portable station listens on, by their usual names. */
export const BANDS = [
  '160 m',
  '80 m',
  '60 m',
  '40 m',
  '30 m',
  '20 m',
  '17 m',
  '15 m',
  '12 m',
  '10 m',
  '6 m',
  '2 m',
];

/** The controller with what was heard on a band; a band without both readings is not kept. */
export function withNoise(
  controller: ControllerGear,
  band: string,
  unit: NoiseReading['unit'],
  reading: { readonly off?: number; readonly on?: number },
  date: string,
): ControllerGear {
  const rest = (controller.noise ?? []).filter((one) => one.band !== band);
  const { off, on } = reading;
  if (off === undefined || on === undefined) return { ...controller, noise: rest };
  const noise = [...rest, { band, unit, off, on, date }];
  return { ...controller, noise: noise.sort((a, b) => BANDS.indexOf(a.band) - BANDS.indexOf(b.band)) };
}
