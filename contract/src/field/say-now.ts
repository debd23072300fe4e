import {
  fixed,
  sayLasting,
  sayLastingShort,
  sayPower,
  sayQuantity,
  sayTime,
  type Band,
  type Chance,
  type Odds,
  type WouldDo,
} from '@knapsack/core';

/** How an outing stands, as far as its sentence needs it. */
export interface Standing {
  /** State of charge, 0 to 1. */
  readonly soc: Band;
  /** Into the battery, A; negative: out of it. */
  readonly netA: number;
  /** How often it lasts to the planned end; null once it is over. */
  readonly odds: (Odds & Pick<Chance, 'availability'>) | null;
  /** The chance that it is meant to have, 0 to 1. */
  readonly target: number;
  /** Null while it is looked for. */
  readonly wouldDo: readonly WouldDo[] | null;
  readonly zone: string;
}

/** "63 % left, 58 to 68."; the figure alone where there is no more to it. */
export function sayLeft({ p10, p50, p90 }: Band): string {
  const [least, most] = [p10, p90].map((share) => fixed(100 * share, 0));
  const left = `${sayQuantity({ value: p50, unit: 'share' })} left`;
  return least === most ? `${left}.` : `${left}, ${least} to ${most}.`;
}

/** "Lasts in 91 of 100 simulated outings.", as the Plan says it. */
export function sayLasts(odds: Standing['odds']): string {
  if (odds === null) return 'The outing is over.';
  const lasting = sayLasting(odds);
  return `${lasting.charAt(0).toUpperCase()}${lasting.slice(1)}.`;
}

/** Less than this into or out of the battery is nothing, A. */
const NOTHING_A = 0.005;

/** "0.6 A goes into the battery." */
export function sayNet(netA: number): string {
  if (Math.abs(netA) < NOTHING_A) return 'Nothing goes in or out of the battery.';
  const amps = sayQuantity({ value: Math.abs(netA), unit: 'A' });
  return netA > 0 ? `${amps} goes into the battery.` : `${amps} comes out of the battery.`;
}

/** What to do now: nothing else where it lasts, else the surest thing that helps; nothing while that is looked for. */
export function sayAdvice({ odds, target, wouldDo, zone }: Standing): string {
  if (odds === null) return '';
  if (odds.chance >= target) return 'Go on as planned.';
  if (wouldDo === null) return '';
  const [best] = wouldDo;
  if (!best) return 'Nothing that is known here would do: save what you can.';
  return best.odds.chance >= target
    ? `${sayWouldDo(best, zone)}: ${sayLastingShort(best.odds)}.`
    : `${sayWouldDo(best, zone)} helps most: ${sayLastingShort(best.odds)}.`;
}

/** "5 W from now on", as the beginning of a sentence. */
export function sayWouldDo(one: WouldDo, zone: string): string {
  switch (one.do) {
    case 'power':
      return `${sayPower(one.powerW)} from now on`;
    case 'duty':
      return `Transmitting ${fixed(100 * (1 - one.factor), 0)} % less`;
    case 'turn':
      return 'Turning the panel to the sun every hour';
    case 'stop':
      return `Stopping at ${sayTime(one.endMs, zone)}`;
    case 'battery':
      return 'With another battery like the one in use, full';
  }
}

/** All of it, as it is read aloud. */
export const sayNow = (now: Standing): string =>
  [sayLeft(now.soc), sayLasts(now.odds), sayAdvice(now), sayNet(now.netA)].filter(Boolean).join(' ');
