import { currentAt, greatestPower, type PanelCurve } from './panel.js';

export type ControllerKind = 'mppt' | 'boost' | 'pwm';

/** A charge controller between panel and battery. */
export interface Controller {
  readonly kind: ControllerKind;
  /** Largest current into the battery, A. */
  readonly maxA: number;
  /** Share of the panel's label watts under which it sleeps, 0 to 1. */
  readonly wakeShare: number;
  /** Panel lead, there and back, ohm; counts for PWM only, which the panel drives straight. */
  readonly panelLeadOhm: number;
}

/** What the controller does just now. */
export type ControllerState =
  'asleep' | 'tracking' | 'held' | 'pass_through' | 'direct' | 'current_limit' | 'panel_volts_too_low';

export interface ControllerOutput {
  readonly batteryA: number;
  readonly state: ControllerState;
}

/** Share of the panel's power that a tracking converter passes on. */
const CONVERTER_EFFICIENCY = 0.95;
/** Volts that a buck needs above the battery. */
const BUCK_HEADROOM_V = 1;
/** Volts that a switch or a pass-through diode takes. */
const SWITCH_DROP_V = 0.3;
/** Volts under which a boost cannot work. */
const BOOST_LEAST_V = 5;

/**
 * Current into the battery, A. Source: design model, section 3.
 *
 * - MPPT (buck): 0.95 Pmp / Vbat while Vmp > Vbat + 1; below, the panel is held at Vbat + 1; nothing when Voc <= Vbat + 1.
 * - Boost: 0.95 Pmp / Vbat for 5 V <= Vmp < Vbat; at or above Vbat the panel is passed through at Vbat + 0.3.
 * - PWM: the panel is dragged to Vbat + 0.3 + the lead's drop at that same current.
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
  return batteryA > controller.maxA
    ? { batteryA: controller.maxA, state: 'current_limit' }
    : { batteryA, state };
}

function unlimited(
  { kind, panelLeadOhm }: Controller,
  curve: PanelCurve,
  best: { volts: number; watts: number },
  batteryV: number,
): ControllerOutput {
  const tracked: ControllerOutput = {
    batteryA: (CONVERTER_EFFICIENCY * best.watts) / batteryV,
    state: 'tracking',
  };
  switch (kind) {
    case 'mppt': {
      const heldV = batteryV + BUCK_HEADROOM_V;
      if (best.volts > heldV) return tracked;
      if (curve.vocV <= heldV) return TOO_LOW;
      return { batteryA: (CONVERTER_EFFICIENCY * currentAt(curve, heldV) * heldV) / batteryV, state: 'held' };
    }
    case 'boost': {
      if (best.volts < BOOST_LEAST_V) return TOO_LOW;
      if (best.volts < batteryV) return tracked;
      return { batteryA: currentAt(curve, batteryV + SWITCH_DROP_V), state: 'pass_through' };
    }
    case 'pwm': {
      if (curve.vocV <= batteryV + SWITCH_DROP_V) return TOO_LOW;
      return { batteryA: directCurrent(curve, batteryV + SWITCH_DROP_V, panelLeadOhm), state: 'direct' };
    }
  }
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
