import {
  bestPoints,
  chemistryOf,
  fail,
  familyOf,
  MINUTE_MS,
  succeed,
  type PlanInput,
  type PlannedBlock,
  type PlannedPack,
  type PlannedRadio,
  type Problem,
  type Result,
  type Span,
  type SteadyLoad,
  type PackLabel,
  type SunPlan,
} from '@knapsack/core';
import type { Battery, Gear, Radio } from '../documents/gear.js';
import { tripProblems } from '../documents/trip-rules.js';
import type { Block, LoadoutItem, Trip } from '../documents/trip.js';
import { assumedIn } from './assumed.js';
import { resolveSun } from './resolve-sun.js';

/** Loop resistance of a lead that nobody has described: 1 m of 2.5 mm2 with two contact pairs and a fuse, rounded up, ohm. */
export const ASSUMED_LEAD_OHM = 0.025;

/** An item of the bag with the gear that it stands for. */
export interface Carried<Kind extends Gear = Gear> {
  readonly item: LoadoutItem;
  readonly index: number;
  readonly gear: Kind;
}

/**
 * Turns what the user said into plain numbers: looks the gear up, fills the defaults in and notes which
 * figures are assumed. The shelf goes before what travels with the trip.
 */
export function resolve(trip: Trip, shelf: readonly Gear[]): Result<PlanInput> {
  const wrong = tripProblems(trip);
  if (wrong.length > 0) return fail(...wrong);

  const { carried, missing } = lookUp(trip, shelf);
  if (missing.length > 0) return fail(...missing);
  const radio = carried.find(isKind('radio'));
  const batteries = carried.filter(isKind('battery'));
  if (!radio) return fail(lacking('radio', 'Put a radio in the bag: its amps are what the sum begins with.'));
  if (batteries.length === 0) return fail(lacking('battery', 'Put a battery in the bag.'));
  if (batteries.length > 1) {
    return fail({
      code: 'mixed-batteries',
      pointer: `/loadout/${batteries[1].index}`,
      sentence: `The bag holds ${batteries[0].gear.name} and ${batteries[1].gear.name}. Take one kind of battery, as many as you like; different kinds in parallel fight each other.`,
    });
  }

  const [battery] = batteries;
  const pack = plannedPack(battery.gear, battery.item.count);
  const sun = sunOf(trip, carried, pack.label);
  if (!sun.ok) return sun;
  const lead = carried.find(isKind('lead'));
  const outing = { startMs: Date.parse(trip.start), endMs: Date.parse(trip.end) };
  const blocks = [...trip.blocks].sort((a, b) => Date.parse(a.start) - Date.parse(b.start));
  return succeed({
    outing,
    stepMs: trip.stepMinutes * MINUTE_MS,
    radio: plannedRadio(radio.gear),
    blocks: blocks.map(plannedBlock),
    steady: [
      ...carried.filter(isKind('accessory')).map(({ item, gear }): SteadyLoad => ({
        name: counted(gear.name, item.count),
        amps: gear.drawA.value * item.count,
        spans: spansOf(item.rule ?? gear.rule, outing, blocks),
      })),
      ...carried
        .filter(isKind('controller'))
        .flatMap(({ gear }): SteadyLoad[] =>
          gear.selfUseA ? [{ name: gear.name, amps: gear.selfUseA.value, spans: [outing] }] : [],
        ),
    ],
    pack,
    temperatureC: trip.temperatureC,
    startSoc: trip.startSoc,
    floorSoc: floorOf(trip, battery.gear),
    ...(sun.value && { sun: sun.value }),
    leadOhm: lead?.gear.loopOhm.value ?? ASSUMED_LEAD_OHM,
    assumed: [
      ...(lead ? [] : ['the lead from battery to radio (25 mΩ)']),
      ...carried.flatMap(({ gear }) => assumedIn(gear)),
    ],
  });
}

/** The sun's part of the plan, null without a panel; a panel asks for a controller. */
function sunOf(trip: Trip, carried: readonly Carried[], pack: PackLabel): Result<SunPlan | null> {
  const panels = carried.filter(isKind('panel'));
  const controllers = carried.filter(isKind('controller'));
  const [panel] = panels;
  const [controller] = controllers;
  const [second] = [...panels.slice(1), ...controllers.slice(1)];
  if (second) {
    return fail({
      code: 'two-kinds',
      pointer: `/loadout/${second.index}`,
      sentence: `The bag holds two kinds of ${second.gear.kind}. Take one panel, as many as you like of it, on one controller.`,
    });
  }
  if (!panel) return succeed(null);
  if (!controller) {
    return fail(
      lacking(
        'controller',
        `${panel.gear.name} needs a charge controller: never a panel straight onto a battery or into a radio.`,
      ),
    );
  }
  return resolveSun(trip, { panel: panel.gear, count: panel.item.count, controller: controller.gear }, pack);
}

/** The reserve of a trip, 0 to 1: its own, or the chemistry's usual one. */
export const floorOf = (trip: Trip, battery: Battery): number =>
  trip.floorSoc ?? chemistryOf(battery.chemistry).floorSoc;

/** The items of the bag with their gear, and a problem for each that nobody knows. */
export function lookUp(trip: Trip, shelf: readonly Gear[]): { carried: Carried[]; missing: Problem[] } {
  const known = new Map([...(trip.gear ?? []), ...shelf].map((gear) => [gear.id, gear]));
  const carried: Carried[] = [];
  const missing: Problem[] = [];
  trip.loadout.forEach((item, index) => {
    const gear = known.get(item.gear);
    if (gear) carried.push({ item, index, gear });
    else {
      missing.push({
        code: 'unknown-gear',
        pointer: `/loadout/${index}/gear`,
        sentence: `The trip carries “${item.gear}”, which is neither on the shelf nor in the trip’s own file.`,
      });
    }
  });
  return { carried, missing };
}

/** Narrows carried items to one kind of gear. */
export const isKind =
  <Kind extends Gear['kind']>(kind: Kind) =>
  (carried: Carried): carried is Carried<Extract<Gear, { kind: Kind }>> =>
    carried.gear.kind === kind;

export const counted = (name: string, count: number): string => (count === 1 ? name : `${count} × ${name}`);

function plannedRadio(radio: Radio): PlannedRadio {
  return {
    name: radio.name,
    currents: { receiveA: radio.receiveA.value, points: bestPoints(radio.transmit) },
    dropoutV: radio.dropoutV.value,
    ...(radio.fullPowerV && { fullPowerV: radio.fullPowerV.value }),
  };
}

function plannedBlock(block: Block): PlannedBlock {
  const family = familyOf(block.mode);
  return {
    startMs: Date.parse(block.start),
    endMs: Date.parse(block.end),
    label: `${block.mode} ${block.powerW} W`,
    powerW: block.powerW,
    modeFactor: block.modeFactor ?? family.factor,
    keyUpAtReceive: family.keyUpAtReceive,
    share: block.share,
  };
}

/** Packs of one kind in parallel: capacity and limits add, resistance divides. */
function plannedPack(battery: Battery, count: number): PlannedPack {
  const { ratedAh, measuredAh, health, resistanceOhm, cutoffV, continuousA, peakA } = battery;
  return {
    name: counted(battery.name, count),
    label: {
      chemistry: battery.chemistry,
      cellsInSeries: battery.cellsInSeries,
      ratedAh: ratedAh.value * count,
      health: measuredAh ? measuredAh.value / ratedAh.value : (health?.value ?? 1),
      ...(resistanceOhm && { resistanceOhm: resistanceOhm.value / count }),
      ...(cutoffV && { cutoffV: cutoffV.value }),
    },
    ...(continuousA && { continuousA: continuousA.value * count }),
    ...(peakA && { peakA: peakA.value * count }),
  };
}

function spansOf(rule: NonNullable<LoadoutItem['rule']>, outing: Span, blocks: readonly Block[]): Span[] {
  if (rule.when === 'always') return [outing];
  return blocks
    .filter(({ mode }) => !rule.modes || rule.modes.includes(mode))
    .map(({ start, end }) => ({ startMs: Date.parse(start), endMs: Date.parse(end) }));
}

const lacking = (what: string, sentence: string): Problem => ({
  code: `no-${what}`,
  pointer: '/loadout',
  sentence,
});
