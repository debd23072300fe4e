import { chanceOf, forecast, sayOdds, sayQuantity, type Odds } from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { resolve } from '../resolve/resolve.js';

/** What a plan comes to. */
export interface PlanFigures {
  readonly odds: Odds;
  /** What it takes over its hours, Ah. */
  readonly plannedAh: number;
}

/** What a plan comes to without and with what was learned. */
export interface NextPlan {
  readonly id: string;
  readonly name: string;
  readonly before: PlanFigures;
  readonly after: PlanFigures;
}

/** What plans come to with another shelf; those that cannot be calculated are left out. */
export const nextPlans = (
  trips: readonly Trip[],
  shelf: readonly Gear[],
  taught: readonly Gear[],
): readonly NextPlan[] =>
  trips.flatMap((trip) => {
    const [before, after] = [shelf, taught].map((gear) => figuresOf(trip, gear));
    return before && after ? [{ id: trip.id, name: trip.name, before, after }] : [];
  });

function figuresOf(trip: Trip, shelf: readonly Gear[]): PlanFigures | null {
  const plan = resolve(trip, shelf);
  if (!plan.ok) return null;
  return { odds: chanceOf(plan.value), plannedAh: forecast(plan.value).verdict.plannedAh };
}

const ah = (value: number): string => sayQuantity({ value, unit: 'Ah' });

/** "Headland camp: lasts in 61 of 100, not 66 of 100; takes 58.2 Ah, not 56.1 Ah." */
export function sayNextPlan({ name, before, after }: NextPlan): string {
  const [odds, was] = [after, before].map((plan) => sayOdds(plan.odds));
  const [takes, took] = [after, before].map(({ plannedAh }) => ah(plannedAh));
  const lasts = odds === was ? `lasts in ${odds}, as before` : `lasts in ${odds}, not ${was}`;
  return `${name}: ${lasts}; takes ${takes === took ? `${takes}, as before` : `${takes}, not ${took}`}.`;
}
