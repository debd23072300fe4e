import { bandOf, type Band } from './band.js';
import type { FieldMarch } from './field-march.js';
import { currentsIn, KNOWN_STATES, voltsAt } from './predict.js';
import { readingScale, type FieldReading } from './reading.js';
import { studentLogDensity } from './student.js';

const LEVELS = 100;
/** Outings that a reading is held against alone. */
const OUTINGS = 30;

/**
 * The state of charge that a reading means on its own, as if nothing else were known: every one is as likely as another before it.
 * Volts tell it by the currents of the moment, per cent straight; amps and what was counted do not.
 *
 * @param march particles at the time of the reading, none weighed
 * @returns 0 to 1; null where it tells nothing of it
 */
export function aloneSays(march: FieldMarch, reading: FieldReading): Band | null {
  const { volts, percent } = reading.values;
  if (volts === undefined && percent === undefined) return null;
  const states = reading.state === 'unknown' ? KNOWN_STATES : [reading.state];
  const levels = Array.from({ length: LEVELS + 1 }, (_, level) => level / LEVELS);
  const says = new Float64Array(LEVELS + 1);
  const outings = Math.min(OUTINGS, march.particles.count);
  for (let index = 0; index < outings; index++) {
    for (const state of states) {
      const now = currentsIn(march, index, state);
      const as = { source: reading.source, state };
      levels.forEach((soc, level) => {
        let log = 0;
        if (volts !== undefined) {
          const predicted = voltsAt(march, index, now, soc);
          log += studentLogDensity((volts - predicted) / readingScale('volts', as, predicted, now.intoA > 0));
        }
        if (percent !== undefined) {
          log += studentLogDensity((percent - 100 * soc) / readingScale('percent', as, percent, false));
        }
        says[level] += Math.exp(log);
      });
    }
  }
  const sum = says.reduce((all, one) => all + one, 0);
  return bandOf(
    levels,
    says.map((one) => one / sum),
  );
}
