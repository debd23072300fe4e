import type { PlannedPosition } from '@knapsack/core';
import { tripProblems } from '../documents/trip-rules.js';
import type { Trip } from '../documents/trip.js';
import type { PlannedLoads } from '../harness/harness-draws.js';
import { isKind, type Carried } from './look-up.js';
import { resolveAccessories } from './resolve-load.js';
import { resolvePositions } from './resolve-positions.js';

/**
 * What a trip's loads take where the rest of its plan cannot be calculated: no rule falls silent because of a fault elsewhere.
 * Hours that are wrong leave the radios without blocks, which take their full power then; what waits for a dark that nobody
 * knows is on. Null without a radio.
 */
export function plannedLoads(trip: Trip, carried: readonly Carried[]): PlannedLoads | null {
  const isWrong = tripProblems(trip).length > 0;
  const { latitudeDeg, longitudeDeg } = trip.place;
  const hasSite = latitudeDeg !== undefined && longitudeDeg !== undefined;
  const known = carried.map((one): Carried =>
    isKind('accessory')(one) && !hasSite && (one.item.rule ?? one.gear.rule).when === 'dark'
      ? { ...one, item: { ...one.item, rule: { when: 'always' } } }
      : one,
  );
  const positions =
    positionsOrBare(isWrong ? { ...trip, blocks: [] } : trip, known) ??
    positionsOrBare({ ...trip, blocks: [] }, known);
  if (!positions) return null;
  const [first, ...others] = positions;
  const startMs = Date.parse(trip.start);
  const outing = { startMs, endMs: Math.max(startMs + 1, Date.parse(trip.end)) };
  const accessories = resolveAccessories(trip, known, positions, outing);
  return {
    ...first,
    ...(others.length > 0 && { others }),
    assumption: trip.rating ?? 'measured',
    accessories: accessories.ok ? accessories.value : [],
  };
}

function positionsOrBare(
  trip: Trip,
  carried: readonly Carried[],
): readonly [PlannedPosition, ...PlannedPosition[]] | null {
  const positions = resolvePositions(trip, carried);
  return positions.ok ? positions.value : null;
}
