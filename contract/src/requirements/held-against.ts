import { chanceOf, forecast, HOUR_MS, packWorth } from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { Requirement } from '../documents/requirements.js';
import type { Trip } from '../documents/trip.js';
import { batteryPieces } from '../harness/battery-pieces.js';
import { mayBeHeard, riseS } from '../noise/noise.js';
import { packingOf } from '../packing/packing-of.js';
import { lookUp } from '../resolve/look-up.js';
import { resolve } from '../resolve/resolve.js';
import { packLabelOf } from '../resolve/resolve-packs.js';
import { disconnectOf } from '../resolve/resolve-restart.js';
import { keptDry } from '../site/wet-pack.js';
import { failures } from '../what-if/failures.js';
import type { HeldKit } from './kits.js';
import { MEASURE_RULES } from './measures.js';

/** A requirement and a kit: met, missed by how much, or not known. */
export interface Held {
  readonly value: number | null;
  readonly isMet: boolean | null;
  readonly words: string;
}

/** How a kit stands to a requirement. */
export function heldAgainst(requirement: Requirement, { trip }: HeldKit, shelf: readonly Gear[]): Held {
  const { measure, target } = requirement;
  const { less, say } = MEASURE_RULES[measure];
  const value = valueOf(requirement, trip, shelf);
  if (value === null) return { value, isMet: null, words: 'not known' };
  // Held at the digits in which both are told: who reads 85 and 85 sees it met.
  const isMet = (less ? value <= target : value >= target) || say(value) === say(target);
  const missed = Math.abs(value - target);
  return {
    ...{ value, isMet },
    words: isMet || MEASURE_RULES[measure].yesNo ? say(value) : `${say(value)}, missed by ${say(missed)}`,
  };
}

function valueOf({ measure, band }: Requirement, trip: Trip, shelf: readonly Gear[]): number | null {
  const { carried, missing } = lookUp(trip, shelf);
  if (missing.length > 0) return null;
  const batteries = batteryPieces(carried).map(({ gear }) => gear);
  switch (measure) {
    case 'carriedG': {
      const { grams, unweighed } = packingOf(trip, shelf);
      return unweighed > 0 ? null : grams;
    }
    case 'usableAh':
      return summed(batteries, (gear) => usable(gear, trip).usableAh);
    case 'whPerKg': {
      const wh = summed(batteries, (gear) => usable(gear, trip).usableWh);
      const grams = summed(batteries, ({ weightG }) => weightG?.value ?? null);
      return wh === null || grams === null || grams === 0 ? null : (1000 * wh) / grams;
    }
    case 'costPerWh': {
      const wh = summed(batteries, (gear) => usable(gear, trip).usableWh);
      const price = summed(batteries, (gear) => gear.price?.value ?? null);
      return wh === null || price === null || wh === 0 ? null : price / wh;
    }
    case 'hoursAfterFailure': {
      const hours = failures(trip, shelf).map((failure) => failure.hours);
      return hours.length > 0 ? Math.min(...hours) : null;
    }
    case 'chance':
    case 'availability':
    case 'hoursWithoutSun':
      return planned(measure, trip, shelf);
    case 'noise':
      return noiseOf(
        carried.map(({ gear }) => gear),
        band,
      );
    case 'sockets': {
      const known = carried.flatMap(({ gear, item }) =>
        gear.sockets === undefined ? [] : [gear.sockets * item.count],
      );
      return known.length > 0 ? known.reduce((sum, count) => sum + count, 0) : null;
    }
    case 'keepsDry': {
      const { exposed, unknown } = keptDry(packingOf(trip, shelf));
      return exposed.length > 0 ? 0 : unknown.length > 0 ? null : 1;
    }
    case 'disconnect': {
      if (disconnectOf(trip, carried)) return 1;
      const protects = batteries.map((gear) => (gear.kind === 'station' ? true : gear.protects));
      if (protects.includes(undefined) || protects.length === 0) return null;
      return protects.every(Boolean) ? 1 : 0;
    }
  }
}

/** A sum of what is known of all; null where of one it is not. */
function summed<One>(all: readonly One[], valueOf: (one: One) => number | null): number | null {
  let sum = 0;
  for (const one of all) {
    const value = valueOf(one);
    if (value === null) return null;
    sum += value;
  }
  return all.length > 0 ? sum : null;
}

type Pieces = ReturnType<typeof batteryPieces>[number]['gear'];

/** What a battery gives between full and its reserve at the temperature of the outing. */
function usable(gear: Pieces, { temperatureC }: Trip) {
  const label = packLabelOf(gear, 1);
  const { usableWh, hours } = packWorth(label, temperatureC, 1, {});
  // Of one amp as many hours as Ah.
  return { usableWh, usableAh: hours };
}

function planned(
  measure: 'chance' | 'availability' | 'hoursWithoutSun',
  trip: Trip,
  shelf: readonly Gear[],
): number | null {
  const plan = resolve(trip, shelf);
  if (!plan.ok) return null;
  if (measure === 'chance') return chanceOf(plan.value).chance;
  if (measure === 'availability') return chanceOf(plan.value).availability?.p50 ?? null;
  const { sun: _none, ...dark } = plan.value;
  const { verdict } = forecast(dark);
  const { startMs, endMs } = plan.value.outing;
  if (!verdict.lasts) return (verdict.endMs! - startMs) / HOUR_MS;
  // What is left would go on at the mean of the outing.
  return (endMs - startMs) / HOUR_MS + (verdict.meanA > 0 ? verdict.marginAh / verdict.meanA : 0);
}

/** The worst that is heard of what switches, S-units; nothing where nothing does, null where one was not listened to. */
function noiseOf(gear: readonly Gear[], band: string | undefined): number | null {
  let worst = 0;
  for (const { noise = [] } of gear.filter(mayBeHeard)) {
    const there = noise.filter((one) => band === undefined || one.band === band);
    if (there.length === 0) return null;
    worst = Math.max(worst, ...there.map(riseS));
  }
  return worst;
}
