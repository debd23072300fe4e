import { chemistryOf, isLead, sayQuantity, starterHours, takenFromVehicle } from '@knapsack/core';
import { chargeVolts } from '../charging/charging-of.js';
import type { Charger } from '../documents/charging-gear.js';
import type { Battery, PowerStation } from '../documents/gear.js';

/** Of a charger that gives more than the battery takes. @param mostA what it may be charged with, A */
function largeNote(
  { name }: Battery | PowerStation,
  charger: Charger | undefined,
  mostA = Infinity,
): string | null {
  const amps = (value: number) => sayQuantity({ value, unit: 'A' });
  return charger && charger.maxA.value > mostA
    ? `${charger.name} gives ${amps(charger.maxA.value)} and ${name} takes ${amps(mostA)} at the most: set it lower, or take a smaller charger.`
    : null;
}

/** What is to be said of the charger that was chosen: one without an end of its own, one in a vehicle, a trickle. */
function chargerNote(
  gear: Battery | PowerStation,
  charger: Charger | undefined,
  hours: number,
): string | null {
  if (!charger || hours <= 0) return null;
  if (charger.law === 'cc')
    return `${charger.name} has no end of its own: take the battery off after ${sayQuantity({ value: hours, unit: 'duration' })}.`;
  if (charger.law === 'trickle')
    return isLead(gear.chemistry)
      ? 'A trickle fills it slowly, and may stay connected.'
      : `A trickle is made for lead-acid: no ${chemistryOf(gear.chemistry).label} battery stays connected to it.`;
  if (charger.from !== 'vehicle' || charger.isolated) return null;
  const takenA = takenFromVehicle(charger.maxA.value, chargeVolts(gear));
  return `It takes ${sayQuantity({ value: takenA, unit: 'A' })} from the vehicle: with the engine off no longer than ${sayQuantity({ value: starterHours(takenA), unit: 'duration' })}, or it may not start.`;
}

/** Why the only chargers there are were not offered; null where that is no question. */
export function refusedNote(
  { chemistry }: Battery | PowerStation,
  refused: readonly Charger[],
): string | null {
  const [first] = refused;
  return first
    ? `${first.name} has no end of its own: lithium is overcharged by it and may burn. Take a charger for ${chemistryOf(chemistry).label}.`
    : null;
}

/** How a battery is kept until it leaves. @param leavesPart it leaves less than full, with nothing to charge it */
export function packNote(
  { chemistry }: Battery | PowerStation,
  charges: boolean,
  leavesPart: boolean,
): string | null {
  if (!charges) return 'It cannot be charged: put new cells in.';
  if (leavesPart) return 'It leaves as it is: say what charges it.';
  const { belongsTo } = chemistryOf(chemistry);
  if (belongsTo === 'lithium') return 'Until then keep it near half: full, it ages fastest.';
  if (belongsTo === 'lead') return 'Keep it full: part charged it ages faster.';
  return null;
}

/** Two notes as one, or the one that there is; null where there is none. */
const both = (one: string | null, other: string | null): string | null =>
  one && other ? `${one} ${other}` : (one ?? other);

/**
 * What is to be said of the charger that was chosen; null where nothing is.
 *
 * @param hours that it takes, h
 * @param mostA what the battery may be charged with, A
 */
export const chargerNotes = (
  gear: Battery | PowerStation,
  charger: Charger | undefined,
  hours: number,
  mostA: number | undefined,
): string | null => both(largeNote(gear, charger, mostA), chargerNote(gear, charger, hours));
