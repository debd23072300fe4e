import {
  chanceOf,
  forecast,
  outingBooks,
  positionsOf,
  succeed,
  type MeanAndSpread,
  type Result,
} from '@knapsack/core';
import type { DebriefNotes } from '../documents/debrief-notes.js';
import type { Gear } from '../documents/gear.js';
import type { LogDocument } from '../documents/log.js';
import type { Trip } from '../documents/trip.js';
import { correctionId, type Correction } from '../debrief/corrections.js';
import { debriefOf, type Debrief } from '../debrief/debrief.js';
import type { CameTrue } from '../debrief/ended.js';
import { workedHours } from '../debrief/sources.js';
import { WAYS_IN } from '../documents/packing.js';
import { isKind, lookUp, type Carried } from '../resolve/look-up.js';

/** What an outing taught of a figure of the gear, to be seen over the years. */
export interface TaughtFigure {
  /** As {@link correctionId} names it. */
  readonly id: string;
  readonly gear: string;
  readonly at: Correction['place']['at'];
  readonly before: MeanAndSpread;
  readonly after: MeanAndSpread;
}

/** A line of the logbook: an outing in figures. Charge in Ah, energy in Wh, shares 0 to 1. */
export interface OutingRow {
  readonly id: string;
  readonly name: string;
  readonly place: string;
  /** Degrees; null where nobody said. */
  readonly latitudeDeg: number | null;
  /** UTC epoch ms. */
  readonly startMs: number;
  readonly endMs: number;
  readonly timeZone: string;
  /** How one got there; empty where nobody said. */
  readonly kind: string;
  readonly radios: readonly string[];
  readonly battery: string;
  readonly modes: readonly string[];
  /** Hours with a block of work, or by the contact log. */
  readonly onAirHours: number;
  /** Null where nobody counted. */
  readonly contacts: number | null;
  /** What the loads were planned to take, and what they took. */
  readonly plannedAh: number;
  readonly usedAh: number;
  readonly usedWh: number;
  /** Of what the loads took; null without a panel. */
  readonly sunShare: number | null;
  readonly lowestSoc: number;
  readonly reserveSoc: number;
  /** The chance that was told before it. */
  readonly told: number;
  readonly came: CameTrue;
  /** How much sooner it ended than was planned, h. */
  readonly earlyHours: number;
  /** Light that came as a share of what was forecast; null without a panel. */
  readonly sky: MeanAndSpread | null;
  readonly taught: readonly TaughtFigure[];
  /** Ids of the gear that was carried, and of what of it neither plan nor log makes use of. */
  readonly carried: readonly string[];
  readonly unused: readonly string[];
  /** Charge over the outing at even distances, 0 to 1. */
  readonly planned: readonly number[];
  readonly actual: readonly number[];
}

/** Points of a small ridge. */
const POINTS = 40;

/**
 * An outing as a line of the logbook, weighed against what was known before it.
 *
 * @param shelf as it is now
 */
export function outingRow(
  trip: Trip,
  log: LogDocument,
  notes: Pick<DebriefNotes, 'aside' | 'seconds'> | null,
  shelf: readonly Gear[],
): Result<OutingRow> {
  const found = debriefOf(trip, log, shelf, {
    aside: notes?.aside ?? [],
    seconds: notes?.seconds ?? [],
  });
  if (!found.ok) return found;
  const debrief = found.value;
  const { planned, now } = debrief;
  const { followed } = now;
  const run = forecast(planned);
  const books = outingBooks(followed);
  const volts = run.march.cellsV.reduce((sum, each) => sum + each, 0) / run.march.cellsV.length;
  const { carried } = lookUp(trip, debrief.shelf);
  const { startMs, endMs } = planned.outing;
  const stood = followed.stood.map(({ timeMs, soc }) => ({ timeMs, soc: soc.p50 }));
  const { edgesMs, soc } = run.march;
  return succeed({
    ...{ id: trip.id, name: trip.name, place: trip.place.name, timeZone: trip.place.timeZone },
    ...{ startMs, endMs },
    latitudeDeg: trip.place.latitudeDeg ?? null,
    kind: trip.packing?.wayIn ? WAYS_IN[trip.packing.wayIn].label : '',
    radios: [...new Set(carried.filter(isKind('radio')).map(({ gear }) => gear.name))],
    battery: planned.packs.map(({ name }) => name).join(', '),
    modes: [...new Set(now.plan.blocks.flatMap(({ mode }) => mode ?? []))],
    onAirHours: hoursOf(debrief),
    contacts: debrief.onAir && debrief.onAir.contacts > 0 ? debrief.onAir.contacts : null,
    plannedAh: run.verdict.plannedAh,
    usedAh: books.loadsAh,
    usedWh: books.loadsAh * volts,
    sunShare:
      planned.sun && books.loadsAh > 0
        ? Math.min(1, (books.offeredAh - books.notTakenAh) / books.loadsAh)
        : null,
    lowestSoc: Math.min(...stood.map((each) => each.soc)),
    reserveSoc: planned.packs[0].reserveSoc,
    told: chanceOf(planned).chance,
    ...debrief.ended,
    sky: now.learned.get('sky') ? skyOf(debrief) : null,
    taught: debrief.corrections.map((correction) => ({
      ...{ id: correctionId(correction), gear: correction.gear, at: correction.place.at },
      ...{ before: correction.before, after: correction.after },
    })),
    carried: carried.map(({ gear }) => gear.id),
    unused: unusedIn(carried, debrief),
    planned: evenly(Array.from(edgesMs), Array.from(soc), startMs, endMs),
    actual: evenly(
      stood.map(({ timeMs }) => timeMs),
      stood.map((each) => each.soc),
      startMs,
      endMs,
    ),
  });
}

function hoursOf({ onAir, now }: Debrief): number {
  if (onAir && onAir.hours > 0) return onAir.hours;
  return workedHours(now.plan);
}

/** Light as a share of what was forecast: what is expected under a forecast is no more than that. */
function skyOf({ now }: Debrief): MeanAndSpread {
  const { before, after } = now.learned.get('sky')!;
  const by = before.mean > 0 ? before.mean : 1;
  return { mean: after.mean / by, sd: after.sd / by };
}

/** What was carried for nothing: a radio that nobody worked, what was never on, a battery that never came into use. */
function unusedIn(carried: readonly Carried[], { now, planned }: Debrief): readonly string[] {
  const worked = positionsOf(now.plan).filter(({ blocks }) => blocks.length > 0).length;
  const radios = carried
    .filter(isKind('radio'))
    .flatMap(({ item, gear }) => Array.from({ length: item.count }, () => gear.id));
  const atWork = new Set(radios.slice(0, Math.max(1, worked)));
  const asleep = planned.accessories.flatMap(({ id, pieces }) => (id && pieces.length === 0 ? [id] : []));
  const { inUse } = now.followed.march.particles;
  const used = new Set(Array.from(inUse).map((pack) => planned.packs[pack]?.gear));
  const swapped = new Set(now.entries.flatMap((entry) => (entry.kind === 'battery' ? entry.gear : [])));
  const spare = planned.packs.flatMap(({ gear }, place) =>
    gear && place > 0 && !used.has(gear) && !swapped.has(gear) ? [gear] : [],
  );
  return [...new Set([...radios.filter((id) => !atWork.has(id)), ...asleep, ...spare])];
}

/** A line at even distances, each the last that is known there, to the thousandth. */
function evenly(
  timesMs: readonly number[],
  values: readonly number[],
  startMs: number,
  endMs: number,
): readonly number[] {
  let at = 0;
  return Array.from({ length: POINTS + 1 }, (_, point) => {
    const timeMs = startMs + ((endMs - startMs) * point) / POINTS;
    while (at + 1 < timesMs.length && timesMs[at + 1] <= timeMs) at++;
    return Math.round(values[at] * 1000) / 1000;
  });
}
