import { chargeBetween } from '../load/load-series.js';
import { sayQuantity } from '../say/quantity.js';
import type { Finding, ForecastRun } from './finding.js';

/** Worth a word when this share of what the plan draws is left unused by the sun. */
const MUCH_SUN = 0.1;

/** What the sun does or does not, and what the controller cannot. */
export function sunFindings(run: ForecastRun): Finding[] {
  return [wakeUp(run), noSunrise(run), sunToSpare(run)].filter((finding) => finding !== null);
}

/** A protection that has opened stays open where the controller cannot wake it. */
function wakeUp({ plan, march }: ForecastRun): Finding | null {
  const { controller, restart } = plan;
  if (restart && !Number.isFinite(restart.reconnectV) && march.ends.cutoffMs !== null) {
    return {
      severity: 'look',
      code: 'wake-up',
      sentence:
        'Once the battery has cut itself off, nothing switches the loads on again: whether the controller wakes it is not entered. Put a low-voltage disconnect in, or a controller that does.',
    };
  }
  return plan.sun && controller?.wakesBattery === false && march.ends.cutoffMs !== null
    ? {
        severity: 'look',
        code: 'wake-up',
        sentence: `Once the battery has cut itself off, ${controller.name} cannot wake it: the sun of the next day would not help.`,
      }
    : null;
}

/** A panel that never sees the sun. */
function noSunrise({ plan, march }: ForecastRun): Finding | null {
  return plan.sun && largestOf(march.offeredA) === 0
    ? {
        severity: 'look',
        code: 'no-sun',
        sentence:
          'The panel gives nothing in this outing: the sun does not rise, or never gets to it. Leave it at home or move the outing.',
      }
    : null;
}

/** Sun that is neither needed nor stored: it could be used. */
function sunToSpare({ march }: ForecastRun): Finding | null {
  const { curtailedAh } = march.books;
  const { edgesMs, wantedA } = march;
  const plannedAh = chargeBetween(edgesMs, wantedA, edgesMs[0], edgesMs[edgesMs.length - 1]);
  return curtailedAh > MUCH_SUN * plannedAh
    ? {
        severity: 'note',
        code: 'sun-to-spare',
        sentence: `The sun offers ${sayQuantity({ value: curtailedAh, unit: 'Ah' })} that nothing takes: more power or more air time costs nothing then.`,
      }
    : null;
}

const largestOf = (values: Float64Array): number => values.reduce((most, value) => Math.max(most, value), 0);
