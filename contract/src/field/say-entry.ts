import {
  fixed,
  MINUTE_MS,
  sayMode,
  sayPower,
  sayQuantity,
  type Band,
  type ReadQuantity,
  type ReadingState,
} from '@knapsack/core';
import { INSTRUMENT_WORDS } from './say-instrument.js';
import { cloudWord } from '../edits/weather.js';
import type { LogEntry, ReadingEntry } from '../documents/log.js';

/** What was on while something was read, as a person says it. */
export const STATE_WORDS: Readonly<Record<ReadingState, string>> = {
  off: 'nothing on',
  listening: 'listening',
  keyDown: 'key down',
  charging: 'charging',
  unknown: 'state not noted',
};

/** What is read, as a button says it, and the unit that it is said in. */
export const READ_WORDS: Readonly<Record<ReadQuantity, { readonly label: string; readonly unit: string }>> = {
  volts: { label: 'V', unit: 'V' },
  radioVolts: { label: 'V at the radio', unit: 'V' },
  amps: { label: 'A', unit: 'A' },
  outAh: { label: 'Ah out', unit: 'Ah' },
  inAh: { label: 'Ah in', unit: 'Ah' },
  percent: { label: '%', unit: '%' },
  panelWatts: { label: 'W of the panel', unit: 'W' },
  panelAmps: { label: 'A of the panel', unit: 'A' },
};

/** Quantities that depend on what is on. */
export const DEPENDS_ON_STATE: ReadonlySet<ReadQuantity> = new Set(['volts', 'radioVolts', 'amps']);

const quantitiesOf = (entry: ReadingEntry): readonly ReadQuantity[] =>
  (Object.keys(READ_WORDS) as ReadQuantity[]).filter((name) => entry[name] !== undefined);

/** An entry in a few words; gear by its name. */
export function sayEntry(entry: LogEntry, nameOf: (gear: string) => string): string {
  switch (entry.kind) {
    case 'reading': {
      const { source = 'typed' } = entry;
      // What an instrument sends it reads by itself: nobody had to note a state.
      const state = source !== 'typed' && entry.state === 'unknown' ? undefined : entry.state;
      const figure = (name: ReadQuantity) => `${entry[name]} ${READ_WORDS[name].label}`;
      const quantities = quantitiesOf(entry);
      const momentary = quantities
        .filter((name) => DEPENDS_ON_STATE.has(name))
        .map(figure)
        .join(', ');
      const counted = quantities.filter((name) => !DEPENDS_ON_STATE.has(name)).map(figure);
      const read = [state && momentary ? `${momentary} ${STATE_WORDS[state]}` : momentary, ...counted];
      return `${source === 'typed' ? '' : `${INSTRUMENT_WORDS[source]}: `}${read.filter(Boolean).join(', ')}`;
    }
    case 'reset':
      return entry.source === 'controller' ? 'Charge controller: begins to count' : 'meter reset';
    case 'sky':
      return `sky: ${saySky(entry)}`;
    case 'work':
      return sayWorkEntry(entry);
    case 'battery':
      return `${nameOf(entry.gear)} ${BATTERY_WORDS[entry.do]}`;
    case 'panel':
      return sayPanel(entry);
    case 'contacts': {
      const what = [entry.mode, entry.band].filter(Boolean).join(' on ');
      const minutes = Math.round((Date.parse(entry.until) - Date.parse(entry.at)) / MINUTE_MS);
      return [`${entry.count === 1 ? '1 contact' : `${entry.count} contacts`} in ${minutes} min`, what]
        .filter(Boolean)
        .join(', ');
    }
    case 'note':
      return entry.note ?? '';
    case 'end':
      return 'outing ended';
  }
}

const BATTERY_WORDS = {
  swapIn: 'in use',
  takeOut: 'taken out',
  charge: 'being charged',
  full: 'full',
} as const;

function saySky({ cloud, rain, fog }: { cloud: number; rain?: boolean; fog?: boolean }): string {
  if (rain) return 'rain';
  if (fog) return 'fog';
  return cloudWord(cloud);
}

function sayWorkEntry({ do: does, mode, powerW, block }: Extract<LogEntry, { kind: 'work' }>): string {
  if (does === 'stop') return 'stopped';
  const what = [mode && sayMode(mode), powerW !== undefined && sayPower(powerW)].filter(Boolean).join(' ');
  const verb = does === 'start' ? 'started' : 'changed to';
  return what ? `${verb} ${what}` : block ? `${verb} as planned` : verb;
}

function sayPanel({ aim, shade }: Extract<LogEntry, { kind: 'panel' }>): string {
  const laid =
    aim && { flat: 'panel laid flat', fixed: 'panel moved', sun: 'panel turned to the sun' }[aim.how];
  const shaded =
    shade === undefined
      ? undefined
      : shade === 0
        ? 'panel out of the shade'
        : `${sayQuantity({ value: shade, unit: 'share' })} of the panel in shade`;
  return [laid, shaded].filter(Boolean).join(', ');
}

/** What became of a reading. */
export interface MeantReading {
  readonly fits: boolean;
  readonly weighed: boolean;
  readonly alone: Band | null;
  readonly planned: ReadonlyMap<ReadQuantity, number>;
}

/** Nearer to what was planned than this share of it, or this much, is as planned. */
const AS_PLANNED_SHARE = 0.05;
const AS_PLANNED = 0.05;

/** What a reading meant: "alone 55 to 70 %", "0.3 Ah more than planned", "does not fit, left out". */
export function sayMeant(entry: ReadingEntry, { fits, weighed, alone, planned }: MeantReading): string {
  const says: string[] = [];
  if (alone) says.push(`alone ${fixed(100 * alone.p10, 0)} to ${fixed(100 * alone.p90, 0)} %`);
  for (const name of quantitiesOf(entry)) {
    const expected = planned.get(name);
    if (expected === undefined || name === 'volts' || name === 'radioVolts' || name === 'percent') continue;
    const more = entry[name]! - expected;
    const within = Math.max(AS_PLANNED, AS_PLANNED_SHARE * Math.abs(expected));
    says.push(
      Math.abs(more) <= within
        ? 'as planned'
        : `${fixed(Math.abs(more), 1)} ${READ_WORDS[name].unit} ${more > 0 ? 'more' : 'less'} than planned`,
    );
  }
  if (!fits) says.push(weighed ? 'does not fit, counted all the same' : 'does not fit, left out');
  return says.join('; ');
}

/** What a reading would mean before it is kept: "would mean 52 to 71 %; it fits". */
export function sayWouldMean(entry: ReadingEntry, outcome: MeantReading): string {
  const { alone, fits } = outcome;
  const meant = alone
    ? `would mean ${fixed(100 * alone.p10, 0)} to ${fixed(100 * alone.p90, 0)} %`
    : sayMeant(entry, { ...outcome, fits: true });
  return `${meant}; it ${fits ? 'fits' : 'does not fit'}`;
}
