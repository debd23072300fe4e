import {
  atOnce,
  bestPoints,
  fixed,
  HOUR_MS,
  sayDuration,
  isPrimary,
  sayLastingShort,
  sayQuantity,
  stopClause,
  type Chance,
  type Check,
  type InParts,
  type RuleName,
} from '@knapsack/core';
import type { Battery, Gear, Panel, Radio } from '../documents/gear.js';
import { setOuting } from '../documents/outing-hours.js';
import { USUAL_PLACE } from '../documents/sun.js';
import { isAttended, type Block, type LoadoutItem, type Trip } from '../documents/trip.js';
import { FIELDS } from '../fields/fields.js';
import { bestAim } from '../resolve/best-aim.js';
import { counted, isKind, lookUp, type Carried } from '../resolve/look-up.js';
import { resolve } from '../resolve/resolve.js';
import { radiosByPosition } from '../resolve/resolve-positions.js';
import { byProspect, prospectInParts } from './ending.js';

/** A change to a plan whose chance is under its target, and its chance then. */
export interface Fix {
  readonly words: string;
  readonly trip: Trip;
  readonly chance: Chance;
  /** When its typical outing ends then, UTC epoch ms; Infinity where it lasts. */
  readonly endMs: number;
  /** It meets the target then, and Wire stops nothing that it did not stop before. */
  readonly fixes: boolean;
  /** Wire still stops the changed plan. */
  readonly leavesStop: boolean;
  /** A stop of Wire that the change brings, in a clause. */
  readonly but?: string;
}

/** Whether a change reaches the target, whatever Wire says of it. */
const meetsTarget = ({ chance }: Pick<Fix, 'chance'>): boolean => chance.chance >= chance.target;

/** The heading over fixes: never "none is enough" over one that reaches the target. */
export const describeFixes = (fixes: readonly Fix[]): string =>
  fixes.some((fix) => fix.fixes)
    ? fixes.some(({ leavesStop }) => leavesStop)
      ? 'Fixes for the energy; Wire still has a stop'
      : 'Fixes'
    : fixes.some(meetsTarget)
      ? 'Reaches the target, but Wire forbids it'
      : 'None is enough alone; what helps most';

/** A fix in a line: "run 5 W: lasts in 94 of 100, but ...". */
export const describeFix = (fix: Pick<Fix, 'chance' | 'but'>): string =>
  `${sayLastingShort(fix.chance)}${fix.but ? `, but: ${fix.but}` : ''}`;

/** How many are told. */
const TOLD = 3;
/** Steps that one kind of change is taken before it is given up. */
const MOST_STEPS = 8;

/** A change that may be taken further, step by step; null where it cannot be. */
type Change = (steps: number) => { readonly words: string; readonly trip: Trip } | null;

/**
 * The changes that would fix a plan, each taken no further than it must, the cheapest first: what costs nothing to carry
 * before what weighs (aim, power, share, hours, then the lightest battery and panel of the shelf). Where none is enough by
 * itself, those that help the most.
 */
export const fixes = (trip: Trip, shelf: readonly Gear[]): readonly Fix[] =>
  atOnce(fixesInParts(trip, shelf));

/** The same, a few samples of a change a part. */
export function* fixesInParts(trip: Trip, shelf: readonly Gear[]): InParts<readonly Fix[]> {
  const before = yield* prospectInParts(trip, shelf);
  if (!before || before.holds) return [];
  const { carried } = lookUp(trip, shelf);
  const now: Now = { trip, shelf, stoppedRules: new Set(before.wireStops.map(({ rule }) => rule)) };
  const kinds: readonly (() => InParts<Fix | null>)[] = [
    () => tryOn(now, propped(trip, shelf)),
    // Nobody is there to turn a knob or to finish earlier.
    ...(isAttended(trip)
      ? [
          () => stepByStep(now, lessPower(trip, radiosByPosition(carried))),
          () => stepByStep(now, lessShare(trip)),
          () => stepByStep(now, fewerHours(trip)),
        ]
      : []),
    () => lightest(now, moreBattery(trip, shelf, carried)),
    () => lightest(now, morePanel(trip, shelf, carried)),
  ];
  const tried: Fix[] = [];
  for (const make of kinds) {
    const fix = yield* make();
    if (fix) tried.push(fix);
  }
  const enough = tried.filter((fix) => fix.fixes);
  if (enough.length > 0) return enough.slice(0, TOLD);
  return tried
    .filter((fix) => byProspect(fix, before) < 0)
    .sort(byProspect)
    .slice(0, TOLD);
}

/** The plan as it is, and the rules of Wire that stop it already. */
interface Now {
  readonly trip: Trip;
  readonly shelf: readonly Gear[];
  readonly stoppedRules: ReadonlySet<RuleName>;
}

/** A change fixes a plan if it meets the target and no rule of Wire stops it that did not stop it before, on whatever part. */
function* tryOn({ shelf, stoppedRules }: Now, change: ReturnType<Change>): InParts<Fix | null> {
  const prospect = change && (yield* prospectInParts(change.trip, shelf));
  if (!prospect) return null;
  const { chance, endMs, holds, wireStops } = prospect;
  const isNew = ({ rule }: Check) => !stoppedRules.has(rule);
  const named = wireStops.find(isNew);
  return {
    ...{ ...change, chance, endMs },
    fixes: holds && !wireStops.some(isNew),
    leavesStop: wireStops.length > 0,
    ...(named && { but: stopClause(named.sentence) }),
  };
}

/** The smallest number of steps that fixes it, found by halving, else as many as can be taken. */
function* stepByStep(now: Now, change: Change): InParts<Fix | null> {
  const steps = Array.from({ length: MOST_STEPS }, (_, index) => change(index + 1));
  const end = steps.findIndex((made) => !made || made.trip === now.trip);
  const ways = steps.slice(0, end === -1 ? MOST_STEPS : end);
  let best = yield* tryOn(now, ways.at(-1) ?? null);
  if (!best?.fixes) return best;
  for (let low = 0, high = ways.length - 1; low < high;) {
    const middle = Math.floor((low + high) / 2);
    const fix = yield* tryOn(now, ways[middle]);
    if (fix?.fixes) [best, high] = [fix, middle];
    else low = middle + 1;
  }
  return best;
}

/** The lightest of several that fixes it, else the one that helps most. */
function* lightest(
  now: Now,
  ways: readonly { readonly words: string; readonly trip: Trip; readonly grams: number }[],
): InParts<Fix | null> {
  let best: Fix | null = null;
  for (const way of [...ways].sort((a, b) => a.grams - b.grams)) {
    if (way.trip === now.trip) continue;
    const fix = yield* tryOn(now, way);
    if (!fix) continue;
    if (fix.fixes) return fix;
    if (!best || byProspect(fix, best) < 0) best = fix;
  }
  return best;
}

/** Every block so many steps down on its radio's own list of powers. */
function lessPower(trip: Trip, radios: readonly Radio[]): Change {
  return (steps) => {
    const lower = (block: Block): Block => {
      const powers = bestPoints(radios[(block.station ?? 1) - 1]?.transmit ?? []).map(({ rfW }) => rfW);
      const under = powers.filter((watts) => watts < block.powerW).sort((a, b) => b - a);
      const powerW = under[Math.min(steps, under.length) - 1];
      return powerW === undefined ? block : { ...block, powerW };
    };
    const blocks = trip.blocks.map(lower);
    const powers = [
      ...new Set(blocks.filter((block, at) => block !== trip.blocks[at]).map(({ powerW }) => powerW)),
    ];
    if (powers.length === 0) return null;
    return {
      words: `run ${powers.map((watts) => `${watts} W`).join(' and ')}`,
      trip: { ...trip, blocks },
    };
  };
}

/** A tenth less time on transmit with each step. */
function lessShare(trip: Trip): Change {
  return (steps) => {
    const part = 1 - steps / 10;
    const blocks = trip.blocks.map((block) => ({
      ...block,
      share: Math.round(block.share * part * 100) / 100,
    }));
    if (trip.blocks.every(({ share }) => share === 0)) return null;
    const words = `cut the duty cycle by ${sayQuantity({ value: steps / 10, unit: 'share' })}`;
    return { words, trip: { ...trip, blocks } };
  };
}

/** The outing ends an hour sooner with each step. */
function fewerHours(trip: Trip): Change {
  const [startMs, endMs] = [Date.parse(trip.start), Date.parse(trip.end)];
  return (steps) => {
    const sooner = endMs - steps * HOUR_MS;
    if (sooner <= startMs) return null;
    return {
      words: `finish ${sayDuration(steps)} earlier`,
      trip: setOuting(trip, { startMs, endMs: sooner }),
    };
  };
}

/** The panel propped at the best fixed aim, where it is not turned anyway. */
function propped(trip: Trip, shelf: readonly Gear[]): { words: string; trip: Trip } | null {
  const place = trip.panelPlace ?? USUAL_PLACE;
  if (place.aim.how === 'every' || place.aim.how === 'at') return null;
  const plan = resolve(trip, shelf);
  const aim = plan.ok && plan.value.sun ? bestAim(plan.value.sun, plan.value.outing) : null;
  if (!aim) return null;
  return {
    words: `prop the panel at ${fixed(aim.tiltDeg, 0)}°, facing ${fixed(aim.azimuthDeg, 0)}°`,
    trip: { ...trip, panelPlace: { ...place, aim, mount: 'propped' } },
  };
}

/** One more of the battery in the bag, or another of the shelf in its place. */
function moreBattery(trip: Trip, shelf: readonly Gear[], carried: readonly Carried[]) {
  const mine = carried.find(isKind('battery'));
  if (!mine) return [];
  // Sets of primary cells are not put in parallel without diodes.
  const mayAdd = trip.batteryUse === 'turns' || !isPrimary(mine.gear.chemistry);
  return [...(mayAdd ? oneMore(trip, mine) : []), ...instead<Battery>(trip, shelf, mine, 'battery')];
}

/** One more panel, or another of the shelf in its place. */
function morePanel(trip: Trip, shelf: readonly Gear[], carried: readonly Carried[]) {
  const mine = carried.find(isKind('panel'));
  if (!mine) return [];
  const { inSeries = 1 } = mine.item;
  return [...oneMore(trip, mine, inSeries), ...instead<Panel>(trip, shelf, mine, 'panel')];
}

function oneMore(trip: Trip, { item, gear, index }: Carried, by = 1) {
  const count = item.count + by;
  if (count > FIELDS.count.max) return [];
  return [
    {
      words: `${counted(gear.name, count)} instead of ${item.count === 1 ? 'one' : item.count}`,
      trip: { ...trip, loadout: trip.loadout.with(index, { ...item, count }) },
      grams: (gear.weightG?.value ?? 0) * by,
    },
  ];
}

function instead<Kind extends Battery | Panel>(
  trip: Trip,
  shelf: readonly Gear[],
  { item, gear: mine, index }: Carried,
  kind: Kind['kind'],
) {
  const inBag = new Set(trip.loadout.map(({ gear }) => gear));
  const weighs = (gear: Gear) => gear.weightG?.value ?? 0;
  return shelf
    .filter((gear) => gear.kind === kind && !gear.archived && !gear.wished && !inBag.has(gear.id))
    .map((gear) => {
      const swapped: LoadoutItem = { gear: gear.id, count: 1 };
      return {
        words: `${gear.name} instead of ${counted(mine.name, item.count)}`,
        trip: { ...trip, loadout: trip.loadout.with(index, swapped) },
        grams: weighs(gear) - weighs(mine) * item.count,
      };
    });
}
