import {
  areaOfAwg,
  leadOhm,
  NO_WIRING,
  RUN_NAMES,
  type MadeOf,
  type PlannedLead,
  type RunName,
  type Wiring,
} from '@knapsack/core';
import { fail, succeed, type Result } from '@knapsack/core';
import type { Lead, Wire } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { isKind, type Carried } from './look-up.js';

/** Loop resistance of a lead that nobody has described: 1 m of 2.5 mm2 with two contact pairs and a fuse, rounded up, ohm. */
export const ASSUMED_LEAD_OHM = 0.025;

/** The leads of a bag by their run; where none leads to the radio, one is assumed. */
export function resolveWiring(trip: Trip, carried: readonly Carried[]): Result<Wiring> {
  const wiring: Record<RunName, PlannedLead | null> = { ...NO_WIRING };
  for (const { item, index, gear } of carried.filter(isKind('lead'))) {
    const run = runOf(item.run, gear);
    if (wiring[run]) {
      return fail({
        code: 'two-leads',
        pointer: `/loadout/${index}`,
        sentence: `Both ${wiring[run].name} and ${gear.name} are to lead from ${WORDS[run]}. Say where one of them goes instead, or leave it behind.`,
      });
    }
    wiring[run] = plannedLead(gear, trip.temperatureC);
  }
  if (!wiring.radio && !wiring.distribution) wiring.radio = { name: 'the lead', ohm: ASSUMED_LEAD_OHM };
  return succeed(wiring);
}

const WORDS: Record<RunName, string> = {
  panel: 'panel to controller',
  controller: 'controller to battery',
  distribution: 'battery to distribution',
  radio: 'distribution to radio',
};

export const runOf = (own: RunName | undefined, { run }: Lead): RunName => own ?? run ?? 'radio';

/** What is assumed of the leads, in words. */
export function assumedLeads(wiring: Wiring, carried: readonly Carried[]): string[] {
  const described = new Set(carried.filter(isKind('lead')).map(({ item, gear }) => runOf(item.run, gear)));
  const words: string[] = [];
  if (!described.has('radio') && !described.has('distribution')) {
    words.push(`the lead from battery to radio (${(wiring.radio?.ohm ?? 0) * 1000} mΩ)`);
  }
  const silent = RUN_NAMES.filter((run) => (run === 'panel' || run === 'controller') && !described.has(run));
  if (silent.length > 0 && carried.some(isKind('panel'))) {
    words.push(`nothing is lost from ${silent.map((run) => WORDS[run]).join(' and ')}`);
  }
  return words;
}

/** A lead with its resistance, from what it is made of where that is known, its copper at a temperature. */
export function plannedLead({ name, loopOhm, wire }: Lead, temperatureC: number): PlannedLead {
  const made = wire && madeOf(wire);
  return {
    name,
    ohm: made ? leadOhm(made, temperatureC) : (loopOhm?.value ?? ASSUMED_LEAD_OHM),
    ...(made && { made }),
  };
}

function madeOf({
  awg,
  areaMm2,
  lengthM,
  contactPairs,
  fusesA = [],
  connectorA,
  bundled = false,
}: Wire): MadeOf {
  const size = awg === undefined ? { awg: null, areaMm2: areaMm2 ?? 1 } : { awg, areaMm2: areaOfAwg(awg) };
  return { size, lengthM, contactPairs, fusesA, connectorA, bundled };
}
