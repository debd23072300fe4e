import { chemistryOf } from '../battery/chemistry.js';
import { coldCapacityFactor, type PackLabel } from '../battery/battery-pack.js';
import type { Readings } from './readings.js';
import { stretchBetween, stretchFigures } from './readings.js';
import { fail, succeed, type Result } from '../problem.js';

/** What a discharge at a steady current down to a voltage says of a battery. */
export interface CapacityTest {
  /** Charge that it gave, Ah, at this mean current, A, over these hours. */
  readonly ampereHours: number;
  readonly meanA: number;
  readonly hours: number;
  /** The same at the rated current and 25 C: what the label would have to say, Ah. */
  readonly ratingAh: number;
  /** Rating by the test / rating on the label. */
  readonly health: number;
  /** Inner resistance from the steps of the current, ohm; null where there was none to tell from. */
  readonly ohm: number | null;
}

/**
 * Reads a capacity test off a trace that begins with a full battery.
 *
 * @param downToV volts at the terminals that end the test
 * @param temperatureC of the battery
 * @returns a sentence where the trace never gets down there
 */
export function capacityTest(
  readings: Readings,
  label: PackLabel,
  downToV: number,
  temperatureC: number,
): Result<CapacityTest> {
  const { volts, timesMs } = readings;
  const end = volts.findIndex((value) => value <= downToV);
  if (end <= 0) {
    return fail({
      code: 'test-unfinished',
      sentence: `The voltage never falls to ${downToV} V in this trace; the test was not finished, or began below it.`,
    });
  }
  const stretch = stretchBetween(readings, timesMs[0], timesMs[end]);
  const { ampereHours, seconds } = stretchFigures(readings, stretch);
  const hours = seconds / 3600;
  const meanA = hours > 0 ? ampereHours / hours : 0;
  const ratingAh = ratingFrom(label, meanA, hours, temperatureC);
  return succeed({
    ampereHours,
    meanA,
    hours,
    ratingAh,
    health: ratingAh / label.ratedAh,
    ohm: stepResistance(readings, end),
  });
}

/**
 * Capacity at the rated current and 25 C from a discharge at another: the C for which the march would last as long,
 * hours = C / (I max(1, I H / C)^(k - 1)). Source: Peukert (1897), as in the battery's own formula.
 */
export function ratingFrom(label: PackLabel, amps: number, hours: number, temperatureC: number): number {
  const { peukert, ratingHours } = chemistryOf(label.chemistry);
  const straightAh = amps * hours;
  const above = amps * ratingHours > straightAh;
  const hereAh = above
    ? (hours * amps ** peukert * ratingHours ** (peukert - 1)) ** (1 / peukert)
    : straightAh;
  return hereAh / coldCapacityFactor(label.chemistry, temperatureC);
}

/** A step of at least this share of the largest current tells something of the resistance. */
const TELLING_STEP = 0.2;

/** Inner resistance by how far the volts fall when the current steps up: the median over the steps, ohm. */
export function stepResistance({ volts, amps }: Readings, until = volts.length): number | null {
  let most = 0;
  for (let index = 0; index < until; index++) most = Math.max(most, amps[index]);
  const found: number[] = [];
  for (let index = 1; index < until; index++) {
    const step = amps[index] - amps[index - 1];
    if (Math.abs(step) >= TELLING_STEP * most && most > 0)
      found.push((volts[index - 1] - volts[index]) / step);
  }
  found.sort((a, b) => a - b);
  return found.length > 0 ? found[found.length >> 1] : null;
}

/** A capacity by its day. */
export interface CapacityOfDay {
  readonly timeMs: number;
  readonly ratingAh: number;
}

/** How a capacity falls over the years: a straight line through its tests. */
export interface CapacityTrend {
  readonly ahPerYear: number;
  /** When it will have fallen to what is needed, UTC epoch ms; null where it does not fall, or is there already. */
  readonly enoughUntilMs: number | null;
}

const YEAR_MS = 365.25 * 86_400_000;

/** The trend of at least two tests on different days, by least squares; null with fewer. */
export function capacityTrend(tests: readonly CapacityOfDay[], neededAh: number): CapacityTrend | null {
  const days = new Set(tests.map(({ timeMs }) => timeMs));
  if (days.size < 2) return null;
  const meanMs = tests.reduce((sum, { timeMs }) => sum + timeMs, 0) / tests.length;
  const meanAh = tests.reduce((sum, { ratingAh }) => sum + ratingAh, 0) / tests.length;
  let over = 0;
  let under = 0;
  for (const { timeMs, ratingAh } of tests) {
    over += (timeMs - meanMs) * (ratingAh - meanAh);
    under += (timeMs - meanMs) ** 2;
  }
  const perMs = over / under;
  const lastMs = Math.max(...days);
  const untilMs = perMs < 0 ? meanMs + (neededAh - meanAh) / perMs : NaN;
  return { ahPerYear: perMs * YEAR_MS, enoughUntilMs: untilMs > lastMs ? untilMs : null };
}
