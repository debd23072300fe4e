import type { Gear } from '../documents/gear.js';
import type { ModuleName } from '../documents/packing.js';
import type { Block, LoadoutItem, SetAside, Trip } from '../documents/trip.js';
import { positionOf } from '../resolve/expand-blocks.js';

/** A module that may be left at home: all but the base. */
export type OptionalModule = Exclude<ModuleName, 'base'>;

/** Of each line of a bag the operating positions that its radios are, 1 for the first; none for what is no radio. */
function positionsOf(
  loadout: readonly LoadoutItem[],
  isRadio: (id: string) => boolean,
): readonly (readonly number[])[] {
  let last = 0;
  return loadout.map(({ gear, count }) => (isRadio(gear) ? Array.from({ length: count }, () => ++last) : []));
}

const radiosIn = (shelf: ReadonlyMap<string, Gear>) => (id: string) => shelf.get(id)?.kind === 'radio';

/** A block at another operating position; the first is not written down. */
const atPosition = ({ station: _before, ...block }: Block, position: number): Block => ({
  ...block,
  ...(position > 1 && { station: position }),
});

/** Leaves all that is taken for something at home, as one: its lines of the bag, and the hours that its radios are worked. */
export function leaveModule(trip: Trip, module: OptionalModule, gear: ReadonlyMap<string, Gear>): Trip {
  const positions = positionsOf(trip.loadout, radiosIn(gear));
  const isIn = (item: LoadoutItem) => item.module === module;
  const lines = trip.loadout.flatMap((item, at) => (isIn(item) ? [{ at, item }] : []));
  if (lines.length === 0) return trip;
  const leaving = lines.flatMap(({ at }) => positions[at]);
  const blocks = trip.blocks.filter((block) => leaving.includes(positionOf(block)));
  const kept = trip.blocks
    .filter((block) => !blocks.includes(block))
    .map((block) => {
      const position = positionOf(block);
      return atPosition(block, position - leaving.filter((other) => other < position).length);
    });
  const aside: SetAside = {
    module,
    lines,
    // By which of the module's own radios they are worked.
    blocks: blocks.map((block) => atPosition(block, 1 + leaving.indexOf(positionOf(block)))),
  };
  return {
    ...trip,
    loadout: trip.loadout.filter((item) => !isIn(item)),
    blocks: kept,
    setAside: [...(trip.setAside ?? []), aside],
  };
}

/** Takes a module along again, each line where it was; what was put in the bag meanwhile stays as it is. */
export function takeModule(trip: Trip, module: OptionalModule, gear: ReadonlyMap<string, Gear>): Trip {
  const { setAside = [], ...rest } = trip;
  const back = setAside.filter((aside) => aside.module === module);
  if (back.length === 0) return trip;
  const left = setAside.filter((aside) => aside.module !== module);
  const lines = back.flatMap((aside) => aside.lines).sort((a, b) => a.at - b.at);
  const loadout = [...trip.loadout];
  for (const { at, item } of lines)
    if (!loadout.some((other) => other.gear === item.gear)) loadout.splice(at, 0, item);
  const positions = positionsOf(loadout, radiosIn(gear));
  const wasThere = new Set(trip.loadout.map((item) => item.gear));
  const of = (is: (id: string) => boolean) =>
    loadout.flatMap((item, at) => (is(item.gear) ? positions[at] : []));
  const others = of((id) => wasThere.has(id));
  const own = of((id) => lines.some(({ item }) => item.gear === id));
  return {
    ...rest,
    loadout,
    blocks: [
      ...trip.blocks.map((block) => atPosition(block, others[positionOf(block) - 1] ?? positionOf(block))),
      ...back
        .flatMap((aside) => aside.blocks)
        .map((block) => atPosition(block, own[positionOf(block) - 1] ?? positionOf(block))),
    ],
    ...(left.length > 0 && { setAside: left }),
  };
}
