import {
  fail,
  cableOhm,
  loopIn,
  CABLE_RUN_NAMES,
  succeed,
  type MadeOf,
  type PlannedCable,
  type Result,
  type CableRunName,
  type Wiring,
} from '@knapsack/core';
import type { Cable, Wire } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { faultSources } from '../harness/battery-facts.js';
import { harnessOf } from '../harness/harness-of.js';
import { cableRunNameOf, sizeOf } from '../harness/cable-runs.js';
import { ASSUMED_CABLE, ASSUMED_CABLE_OHM, wiringOf } from '../harness/wiring-of.js';
import { isKind, type Carried } from './look-up.js';

/** The leads of a bag by their run, as the harness of the trip has them; where none leads to the radio, one is assumed. */
export function resolveWiring(trip: Trip, carried: readonly Carried[]): Result<Wiring> {
  const taken = new Map<CableRunName, string>();
  for (const { item, index, gear } of carried.filter(isKind('lead'))) {
    const run = cableRunNameOf(item.run, gear);
    const other = taken.get(run);
    if (other !== undefined) {
      return fail({
        code: 'two-leads',
        pointer: `/loadout/${index}`,
        sentence: `Both ${other} and ${gear.name} are the cable from ${WORDS[run]}. Say where one of them goes instead, or leave it at home.`,
      });
    }
    taken.set(run, gear.name);
  }
  const parts = harnessOf(trip, carried);
  const loop = loopIn(parts);
  if (loop.length > 0) {
    return fail({
      code: 'harness-loop',
      pointer: '/harness',
      sentence: `In the wiring, ${loop.map(({ name }) => name).join(' feeds ')} feeds ${loop[0].name} again, and the battery feeds none of them. Feed one of them from the battery, or from a part that the battery feeds.`,
    });
  }
  const ohms = new Map([...faultSources(carried)].map(([id, { ohmicOhm }]) => [id, ohmicOhm]));
  return succeed(wiringOf(parts, trip.temperatureC, { inParallel: trip.batteryUse !== 'turns', ohms }));
}

const WORDS: Record<CableRunName, string> = {
  panel: 'panel to controller',
  controller: 'controller to battery',
  distribution: 'battery to distribution',
  radio: 'distribution to radio',
};

/** What is assumed of the cables, in words. */
export function assumedCables(wiring: Wiring, carried: readonly Carried[]): string[] {
  const words: string[] = [];
  if (wiring.radio === ASSUMED_CABLE) {
    words.push(`the cable from battery to radio (${ASSUMED_CABLE_OHM * 1000} mΩ)`);
  }
  const silent = CABLE_RUN_NAMES.filter((run) => (run === 'panel' || run === 'controller') && !wiring[run]);
  if (silent.length > 0 && carried.some(isKind('panel'))) {
    words.push(`nothing is lost from ${silent.map((run) => WORDS[run]).join(' and ')}`);
  }
  return words;
}

/** A cable with its resistance, as measured or from what it is made of, its copper at a temperature. */
export function plannedCable({ name, loopOhm, wire }: Cable, temperatureC: number): PlannedCable {
  const made = wire && madeOf(wire);
  return {
    name,
    ohm: loopOhm?.value ?? (made ? cableOhm(made, temperatureC) : ASSUMED_CABLE_OHM),
    ...(made && { made }),
  };
}

function madeOf({
  awg,
  areaMm2,
  clad,
  lengthM,
  contactPairs,
  fusesA = [],
  connectorA,
  bundled = false,
}: Wire): MadeOf {
  const size = sizeOf({
    ...(awg !== undefined && { awg }),
    ...(areaMm2 !== undefined && { areaMm2 }),
    ...(clad && { clad }),
  });
  return { size, lengthM, contactPairs, fusesA, connectorA, bundled };
}
