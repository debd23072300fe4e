import { sameDocument } from './documents/same-document.js';
import type { LoadoutItem, Trip } from './documents/trip.js';

/** What a trip says that nothing is calculated from: names, notes, and how it is packed and rehearsed. */
type Told =
  | 'name'
  | 'note'
  | 'archived'
  | 'variantName'
  | 'variants'
  | 'carryLimitG'
  | 'packing'
  | 'rehearsal'
  | 'packed'
  | 'results';

/**
 * A trip as the forecast, the chances and the wiring see it. Names, notes, what lies in which bag and the order of charging are
 * not in it; of how one travels and of the room at home only what something hangs on.
 */
export function sumInputs(trip: Trip) {
  const { packing, rehearsal, variants } = trip;
  const { place, loadout, ...rest } = calculated(trip);
  const { name: _name, ...site } = place;
  return {
    ...rest,
    place: site,
    loadout: carried(loadout),
    variants: variants?.map(({ name: _variant, ...variant }) => ({
      ...variant,
      loadout: carried(variant.loadout),
    })),
    // It decides what a charger on board can feed, and what may fly.
    wayIn: packing?.wayIn,
    // What a meter reads there, and which day’s sun it sees.
    roomC: rehearsal?.roomC,
    departure: rehearsal?.departure,
  };
}

/** Whether two trips are the same to the calculation: for a note or a name nothing is calculated anew. */
export const sameSum = (a: Trip, b: Trip): boolean => a === b || sameDocument(sumInputs(a), sumInputs(b));

/**
 * A trip whose plan is another's, as where a remedy was worked out while its name or its bags were still changing: what
 * nothing is calculated from stays as it is now. The variants are a part of the plan; where they are the same but for their names,
 * the names stay too.
 */
export function withPlanOf(now: Trip, planned: Trip): Trip {
  const before = byGear(now.loadout);
  const variants = sameDocument(sumInputs(planned).variants, sumInputs(now).variants) ? now : planned;
  return {
    ...calculated(planned),
    ...told(now),
    ...named(variants),
    ...carriedAs(now, planned),
    place: { ...planned.place, name: now.place.name },
    loadout: planned.loadout.map((item) => {
      const { bag: _bag, module: _module, ...line } = item;
      const { bag, module } = before.get(item.gear)?.shift() ?? {};
      return {
        ...line,
        ...(bag !== undefined && { bag }),
        ...(module !== undefined && { module }),
      };
    }),
  };
}

function calculated(trip: Trip): Omit<Trip, Told> {
  const {
    name: _name,
    note: _note,
    archived: _archived,
    variantName: _variantName,
    variants: _variants,
    carryLimitG: _limit,
    packing: _packing,
    rehearsal: _rehearsal,
    packed: _packed,
    results: _results,
    ...rest
  } = trip;
  return rest;
}

const told = ({ name, note, archived, carryLimitG }: Trip) => ({
  name,
  ...(note !== undefined && { note }),
  ...(archived !== undefined && { archived }),
  ...(carryLimitG !== undefined && { carryLimitG }),
});

const named = ({ variantName, variants }: Trip) => ({
  ...(variantName !== undefined && { variantName }),
  ...(variants !== undefined && { variants }),
});

/** Packed and rehearsed as now, but with the way in, the room and the departure that the plan was calculated with. */
function carriedAs(now: Trip, planned: Trip) {
  const { wayIn: _way, ...packing } = now.packing ?? {};
  const { roomC: _room, departure: _departure, ...rehearsal } = now.rehearsal ?? {};
  const wayIn = planned.packing?.wayIn;
  const { roomC, departure } = planned.rehearsal ?? {};
  return {
    ...((now.packing || wayIn) && { packing: { ...packing, ...(wayIn && { wayIn }) } }),
    ...((now.rehearsal || roomC !== undefined || departure !== undefined) && {
      rehearsal: {
        ...rehearsal,
        ...(roomC !== undefined && { roomC }),
        ...(departure !== undefined && { departure }),
      },
    }),
  };
}

const carried = (loadout: readonly LoadoutItem[]) =>
  loadout.map(({ bag: _bag, module: _module, ...item }) => item);

/** The lines of a bag by their gear, in their order: one kind of gear may stand in several. */
function byGear(loadout: readonly LoadoutItem[]): Map<string, LoadoutItem[]> {
  const lines = new Map<string, LoadoutItem[]>();
  for (const item of loadout) lines.set(item.gear, [...(lines.get(item.gear) ?? []), item]);
  return lines;
}
