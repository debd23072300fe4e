import { bestPoints, HOUR_MS, isUnattended, sayQuantity, type ActivityName, type Mode } from '@knapsack/core';
import type { Battery, Cable, Gear, Panel, Radio } from '../documents/gear.js';
import type { WayIn } from '../documents/packing.js';
import { setSite } from '../documents/set-site.js';
import type { Block, Site, Trip } from '../documents/trip.js';
import { bagWeight } from '../edits/loadout.js';
import { MOST_DAYS } from '../fields/fields.js';
import { isTypical } from '../typical/typical-gear.js';
import { withSomeWeather } from '../weather/take-weather.js';
import { usualTemperature } from '../weather/usual-temperature.js';
import { lightestLasting } from './lightest-lasting.js';

/** What one knows of an outing before any of it is planned; everything has a usual answer. */
export interface Beginning {
  readonly name: string;
  readonly site: Site;
  /** Start of the outing, UTC epoch ms. */
  readonly startMs: number;
  /** From leaving to packing up, above 0. */
  readonly hours: number;
  /** Of these on the air, or of each day where it is longer than one. */
  readonly onAirHours: number;
  readonly activity: ActivityName;
  readonly mode: Mode;
  readonly powerW: number;
  /** Transmit duty cycle, 0 to 1. */
  readonly share: number;
  readonly wayIn: WayIn;
  /** Most that is carried, g; null for no limit. */
  readonly carryLimitG: number | null;
  /** Around the battery, C; null for what is usual for the place and the month. */
  readonly temperatureC: number | null;
  /** Watts of a panel that comes along, 0 for none. */
  readonly panelW: number;
}

/** A trip that was begun, and what of its bag is not on the shelf yet. */
export interface Begun {
  readonly trip: Trip;
  readonly typical: readonly Gear[];
  /** A battery was found with which it lasts; else the largest there is lies in the bag. */
  readonly lasts: boolean;
  /** A limit that no kit that lasts keeps, g; null if all are kept. */
  readonly unmet: { readonly limitG: number; readonly grams: number } | null;
}

/** Typical gear of a trip's bag that is not on the shelf yet. */
export const typicalIn = (trip: Trip, typical: readonly Gear[], shelf: readonly Gear[]): readonly Gear[] => {
  const inBag = new Set(trip.loadout.map(({ gear }) => gear));
  return typical.filter(({ id }) => inBag.has(id) && !shelf.some((gear) => gear.id === id));
};

/** "The limit of 4.00 kg cannot be met: ..."; nothing if it is. */
export const describeUnmet = (unmet: Begun['unmet']): string | null => {
  const weight = (value: number) => sayQuantity({ value, unit: 'g' });
  return unmet
    ? `The limit of ${weight(unmet.limitG)} cannot be met: the lightest kit that lasts weighs ${weight(unmet.grams)}, ${weight(unmet.grams - unmet.limitG)} more.`
    : null;
};

const DAY_HOURS = 24;
/** Temperature of an outing whose place is not known, C. Source: convention of this project. */
export const UNKNOWN_PLACE_C = 12;

/**
 * The trip that somebody means: the work in the middle of the outing (of each day of a long one), a radio that gives the power,
 * its cable, the panel if there is to be one, and the lightest battery that lasts. One's own gear goes first; what the shelf
 * cannot give is typical gear, marked as assumed.
 *
 * @param empty an id, a version and whatever nobody asked about
 */
export function beginTrip(
  { name, site, startMs, hours, ...known }: Beginning,
  shelf: readonly Gear[],
  typical: readonly Gear[],
  empty: Trip,
): Begun {
  const length = Math.min(hours, MOST_DAYS * DAY_HOURS);
  const iso = (timeMs: number) => new Date(timeMs).toISOString();
  const own = shelf.filter((gear) => !gear.archived && !gear.wished && !isTypical(gear));
  const all = [...shelf, ...typical.filter(({ id }) => !shelf.some((gear) => gear.id === id))];
  const radio = radioFor(own, known.powerW) ?? radioFor(typical, known.powerW);
  const cable = lead(own) ?? lead(typical);
  const panel = known.panelW > 0 ? (panelFor(own, known.panelW) ?? panelFor(typical, known.panelW)) : null;
  const controller = panel && (tracker(own) ?? tracker(typical));
  const bag = [radio, cable, panel, controller].filter((gear): gear is Gear => gear !== null);
  const bare: Trip = {
    ...empty,
    name,
    start: iso(startMs),
    end: iso(startMs + length * HOUR_MS),
    temperatureC: known.temperatureC ?? UNKNOWN_PLACE_C,
    stepMinutes: length > 4 * DAY_HOURS ? 15 : 5,
    ...(known.carryLimitG !== null && { carryLimitG: known.carryLimitG }),
    ...(isUnattended(known.activity) && { unattended: true }),
    packing: { ...empty.packing, wayIn: known.wayIn },
    place: { ...site, timeZone: empty.place.timeZone },
    blocks: [blockOf({ startMs, hours: length, ...known })],
    loadout: bag.map(({ id }) => ({ gear: id, count: 1 })),
  };
  const sited = site.latitudeDeg === undefined ? bare : withSomeWeather(setSite(bare, site));
  const usual = known.temperatureC === null ? usualTemperature(sited) : null;
  const placed = usual ? { ...sited, temperatureC: Math.round(usual.meanC) } : sited;
  const battery =
    lightestLasting(placed, all, own.filter(isBattery)) ??
    lightestLasting(placed, all, typical.filter(isUsual));
  const taken = battery ?? largest(all.filter(isBattery));
  const trip: Trip = taken
    ? { ...placed, loadout: placed.loadout.toSpliced(1, 0, { gear: taken.id, count: 1 }) }
    : placed;
  const { grams } = bagWeight(trip, new Map(all.map((gear) => [gear.id, gear])));
  const limitG = known.carryLimitG;
  return {
    trip,
    typical: typicalIn(trip, typical, shelf),
    lasts: battery !== null,
    unmet: limitG !== null && grams > limitG ? { limitG, grams } : null,
  };
}

/** The work in the middle of the time there is; every day anew where there are several. */
function blockOf({
  startMs,
  hours,
  onAirHours,
  activity,
  mode,
  powerW,
  share,
}: Pick<Beginning, 'startMs' | 'hours' | 'onAirHours' | 'activity' | 'mode' | 'powerW' | 'share'>): Block {
  const day = Math.min(hours, DAY_HOURS);
  const onAir = Math.min(onAirHours, day);
  const fromMs = startMs + Math.floor(((day - onAir) / 2) * 4) * (HOUR_MS / 4);
  return {
    id: 'b1',
    start: new Date(fromMs).toISOString(),
    end: new Date(fromMs + onAir * HOUR_MS).toISOString(),
    activity,
    mode,
    powerW,
    share,
    ...(hours > DAY_HOURS && onAir < DAY_HOURS && { repeat: 'day' as const }),
    ...(hours > DAY_HOURS &&
      onAir === DAY_HOURS && { end: new Date(startMs + hours * HOUR_MS).toISOString() }),
  };
}

const topPower = ({ transmit }: Radio): number => Math.max(...bestPoints(transmit).map(({ rfW }) => rfW));

/** The radio that gives a power with the least to spare, so that it takes the least on receive. */
function radioFor(gear: readonly Gear[], powerW: number): Radio | null {
  const able = gear.filter((item): item is Radio => item.kind === 'radio' && topPower(item) >= powerW);
  return able.sort((a, b) => topPower(a) - topPower(b))[0] ?? null;
}

const lead = (gear: readonly Gear[]): Cable | null =>
  gear.find((item): item is Cable => item.kind === 'lead' && (item.run ?? 'radio') === 'radio') ?? null;

/** The panel whose watts come nearest. */
const panelFor = (gear: readonly Gear[], watts: number): Panel | null =>
  gear
    .filter((item): item is Panel => item.kind === 'panel')
    .sort((a, b) => Math.abs(a.watts.value - watts) - Math.abs(b.watts.value - watts))[0] ?? null;

const tracker = (gear: readonly Gear[]): Gear | null =>
  gear.find((item) => item.kind === 'controller' && item.type === 'mppt') ?? null;

const isBattery = (gear: Gear): gear is Battery => gear.kind === 'battery';

/** What most people buy first. */
const isUsual = (gear: Gear): gear is Battery => isBattery(gear) && gear.chemistry === 'lifepo4';

const largest = (batteries: readonly Battery[]): Battery | undefined =>
  [...batteries].sort((a, b) => b.ratedAh.value - a.ratedAh.value)[0];
