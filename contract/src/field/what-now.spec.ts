import { HOUR_MS, play, type PlanInput } from '@knapsack/core';
import { emptyLog, type LogDocument, type LogEntry } from '../documents/log.js';
import type { Trip } from '../documents/trip.js';
import { assessTrip } from '../resolve/assess-trip.js';
import { gannetRock, gannetShelf } from '../testing/gannet-rock.js';
import { hour, shelf, trip } from '../testing/outing.js';
import { fieldLog } from './field-log.js';
import { oddReading } from './odd-reading.js';
import { sayWeighed, underNotedSky, whatNow, type WhatNow } from './what-now.js';
import { workedPlan, workedTrip } from './worked-plan.js';

const at = (of: number) => new Date(hour(of)).toISOString();
const log = (...entries: readonly LogEntry[]): LogDocument => ({ ...emptyLog('islet'), entries });
const few = { particles: 500 };
function now(of: number, entries: readonly LogEntry[], given: Trip = trip()): WhatNow {
  const found = whatNow(given, log(...entries), shelf, hour(of), few);
  if (!found.ok) throw new Error(found.problems[0].sentence);
  return found.value;
}

describe('what now', () => {
  it('is as the plan says where nothing was written down', () => {
    const found = now(6, []);
    expect(found.soc.p50).toBe(1);
    expect(found.ahead!.chance.chance).toBeCloseTo(assessTrip(trip(), shelf).found!.chance.chance, 1);
    expect(found.entries).toEqual([]);
  });

  it('has more left where less was worked, and less where more was', () => {
    const left = (...entries: readonly LogEntry[]) => now(12, entries).soc.p50;
    const stop: LogEntry = { id: 'a', at: at(8.5), kind: 'work', do: 'stop' };
    const start: LogEntry = { id: 'b', at: at(10), kind: 'work', do: 'start' };
    expect(left(stop)).toBeGreaterThan(left());
    expect(left(start)).toBeLessThan(left());
  });

  it('knows nothing that was written down later, nor what was taken back', () => {
    const stop: LogEntry = { id: 'a', at: at(8.5), kind: 'work', do: 'stop' };
    const back: LogEntry = { id: 'b', at: at(8.6), kind: 'work', do: 'stop', replaces: 'a', void: true };
    expect(now(8.25, [stop]).soc).toEqual(now(8.25, []).soc);
    expect(now(9.5, [stop, back]).soc).toEqual(now(9.5, []).soc);
  });

  it('takes a battery that was swapped in, from the bag or borrowed', () => {
    const two = {
      ...trip(),
      loadout: [
        { gear: 'curlew', count: 1 },
        { gear: 'shale', count: 1 },
      ],
    };
    const other = { ...shelf[1], id: 'shale-other', name: 'Other' };
    const swap: LogEntry = { id: 'a', at: at(9), kind: 'battery', do: 'swapIn', gear: 'shale-other' };
    const found = whatNow(two, log(swap), [...shelf, other], hour(10), few);
    if (!found.ok) throw new Error(found.problems[0].sentence);
    expect(found.value.plan.packs.map(({ gear }) => gear)).toEqual(['shale', 'shale-other']);
    expect(found.value.followed.march.particles.inUse[0]).toBe(1);
  });

  it('ends when it was called off', () => {
    const end: LogEntry = { id: 'a', at: at(13), kind: 'end' };
    expect(now(13.5, [end]).ahead).toBeNull();
    expect(workedTrip(trip(), [end], shelf).blocks.map(({ end: to }) => to)).toEqual([at(10), at(13)]);
  });

  it('weighs some of what an instrument sends by the minute, and says how much', () => {
    const sent = Array.from({ length: 200 }, (_, minute): LogEntry => ({
      ...{
        id: `m${minute}`,
        at: new Date(hour(8) + minute * 60_000).toISOString(),
        kind: 'reading',
        source: 'monitor',
      },
      percent: 80,
    }));
    const told = now(12, sent);
    expect(told.readings.length).toBeLessThan(50);
    expect(sayWeighed(told)).toMatch(/^Of 200 readings \d\d are weighed, spread over the outing/);
    expect(sayWeighed(now(10, sent.slice(0, 5)))).toBe('');
  });

  it('says why nothing can be told', () => {
    const bare = { ...trip(), loadout: [{ gear: 'curlew', count: 1 }] };
    expect(whatNow(bare, log(), shelf, hour(8)).ok).toBeFalse();
  });
});

describe('the panel during an outing', () => {
  const start = Date.parse(gannetRock.start);
  const later = (hours: number) => new Date(start + hours * HOUR_MS).toISOString();
  const planned = (...entries: readonly LogEntry[]): PlanInput => {
    const plan = workedPlan(gannetRock, entries, gannetShelf);
    if (!plan.ok) throw new Error(plan.problems[0].sentence);
    return plan.value;
  };

  it('lies as it was laid out from then on', () => {
    const { aim } = planned(
      { id: 'a', at: later(3), kind: 'panel', aim: { how: 'flat' } },
      { id: 'b', at: later(5), kind: 'panel', aim: { how: 'sun' } },
    ).sun!;
    const before = planned().sun!.aim;
    expect(aim).toEqual({
      how: 'then',
      first: { how: 'then', first: before, fromMs: start + 3 * HOUR_MS, then: { how: 'flat' } },
      fromMs: start + 5 * HOUR_MS,
      then: { how: 'at', timesMs: [start + 5 * HOUR_MS] },
    });
  });

  it('is in shade for an hour, or until it is out of it', () => {
    const { spans } = planned(
      { id: 'a', at: later(1), kind: 'panel', shade: 0.5 },
      { id: 'b', at: later(1.5), kind: 'panel', shade: 0 },
      { id: 'c', at: later(4), kind: 'panel', shade: 1 },
    ).sun!.shade;
    expect(spans.slice(planned().sun!.shade.spans.length)).toEqual([
      { startMs: start + HOUR_MS, endMs: start + 1.5 * HOUR_MS, fraction: 0.5 },
      { startMs: start + 4 * HOUR_MS, endMs: start + 5 * HOUR_MS, fraction: 1 },
    ]);
  });

  it('does worse under a sky that stays as it was noted', () => {
    const sky = (cloud: number): LogEntry => ({ id: 'sky', at: later(24), kind: 'sky', cloud });
    const under = (cloud: number) => {
      const found = whatNow(
        gannetRock,
        { ...emptyLog(gannetRock.id), entries: [sky(cloud)] },
        gannetShelf,
        start + 24 * HOUR_MS,
        few,
      );
      if (!found.ok) throw new Error(found.problems[0].sentence);
      return underNotedSky(found.value)!.chance.p50.at(-1)!;
    };
    expect(under(1)).toBeLessThan(under(0) - 0.05);
    expect(underNotedSky(now(9, []))).toBeNull();
  });

  it('reads its own played log back', () => {
    const plan = planned();
    const { log: played } = play(
      plan,
      [
        {
          kind: 'reading',
          timeMs: start + 6 * HOUR_MS,
          state: 'listening',
          source: 'typed',
          quantities: ['volts', 'outAh'],
        },
      ],
      start + 8 * HOUR_MS,
      1,
    );
    const [{ values }] = played.readings;
    const entry: LogEntry = { id: 'r0', at: later(6), kind: 'reading', state: 'listening', ...values };
    expect(fieldLog([entry], plan)).toEqual(played);
  });
});

describe('entries for the core', () => {
  const packs = [{ gear: 'one' }, { gear: 'two' }, { gear: 'two' }] as unknown as PlanInput['packs'];
  const battery = (id: string, does: 'swapIn' | 'takeOut' | 'charge' | 'full', gear: string): LogEntry => ({
    ...{ id, at: at(8), kind: 'battery', do: does, gear },
  });
  const events = (...entries: LogEntry[]) =>
    fieldLog(entries, { packs }).events.map((event) => event.kind === 'battery' && [event.does, event.pack]);

  it('name the pack that is meant: of several of a kind the one that is not in use', () => {
    expect(
      events(battery('a', 'swapIn', 'two'), battery('b', 'swapIn', 'two'), battery('c', 'swapIn', 'one')),
    ).toEqual([
      ['swapIn', 1],
      ['swapIn', 2],
      ['swapIn', 0],
    ]);
    expect(events(battery('a', 'full', 'one'), battery('b', 'charge', 'two'))).toEqual([
      ['full', 0],
      ['charge', 1],
    ]);
    expect(events(battery('a', 'takeOut', 'one'))).toEqual([['swapIn', 1]]);
    expect(events(battery('a', 'takeOut', 'two'), battery('b', 'swapIn', 'none'))).toEqual([]);
  });

  it('have a state and a source where nobody gave them', () => {
    const { readings } = fieldLog([{ id: 'a', at: at(8), kind: 'reading', volts: 13, amps: 0 }], { packs });
    expect(readings).toEqual([
      { id: 'a', timeMs: hour(8), state: 'unknown', source: 'typed', values: { volts: 13, amps: 0 } },
    ]);
  });
});

describe('a reading that is asked about', () => {
  const { plan } = now(6, []);
  const reading = (change: object) => ({ id: 'now', at: at(9), kind: 'reading' as const, ...change });

  it('is volts that the battery cannot have, with what was perhaps meant', () => {
    expect(oddReading(reading({ volts: 12.9 }), [], plan)).toBeNull();
    expect(oddReading(reading({ volts: 129 }), [], plan)).toEqual({
      quantity: 'volts',
      sentence: 'A battery of 12.8 V does not show 129 V. Is it 12.9 V?',
      meant: 12.9,
    });
    expect(oddReading(reading({ volts: 1290 }), [], plan)!.meant).toBe(12.9);
    expect(oddReading(reading({ volts: 1.31 }), [], plan)!.meant).toBe(13.1);
    expect(oddReading(reading({ volts: 40 }), [], plan)!.meant).toBeUndefined();
  });

  it('is less counted than before, unless it was reset in between', () => {
    const before: LogEntry = { id: 'a', at: at(8), kind: 'reading', outAh: 3.4 };
    const reset: LogEntry = { id: 'b', at: at(8.5), kind: 'reset' };
    expect(oddReading(reading({ outAh: 2.9 }), [before], plan)!.sentence).toBe(
      '3.4 Ah out stood there before, and 2.9 Ah is less. Was the meter reset in between?',
    );
    expect(oddReading(reading({ outAh: 3.4 }), [before], plan)).toBeNull();
    expect(oddReading(reading({ outAh: 2.9 }), [before, reset], plan)).toBeNull();
    expect(oddReading(reading({ inAh: 2.9 }), [before], plan)).toBeNull();
    expect(oddReading(reading({ outAh: 2.9, source: 'monitor' }), [before], plan)).toBeNull();
    expect(oddReading({ ...reading({ outAh: 2.9 }), replaces: 'a' }, [before], plan)).toBeNull();
  });
});
