import fc from 'fast-check';
import { MODE_NAMES, READING_SOURCES, READING_STATES } from '@knapsack/core';
import { emptyLog, type LogDocument, type LogEntry } from '../documents/log.js';
import { any, bare, iso } from './any-field.js';

const maybe = (name: Parameters<typeof any>[0]) => fc.option(any(name), { nil: undefined });

const kinds: readonly fc.Arbitrary<object>[] = [
  fc
    .record({
      kind: fc.constant('reading'),
      state: fc.option(fc.constantFrom(...READING_STATES), { nil: undefined }),
      volts: any('readVolts'),
      radioVolts: maybe('readVolts'),
      amps: maybe('readAmps'),
      panelAmps: maybe('panelAmps'),
      panelWatts: maybe('panelWatts'),
      outAh: maybe('countedAh'),
      inAh: maybe('countedAh'),
      percent: maybe('readPercent'),
      counts: fc.option(fc.boolean(), { nil: undefined }),
    })
    .map(bare),
  fc.constant({ kind: 'reset' }),
  fc.record({ kind: fc.constant('sky'), cloud: any('cloud'), rain: fc.boolean(), fog: fc.boolean() }),
  fc
    .record({
      kind: fc.constant('work'),
      do: fc.constantFrom('start', 'stop', 'change'),
      mode: fc.option(fc.constantFrom(...MODE_NAMES), { nil: undefined }),
      powerW: maybe('rfW'),
      share: maybe('share'),
    })
    .map(bare),
  fc.record({
    kind: fc.constant('battery'),
    do: fc.constantFrom('swapIn', 'takeOut', 'charge', 'full'),
    gear: fc.constantFrom('battery', 'station', 'none'),
  }),
  fc
    .record({
      kind: fc.constant('panel'),
      aim: fc.constantFrom({ how: 'flat' }, { how: 'sun' }, { how: 'fixed', tiltDeg: 40, azimuthDeg: 200 }),
      shade: maybe('shadeNow'),
    })
    .map(bare),
  fc.record({
    kind: fc.constant('contacts'),
    until: fc.integer({ min: 13, max: 20 }).map(iso),
    count: fc.integer({ min: 1, max: 500 }),
    mode: fc.constantFrom(...MODE_NAMES, 'ODD'),
  }),
  fc.constant({ kind: 'note', note: 'wind' }),
  fc.constant({ kind: 'end' }),
];

/** Logs of a trip that any-trip.ts draws: entries of each kind, at any hour of it and around it. */
export const logs = (trip: string): fc.Arbitrary<LogDocument> =>
  fc
    .array(
      fc.record({
        what: fc.oneof(...kinds),
        hour: fc.integer({ min: -1, max: 13 }),
        source: fc.option(fc.constantFrom(...READING_SOURCES), { nil: undefined }),
      }),
      { maxLength: 8 },
    )
    .map((all) => ({
      ...emptyLog(trip),
      entries: all.map(
        ({ what, hour, source }, index) =>
          ({ ...bare({ id: `e${index}`, at: iso(hour), source }), ...what }) as LogEntry,
      ),
    }));
