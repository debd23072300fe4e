import { openCircuitVolts, type BatteryPack } from '../battery/battery-pack.js';
import { CONVERTER_EFFICIENCY, type Controller } from '../panel/controller.js';

/** At the edge of a cloud a panel gives more than its label says. */
const CLOUD_EDGE = 1.25;
/** State of charge whose rest volts a converter's greatest current is worked out at: a nearly empty battery takes the most amps. */
const NEARLY_EMPTY_SOC = 0.2;

/** Panels as the runs behind them are sized: their label, all of them together. */
export interface SourceLabel {
  readonly watts: number;
  /** Short-circuit current of all strings in parallel, A. */
  readonly iscA: number;
}

/**
 * Current that the run from the panels to their controller must be safe for, A: by the hardware, whatever the sky of the day.
 * Source: convention of this project, docs/model.md; 1.25 x Isc as for photovoltaic source circuits.
 */
export const panelCableAmps = ({ iscA }: SourceLabel): number => CLOUD_EDGE * iscA;

/**
 * Current that the run from a controller to the battery must be safe for, A. A fuse that opens there in a sunny hour leaves the
 * controller with a panel and no battery, which may destroy it; so it comes from the hardware and is the same on any date.
 * A converter: 1.25 x 0.95 x the panels' watts at the volts of a nearly empty battery, at most its limit. PWM: 1.25 x Isc,
 * at most its limit where it limits its current. Source: convention of this project, docs/model.md.
 */
export const controllerCableAmps = (
  controller: SizedController,
  label: SourceLabel,
  pack: BatteryPack,
): number => controllerAmps(controller, label, pack, CLOUD_EDGE);

/** Current that a controller brings for hours in full sun, A: as above without the excess at the edge of a cloud. */
export const controllerLastingAmps = (
  controller: SizedController,
  label: SourceLabel,
  pack: BatteryPack,
): number => controllerAmps(controller, label, pack, 1);

type SizedController = Pick<Controller, 'kind' | 'maxA' | 'limitsCurrent'>;

function controllerAmps(
  { kind, maxA, limitsCurrent }: SizedController,
  { iscA, watts }: SourceLabel,
  pack: BatteryPack,
  factor: number,
): number {
  if (kind === 'pwm') return limitsCurrent ? Math.min(maxA, factor * iscA) : factor * iscA;
  const amps = (factor * CONVERTER_EFFICIENCY * watts) / openCircuitVolts(pack, NEARLY_EMPTY_SOC);
  return Math.min(maxA, amps);
}
