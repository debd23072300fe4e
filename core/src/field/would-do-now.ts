import type { PlanInput } from '../forecast/plan-input.js';
import { positionsOf } from '../forecast/plan-input.js';
import { oddsOf, type Odds } from '../chance/chance.js';
import { ahead, withBlocks, type Ahead, type Change } from './ahead.js';
import type { Followed } from './follow.js';

/** What can be done from now on, and the chance that it gives. */
export type WouldDo = { readonly odds: Odds } & (
  | { readonly do: 'power'; readonly powerW: number }
  /** All transmit duty cycles times this. */
  | { readonly do: 'duty'; readonly factor: number }
  | { readonly do: 'turn' }
  | { readonly do: 'stop'; readonly endMs: number }
  /** One more like the one in use, full: what is not in the bag somebody may bring. */
  | { readonly do: 'battery' }
);

const LESS_DUTY = 0.6;
const TURNED_EVERY_MIN = 60;

/**
 * What would do from here, each alone: less power (down to each transmit power that somebody has measured or a sheet tells), less
 * transmitting, a panel that is turned by the hour, an earlier end; last, one battery more. The mildest power that reaches the target is
 * the only one told, else the lowest.
 *
 * @param as how it goes on as planned
 */
export function wouldDoNow(followed: Followed, as: Ahead, seed?: number): readonly WouldDo[] {
  const oddsWith = (change: Change): Odds => ahead(followed, change, undefined, seed)?.chance ?? oddsOf(0, 0);
  const { target } = as.chance;
  const found: WouldDo[] = [];
  let power: WouldDo | null = null;
  for (const powerW of lowerPowers(as.plan)) {
    power = {
      do: 'power',
      powerW,
      odds: oddsWith((plan) =>
        withBlocks(plan, (block) => ({ ...block, powerW: Math.min(block.powerW, powerW) })),
      ),
    };
    if (power.odds.chance >= target) break;
  }
  if (power) found.push(power);
  if (positionsOf(as.plan).some(({ blocks }) => blocks.some(({ share }) => share > 0))) {
    const odds = oddsWith((plan) =>
      withBlocks(plan, (block) => ({ ...block, share: LESS_DUTY * block.share })),
    );
    found.push({ do: 'duty', factor: LESS_DUTY, odds });
  }
  if (as.plan.sun && as.plan.sun.aim.how !== 'every') {
    const then = { how: 'every', minutes: TURNED_EVERY_MIN } as const;
    const fromMs = as.plan.outing.startMs;
    const odds = oddsWith((plan) => ({
      ...plan,
      ...(plan.sun && { sun: { ...plan.sun, aim: { how: 'then', first: plan.sun.aim, fromMs, then } } }),
    }));
    found.push({ do: 'turn', odds });
  }
  if (as.stopMs !== null && as.stopMs > as.plan.outing.startMs) {
    found.push({
      do: 'stop',
      endMs: as.stopMs,
      odds: oddsOf(Math.round(target * as.chance.samples), as.chance.samples),
    });
  }
  const battery: WouldDo = { do: 'battery', odds: oddsWith(withAnother) };
  return [...found.sort((a, b) => b.odds.chance - a.odds.chance), battery].filter(
    ({ odds }) => odds.chance > as.chance.chance,
  );
}

/** A plan with one battery more, full, like the one in use. */
function withAnother(plan: PlanInput): PlanInput {
  const [used] = plan.packs;
  // By its name the estimate knows it from those that are there.
  return { ...plan, packs: [...plan.packs, { ...used, name: `${used.name}, another`, startSoc: 1 }] };
}

/** Powers of the first radio under the highest that is planned ahead, W, the highest first. */
function lowerPowers({ radio, blocks }: PlanInput): readonly number[] {
  const most = Math.max(0, ...blocks.map(({ powerW }) => powerW));
  const known = new Set(radio.figures.transmit.map(({ rfW }) => rfW));
  return [...known].filter((watts) => watts < most).sort((a, b) => b - a);
}
