import {
  READ_QUANTITIES,
  type BatteryEvent,
  type FieldEvent,
  type FieldLog,
  type FieldReading,
  type PlanInput,
} from '@knapsack/core';
import type { BatteryEntry, LogEntry } from '../documents/log.js';

/**
 * What was read and noted, for the core.
 *
 * @param entries that stand, in the order of time
 * @param plan as it was worked: its packs are those that entries name
 */
export function fieldLog(entries: readonly LogEntry[], plan: Pick<PlanInput, 'packs'>): FieldLog {
  const batteries = new Batteries(plan.packs);
  const readings: FieldReading[] = [];
  const events: FieldEvent[] = [];
  for (const entry of entries) {
    const timeMs = Date.parse(entry.at);
    const { source = 'typed' } = entry;
    if (entry.kind === 'reading') {
      const { id, state = 'unknown', counts } = entry;
      const values = Object.fromEntries(
        READ_QUANTITIES.flatMap((name) => (entry[name] === undefined ? [] : [[name, entry[name]]])),
      );
      readings.push({ id, timeMs, state, source, values, ...(counts && { counts }) });
    } else if (entry.kind === 'reset') events.push({ kind: 'reset', timeMs, source });
    else if (entry.kind === 'sky') {
      const { cloud, rain = false, fog = false } = entry;
      events.push({ kind: 'sky', timeMs, cloud, rain, fog });
    } else if (entry.kind === 'battery') {
      const event = batteries.event(entry, timeMs);
      if (event) events.push(event);
    }
  }
  return { readings, events };
}

/** Which of a plan's packs is which: of several of one kind the one that is not in use. */
class Batteries {
  private inUse = 0;

  constructor(private readonly packs: PlanInput['packs']) {}

  event({ do: does, gear }: BatteryEntry, timeMs: number): BatteryEvent | null {
    const own = this.packs.flatMap((pack, index) => (pack.gear === gear ? [index] : []));
    if (own.length === 0) return null;
    if (does === 'takeOut') {
      // What is taken out leaves the one that is left in use.
      const next = this.packs.findIndex((_, index) => index !== this.inUse);
      if (!own.includes(this.inUse) || next < 0) return null;
      this.inUse = next;
      return { kind: 'battery', timeMs, does: 'swapIn', pack: next };
    }
    if (does === 'full') {
      const pack = own.includes(this.inUse) ? this.inUse : own[0];
      return { kind: 'battery', timeMs, does, pack };
    }
    const pack = own.find((index) => index !== this.inUse) ?? own[0];
    if (does === 'swapIn') this.inUse = pack;
    return { kind: 'battery', timeMs, does, pack };
  }
}
