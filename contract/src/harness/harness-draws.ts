import {
  ampsAt,
  controllerCurrents,
  panelCurrents,
  radioCurrent,
  assumedBlock,
  assumedCurrents,
  positionsOf,
  type AccessoryLoad,
  controllerCableAmps,
  controllerLastingAmps,
  panelCableAmps,
  type Charging,
  type BatteryPack,
  type Forecast,
  type HarnessPart,
  type LoadDraw,
  type PlanInput,
  type PlannedPosition,
} from '@knapsack/core';
import { isKind, type Carried } from '../resolve/look-up.js';
import { stringsOf } from '../resolve/panels-of.js';
import { controllerKind } from '../resolve/resolve-sun.js';
import { radioParts } from './lost-with.js';
import { ampsBehind, supplyOf } from './supply.js';

/** The part of a plan that its loads come from: there without a battery, a sun or a place. */
export type PlannedLoads = Pick<PlanInput, 'radio' | 'blocks' | 'others' | 'assumption' | 'accessories'>;

/**
 * What every load of a harness takes at its own terminals, by the id of its part.
 *
 * @param busV volts of the battery that watts are worked out at
 * @param middleV those that the plan took for radios behind a converter
 */
export function harnessDraws(
  plan: PlannedLoads,
  carried: readonly Carried[],
  parts: readonly HarnessPart[],
  busV: number,
  middleV: number,
): ReadonlyMap<string, LoadDraw> {
  const draws = new Map<string, LoadDraw>();
  const radios = radioParts(carried);
  positionsOf(plan).forEach((position, index) => {
    const id = radios[index];
    if (id === undefined) return;
    const supply = supplyOf(parts, id);
    // The plan has its amps at the battery; here they count at the radio.
    draws.set(id, scaled(radioDraw(plan, position), supply ? 1 / ampsBehind(supply, middleV) : 1));
  });
  const loads = new Map(plan.accessories.map((load) => [load.id, load]));
  for (const { gear } of [...carried.filter(isKind('accessory')), ...carried.filter(isKind('amplifier'))]) {
    const supply = supplyOf(parts, gear.id);
    draws.set(gear.id, loadDraw(loads.get(gear.id), supply ? supply.volts / supply.efficiency : busV));
  }
  return draws;
}

const scaled = ({ receiveA, keyDownA, safeForA }: LoadDraw, by: number): LoadDraw => ({
  receiveA: by * receiveA,
  keyDownA: by * keyDownA,
  safeForA: by * safeForA,
});

function radioDraw(plan: PlannedLoads, { radio, blocks }: PlannedPosition): LoadDraw {
  const currents = assumedCurrents(radio.figures, plan.assumption);
  const planned = blocks
    .map((block) => assumedBlock(block, radio, plan.assumption))
    .map((block) => ({ share: block.share, ...radioCurrent(block.currents ?? currents, block) }));
  const { receiveA } = currents;
  // What it can take, whatever is planned: the power knob opens it.
  const mostA = fullPowerAmps(radio);
  const peakA = planned.map((block) => (block.share > 0 ? block.keyDownA : block.receiveA));
  return {
    receiveA: Math.max(receiveA, ...planned.map((block) => block.receiveA)),
    // Without a block the key may be pressed all the same.
    keyDownA: planned.length > 0 ? Math.max(receiveA, ...peakA) : mostA,
    safeForA: Math.max(mostA, ...peakA),
  };
}

/** Key-down current at the most power that a radio has, by the larger of what its sheet and its meter say, A. */
function fullPowerAmps({ figures }: PlannedPosition['radio']): number {
  const { receiveA, points } = assumedCurrents(figures, 'cautious');
  return Math.max(receiveA, ...points.map(({ amps }) => amps));
}

function loadDraw(load: AccessoryLoad | undefined, busV: number): LoadDraw {
  const pieces = load?.pieces ?? [];
  const most = (of: 'mean' | 'keyDown') =>
    pieces.reduce((largest, piece) => Math.max(largest, ampsAt(piece[of], busV)), 0);
  const keyDownA = most('keyDown');
  return { receiveA: most('mean'), keyDownA, safeForA: Math.max(most('mean'), keyDownA) };
}

/**
 * What the panels and the controller bring, by the id of their part. What their runs must be safe for comes from the hardware, on
 * any date and under any sky; the rest from the forecast, nothing where there is none.
 */
export function harnessCharging(
  carried: readonly Carried[],
  pack: BatteryPack | null,
  cells: number,
  run: Partial<Pick<Forecast, 'plan' | 'packs' | 'march'>> | null,
): ReadonlyMap<string, Charging> {
  const charging = new Map<string, Charging>();
  const [controller] = carried.filter(isKind('controller'));
  const panels = carried.filter(isKind('panel'));
  const labels = panels.map(stringsOf);
  const all = {
    watts: labels.reduce((sum, { watts }) => sum + watts, 0),
    iscA: labels.reduce((sum, { iscA }) => sum + iscA, 0),
  };
  const { plan, march, packs } = run ?? {};
  panels.forEach(({ gear }, index) => {
    // Each brings its part by its watts.
    const share = labels[index].watts / all.watts;
    const { meanA, mostA, feedV } = plan?.sun && march ? panelCurrents(plan, march) : NOTHING;
    const safeForA = panelCableAmps(labels[index]);
    charging.set(gear.id, { meanA: share * meanA, mostA: share * mostA, feedV, safeForA });
  });
  if (panels.length > 0 && controller && pack) {
    const throughControllerCable =
      plan?.sun && march && packs ? controllerCurrents(plan, packs, march) : NOTHING;
    const kind = controllerKind(controller.gear, cells);
    charging.set(controller.gear.id, {
      ...throughControllerCable,
      safeForA: controllerCableAmps(kind, all, pack),
      lastingA: controllerLastingAmps(kind, all, pack),
    });
  }
  return charging;
}

const NOTHING = { meanA: 0, mostA: 0, feedV: 0 };
