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
} from '@knapsack/core';
import type { Figure } from '../documents/figure.js';
import type { Battery, Gear, Radio } from '../documents/gear.js';
import { tripProblems } from '../documents/trip-rules.js';
import type { Block, LoadoutItem, Trip } from '../documents/trip.js';

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
  const lead = carried.find(isKind('lead'));
  const outing = { startMs: Date.parse(trip.start), endMs: Date.parse(trip.end) };
  const blocks = [...trip.blocks].sort((a, b) => Date.parse(a.start) - Date.parse(b.start));
  return succeed({
    outing,
    stepMs: trip.stepMinutes * MINUTE_MS,
    radio: plannedRadio(radio.gear),
    blocks: blocks.map(plannedBlock),
    steady: carried.filter(isKind('accessory')).map(({ item, gear }): SteadyLoad => ({
      name: counted(gear.name, item.count),
      amps: gear.drawA.value * item.count,
      spans: spansOf(item.rule ?? gear.rule, outing, blocks),
    })),
    pack: plannedPack(battery.gear, battery.item.count),
    temperatureC: trip.temperatureC,
    startSoc: trip.startSoc,
    floorSoc: floorOf(trip, battery.gear),
    leadOhm: lead?.gear.loopOhm.value ?? ASSUMED_LEAD_OHM,
    assumed: [
      ...(lead ? [] : ['the lead from battery to radio (25 mΩ)']),
      ...carried.flatMap(({ gear }) => assumedIn(gear)),
    ],
  });
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

/** The figures of a gear item that rest on nothing but a rule of thumb, in words. */
function assumedIn(gear: Gear): string[] {
  const figures: [string, Figure | undefined][] =
    gear.kind === 'radio'
      ? [
          ['receive current', gear.receiveA],
          ['drop-out voltage', gear.dropoutV],
        ]
      : gear.kind === 'battery'
        ? [
            ['capacity', gear.measuredAh ?? gear.ratedAh],
            ['health', gear.health],
          ]
        : gear.kind === 'accessory'
          ? [['draw', gear.drawA]]
          : gear.kind === 'lead'
            ? [['resistance', gear.loopOhm]]
            : [];
  const words = figures.filter(([, figure]) => figure?.source === 'assumed').map(([word]) => word);
  if (gear.kind === 'radio' && bestPoints(gear.transmit).some(({ source }) => source === 'assumed')) {
    words.push('transmit current');
  }
  return words.length > 0 ? [`${gear.name}: ${words.join(', ')}`] : [];
}

const lacking = (what: string, sentence: string): Problem => ({
  code: `no-${what}`,
  pointer: '/loadout',
  sentence,
});
