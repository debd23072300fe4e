import { ampacity } from '../wire/wire.js';

/** Cross sections that leads are sold in, mm2, ascending. */
export const WIRE_SIZES_MM2 = [0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10, 16] as const;

/** What a wire lies in: temperature of its copper, C, and whether it is bundled with others. */
export interface Surroundings {
  readonly temperatureC: number;
  readonly bundled: boolean;
}

export const sizeWords = (areaMm2: number): string => `${areaMm2} mm² wire`;

/** The smallest wire that carries a current, mm2; undefined where none that is sold does. */
export const sizeFor = (amps: number, { temperatureC, bundled }: Surroundings): number | undefined =>
  WIRE_SIZES_MM2.find((areaMm2) => ampacity({ awg: null, areaMm2 }, temperatureC, bundled) >= amps);
