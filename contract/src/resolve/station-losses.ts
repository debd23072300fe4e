import { CHEMISTRIES, HOUR_MS, sayQuantity, USUAL_SOCKET, type Span } from '@knapsack/core';
import { USUAL_CELLS } from './quick-trip.js';
import { isKind, type Carried } from './look-up.js';

/** A share that it takes for itself from which it is worth a word. */
const WORTH_SHARE = 0.05;
/** Nominal volts of the battery that it is held against: LiFePO4 for a 12 V bus. */
const BARE_V = (CHEMISTRIES.lifepo4.nominalV * USUAL_CELLS.lifepo4) / CHEMISTRIES.lifepo4.tableCells;

/** What a power station gives out of its socket over some hours, Wh: what it takes for itself, and what the socket loses, taken off. Source: convention of this project, docs/model.md. */
export const givenWh = (wattHours: number, idleW: number, efficiency: number, hours: number): number =>
  Math.max(0, wattHours - idleW * hours) * efficiency;

/** What power stations take for themselves over an outing, against a bare battery that gives as much, in sentences. */
export function sayStationLosses(carried: readonly Carried[], { startMs, endMs }: Span): readonly string[] {
  const hours = (endMs - startMs) / HOUR_MS;
  return carried.filter(isKind('station')).flatMap(({ gear }) => {
    const wattHours = gear.wattHours.value * (gear.health?.value ?? 1);
    const idleW = gear.idleW?.value ?? USUAL_SOCKET.idleW;
    const idleWh = Math.min(wattHours, idleW * hours);
    if (idleWh < WORTH_SHARE * wattHours) return [];
    const given = givenWh(wattHours, idleW, gear.efficiency?.value ?? USUAL_SOCKET.efficiency, hours);
    const wh = (value: number) => sayQuantity({ value, unit: 'Wh' });
    return [
      `${gear.name} takes ${wh(idleWh)} of its ${wh(wattHours)} for itself in ${sayQuantity({ value: hours, unit: 'duration' })}: a bare battery of ${sayQuantity({ value: given / BARE_V, unit: 'Ah' })} would give as much.`,
    ];
  });
}
