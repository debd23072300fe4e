import { atOnce, hoursOf, overlap, type InParts } from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { lostWith, radioParts } from '../harness/lost-with.js';
import { expandBlocks, positionOf } from '../resolve/expand-blocks.js';
import { counted, isKind, lookUp, type Carried } from '../resolve/look-up.js';
import { radiosByPosition } from '../resolve/resolve-positions.js';
import { endingOf } from './ending.js';

/** What a plan still achieves when one piece fails before the start. */
export interface Failure {
  readonly name: string;
  /** Hours of operating that are left of those planned. */
  readonly hours: number;
  readonly ofHours: number;
  /** When the plan then ends too soon, UTC epoch ms; null where it does not. */
  readonly endMs: number | null;
  /** What else there is to say, in a few words. */
  readonly because?: string;
}

/** Kinds without which the sum stays the same, unless they charge on the way: nothing is said of them. */
const NO_PART: readonly Gear['kind'][] = ['antenna', 'other', 'charger'];

/**
 * What the plan still achieves if any one piece of the bag fails, the worst first: one of several where there are several.
 * Without its only radio, battery or radio's cable nothing goes on the air; without an accessory that belongs to modes, those
 * modes do not.
 */
export const failures = (trip: Trip, shelf: readonly Gear[]): readonly Failure[] =>
  atOnce(failuresInParts(trip, shelf));

/** The same, a piece a part. */
export function* failuresInParts(trip: Trip, shelf: readonly Gear[]): InParts<readonly Failure[]> {
  const { carried } = lookUp(trip, shelf);
  const found: Failure[] = [];
  for (const piece of carried) {
    if (NO_PART.includes(piece.gear.kind) && piece.item.charging === undefined) continue;
    found.push(failureOf(trip, shelf, carried, piece));
    yield;
  }
  return found.sort((a, b) => a.hours - b.hours || (a.endMs ?? Infinity) - (b.endMs ?? Infinity));
}

/** Of how many single failures a plan keeps all of its hours on the air. */
export const survived = (found: readonly Failure[]): number =>
  found.filter(({ hours, ofHours }) => hours >= ofHours).length;

function failureOf(trip: Trip, shelf: readonly Gear[], carried: readonly Carried[], piece: Carried): Failure {
  const { gear, item } = piece;
  const name = item.count > 1 ? `one of ${counted(gear.name, item.count)}` : gear.name;
  const ofHours = hoursOnAir(trip, Infinity);
  return { name, ofHours, ...leftOf(trip, withoutSome(trip, carried, piece, 1), shelf) };
}

/** What a trip still achieves as it is changed; null where nothing can go on the air any more. */
export function leftOf(
  trip: Trip,
  without: Without | null,
  shelf: readonly Gear[],
): Omit<Failure, 'name' | 'ofHours'> {
  const verdict = without && endingOf(without.trip, shelf);
  if (!without || !verdict) return { hours: 0, endMs: Date.parse(trip.start) };
  return {
    hours: hoursOnAir(without.trip, verdict.endMs ?? Infinity),
    endMs: verdict.endMs,
    ...(without.because && { because: without.because }),
  };
}

/** A trip with less in the bag, and what that means in a few words. */
export interface Without {
  readonly trip: Trip;
  readonly because?: string;
}

/** The trip with so many less of a piece; null where nothing can go on the air then. */
export function withoutSome(
  trip: Trip,
  carried: readonly Carried[],
  { gear, item, index }: Carried,
  many: number,
): Without | null {
  const count = Math.max(0, item.count - many);
  const { inSeries: _series, ...alone } = item;
  const loadout =
    count > 0 ? trip.loadout.with(index, { ...alone, count }) : trip.loadout.filter((_, at) => at !== index);
  const less = { ...trip, loadout };
  switch (gear.kind) {
    case 'radio': {
      const left = radiosByPosition(carried).length - many;
      if (left <= 0) return null;
      return { trip: { ...less, blocks: trip.blocks.filter((block) => positionOf(block) <= left) } };
    }
    case 'accessory': {
      const rule = item.rule ?? gear.rule;
      const modes = rule.when === 'operating' || rule.when === 'transmitting' ? rule.modes : undefined;
      if (count > 0 || !modes) return { trip: less };
      return {
        trip: { ...less, blocks: trip.blocks.filter(({ mode }) => !modes.includes(mode)) },
        because: `no ${modes.join(', ')}`,
      };
    }
    case 'panel':
      return { trip: less, because: count > 0 ? 'less sun' : 'no sun' };
    default:
      return withoutLost(trip, less, carried, lostWith(trip, carried, { gear, item, index }, many));
  }
}

/** A trip without what hangs behind a piece that failed, in the harness as Wire draws it; null where no radio is left. */
function withoutLost(
  trip: Trip,
  less: Trip,
  carried: readonly Carried[],
  lost: ReadonlySet<string>,
): Without | null {
  const off = radioParts(carried).map((radio) => lost.has(radio));
  if (off.length > 0 && off.every(Boolean)) return null;
  const blocks = less.blocks.filter((block) => !off[positionOf(block) - 1]);
  const dead = new Set(
    carried
      .filter(({ gear }) => ['accessory', 'amplifier'].includes(gear.kind) && lost.has(gear.id))
      .map(({ gear }) => gear.id),
  );
  const fed = { ...less, blocks, loadout: less.loadout.filter(({ gear }) => !dead.has(gear)) };
  const hasSun = carried.some((piece) => isKind('panel')(piece));
  const isDark = carried.some(
    ({ gear }) => (gear.kind === 'panel' || gear.kind === 'controller') && lost.has(gear.id),
  );
  const because = [
    ...(isDark && hasSun ? ['no sun'] : []),
    ...carried.filter(({ gear }) => dead.has(gear.id)).map(({ gear }) => `no ${gear.name}`),
    ...(blocks.length < trip.blocks.length ? ['one radio less'] : []),
  ].join(', ');
  return { trip: isDark ? withoutSun(fed, carried) : fed, ...(because && { because }) };
}

/** Without panels and controllers: what no cable brings does not count. */
function withoutSun(trip: Trip, carried: readonly Carried[]): Trip {
  const solar = new Set(
    carried
      .filter((piece) => isKind('panel')(piece) || isKind('controller')(piece))
      .map(({ gear }) => gear.id),
  );
  return { ...trip, loadout: trip.loadout.filter(({ gear }) => !solar.has(gear)) };
}

/** Hours of operating of all operating positions up to an instant. */
export function hoursOnAir(trip: Trip, untilMs: number): number {
  const until = { startMs: Date.parse(trip.start), endMs: Math.min(untilMs, Date.parse(trip.end)) };
  return expandBlocks(trip).reduce((sum, times) => {
    const part = overlap(times, until);
    return part ? sum + hoursOf(part) : sum;
  }, 0);
}
