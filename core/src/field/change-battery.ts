import { inOrder } from '../chance/chance-law.js';
import type { PlanInput } from '../forecast/plan-input.js';
import type { FieldMarch } from './field-march.js';
import type { BatteryEvent } from './reading.js';

/**
 * Does to the particles of a march what somebody did with a battery.
 *
 * @param event its pack by place in the order of use, see {@link inOrderOfUse}
 */
export function changeBattery(march: FieldMarch, { does, pack }: BatteryEvent): void {
  const { particles } = march;
  if (does === 'swapIn') {
    particles.inUse.fill(pack);
    particles.isOn.fill(1);
  } else if (does === 'full') particles.socs[pack].fill(1);
  else march.charged = pack;
}

/** A battery's place among the plan's packs as its place in the order of use; null where it is none of them. */
export function inOrderOfUse(plan: PlanInput, event: BatteryEvent): BatteryEvent | null {
  const pack = inOrder(plan).indexOf(plan.packs[event.pack]);
  return pack < 0 ? null : { ...event, pack };
}

/** Whether somebody tells which pack is in use: then none is taken into use by itself. */
export const tellsPacks = (events: readonly { readonly kind: string }[]): boolean =>
  events.some((event) => event.kind === 'battery' && (event as BatteryEvent).does === 'swapIn');
