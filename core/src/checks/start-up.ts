import { wayToRoot, type HarnessPart } from '../harness/harness.js';
import type { Answer } from './check.js';
import { amps } from './say.js';

/** What takes much for a moment as it is switched on, A at its own volts: an amplifier whose capacitors fill. */
export interface StartUp {
  readonly part: string;
  readonly name: string;
  readonly startA: number;
}

/** What gives a start-up current, and what it may give, A; undefined where that is not entered. */
interface Giver {
  readonly name: string;
  readonly maxA: number | undefined;
  /** What the start-up is on its side, A. */
  readonly needA: number;
}

/**
 * What has to give a start-up current: the converter before it, else the first battery, all batteries of a kind sharing it.
 *
 * @param battery what it may give for a moment, A, and its part of what is drawn, 0 to 1
 */
export function giverOf(
  parts: readonly HarnessPart[],
  { part, startA }: StartUp,
  battery: { readonly name: string; readonly maxA: number | undefined; readonly share: number } | null,
): Giver | null {
  const converter = wayToRoot(parts, part).find(({ kind }) => kind === 'converter');
  if (converter) return { name: converter.name, maxA: converter.maxA, needA: startA };
  return battery && { name: battery.name, maxA: battery.maxA, needA: startA * battery.share };
}

/** What is switched on does not make what feeds it shut off. */
export const startsUp = ({ name }: StartUp, giver: Giver | null): Answer =>
  giver?.maxA !== undefined && giver.needA > giver.maxA
    ? {
        severity: 'look',
        sentence: `Switched on, ${name} takes ${amps(giver.needA)} for a moment and ${giver.name} gives ${amps(giver.maxA)}: it may shut off, and the radio with it. Switch ${name} on through a soft start, or take more from what feeds it.`,
        asks: `at most ${amps(giver.maxA)}`,
        has: amps(giver.needA),
      }
    : null;
