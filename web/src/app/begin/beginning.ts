import { WAYS_IN, type WayIn } from '@knapsack/contract';
import { ACTIVITY_NAMES, HOUR_MS, MODE_NAMES, nextWeekday, roundHere, usualShare } from '@knapsack/core';
import type { Beginning } from '@knapsack/contract/begin';
import { localZone } from '../data/new-trip';
import { browserMemory } from '../shell/browser-memory';

const SATURDAY = 6;
const KEPT_AS = 'knapsack.begin';

/** What is usually carried at the most, g, round in the units that are read here. */
export const usualLimitG = (wayIn: WayIn): number => roundHere(WAYS_IN[wayIn].limitG / 1000, 'kg') * 1000;

/** What is usual: a Saturday morning on a hill, voice with 10 W. */
export const usualBeginning = (nowMs: number): Beginning => ({
  name: 'My outing',
  site: { name: 'a hill', timeZone: localZone() },
  startMs: nextWeekday(nowMs, SATURDAY, 10, localZone()),
  hours: 6,
  onAirHours: 4,
  activity: 'calling',
  mode: 'SSB',
  powerW: 10,
  share: usualShare('calling', 'SSB'),
  wayIn: 'foot',
  carryLimitG: usualLimitG('foot'),
  temperatureC: null,
  panelW: 0,
});

/** What was typed last and not made a trip yet, as long as its day has not come. */
export function keptBeginning(nowMs: number): Beginning {
  const usual = usualBeginning(nowMs);
  try {
    const kept = JSON.parse(browserMemory.read(KEPT_AS) ?? '{}') as Partial<Beginning>;
    // Words of another release are none of this one's.
    const isKnown =
      MODE_NAMES.includes(kept.mode ?? usual.mode) &&
      ACTIVITY_NAMES.includes(kept.activity ?? usual.activity) &&
      Object.hasOwn(WAYS_IN, kept.wayIn ?? usual.wayIn);
    if (!isKnown) return usual;
    const isPast = !(kept.startMs && kept.startMs > nowMs - HOUR_MS);
    return { ...usual, ...kept, ...(isPast && { startMs: usual.startMs }) };
  } catch {
    return usual;
  }
}

export const keepBeginning = (beginning: Beginning): void =>
  browserMemory.write(KEPT_AS, JSON.stringify(beginning));

export const forgetBeginning = (): void => browserMemory.write(KEPT_AS, '{}');
