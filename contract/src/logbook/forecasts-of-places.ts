import { seasonAt, type MeanAndSpread } from '@knapsack/core';
import type { OutingRow } from './outing-row.js';

/** How the sky came against its forecasts, at a place in a season. */
export interface ForecastsOfPlace {
  readonly place: string;
  readonly season: string;
  readonly outings: number;
  /** Light that came as a share of what was to be expected by the forecast. */
  readonly light: MeanAndSpread;
}

/** Where nobody said. */
const TEMPERATE_DEG = 45;

/**
 * What outings say of the forecasts for their places, by season: means weighed by how sure each is. Source: convention of this
 * project.
 */
export function forecastsOfPlaces(
  rows: readonly Pick<OutingRow, 'place' | 'latitudeDeg' | 'startMs' | 'sky'>[],
): readonly ForecastsOfPlace[] {
  const found = new Map<string, { place: string; season: string; light: MeanAndSpread[] }>();
  for (const { place, latitudeDeg, startMs, sky } of rows) {
    if (!sky) continue;
    const season = seasonAt(startMs, latitudeDeg ?? TEMPERATE_DEG);
    const key = JSON.stringify([place, season]);
    const known = found.get(key) ?? { place, season, light: [] };
    known.light.push(sky);
    found.set(key, known);
  }
  return [...found.values()].map(({ place, season, light }) => ({
    ...{ place, season, outings: light.length },
    light: together(light),
  }));
}

/** Several figures as one, each weighed by its spread. */
function together(all: readonly MeanAndSpread[]): MeanAndSpread {
  const weight = all.map(({ sd }) => 1 / Math.max(sd, 0.02) ** 2);
  const sum = weight.reduce((total, each) => total + each, 0);
  const mean = all.reduce((total, each, place) => total + weight[place] * each.mean, 0) / sum;
  return { mean, sd: 1 / Math.sqrt(sum) };
}

/** Less than so much of a difference, in spreads, is none. */
const WORTH_A_WORD = 1;

/** "Forecasts for Skua Head in summer were 12 % too bright, by 3 outings."; null where they were about right. */
export function sayForecasts({ place, season, outings, light }: ForecastsOfPlace): string | null {
  if (Math.abs(1 - light.mean) < WORTH_A_WORD * light.sd) return null;
  const share = Math.round(100 * Math.abs(1 / light.mean - 1));
  if (share === 0) return null;
  const by = outings === 1 ? 'by 1 outing' : `by ${outings} outings`;
  return `Forecasts for ${place} in ${season} were ${share} % too ${light.mean < 1 ? 'bright' : 'dull'}, ${by}.`;
}
