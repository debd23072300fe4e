import { batteryPackAt } from '../battery/battery-pack.js';
import { batteryAccepts, chargedCold, neverCharged } from '../checks/charge-checks.js';
import type { Answer } from '../checks/check.js';
import { RULES, type RuleName } from '../checks/rules.js';
import { controllerCarries } from '../checks/sun-checks.js';
import { survivesCharging } from '../checks/volts-checks.js';
import { positionsOf } from '../forecast/plan-input.js';
import type { SunPlan } from '../sun/harvest.js';
import { controllerCableAmps } from '../wire/source-cables.js';
import type { BatteryChoice, Reason, SizeSpace, SunChoice } from './choices.js';

/**
 * The rule of Wire that stops a battery beside a panel and its controller, or null: both rooms ask the same functions, so that
 * nothing is offered here that is stopped there.
 */
export function misfit(space: SizeSpace, battery: BatteryChoice, sun: SunChoice, of: SunPlan): Reason | null {
  const { plan, coldC = plan.temperatureC } = space;
  const { controller, panel } = of;
  const charges = controller.kind !== 'builtIn';
  const stops = (rule: RuleName, answer: Answer): Reason | null =>
    answer?.severity === 'stop' ? { rule: RULES[rule].title, sentence: answer.sentence } : null;
  const limits = controller.kind === 'pwm' ? controller.limitsCurrent : true;
  for (const { name, label } of battery.packs) {
    const { chemistry, cellsInSeries, maxChargeA, coldProtected } = label;
    const pack = batteryPackAt(label, plan.temperatureC);
    const filled = { name, chemistry, cellsInSeries, ...(coldProtected !== undefined && { coldProtected }) };
    const charged = pack.charge && {
      name,
      chemistry,
      maxChargeA: pack.charge.maxA,
      isEntered: maxChargeA !== undefined,
    };
    const found =
      stops('primary', neverCharged(filled)) ??
      stops('cold', chargedCold(filled, coldC)) ??
      (charges && charged
        ? stops('accepts', batteryAccepts(sun.name, charged, controllerCableAmps(controller, panel, pack)))
        : null) ??
      (label.socket
        ? null
        : positionsOf(plan)
            .map(({ radio }) => stops('charging', survivesCharging(radio, filled, { temperatureC: coldC })))
            .find((reason) => reason !== null));
    if (found) return found;
  }
  const { maxA } = controller;
  return charges
    ? stops('current', controllerCarries({ name: sun.name, maxA, limits }, panel.iscA, 0))
    : null;
}
