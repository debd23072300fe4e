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
  type Charging,
  type Forecast,
  type LoadDraw,
  type PlanInput,
  type PlannedStation,
  type Rating,
} from '@knapsack/core';
import { isKind, type Carried } from '../resolve/look-up.js';
import { pieceId } from './piece-id.js';

/** What every load of a harness takes, by the id of its part. @param busV volts that watts are reckoned at */
export function harnessDraws(
  plan: PlanInput,
  carried: readonly Carried[],
  busV: number,
): ReadonlyMap<string, LoadDraw> {
  const draws = new Map<string, LoadDraw>();
  const stations = stationsOf(plan);
  const radios = carried
    .filter(isKind('radio'))
    .flatMap(({ gear, item }) => Array.from({ length: item.count }, (_, index) => pieceId(gear.id, index)));
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

/** What the panels and the controller bring, by the id of their part. */
export function harnessCharging(
  { plan, march }: Forecast,
  carried: readonly Carried[],
): ReadonlyMap<string, Charging> {
  if (!plan.sun) return new Map();
  const charging = new Map<string, Charging>();
  for (const { gear } of carried.filter(isKind('panel'))) charging.set(gear.id, panelCurrents(plan, march));
  for (const { gear } of carried.filter(isKind('controller')))
    charging.set(gear.id, controllerCurrents(plan, march));
  return charging;
}
