import { controllerOutput } from '../panel/controller.js';
import { cellTemperature, panelCurve, panelShape } from '../panel/panel.js';
import type { SunPlan } from './harvest.js';
import { lightIn, type LightTable, type SkyIndex } from './light-table.js';

/** Light between the places of an output table, W/m2, and how many of them there are. */
const GRAIN_W_M2 = 35;
const PLACES = 42;
/** Air and wind this near to each other are taken as the same. */
const ALIKE_C = 3;
const ALIKE_M_S = 2;

/** Current that a panel behind its controller offers in any light, at steady volts of the battery. */
export interface OutputTable {
  /** For each sunny step of the light table, where its air and wind begin in {@link amps}. */
  readonly from: Uint32Array;
  readonly amps: Float32Array;
}

/**
 * Makes the table of what a panel offers: its curve and its controller are calculated once for each light, whatever is
 * drawn later. The label truth of the plan is in it.
 *
 * @param batteryV at the terminals
 */
export function outputTable(
  { panel, mount, truth, controller, skyAt }: SunPlan,
  { sunny }: LightTable,
  edgesMs: Float64Array,
  batteryV: number,
): OutputTable {
  const shape = panelShape(panel);
  const known = new Map<string, number>();
  const amps: number[] = [];
  const from = Uint32Array.from(sunny, (step) => {
    const { airC, windMS } = skyAt((edgesMs[step] + edgesMs[step + 1]) / 2);
    const key = `${Math.round(airC / ALIKE_C)} ${Math.round(windMS / ALIKE_M_S)}`;
    const before = known.get(key);
    if (before !== undefined) return before;
    const start = amps.length;
    known.set(key, start);
    for (let place = 0; place < PLACES; place++) {
      const light = place * GRAIN_W_M2;
      const curve = light > 0 && panelCurve(shape, light, cellTemperature(mount, airC, light, windMS), truth);
      amps.push(curve ? controllerOutput(controller, curve, batteryV).batteryA : 0);
    }
    return start;
  });
  return { from, amps: Float32Array.from(amps) };
}

/** How far a drawn panel lies from where it is meant to, in standard deviations of its tilt and its azimuth. */
export interface SampledAim {
  readonly tilt: number;
  readonly azimuth: number;
}

/**
 * What a panel offers in each step under a drawn sky, A.
 *
 * @param sky one place an hour
 * @param into filled at the sunny steps; the others are left as they are, 0 in an array made for this
 */
export function sampledSun(
  table: LightTable,
  output: OutputTable,
  sky: ArrayLike<SkyIndex>,
  { tilt, azimuth }: SampledAim,
  into: Float32Array | Float64Array,
): void {
  const { sunny, hour } = table;
  for (let index = 0; index < sunny.length; index++) {
    into[sunny[index]] = outputIn(output, index, lightIn(table, index, sky[hour[index]], tilt, azimuth));
  }
}

/**
 * What the panel offers in a light, A.
 *
 * @param index of the sunny step
 * @param lightWM2 on the panel
 */
export function outputIn({ from, amps }: OutputTable, index: number, lightWM2: number): number {
  const grain = Math.min(PLACES - 1.001, Math.max(0, lightWM2) / GRAIN_W_M2);
  const cell = Math.floor(grain);
  const lower = amps[from[index] + cell];
  return lower + (grain - cell) * (amps[from[index] + cell + 1] - lower);
}
