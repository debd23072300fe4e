/** One transmit figure of a radio: what it draws, key down, at one power. */
export interface TransmitPoint {
  /** Radio-frequency output, W, above 0; the peak envelope power for SSB and AM. */
  readonly rfW: number;
  /** Supply current with the key down, A. */
  readonly amps: number;
}

/** The current figures of a radio. Points ascend by power, no power twice. */
export interface RadioCurrents {
  /** Supply current while receiving, A: quiet, as while a computer listens. */
  readonly receiveA: number;
  /** The same at listening volume with the backlight on, A, where known. */
  readonly receiveByEarA?: number;
  /** At least one point. */
  readonly points: readonly TransmitPoint[];
}

/**
 * Supply current of the transmitter at 0 W, A: what an SSB radio draws between syllables.
 *
 * A tenth of the way from receive to the lowest point, or the lowest segment carried on to 0 W,
 * whichever is larger. Source: convention of this project, docs/model.md.
 */
export function transmitCurrentAtZero({ receiveA, points }: RadioCurrents): number {
  const [low, next] = points;
  const aTenth = receiveA + 0.1 * (low.amps - receiveA);
  if (!next) return aTenth;
  return Math.max(low.amps - slope(low, next) * Math.sqrt(low.rfW), aTenth);
}

/**
 * Supply current with the key down at a power, A.
 *
 * A linear amplifier's supply current follows the radio-frequency voltage, hence sqrt(P): straight
 * between neighbouring points over sqrt(P), exact at each point, the end segment's slope above the
 * highest, a line to {@link transmitCurrentAtZero} below the lowest.
 * Source: convention of this project, docs/model.md.
 *
 * @param rfW radio-frequency output, W, 0 or more
 */
export function transmitCurrent(radio: RadioCurrents, rfW: number): number {
  const { points } = radio;
  const zero: TransmitPoint = { rfW: 0, amps: transmitCurrentAtZero(radio) };
  const first = points[0];
  if (rfW <= first.rfW || points.length === 1) return along(zero, first, rfW);
  const above = points.findIndex((point) => point.rfW >= rfW);
  const upper = above === -1 ? points.length - 1 : above;
  return along(points[upper - 1], points[upper], rfW);
}

/** True where the transmit figures rest on a single point, so that every other power is a guess. */
export const isEstimated = ({ points }: RadioCurrents): boolean => points.length === 1;

/** Amps a root watt from one point to the next; none between powers that are the same but for rounding. */
function slope(from: TransmitPoint, to: TransmitPoint): number {
  const apart = Math.sqrt(to.rfW) - Math.sqrt(from.rfW);
  return apart > 0 ? (to.amps - from.amps) / apart : 0;
}

/** The straight line over sqrt(P) through two points, measured from the nearer end so that both are exact. */
const along = (from: TransmitPoint, to: TransmitPoint, rfW: number): number =>
  to.amps + slope(from, to) * (Math.sqrt(rfW) - Math.sqrt(to.rfW));
