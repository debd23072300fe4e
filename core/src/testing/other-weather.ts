import { generator, type Generator } from '../random/generator.js';

/** Where each kind of day wants its cloud, oktas. */
const REGIMES = [1, 4, 7] as const;
const STAYS = 0.5;
const FORECAST_RIGHT = 0.75;

/** A season of another make than the chance engine's: oktas that step up and down towards the day's kind, and a forecast of it that is sometimes wrong. */
export function otherSeason(seed: number, days: number) {
  const next = generator(seed);
  const forecast: number[] = [];
  const real: number[] = [];
  let regime = pick(next);
  let okta = REGIMES[regime] as number;
  for (let day = 0; day < days; day++) {
    if (next() > STAYS) regime = pick(next);
    const said = next() < FORECAST_RIGHT ? regime : pick(next);
    for (let hour = 0; hour < 24; hour++) {
      const pull = Math.sign(REGIMES[regime] - okta) * (next() < 0.6 ? 1 : 0);
      const stray = Math.floor(next() * 3) - 1;
      okta = Math.min(8, Math.max(0, okta + pull + stray));
      real.push(okta / 8);
      forecast.push(REGIMES[said] / 8);
    }
  }
  return { forecast, real, next };
}

const pick = (next: Generator): number => Math.floor(next() * REGIMES.length);

/** A factor evenly spread around 1: of another law than the engine's. */
export const evenly = (next: Generator, halfWidth: number): number => 1 + halfWidth * (2 * next() - 1);
