import { habits } from '../say/habits.js';
import { areaOfAwg } from '../wire/wire.js';

/** Cross sections that leads are sold in, mm2, ascending. */
export const WIRE_SIZES_MM2 = [0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10, 16, 25, 35, 50] as const;

/** "4 mm² wire"; where units are US customary, the next even gauge that is no thinner: "AWG 10 wire (4 mm² or more)". */
export const sizeWords = (areaMm2: number): string =>
  habits().units === 'metric'
    ? `${areaMm2} mm² wire`
    : `AWG ${evenGaugeFor(areaMm2)} wire (${areaMm2} mm² or more)`;

const THICKEST_AWG = 0;
const THINNEST_AWG = 30;

/** The thinnest even gauge of at least a cross section, mm2; the thickest there is where none is. */
export function evenGaugeFor(areaMm2: number): number {
  for (let gauge = THINNEST_AWG; gauge > THICKEST_AWG; gauge -= 2)
    if (areaOfAwg(gauge) >= areaMm2) return gauge;
  return THICKEST_AWG;
}

/** A wire as it was entered: "AWG 12" by its gauge, "4 mm²" by its cross section; where units are US customary with the nearest even gauge. */
export function sayWireSize({
  awg,
  areaMm2,
}: {
  readonly awg?: number | null;
  readonly areaMm2?: number;
}): string {
  if (typeof awg === 'number') return `AWG ${awg}`;
  const section = `${Number((areaMm2 ?? 0).toFixed(2))} mm²`;
  return habits().units === 'us' && areaMm2 ? `≈ AWG ${nearestEvenGauge(areaMm2)}` : section;
}

/** AWG numbers go by the logarithm of the diameter: two on are a cross section 1.59 times smaller. */
const nearestEvenGauge = (areaMm2: number): number =>
  2 * Math.round((36 - (39 * Math.log(Math.sqrt((4 * areaMm2) / Math.PI) / 0.127)) / Math.log(92)) / 2);
