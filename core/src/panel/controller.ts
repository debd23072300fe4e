import { currentAt, greatestPower, type PanelCurve, type PowerPoint } from './panel.js';

/** A buck tracker, a boost tracker, a plain switch, the input of a boxed power station, which tracks at any volts, or a charger of single cells on the panel's USB socket. */
export type ControllerKind = 'mppt' | 'boost' | 'pwm' | 'builtIn' | 'usb';

/** A charge controller between panel and battery. */
export interface Controller {
  readonly kind: ControllerKind;
  /** Largest current into the battery, A. */
  readonly maxA: number;
  /** Whether a PWM controller holds its current to that; one that does not passes on all that the panel gives. */
  readonly limitsCurrent?: boolean;
  /** Of a USB charger: what the socket gives at the most, W; {@link USUAL_USB_W} if absent. */
  readonly socketW?: number;
  /** Share of the panel's label watts under which it sleeps, 0 to 1. */
  readonly wakeShare: number;
  /** Cable from the panel, there and back, ohm. */
  readonly panelCableOhm: number;
  /** Cable to the battery, there and back, ohm; none if absent. */
  readonly batteryCableOhm?: number;
}

/** What the controller does just now. */
export type ControllerState =
  'asleep' | 'tracking' | 'held' | 'pass_through' | 'direct' | 'current_limit' | 'panel_volts_too_low';

export interface ControllerOutput {
  readonly batteryA: number;
  readonly state: ControllerState;
}

/** Share of the panel's power that a tracking converter passes on. */
export const CONVERTER_EFFICIENCY = 0.95;
/** Of a panel's USB socket: what it gives at the most, W, and passes on of the panel's power; and what a charger of cells puts into them. Source: convention of this project. */
export const USUAL_USB_W = 10;
const USB_EFFICIENCY = 0.85;
const CELL_CHARGER_EFFICIENCY = 0.7;
/** Volts that a buck needs above the battery. */
const BUCK_HEADROOM_V = 1;
/** Volts that a switch or a pass-through diode takes. */
const SWITCH_DROP_V = 0.3;
/** Volts under which a boost cannot work. */
const BOOST_LEAST_V = 5;

/**
 * Current into the battery, A. Source: convention of this project, docs/model.md.; the cables are ours: the panel's takes I2 R of what is
 * tracked, the battery's raises the volts that the controller works against.
 *
 * - MPPT (buck): 0.95 Pmp / Vbat while Vmp > Vbat + 1; below, the panel is held at Vbat + 1; nothing when Voc <= Vbat + 1.
 * - Boost: 0.95 Pmp / Vbat for 5 V <= Vmp < Vbat; at or above Vbat the panel is passed through at Vbat + 0.3.
 * - PWM: the panel is dragged to Vbat + 0.3 + the cables' drop at that same current.
 * - Built in: 0.95 Pmp / Vbat from 5 V up.
 * - USB: min(0.85 Pmp, what the socket gives) x 0.7 / Vbat from 5 V up; each cell gets its part in turn.
 *
 * It sleeps while the panel could give less than its wake share of the label's watts.
 *
 * @param batteryV at the terminals
 */
export function controllerOutput(
  controller: Controller,
  curve: PanelCurve,
  batteryV: number,
): ControllerOutput {
  const best = greatestPower(curve);
  if (best.watts <= 0 || best.watts < controller.wakeShare * curve.shape.label.watts)
    return { batteryA: 0, state: 'asleep' };
  const { batteryA, state } = unlimited(controller, curve, best, batteryV);
  return batteryA > passesAtMost(controller)
    ? { batteryA: controller.maxA, state: 'current_limit' }
    : { batteryA, state };
}

/** The most that a controller lets through, A: only a converter, and a PWM that says so, limits its current. */
export const passesAtMost = ({ kind, maxA, limitsCurrent }: Controller): number =>
  kind === 'pwm' && limitsCurrent !== true ? Infinity : maxA;

function unlimited(
  controller: Controller,
  curve: PanelCurve,
  best: PowerPoint,
  batteryV: number,
): ControllerOutput {
  const { kind, panelCableOhm, batteryCableOhm = 0 } = controller;
  switch (kind) {
    case 'mppt': {
      const heldV = batteryV + BUCK_HEADROOM_V;
      if (best.volts > heldV) return tracked(controller, best, batteryV);
      if (curve.vocV <= heldV) return TOO_LOW;
      const panelA = directCurrent(curve, heldV, panelCableOhm);
      return { batteryA: (CONVERTER_EFFICIENCY * panelA * heldV) / batteryV, state: 'held' };
    }
    case 'boost': {
      if (best.volts < BOOST_LEAST_V) return TOO_LOW;
      if (best.volts < batteryV) return tracked(controller, best, batteryV);
      const ohm = panelCableOhm + batteryCableOhm;
      return { batteryA: directCurrent(curve, batteryV + SWITCH_DROP_V, ohm), state: 'pass_through' };
    }
    case 'pwm': {
      if (curve.vocV <= batteryV + SWITCH_DROP_V) return TOO_LOW;
      const ohm = panelCableOhm + batteryCableOhm;
      return { batteryA: directCurrent(curve, batteryV + SWITCH_DROP_V, ohm), state: 'direct' };
    }
    case 'builtIn':
      return best.volts < BOOST_LEAST_V ? TOO_LOW : tracked(controller, best, batteryV);
    case 'usb': {
      if (best.volts < BOOST_LEAST_V) return TOO_LOW;
      const outW = Math.min(USB_EFFICIENCY * best.watts, controller.socketW ?? USUAL_USB_W);
      return { batteryA: (CELL_CHARGER_EFFICIENCY * outW) / batteryV, state: 'tracking' };
    }
  }
}

/** At the panel's best point: what is left of its power behind the cable, over the battery's volts and the cable to it. */
function tracked(
  { panelCableOhm, batteryCableOhm = 0 }: Controller,
  { watts, volts }: PowerPoint,
  batteryV: number,
): ControllerOutput {
  const amps = watts / volts;
  // Behind so thin a cable that half of the volts would be lost, a tracker draws less: the most that such a cable lets through.
  const passed =
    amps * panelCableOhm <= volts / 2 ? watts - amps ** 2 * panelCableOhm : volts ** 2 / (4 * panelCableOhm);
  const power = CONVERTER_EFFICIENCY * passed;
  if (batteryCableOhm === 0) return { batteryA: power / batteryV, state: 'tracking' };
  // I (V + I R) = P
  const batteryA = (2 * power) / (batteryV + Math.sqrt(batteryV ** 2 + 4 * batteryCableOhm * power));
  return { batteryA, state: 'tracking' };
}

const TOO_LOW: ControllerOutput = { batteryA: 0, state: 'panel_volts_too_low' };

const HALVINGS = 40;

/** The current i with i = I(V + i R): the panel's current falls with the volts, so halving the interval finds it. */
function directCurrent(curve: PanelCurve, volts: number, ohm: number): number {
  if (ohm === 0) return currentAt(curve, volts);
  let low = 0;
  let high = curve.iscA;
  for (let halving = 0; halving < HALVINGS; halving++) {
    const middle = (low + high) / 2;
    if (currentAt(curve, volts + middle * ohm) > middle) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
