import { USUAL_PLACE, type Gear, type GearKind, type LoadoutItem, type Trip } from '@knapsack/contract';
import { bagWeight } from '@knapsack/contract/edits';
import { priceToBuy } from '@knapsack/contract/money';

/** What a kit brings; the rest of the bag stays. */
export const KIT_KINDS: ReadonlySet<GearKind> = new Set(['battery', 'station', 'panel', 'controller']);

type Known = ReadonlyMap<string, Gear>;

/** The bag without its battery, panel and controller. */
const restOf = ({ loadout }: Trip, gear: Known): readonly LoadoutItem[] =>
  loadout.filter(({ gear: id }) => !KIT_KINDS.has(gear.get(id)?.kind ?? 'other'));

/** What the carry limit leaves for a kit beside the rest of the bag, g, at least 0; null without a limit. */
export const weightFor = (trip: Trip, gear: Known): number | null =>
  trip.carryLimitG
    ? Math.max(0, trip.carryLimitG - bagWeight({ loadout: restOf(trip, gear) }, gear).grams)
    : null;

/** What the budget leaves for a kit beside the rest of the bag, at least 0; null without a budget. */
export function moneyFor(trip: Trip, gear: Known): number | null {
  if (trip.budget === undefined) return null;
  const rest = restOf(trip, gear).flatMap((item) => {
    const piece = gear.get(item.gear);
    return piece ? [{ gear: piece, count: item.count }] : [];
  });
  return Math.max(0, trip.budget - priceToBuy(rest).price);
}

/** What decides over the kits: everything but the bag's own battery and panel, and how that lies. */
export function questionOf(trip: Trip, isKit: (item: LoadoutItem) => boolean): string {
  const { name: _name, note: _note, variants: _variants, batteryUse: _use, radioOn: _on, ...told } = trip;
  const { knows: _knows, budget: _budget, chargeIdle: _idle, harness = {}, ...rest } = told;
  // A kit of batteries one after the other brings a change-over switch of which nothing is said.
  const wiring = { ...harness, changeover: harness.changeover ?? {} };
  const { aim: _aim, mount: _mount, ...place } = trip.panelPlace ?? USUAL_PLACE;
  return JSON.stringify({
    ...rest,
    wiring,
    panelPlace: place,
    loadout: trip.loadout.filter((item) => !isKit(item)),
  });
}
