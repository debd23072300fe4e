import {
  ampsAt,
  controllerCurrents,
  panelCurrents,
  radioCurrent,
  ratedBlock,
  ratedCurrents,
  ratedThroughout,
  stationsOf,
  type AccessoryLoad,
  controllerRunAmps,
  joined,
  panelRunAmps,
  type Charging,
  type Pack,
  type Forecast,
  type LoadDraw,
  type PlanInput,
  type PlannedStation,
  type Rating,
} from '@knapsack/core';
import { isKind, type Carried } from '../resolve/look-up.js';
import { panelLabel } from '../resolve/panel-label.js';
import { controllerKind } from '../resolve/resolve-sun.js';
import { radioParts } from './lost-with.js';

/** What every load of a harness takes, by the id of its part. @param busV volts that watts are reckoned at */
export function harnessDraws(
  plan: PlanInput,
  carried: readonly Carried[],
  busV: number,
): ReadonlyMap<string, LoadDraw> {
  const draws = new Map<string, LoadDraw>();
  const stations = stationsOf(plan);
  const radios = radioParts(carried);
  stations.forEach((station, index) => {
    const id = radios[index];
    if (id !== undefined) draws.set(id, radioDraw(plan, station));
  });
  const accessories = carried.filter(isKind('accessory'));
  const amplifiers = carried.filter(isKind('amplifier'));
  [...accessories, ...amplifiers].forEach(({ gear }, index) => {
    draws.set(gear.id, loadDraw(plan.accessories[index], busV));
  });
  return draws;
}

function radioDraw(plan: PlanInput, station: PlannedStation): LoadDraw {
  const most = (rating: Rating) => {
    const { blocks, radio } =
      rating === plan.rating
        ? station
        : stationsOf(ratedThroughout(plan, rating)).find(
            ({ radio: { name } }) => name === station.radio.name,
          )!;
    const currents = ratedCurrents(radio.figures, rating);
    return blocks
      .map((block) => ratedBlock(block, radio, rating))
      .map((block) => ({ share: block.share, ...radioCurrent(block.currents ?? currents, block) }));
  };
  const planned = most(plan.rating);
  const { receiveA } = ratedCurrents(station.radio.figures, plan.rating);
  const peak = (blocks: ReturnType<typeof most>) =>
    Math.max(receiveA, ...blocks.map((block) => (block.share > 0 ? block.keyDownA : block.receiveA)));
  return {
    receiveA: Math.max(receiveA, ...planned.map((block) => block.receiveA)),
    keyDownA: peak(planned),
    safeForA: Math.max(peak(planned), peak(most('cautious'))),
  };
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
  pack: Pack | null,
  run: Partial<Pick<Forecast, 'plan' | 'packs' | 'march'>> | null,
): ReadonlyMap<string, Charging> {
  const charging = new Map<string, Charging>();
  const [controller] = carried.filter(isKind('controller'));
  for (const { gear, item } of carried.filter(isKind('panel'))) {
    const inSeries = item.inSeries ?? 1;
    const label = joined(panelLabel(gear), inSeries, item.count / inSeries);
    const { plan, march, packs } = run ?? {};
    const panelRun = plan?.sun && march ? panelCurrents(plan, march) : NOTHING;
    charging.set(gear.id, { ...panelRun, safeForA: panelRunAmps(label) });
    if (!controller || !pack) continue;
    const controllerRun = plan?.sun && march && packs ? controllerCurrents(plan, packs, march) : NOTHING;
    const safeForA = controllerRunAmps(controllerKind(controller.gear), label, pack);
    charging.set(controller.gear.id, { ...controllerRun, safeForA });
  }
  return charging;
}

const NOTHING = { meanA: 0, mostA: 0, feedV: 0 };
