import { tightStep } from '../march/tight-march.js';
import type { TightPack } from '../march/tight-pack.js';
import { hoursOf } from '../span.js';
import type { RationSlot } from './ration-slots.js';

/** Steps of charge that the policy is told in. */
export const LEVELS = 400;

/** A world that a ration is calculated or tried in: what comes and what goes besides the radio, and the pack in it. */
export interface RationWorld {
  readonly hours: Float64Array;
  /** Load of everything but the first radio, A. */
  readonly restA: Float32Array;
  /** Factor on the radio's mean current. */
  readonly radioGain: number;
  readonly sunA: Float32Array | null;
  /** What chargers give, A; null without one. */
  readonly fedA: Float64Array | null;
  readonly sunGain: number;
  readonly controllerMaxA: number;
  readonly pack: TightPack;
  /** State of charge that an action of a slot must not go under. */
  readonly levelOf: (keyDownA: number) => number;
  readonly reserveSoc: number;
}

/** For each slot and each step of charge the action to take; −1 where the radio stays off. */
export type RationPolicy = readonly Int16Array[];

/** State of charge after a slot with the radio drawing a mean current, A; −1 where it falls under a level on the way. */
export function throughSlot(
  world: RationWorld,
  slot: RationSlot,
  soc: number,
  radioA: number,
  level: number,
): number {
  const { hours, restA, sunA, fedA, sunGain, controllerMaxA, pack } = world;
  let at = soc;
  if (at < level) return -1;
  for (let step = slot.fromStep; step < slot.toStep; step++) {
    const sun = sunA === null ? 0 : Math.min(controllerMaxA, sunGain * sunA[step]);
    const net = (restA[step] + radioA) * pack.loadGain + pack.idleA - sun - (fedA?.[step] ?? 0);
    at = tightStep(pack, at, net, hours[step]);
    if (at < level) return -1;
  }
  return at;
}

/** Charge that the run is judged by where nothing keeps it above its reserve: what is worth anything comes before. */
const RUN_DRY = -1e6;
/** An hour in which a relay that must stay up is off. */
const STAYS_UP = -1e3;

/**
 * The best way to work each hour from every state of charge, by dynamic programming from the end: the worth of an hour plus
 * the worth of what is left after it. Source: Bellman (1957), Dynamic Programming, chapter 3; convention of this project, docs/model.md
 *
 * @param mayRest whether the radio may be off or only listen in hours of work; a relay must stay up
 */
export function bestPolicy(world: RationWorld, slots: readonly RationSlot[], mayRest: boolean): RationPolicy {
  let after = Float64Array.from({ length: LEVELS + 1 }, (_, level) =>
    level / LEVELS >= world.reserveSoc ? 0 : RUN_DRY,
  );
  const policy: Int16Array[] = new Array<Int16Array>(slots.length);
  for (let index = slots.length - 1; index >= 0; index--) {
    const slot = slots[index];
    const choices = new Int16Array(LEVELS + 1).fill(-1);
    const values = new Float64Array(LEVELS + 1);
    const hours = hoursOf(slot);
    for (let level = 0; level <= LEVELS; level++) {
      const soc = level / LEVELS;
      const off = throughSlot(world, slot, soc, 0, 0);
      let best = off < 0 ? RUN_DRY : valueAt(after, off) + (off < world.reserveSoc ? RUN_DRY : 0);
      if (slot.actions.length > 0 && !mayRest) best += STAYS_UP;
      for (let choice = 0; choice < slot.actions.length; choice++) {
        const { meanA, keyDownA, worth } = slot.actions[choice];
        const then = throughSlot(world, slot, soc, meanA * world.radioGain, world.levelOf(keyDownA));
        if (then < 0) continue;
        const value = hours * worth * slot.worth + valueAt(after, then);
        if (value > best + 1e-9) {
          best = value;
          choices[level] = choice;
        }
      }
      // Where nothing saves the outing, spend as little as may be.
      if (best < RUN_DRY / 2) choices[level] = mayRest ? -1 : 0;
      // What can be afforded with less charge can be with more: a policy that dips with the charge is the grid's doing.
      const below = level > 0 ? choices[level - 1] : -1;
      if (below > choices[level]) choices[level] = below;
      values[level] = best;
    }
    policy[index] = choices;
    after = values;
  }
  return policy;
}

/** Between two steps of charge the lower one counts where it is dry, else straight between them. */
function valueAt(values: Float64Array, soc: number): number {
  const place = Math.min(1, Math.max(0, soc)) * LEVELS;
  const cell = Math.min(LEVELS - 1, Math.floor(place));
  const low = values[cell];
  const high = values[cell + 1];
  return low < RUN_DRY / 2 && place > cell ? Math.min(low, high) : low + (place - cell) * (high - low);
}

/** What came of following a policy through one world. */
export interface RationRun {
  /** Whether the charge stayed above the reserve and every block's level, to the end. */
  readonly held: boolean;
  readonly worth: number;
  /** The action of each slot; −1 with the radio off. */
  readonly actions: readonly number[];
  readonly socs: readonly number[];
}

/** How the hours are chosen on the way: the action of a slot by its number and the charge. */
export type Choosing = (slot: number, soc: number) => number;

/** Bands of charge narrower than this are not told: nobody reads a meter that finely. */
export const TOLD_STEP = LEVELS / 20;

/** By the table of a policy as it is told, at a charge that is read with an error (0 for none), a share of the charge. */
export const byTable =
  (policy: RationPolicy, errorOf: () => number = () => 0): Choosing =>
  (slot, soc) => {
    const read = Math.min(1, Math.max(0, soc + errorOf()));
    return policy[slot][Math.floor(read * (LEVELS / TOLD_STEP) + 1e-9) * TOLD_STEP];
  };

/** By a schedule, whatever the charge. */
export const bySchedule =
  (actions: readonly number[]): Choosing =>
  (slot) =>
    actions[slot];

/** Works the hours of a world by some way to choose (or as planned, null). */
export function follow(
  world: RationWorld,
  slots: readonly RationSlot[],
  choosing: Choosing | null,
): RationRun {
  let soc = world.pack.startSoc;
  let worth = 0;
  let held = true;
  const actions: number[] = [];
  const socs: number[] = [soc];
  slots.forEach((slot, index) => {
    const choice = choosing ? choosing(index, soc) : -1;
    const action = choosing ? slot.actions[choice] : slot.planned;
    const hours = hoursOf(slot);
    const level = action ? world.levelOf(action.keyDownA) : world.reserveSoc;
    const then = held
      ? throughSlot(
          world,
          slot,
          soc,
          (action?.meanA ?? 0) * world.radioGain,
          Math.max(level, world.reserveSoc),
        )
      : -1;
    actions.push(choice);
    if (then < 0) held = false;
    else {
      soc = then;
      worth += hours * (action?.worth ?? 0) * slot.worth;
    }
    socs.push(soc);
  });
  return { held, worth, actions, socs };
}
