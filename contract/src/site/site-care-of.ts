import {
  daysUntilEmpty,
  DIPOLE_DBI,
  EXPOSURE_MARGIN,
  exposureDistanceM,
  isLead,
  isLithium,
  LEAST_DISTANCE_M,
  meanOfPeak,
  publicLimitVM,
  sayTime,
  sayWork,
  siteCare,
  STRICTEST_MHZ,
  type SiteCare,
  type SiteFacts,
} from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import { USUAL_WEATHER } from '../documents/sun.js';
import type { Trip } from '../documents/trip.js';
import { batteryPieces } from '../harness/battery-pieces.js';
import { packingOf } from '../packing/packing-of.js';
import { blockDuty } from '../resolve/block-duty.js';
import { positionOf } from '../resolve/expand-blocks.js';
import { isKind, lookUp, type Carried } from '../resolve/look-up.js';
import { packLabelOf } from '../resolve/resolve-packs.js';
import { radiosByPosition } from '../resolve/resolve-positions.js';
import { rainOf } from './rain-of.js';

/** What the site of a trip asks for, from what is in the bag and in the forecast. */
export const siteCareOf = (trip: Trip, shelf: readonly Gear[]): readonly SiteCare[] => {
  const { carried } = lookUp(trip, shelf);
  return carried.length === 0 ? [] : siteCare(siteFactsOf(trip, shelf, carried));
};

/** A generator; its fuel has no kind of its own and is known by its name or a tag. */
const burnsFuel = ({ kind, name, tags = [] }: Gear): boolean =>
  kind === 'generator' ||
  [name, ...tags].some((words) => /\b(generator|fuel|petrol|gasoline)\b/i.test(words));

/** What makes mains voltage in a harness. */
const MAINS: ReadonlySet<string> = new Set(['inverter', 'outlet']);

function siteFactsOf(trip: Trip, shelf: readonly Gear[], carried: readonly Carried[]): SiteFacts {
  const zone = trip.place.timeZone;
  const antennas = carried.filter(isKind('antenna')).map(({ gear }) => gear);
  const tall = antennas.flatMap(({ tallM }) => (tallM ? [tallM.value] : []));
  const hours = trip.weather?.hours ?? [];
  const [rain] = rainOf(trip).rain;
  return {
    hasAntenna: antennas.length > 0,
    tallM: tall.length > 0 ? Math.max(...tall) : null,
    hasPanel: carried.some(isKind('panel')),
    hasMains:
      carried.some(({ gear }) => gear.kind === 'generator') ||
      carried.some(({ gear }) => gear.kind === 'accessory' && gear.via === 'mains') ||
      (trip.harness?.parts ?? []).some(({ kind }) => MAINS.has(kind)),
    hasGenerator: carried.some(({ gear }) => burnsFuel(gear)),
    hasLithium: batteryPieces(carried).some(({ gear }) => isLithium(gear.chemistry)),
    byVehicle: trip.packing?.wayIn === 'vehicle',
    rainFrom: rain ? sayTime(rain.startMs, zone) : null,
    warmC: Math.max(trip.temperatureC, ...hours.map(({ temperatureC = -Infinity }) => temperatureC)),
    windMS: Math.max(
      (trip.weather ?? USUAL_WEATHER).windMS,
      ...hours.map(({ windMS = -Infinity }) => windMS),
    ),
    heaviest: heaviestOf(trip, shelf),
    exposure: exposureOf(trip, carried),
    standby: standbyOf(carried),
    oneSource: hasOneSource(carried),
    knows: trip.knows ?? null,
    backBy: sayTime(Date.parse(trip.end), zone),
  };
}

/** One battery, and one radio that has none of its own. */
function hasOneSource(carried: readonly Carried[]): boolean {
  const [radio, second] = radiosByPosition(carried);
  return radio !== undefined && !second && !radio.internal && batteryPieces(carried).length === 1;
}

/** What takes longer than this to empty a battery is no danger to it, days. */
const WORTH_DAYS = 730;

/** The controller that stays joined to a battery, and the battery that it empties first. */
function standbyOf(carried: readonly Carried[]): SiteFacts['standby'] {
  const controller = carried.filter(isKind('controller')).find(({ gear }) => (gear.selfUseA?.value ?? 0) > 0);
  if (!controller) return null;
  const standbyA = controller.gear.selfUseA!.value;
  const all = batteryPieces(carried).map(({ gear }) => ({
    gear,
    days: daysUntilEmpty(packLabelOf(gear, 1).ratedAh, standbyA, gear.chemistry),
  }));
  const [first] = all.sort((a, b) => a.days - b.days);
  return first && first.days < WORTH_DAYS
    ? {
        name: controller.gear.name,
        battery: first.gear.name,
        days: first.days,
        ruins:
          isLead(first.gear.chemistry) || (first.gear.kind === 'battery' && first.gear.protects === false),
      }
    : null;
}

/** The heaviest bag or single piece. */
function heaviestOf(trip: Trip, shelf: readonly Gear[]): SiteFacts['heaviest'] {
  const { bags, loose } = packingOf(trip, shelf);
  const all = [
    ...bags.map(({ bag, grams }) => ({ name: bag.name, grams })),
    ...[...bags.flatMap(({ pieces }) => pieces), ...loose].map(({ gear }) => ({
      ...{ name: gear.name, grams: gear.weightG?.value ?? 0 },
    })),
  ];
  return all.reduce<SiteFacts['heaviest']>(
    (most, one) => (most && most.grams >= one.grams ? most : one),
    null,
  );
}

/**
 * The farthest that people keep from an antenna, over the blocks: a block says no band, so by the strictest limit. Behind an
 * amplifier its own output power counts; without it no distance is known.
 */
function exposureOf(trip: Trip, carried: readonly Carried[]): SiteFacts['exposure'] {
  const gains = carried.filter(isKind('antenna')).map(({ gear }) => gear.gainDbi?.value ?? DIPOLE_DBI);
  const gainDbi = gains.length > 0 ? Math.max(...gains) : DIPOLE_DBI;
  const radios = radiosByPosition(carried);
  const amplifiers = carried.filter(isKind('amplifier')).map(({ gear }) => gear);
  let most: { readonly distanceM: number; readonly what: string } | null = null;
  for (const block of trip.blocks) {
    const { mode, powerW, processed = false } = block;
    const amplifier = amplifiers.find(({ modes }) => !modes || modes.includes(mode));
    if (amplifier && !amplifier.outputW) {
      return { distanceM: null, what: `${sayWork({ mode, powerW })} through ${amplifier.name}` };
    }
    const sentW = amplifier?.outputW?.value ?? powerW;
    const { share } = blockDuty(block, radios[positionOf(block) - 1] ?? null);
    const meanW = sentW * meanOfPeak(mode, processed) * share;
    const distanceM = Math.max(
      LEAST_DISTANCE_M,
      EXPOSURE_MARGIN * exposureDistanceM(meanW, gainDbi, publicLimitVM(STRICTEST_MHZ)),
    );
    if (!most || distanceM > most.distanceM) {
      most = { distanceM, what: sayWork({ mode, powerW: sentW }) };
    }
  }
  return most;
}
