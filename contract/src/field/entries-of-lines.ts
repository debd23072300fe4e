import { MINUTE_MS, readInstrumentLine, type InstrumentReading, type LineSource } from '@knapsack/core';
import type { LogEntry, ReadingEntry } from '../documents/log.js';

/** What an instrument told last, so that the next lines are known as its own, and what it has said already. */
export interface LinesSoFar {
  /** When its last entry is of, UTC epoch ms. */
  readonly toldMs: number;
  readonly charging: boolean | null;
  readonly inAh: number | null;
  /** Its counter was seen to begin: what it counts can be told. */
  readonly counts: boolean;
}

/** Entries that lines come to, and how each instrument stands after them. */
export interface EntriesOfLines {
  readonly entries: readonly LogEntry[];
  readonly soFar: ReadonlyMap<LineSource, LinesSoFar>;
  /** Lines that were none of an instrument's. */
  readonly unread: number;
}

/** A counter under this has just begun, Ah. */
const JUST_BEGUN_AH = 0.05;
/** Entries of one instrument closer than this would have one id. */
const LEAST_APART_MS = 1000;
/** Less into the battery is none, A. */
const CHARGING_A = 0.05;

/**
 * What stands in a log of lines that an instrument sent: a reading a minute, one where it begins or stops to charge, a reset where its counter
 * starts anew. The same lines come to the same entries, by their ids too, so that a program that sends again does no harm.
 *
 * @param lines of one sending, in their order
 * @param lastMs when the last of them was sent, UTC epoch ms
 * @param before what was known of the instruments
 */
export function entriesOfLines(
  lines: readonly string[],
  lastMs: number,
  before: ReadonlyMap<LineSource, LinesSoFar> = new Map(),
): EntriesOfLines {
  const readings = lines.map(readInstrumentLine);
  const endOf = new Map<LineSource, number>();
  for (const reading of readings) if (reading) endOf.set(reading.source, reading.ms);
  const soFar = new Map(before);
  const entries: LogEntry[] = [];
  for (const reading of readings) {
    if (!reading) continue;
    const timeMs = lastMs - (endOf.get(reading.source)! - reading.ms);
    entries.push(...told(reading, timeMs, soFar));
  }
  return { entries, soFar, unread: readings.filter((reading) => reading === null).length };
}

function told(
  reading: InstrumentReading,
  timeMs: number,
  soFar: Map<LineSource, LinesSoFar>,
): readonly LogEntry[] {
  const { source } = reading;
  const last = soFar.get(source) ?? { toldMs: -Infinity, charging: null, inAh: null, counts: false };
  const charging = isCharging(reading);
  const inAh = reading.source === 'controller' ? reading.inAh : null;
  const begins =
    inAh !== null && inAh < (last.inAh ?? JUST_BEGUN_AH) - (last.inAh === null ? 0 : JUST_BEGUN_AH);
  const turns = charging !== null && last.charging !== null && charging !== last.charging;
  const isNew = Math.floor(timeMs / MINUTE_MS) !== Math.floor(last.toldMs / MINUTE_MS);
  const isTold = (isNew || turns || begins) && timeMs - last.toldMs >= LEAST_APART_MS;
  const counts = last.counts || (begins && isTold);
  soFar.set(source, {
    toldMs: isTold ? timeMs : last.toldMs,
    charging: charging ?? last.charging,
    // A beginning that is not told yet is seen again in the next line.
    inAh: begins && !isTold ? last.inAh : inAh,
    counts,
  });
  if (!isTold) return [];
  const head = (what: string) => ({
    id: `${source}-${what}${Math.round(timeMs / 1000).toString(36)}`,
    at: iso(timeMs),
    source,
  });
  const read: LogEntry = { ...head('r'), kind: 'reading', ...valuesOf(reading, counts) };
  return begins ? [{ ...head('z'), kind: 'reset' }, read] : [read];
}

const iso = (timeMs: number): string => new Date(timeMs).toISOString();

/** Null for an instrument that does not tell. */
function isCharging(reading: InstrumentReading): boolean | null {
  switch (reading.source) {
    case 'meter':
      return null;
    case 'monitor':
      return reading.amps > CHARGING_A;
    case 'controller':
      return reading.batteryA > CHARGING_A;
  }
}

type Values = Omit<ReadingEntry, 'id' | 'at' | 'source' | 'kind'>;

/** What an estimate can use of a line. Whether a key was down no instrument knows. */
function valuesOf(reading: InstrumentReading, counts: boolean): Values {
  switch (reading.source) {
    case 'meter':
      return { state: 'unknown', volts: reading.volts, amps: reading.amps };
    case 'monitor': {
      const { volts, amps, percent } = reading;
      return { state: amps > CHARGING_A ? 'charging' : 'unknown', volts, amps: -amps, percent };
    }
    case 'controller': {
      const { panelA, panelV, batteryA, inAh } = reading;
      return {
        state: batteryA > CHARGING_A ? 'charging' : 'unknown',
        panelWatts: Math.round(100 * panelA * panelV) / 100,
        ...(counts && { inAh }),
      };
    }
  }
}
