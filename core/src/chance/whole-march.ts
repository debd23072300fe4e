import { batteryPackAt } from '../battery/battery-pack.js';
import { loadCables } from '../forecast/plan-input.js';
import { march } from '../march/march.js';
import type { TightOutcome, TightRun } from '../march/tight-march.js';
import { HOUR_MS } from '../span.js';
import { capacityGain, inOrder, weaknessOf, type ChanceLaw } from './chance-law.js';
import { resistanceFactor } from './spreads.js';
import type { Sample } from './sample.js';

/**
 * A sample through the march itself: for plans whose sun charges a pack that waits, which the tight loop does not know.
 *
 * @param run filled with the sample's load and sun
 */
export function wholeMarch(
  law: ChanceLaw,
  sample: Sample,
  run: TightRun,
  out: TightOutcome,
  socs: Float32Array,
): void {
  const { plan, load, edgesMs } = law;
  const { sharedOhm, radioOhm } = loadCables(plan);
  const { sunA, sunGain, controllerMaxA } = run;
  const none = new Float64Array(run.loadA.length);
  const order = inOrder(plan);
  const marched = march({
    bank: plan.packs.map((planned) => {
      // In the plan's own order, which need not be that of the law: each pack by what is known of itself.
      const { capacitySpread, resistanceFrom } = weaknessOf(planned);
      const { label, reserveSoc } = planned;
      const startSoc = sample.socs?.[order.indexOf(planned)] ?? planned.startSoc;
      const health = label.health * capacityGain(capacitySpread, sample);
      const { ohmicOhm, polarisationOhm, ...pack } = batteryPackAt({ ...label, health }, plan.temperatureC);
      const factor = resistanceFactor(resistanceFrom, sample.resistance);
      return {
        pack: { ...pack, ohmicOhm: ohmicOhm * factor, polarisationOhm: polarisationOhm * factor },
        startSoc,
        reserveSoc,
      };
    }),
    ...(plan.chargeIdle && { chargeIdle: true }),
    load: { ...load.load, mean: { amps: Float64Array.from(run.loadA), watts: none } },
    radioDropoutV: plan.radio.dropoutV,
    cableOhm: radioOhm,
    sharedOhm,
    fedA: law.steps.fedA,
    ...(sunA && { offeredAt: (step: number) => Math.min(controllerMaxA, sunGain * sunA[step]) }),
  });
  const ends = Object.values(marched.ends).filter((timeMs): timeMs is number => timeMs !== null);
  out.endHours = ends.length > 0 ? (Math.min(...ends) - edgesMs[0]) / HOUR_MS : Infinity;
  socs.set(marched.soc);
}
