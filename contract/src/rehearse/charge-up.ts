import {
  chargeTimetable,
  chemistryOf,
  CONVERTERS,
  hoursToFull,
  batteryPackAt,
  isLithium,
  socAfterStorage,
  storageLevel,
  type ChargeJob,
  type ChemistryName,
} from '@knapsack/core';
import { hasEnd } from '../charging/charging-of.js';
import type { Charger } from '../documents/charging-gear.js';
import type { Accessory, Battery, Gear, Radio, PowerStation } from '../documents/gear.js';
import type { ChargeChoice } from '../documents/rehearsal.js';
import type { Trip } from '../documents/trip.js';
import { counted, lookUp, type Carried } from '../resolve/look-up.js';
import { packLabelOf } from '../resolve/resolve-packs.js';
import { chargerNotes, packNote, refusedNote } from './charge-notes.js';

/** A source that something can be charged on. */
export interface ChargeSource {
  readonly id: string;
  readonly name: string;
}

/** One line of the charge-up timetable. */
export interface ChargeLine {
  readonly id: string;
  readonly name: string;
  /** How full it is now, 0 to 1, and whether somebody said so. */
  readonly soc: number;
  readonly socTyped: boolean;
  readonly source: string;
  readonly sources: readonly ChargeSource[];
  /** Null where it is full, cannot be charged there, or must not be charged at all. */
  readonly hours: number | null;
  readonly startMs: number | null;
  readonly endMs: number | null;
  /** Charge when the outing begins, what leaks away until then taken off, 0 to 1. */
  readonly socAtStart: number;
  /** What else there is to say. */
  readonly note: string | null;
}

export interface ChargeUp {
  readonly departureMs: number;
  readonly departureTyped: boolean;
  readonly lines: readonly ChargeLine[];
  /** When the first thing has to begin; null where nothing has to. */
  readonly startNoLaterMs: number | null;
  /** What should be charging by now. */
  readonly late: readonly string[];
  /** Why the departure cannot be; null where it can. */
  readonly problem: string | null;
}

export const SUN = 'sun';
export const OWN = 'own';
export const NONE = 'none';
/** Things are charged in a room, C. */
const ROOM_C = 20;
const DAY_MS = 86_400_000;
/** A power station's own adapter fills it in about this many hours, unless the label says what it takes. */
const OWN_ADAPTER_HOURS = 5;
/** Under this it counts as full. */
const FULL = 0.995;

/**
 * When everything in the bag has to be on its charger, backward from the departure. Charging is calculated with the chemistry's
 * acceptance and taper. Source: convention of this project, docs/model.md.
 *
 * @param sunAhADay what the panel brings in a day, Ah
 * @param nowMs UTC epoch ms
 */
export function chargeUp(trip: Trip, shelf: readonly Gear[], sunAhADay: number, nowMs: number): ChargeUp {
  const { carried } = lookUp(trip, shelf);
  const known = new Map([...(trip.gear ?? []), ...shelf].map((gear) => [gear.id, gear]));
  const chargers = [...known.values()].filter(
    (gear): gear is Charger => gear.kind === 'charger' && !gear.archived,
  );
  const departure = trip.rehearsal?.departure;
  const startMs = Date.parse(trip.start);
  const departureMs = departure === undefined ? startMs : Date.parse(departure);
  const charged = carried.flatMap((piece) => chargedOf(trip, piece, chargers, sunAhADay));
  const turns = chargeTimetable(
    charged.map(({ job }) => job),
    departureMs,
  );
  const lines = charged.map(({ line, job, leaks }): ChargeLine => {
    const turn = turns.find((one) => one.job === job);
    const fullMs = turn?.endMs ?? departureMs;
    return {
      ...line,
      hours: turn ? job.hours : null,
      startMs: turn?.startMs ?? null,
      endMs: turn?.endMs ?? null,
      socAtStart: leaks(turn ? 1 : line.soc, Math.max(0, startMs - fullMs) / DAY_MS),
    };
  });
  const [first] = turns;
  return {
    departureMs,
    departureTyped: departure !== undefined,
    lines,
    startNoLaterMs: first?.startMs ?? null,
    late: lines.filter((line) => line.startMs !== null && line.startMs < nowMs).map(({ name }) => name),
    problem: departureProblem(departureMs, startMs, nowMs),
  };
}

function departureProblem(departureMs: number, startMs: number, nowMs: number): string | null {
  if (departureMs < nowMs) return 'This departure is in the past: say when you leave next.';
  if (departureMs > startMs)
    return 'This departure is after the outing begins: leave earlier, or move the outing.';
  return null;
}

interface Charged {
  readonly job: ChargeJob;
  readonly line: Omit<ChargeLine, 'hours' | 'startMs' | 'endMs' | 'socAtStart'>;
  /** Charge after some days in store. */
  readonly leaks: (soc: number, days: number) => number;
}

function chargedOf(
  trip: Trip,
  { gear, item }: Carried,
  chargers: readonly Charger[],
  sunAhADay: number,
): Charged[] {
  const choice = trip.rehearsal?.charging?.find((one) => one.gear === gear.id);
  if (gear.kind === 'battery' || gear.kind === 'station') {
    return [chargedPack(gear, item.count, choice, chargers, sunAhADay)];
  }
  if ((gear.kind === 'radio' || gear.kind === 'accessory') && gear.internal)
    return [chargedInside(gear, gear.internal, item.count, choice)];
  return [];
}

function chargedPack(
  gear: Battery | PowerStation,
  count: number,
  choice: ChargeChoice | undefined,
  chargers: readonly Charger[],
  sunAhADay: number,
): Charged {
  const label = packLabelOf(gear, 1);
  const pack = batteryPackAt(label, ROOM_C);
  const { charge } = pack;
  const chemistry = chemistryOf(gear.chemistry);
  const keeps = gear.kind === 'battery' && (gear.keepsCharge ?? false);
  const matching = chargers.filter((one) => isMadeFor(one, gear.chemistry));
  // Lithium is overcharged by a charger that goes on for as long as it is connected: it is never offered for it.
  const ending = matching.filter(({ law }) => hasEnd(law) || !isLithium(gear.chemistry));
  // One that gives more than the battery takes is offered last.
  const isLarge = ({ maxA }: Charger) => maxA.value > (charge?.maxA ?? Infinity);
  const fitting = [...ending.filter((one) => !isLarge(one)), ...ending.filter(isLarge)];
  const sources: readonly ChargeSource[] = charge
    ? [
        ...(gear.kind === 'station' ? [{ id: OWN, name: 'its own adapter' }] : []),
        ...fitting.map(({ id, name }) => ({ id, name })),
        ...(sunAhADay > 0 ? [{ id: SUN, name: 'the panel, a few days before' }] : []),
        { id: NONE, name: 'nothing' },
      ]
    : [];
  const source = sources.find(({ id }) => id === choice?.from)?.id ?? sources[0]?.id ?? NONE;
  const soc = choice?.soc ?? storageLevel(gear.chemistry);
  const charger = fitting.find(({ id }) => id === source);
  const each = (): number => {
    if (!charge || source === NONE || soc >= FULL) return 0;
    if (source === SUN) return (24 * (1 - soc) * pack.storedAh) / charge.efficiency / sunAhADay;
    const ownA = pack.storedAh / OWN_ADAPTER_HOURS;
    return hoursToFull(pack, charge, soc, charger?.maxA.value ?? ownA);
  };
  return {
    job: {
      id: gear.id,
      source: source === OWN ? `${OWN} ${gear.id}` : source,
      hours: count * each(),
      leaksAMonth: chemistry.leaksAMonth,
    },
    line: {
      id: gear.id,
      name: counted(gear.name, count),
      soc,
      socTyped: choice?.soc !== undefined,
      source,
      sources,
      note:
        chargerNotes(gear, charger, each(), charge?.maxA) ??
        refusedNote(gear, fitting.length > 0 ? [] : matching) ??
        packNote(gear, charge !== null, source === NONE && soc < FULL),
    },
    leaks: (from, days) => socAfterStorage(gear.chemistry, from, days, keeps),
  };
}

/** A charger that does not say is offered for all but NiMH, which needs an end of charge of its own. */
const isMadeFor = ({ profiles }: Charger, chemistry: ChemistryName): boolean =>
  profiles ? profiles.includes(chemistry) : chemistry !== 'nimh';

/** The battery inside of a radio or a device, on the plug that came with it. */
function chargedInside(
  gear: Radio | Accessory,
  { wattHours, chargeW }: NonNullable<Accessory['internal']>,
  count: number,
  choice: ChargeChoice | undefined,
): Charged {
  const soc = choice?.soc ?? storageLevel('liion');
  const source = choice?.from === NONE ? NONE : OWN;
  const hours =
    source === NONE ? 0 : (count * (1 - soc) * wattHours.value) / (chargeW.value * CONVERTERS.usb.efficiency);
  return {
    job: { id: gear.id, source: `${OWN} ${gear.id}`, hours, leaksAMonth: chemistryOf('liion').leaksAMonth },
    line: {
      id: gear.id,
      name: `${counted(gear.name, count)}’s own battery`,
      soc,
      socTyped: choice?.soc !== undefined,
      source,
      sources: [
        { id: OWN, name: 'its own plug' },
        { id: NONE, name: 'nothing' },
      ],
      note: null,
    },
    leaks: (from, days) => socAfterStorage('liion', from, days),
  };
}

/** The trip with a word about how one thing is charged. */
export function withCharging(trip: Trip, gear: string, said: Omit<ChargeChoice, 'gear'>): Trip {
  const before = trip.rehearsal?.charging ?? [];
  const choice = { ...before.find((one) => one.gear === gear), ...said, gear };
  return {
    ...trip,
    rehearsal: {
      ...trip.rehearsal,
      charging: [...before.filter((one) => one.gear !== gear), choice],
    },
  };
}
