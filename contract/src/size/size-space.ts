import {
  fail,
  isReason,
  MINUTE_MS,
  succeed,
  type BatteryChoice,
  type ChemistryName,
  type Effort,
  type PlanInput,
  type Reason,
  type Result,
  type SizeSpace,
  type SunChoice,
  type SunPlan,
} from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import { USUAL_PLACE, type AimChoice, type PanelPlace } from '../documents/sun.js';
import type { LoadoutItem, Trip } from '../documents/trip.js';
import { bestAim } from '../resolve/best-aim.js';
import { lookUp } from '../resolve/look-up.js';
import { resolve } from '../resolve/resolve.js';
import { resolvePacks } from '../resolve/resolve-packs.js';
import { coldest, resolveSun } from '../resolve/resolve-sun.js';
import { MISSING } from '../resolve/missing.js';
import { quietKit } from '../noise/noise.js';
import { WireBar } from './wire-bar.js';
import { knowsSky, outlookOf } from '../resolve/sky-of.js';
import { batteryParts, sunParts, type BatteryPart, type SunPart } from './shelf-parts.js';
import { sizeProblems, type SizeAim, type SizeOptions } from './size-options.js';

/** Kinds of gear that a kit brings; whatever of them is in the bag makes place for it. */
const KIT_KINDS: readonly Gear['kind'][] = ['battery', 'station', 'panel', 'controller'];

/** Most steps that kits are tried in; a longer outing is looked at in coarser ones. */
const MOST_STEPS = 300;

/** A space of kits, and the parts of the shelf that its choices are, in the same order. */
export interface ShelfSpace {
  readonly space: SizeSpace;
  readonly batteries: readonly BatteryPart[];
  readonly suns: readonly SunPart[];
  /** What a part's way to lie means in this place. */
  readonly aims: Readonly<Record<SizeAim, PanelPlace>>;
  /** What Wire would stop a kit for, or null. */
  readonly stopOf: (kit: KitParts) => Reason | null;
}

/** A kit by the places of its parts. */
interface KitParts {
  readonly battery: number;
  readonly sun: number;
}

/** All kits that a shelf can give a trip. Gear that the trip brings along is on the shelf as well. */
export function shelfSpace(trip: Trip, shelf: readonly Gear[], options: SizeOptions): Result<ShelfSpace> {
  const problems = sizeProblems(options);
  if (problems.length > 0) return fail(...problems);
  const onShelf = new Set(shelf.map(({ id }) => id));
  const all = [...shelf, ...(trip.gear ?? []).filter(({ id }) => !onShelf.has(id))];
  // In one order however the shelf stands: of kits that weigh the same the first is told, here and on the server.
  const known = all
    .filter((gear) => !gear.archived && (options.wished || !gear.wished))
    .sort((a, b) => (a.id < b.id ? -1 : 1));
  const batteries = batteryParts(known);
  if (batteries.length === 0) {
    return fail({
      code: 'empty-shelf',
      pointer: '/gear',
      sentence:
        'There is no battery on the shelf to choose from: put one there, or let the wish list be tried.',
    });
  }
  const bare = { ...withoutKit(trip, all), stepMinutes: stepFor(trip) };
  const first = resolve(
    { ...bare, loadout: [...bare.loadout, ...batteries[0].items], batteryUse: batteries[0].use },
    all,
  );
  if (!first.ok) return first;
  const plan = { ...first.value, accessories: asPlanned(trip, all, first.value.accessories) };
  const { sun: _sun, ...unlit } = plan;
  const wire = new WireBar(unlit, all);
  const suns = sunParts(known, options.aims);
  const chemistries = [...new Set(batteries.map(({ chemistry }) => chemistry))];
  const outlook = outlookOf(trip);
  const noisy = noiseBar(all, options.quietOn);
  const choose = sunChooser(bare, all, plan, chemistries);
  const planned = trip.panelPlace ?? USUAL_PLACE;
  const aims: ShelfSpace['aims'] = {
    planned,
    flat: { ...planned, aim: { how: 'flat' }, mount: 'flat' },
    propped: propped(bare, all, plan, suns, planned),
    turned: { ...planned, aim: { how: 'every', minutes: 120 }, mount: 'propped' },
  };
  const space: SizeSpace = {
    plan: { ...plan, outlook },
    coldC: coldest(trip),
    batteries: batteries.map((part) => quietBattery(batteryChoice(bare, all, part, wire), noisy(part))),
    suns: suns.map((part) => quietSun(choose(part, part.aim && aims[part.aim]), noisy(part))),
  };
  return succeed({
    space,
    batteries,
    suns,
    aims,
    stopOf: (kit) => {
      const { batteries: choices, suns: sunChoices } = space;
      const { packs, chemistry } = choices[kit.battery];
      const sun = sunChoices[kit.sun].by?.[chemistry];
      return wire.stopOf(withKit(trip, all, { batteries, suns, aims }, kit), {
        packs,
        ...(sun && !isReason(sun) && { sun }),
      });
    },
  });
}

/** What devices take as the trip stands: those that the sun's surplus charges are fed by the panel in the bag, not by each that is tried. */
function asPlanned(
  trip: Trip,
  gear: readonly Gear[],
  bare: PlanInput['accessories'],
): PlanInput['accessories'] {
  if (!trip.loadout.some(({ ownCells }) => ownCells?.feed === 'sun')) return bare;
  const whole = resolve({ ...trip, stepMinutes: stepFor(trip) }, gear);
  if (!whole.ok) return bare;
  const own = new Map(whole.value.accessories.map((load) => [load.id, load]));
  return bare.map((load) => (load.id === undefined ? load : (own.get(load.id) ?? load)));
}

/** A trip with a kit in its bag, where its batteries and panels were. */
export function withKit(
  trip: Trip,
  shelf: readonly Gear[],
  { batteries, suns, aims }: Pick<ShelfSpace, 'batteries' | 'suns' | 'aims'>,
  kit: KitParts,
): Trip {
  const battery = batteries[kit.battery];
  const sun = suns[kit.sun];
  const bare = withoutKit(trip, shelf);
  const at = trip.loadout.findIndex((item) => !bare.loadout.includes(item));
  const items: readonly LoadoutItem[] = [...battery.items, ...sun.items];
  const { chargeIdle: _idle, ...rest } = bare;
  return {
    ...rest,
    loadout:
      at === -1
        ? [...bare.loadout, ...items]
        : bare.loadout.toSpliced(Math.min(at, bare.loadout.length), 0, ...items),
    ...used(bare, battery.use),
    ...(sun.aim && { panelPlace: aims[sun.aim] }),
  };
}

/** How batteries are used; one after the other they go over a change-over switch. */
const used = ({ harness }: Trip, use: BatteryPart['use']): Pick<Trip, 'batteryUse' | 'harness'> => ({
  batteryUse: use,
  ...(use === 'turns' && { harness: { ...harness, changeover: harness?.changeover ?? {} } }),
});

/** A trip without battery, panel and controller. A radio on a controller's terminals goes straight to the battery. */
function withoutKit(trip: Trip, shelf: readonly Gear[]): Trip {
  const kinds = new Map([...(trip.gear ?? []), ...shelf].map(({ id, kind }) => [id, kind]));
  const { radioOn: _on, ...rest } = trip;
  return {
    ...rest,
    loadout: trip.loadout.filter(({ gear }) => {
      const kind = kinds.get(gear);
      return !kind || !KIT_KINDS.includes(kind);
    }),
  };
}

/** The trip's own step, or the finest one that keeps the steps few. */
export function stepFor({ start, end, stepMinutes }: Trip): Trip['stepMinutes'] {
  const minutes = (Date.parse(end) - Date.parse(start)) / MINUTE_MS;
  const fits = ([5, 15] as const).find((step) => step >= stepMinutes && minutes / step <= MOST_STEPS);
  return fits ?? 15;
}

/** A battery part, barred where it cannot be used or Wire would stop it, with no panel beside it. */
function batteryChoice(bare: Trip, gear: readonly Gear[], part: BatteryPart, wire: WireBar): BatteryChoice {
  const trip: Trip = { ...bare, loadout: [...bare.loadout, ...part.items], ...used(bare, part.use) };
  const packs = resolvePacks(trip, lookUp(trip, gear).carried);
  if (!packs.ok) {
    const [{ code, sentence }] = packs.problems;
    return { ...part, packs: [], barred: { rule: code, sentence } };
  }
  return { ...part, packs: packs.value, barred: wire.stopOf(trip, { packs: packs.value }) };
}

const RULE_WORDS: Readonly<Record<string, string>> = {
  'cold-voltage': 'cold voltage',
  'charge-profile': 'charge profile',
  'no-coordinates': 'place not known',
};

const EFFORTS: Record<AimChoice['how'], Effort> = { flat: 0, hung: 0, fixed: 1, every: 2, at: 2 };

/** Makes sun choices of parts: the panel in its place for each chemistry, one and the same where only the profile differs. */
function sunChooser(
  bare: Trip,
  gear: readonly Gear[],
  plan: PlanInput,
  chemistries: readonly ChemistryName[],
) {
  return (part: SunPart, place: PanelPlace | null): SunChoice => {
    if (!place) return { ...part, effort: 0, by: null };
    const trip: Trip = { ...bare, loadout: part.items, panelPlace: place };
    // A power station's own input is on its card; the panel's curve is the same whichever station it is.
    const powerStation = part.throughPowerStation ? gear.find(({ kind }) => kind === 'station') : undefined;
    const carried = lookUp(
      powerStation ? { ...trip, loadout: [...part.items, { gear: powerStation.id, count: 1 }] } : trip,
      gear,
    ).carried;
    let shared: SunPlan | null = null;
    const by = chemistries.map((chemistry): [ChemistryName, SunPlan | Reason] => {
      const found = resolveSun(trip, carried, [{ ...plan.packs[0].label, chemistry }], plan.wiring);
      if (found.ok && !knowsSky(bare)) return [chemistry, SKY_NOT_KNOWN];
      if (found.ok && found.value) return [chemistry, (shared ??= found.value)];
      const [{ code, sentence }] = found.ok ? [NO_PANEL] : found.problems;
      return [chemistry, { rule: RULE_WORDS[code] ?? code, sentence }];
    });
    return {
      ...part,
      effort: EFFORTS[place.aim.how],
      by: Object.fromEntries(by) as NonNullable<SunChoice['by']>,
    };
  };
}

/** Why a part is not quiet enough for a band, by what was heard of it; null where it is, or no band is named. */
function noiseBar(gear: readonly Gear[], band: string | undefined) {
  const byId = new Map(gear.map((item) => [item.id, item]));
  return ({ items }: Pick<BatteryPart, 'items'>): Reason | null => {
    if (band === undefined) return null;
    const { loud, unknown } = quietKit(
      items.flatMap((item) => byId.get(item.gear) ?? []),
      band,
    );
    if (loud.length > 0) return { rule: 'noisy', sentence: `${loud[0].name} is heard on ${band}.` };
    return unknown.length > 0
      ? {
          rule: 'noise not measured',
          sentence: `The noise of ${unknown[0].name} on ${band} is not measured.`,
        }
      : null;
  };
}

const quietBattery = (choice: BatteryChoice, noise: Reason | null): BatteryChoice =>
  noise ? { ...choice, barred: choice.barred ?? noise } : choice;

/** Barred with each chemistry alike. */
const quietSun = (choice: SunChoice, noise: Reason | null): SunChoice =>
  noise && choice.by
    ? { ...choice, by: Object.fromEntries(Object.keys(choice.by).map((name) => [name, noise])) }
    : choice;

const SKY_NOT_KNOWN: Reason = { rule: 'sky not known', sentence: MISSING.sky };
const NO_PANEL = { code: 'no-panel', sentence: 'There is no panel in it.' };

/** The best fixed aim of the place; it hardly depends on which panel it is. */
function propped(
  bare: Trip,
  gear: readonly Gear[],
  plan: PlanInput,
  suns: readonly SunPart[],
  planned: PanelPlace,
): PanelPlace {
  const flat: PanelPlace = { ...planned, mount: 'propped' };
  for (const part of suns) {
    if (!part.aim || part.throughPowerStation) continue;
    const { by } = sunChooser(bare, gear, plan, [plan.packs[0].label.chemistry])(part, flat);
    const sun = Object.values(by ?? {}).find((of) => !isReason(of));
    const aim = sun && !isReason(sun) ? bestAim(sun, plan.outing) : null;
    if (aim) return { ...planned, aim, mount: 'propped' };
  }
  return { ...planned, mount: 'propped' };
}
