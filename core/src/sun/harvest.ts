import type { Trust } from '../source.js';
import { controllerOutput, type Controller, type ControllerState } from '../panel/controller.js';
import {
  cellTemperature,
  panelCurve,
  panelShape,
  type Mount,
  type PanelCurve,
  type PanelLabel,
} from '../panel/panel.js';
import { aimsAt, type AimPlan } from './aim.js';
import { clearSky, DAY_MS, dayOfYear, underCloud, type Irradiance } from './clear-sky.js';
import { lightOnPanel, type Aim } from './plane-of-panel.js';
import { sunPosition, type SunPosition } from './position.js';
import { hiddenSky, shadedFraction, shadeLoss, type Shade } from './shade.js';

/** The sky at an instant. */
export interface SkyNow {
  /** Cloud amount, 0 to 1. */
  readonly cloud: number;
  readonly rain: boolean;
  /** Share of the time in rain, 0 to 1, where the sky is a mean of many; all or none of it, by rain, if absent. */
  readonly rainShare?: number;
  readonly fog?: boolean;
  readonly airC: number;
  readonly windMS: number;
  /** Linke turbidity of the air just then; the plan's if absent. */
  readonly turbidity?: number;
}

/** A panel in its place under its sky, behind its controller. */
export interface SunPlan {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  /** Above the sea, m. */
  readonly heightM: number;
  /** Linke turbidity of the air, where an hour does not say otherwise. */
  readonly turbidity: number;
  /** Share of the light that the ground sends back, 0 to 1. */
  readonly albedo: number;
  readonly skyAt: (timeMs: number) => SkyNow;
  readonly aim: AimPlan;
  readonly mount: Mount;
  readonly shade: Shade;
  /** All panels together. */
  readonly panel: PanelLabel;
  /** Share of the label's current that the panel really gives, above 0. */
  readonly truth: number;
  /** Where that share comes from; assumed if absent. */
  readonly truthFrom?: Trust;
  readonly controller: Controller;
}

/** What the sun offers over given steps, as it stands at the middle of each. */
export interface Harvest {
  readonly sunAltitudeDeg: Float64Array;
  /** Light on the panel, W/m2. */
  readonly lightWM2: Float64Array;
  /** Current into the battery at a voltage, A. */
  offeredAt(step: number, batteryV: number): number;
  /** What the controller does at a voltage. */
  stateAt(step: number, batteryV: number): ControllerState;
}

/**
 * Light on the panel at an instant, W/m2, clouds and shade taken off.
 *
 * @param hidden share of the sky that the skyline hides (see hiddenSky)
 * @param day of the year, where it is known already
 */
export function lightAt(
  plan: SunPlan,
  timeMs: number,
  startMs: number,
  sun: SunPosition,
  hidden: number,
  day = dayOfYear(timeMs),
): number {
  if (sun.altitudeDeg <= 0) return 0;
  const now = plan.skyAt(timeMs);
  const { cloud, rain, rainShare = rain ? 1 : 0, fog = false, turbidity = plan.turbidity } = now;
  const clear = clearSky(sun.altitudeDeg, plan.heightM, turbidity, day);
  const sky = underCloud(clear, sun.altitudeDeg, { cloud, rainShare, fog });
  const open = 1 - shadeLoss(shadedFraction(plan.shade, timeMs, sun), plan.shade.sensitivity);
  const sunAt = (at: number) => sunPosition(at, plan.latitudeDeg, plan.longitudeDeg);
  const aims = aimsAt(plan.aim, timeMs, startMs, sunAt);
  return lightOn(aims, sky, sun, day, { albedo: plan.albedo, open, hidden });
}

/** Light on a panel that looks in several directions in turn, W/m2: the mean over them, shade taken off. */
export function lightOn(
  aims: readonly Aim[],
  sky: Irradiance,
  sun: SunPosition,
  day: number,
  { albedo, open, hidden }: { readonly albedo: number; readonly open: number; readonly hidden: number },
): number {
  let sum = 0;
  for (const aim of aims) {
    const { beam, circumsolar, isotropic, ground } = lightOnPanel(sky, sun, aim, day, albedo);
    sum += (beam + circumsolar) * open + isotropic * (1 - hidden) + ground;
  }
  return sum / aims.length;
}

/** The harvest of a panel over the steps of a march. */
export function harvest(plan: SunPlan, edgesMs: Float64Array): Harvest {
  const steps = edgesMs.length - 1;
  const sunAltitudeDeg = new Float64Array(steps);
  const lightWM2 = new Float64Array(steps);
  const curves: (PanelCurve | null)[] = new Array<PanelCurve | null>(steps).fill(null);
  const shape = panelShape(plan.panel);
  const hidden = hiddenSky(plan.shade.horizon);
  let day = 0;
  let dayEndsMs = -Infinity;
  for (let step = 0; step < steps; step++) {
    const timeMs = (edgesMs[step] + edgesMs[step + 1]) / 2;
    const sun = sunPosition(timeMs, plan.latitudeDeg, plan.longitudeDeg);
    sunAltitudeDeg[step] = sun.altitudeDeg;
    if (timeMs >= dayEndsMs) {
      day = dayOfYear(timeMs);
      dayEndsMs = (Math.floor(timeMs / DAY_MS) + 1) * DAY_MS;
    }
    const light = lightAt(plan, timeMs, edgesMs[0], sun, hidden, day);
    lightWM2[step] = light;
    if (light <= 0) continue;
    const { airC, windMS } = plan.skyAt(timeMs);
    curves[step] = panelCurve(shape, light, cellTemperature(plan.mount, airC, light, windMS), plan.truth);
  }
  const outputAt = (step: number, batteryV: number) => {
    const curve = curves[step];
    return curve ? controllerOutput(plan.controller, curve, batteryV) : null;
  };
  return {
    sunAltitudeDeg,
    lightWM2,
    offeredAt: (step, batteryV) => outputAt(step, batteryV)?.batteryA ?? 0,
    stateAt: (step, batteryV) => outputAt(step, batteryV)?.state ?? 'asleep',
  };
}
