import { bestPoints, CLIMATES, describeSheetReceive, sayQuantity, seasonAt } from '@knapsack/core';
import { notSimulated, type Figure } from '../documents/figure.js';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { guessedOf } from './panel-label.js';

/** A climate is a rule of thumb, not a forecast: what of a trip's sky rests on it, in words. */
export function assumedSky({ weather, place, start }: Trip): string[] {
  if (!weather?.climate) return [];
  const season = seasonAt(Date.parse(start), place.latitudeDeg ?? 45);
  const hours =
    (weather.hours ?? []).length > 0 && weather.source !== 'simulated'
      ? ', for hours without a forecast'
      : '';
  const shifted =
    weather.cloud === undefined
      ? ''
      : `, days shifted to ${sayQuantity({ value: weather.cloud, unit: 'share' })} cloud`;
  return [`sky: ${CLIMATES[weather.climate].label}, ${season}${shifted}${hours}`];
}

/** The figures of a gear item that rest on a rule of thumb or a simulated reading, in words. @param sheetsAsStated the trip takes data sheets at their word */
export function assumedIn(gear: Gear, sheetsAsStated = false): string[] {
  const words = [...wordsOf(gear, sheetsAsStated)];
  return words.length > 0 ? [`${gear.name}: ${words.join(', ')}`] : [];
}

function wordsOf(gear: Gear, sheetsAsStated: boolean): string[] {
  switch (gear.kind) {
    case 'radio':
      return [
        ...assumed('receive current', gear.receiveA),
        ...(gear.receiveA.source === 'datasheet'
          ? [
              sheetsAsStated
                ? 'receive current as the data sheet states it'
                : `receive current ${describeSheetReceive(gear.receiveA.value)} (sheets state maxima; measure it)`,
            ]
          : []),
        ...assumed('drop-out voltage', gear.dropoutV),
        ...(bestPoints(gear.transmit).some(({ source }) => source === 'assumed') ? ['transmit current'] : []),
        ...(bestPoints(gear.transmit).some(({ source }) => source === 'simulated')
          ? ['transmit current read off a simulated meter']
          : []),
      ];
    case 'battery':
      return [
        ...assumed('capacity', notSimulated(gear.measuredAh) ?? gear.ratedAh),
        ...assumed('health', gear.health),
      ];
    case 'station':
      return [
        ...assumed('energy', gear.wattHours),
        ...assumed('health', gear.health),
        ...(gear.efficiency ? assumed('efficiency', gear.efficiency) : ['gives 90 % through its socket']),
      ];
    case 'amplifier':
      return [...assumed('draw', gear.standbyA), ...assumed('draw in overs', gear.transmitA)];
    case 'accessory':
      return assumed('draw', gear.drawA ?? gear.drawW);
    case 'lead':
      return assumed('resistance', gear.loopOhm);
    case 'panel':
      return [
        ...(gear.truth ? assumed('output against label', gear.truth) : ['output against label 90 %']),
        ...guessedOf(gear),
      ];
    case 'controller':
      return assumed('current limit', gear.maxA);
    case 'charger':
    case 'generator':
    case 'distribution':
    case 'antenna':
    case 'other':
      return [];
  }
}

const assumed = (words: string, figure: Figure | undefined): string[] =>
  figure?.source === 'assumed'
    ? [words]
    : figure?.source === 'simulated'
      ? [`${words} read off a simulated meter`]
      : [];
