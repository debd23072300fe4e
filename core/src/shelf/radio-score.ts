import { bestPoints } from '../load/transmit-points.js';
import { assumedCurrents, type RadioFigures } from '../load/assumption.js';
import { transmitCurrent } from '../load/transmit-current.js';
import { sayQuantity } from '../say/quantity.js';

/** What a school asks of a radio that is to work away from the mains. */
export interface RadioThresholds {
  /** Most that it may receive on, A. */
  readonly receiveA: number;
  /** Most that it may draw key down at 10 W (or at its highest power, where that is less), A. */
  readonly transmitA: number;
  /** The supply window that it must work over, V. */
  readonly fromV: number;
  readonly toV: number;
}

/** Schools differ by what is worked: each one's receive threshold is its own, the rest are usual. Source: convention of this project, docs/model.md. */
export const RADIO_SCHOOLS = {
  cw: { label: 'CW on little', receiveA: 0.1, transmitA: 2, fromV: 11, toV: 14.6 },
  voice: { label: 'voice', receiveA: 0.25, transmitA: 2.5, fromV: 11, toV: 14.6 },
  overall: { label: 'anything', receiveA: 0.3, transmitA: 2.5, fromV: 11.5, toV: 14.6 },
} as const satisfies Record<string, RadioThresholds & { readonly label: string }>;

export type RadioSchool = keyof typeof RADIO_SCHOOLS;

/** What is known of a radio besides its currents. */
export interface RadioTraits {
  readonly figures: RadioFigures;
  readonly dropoutV: number;
  /** Lowest volts for full power, and volts that it must never see more of, where known. */
  readonly fullPowerV?: number;
  readonly maxV?: number;
  /** It has a battery of its own and charges it while it is operated. */
  readonly chargesWhileOperating: boolean;
  /** Whether its receiver is quiet on a panel's controller, where someone has listened. */
  readonly quiet?: boolean | undefined;
  /** The band on which somebody listened, where it was one. */
  readonly quietOn?: string;
}

/** A point won or lost, with the reason. */
export interface Point {
  readonly criterion: 'receive' | 'transmit' | 'window' | 'charges' | 'quiet';
  readonly won: boolean;
  readonly why: string;
}

const TEN_W = 10;
const amps = (value: number) => sayQuantity({ value, unit: 'A' });
const volts = (value: number) => sayQuantity({ value, unit: 'V' });

/** A radio's points by a school's thresholds, each with its reason: a figure that nobody knows wins nothing. */
export function scoreRadio(radio: RadioTraits, school: RadioThresholds): readonly Point[] {
  const currents = assumedCurrents(radio.figures, 'measured');
  const receiveA = currents.receiveByEarA ?? currents.receiveA;
  const highest = bestPoints(radio.figures.transmit).at(-1)?.rfW ?? TEN_W;
  const atW = Math.min(TEN_W, highest);
  const transmitA = transmitCurrent(currents, atW);
  const fromV = radio.fullPowerV ?? radio.dropoutV;
  const point = (criterion: Point['criterion'], won: boolean, why: string): Point => ({
    criterion,
    won,
    why,
  });
  return [
    point(
      'receive',
      receiveA <= school.receiveA,
      `receive current ${amps(receiveA)}, needed ${amps(school.receiveA)} or less`,
    ),
    point(
      'transmit',
      transmitA <= school.transmitA,
      `transmit current ${amps(transmitA)} at ${atW} W, needed ${amps(school.transmitA)} or less`,
    ),
    point(
      'window',
      fromV <= school.fromV && radio.maxV !== undefined && radio.maxV >= school.toV,
      `works from ${volts(fromV)} to ${radio.maxV === undefined ? 'not entered' : volts(radio.maxV)}, ${volts(school.fromV)} to ${volts(school.toV)} needed`,
    ),
    point(
      'charges',
      radio.chargesWhileOperating,
      radio.chargesWhileOperating
        ? 'charges a battery of its own while it works'
        : 'has no battery of its own that charges while it works',
    ),
    point(
      'quiet',
      radio.quiet === true,
      (radio.quiet === undefined
        ? 'noise not checked'
        : radio.quiet
          ? 'is quiet beside a controller'
          : 'is noisy beside a controller') + (radio.quietOn ? ` on ${radio.quietOn}` : ''),
    ),
  ];
}
