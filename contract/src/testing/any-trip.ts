import fc from 'fast-check';
import { CONNECTOR_ENDS, MODE_NAMES, ASSUMPTION_NAMES, CABLE_RUN_NAMES } from '@knapsack/core';
import type { AimChoice } from '../documents/sun.js';
import type { Trip } from '../documents/trip.js';
import { any, bare, iso } from './any-field.js';

const aims = fc.oneof(
  fc.constant<AimChoice>({ how: 'flat' }),
  fc.constant<AimChoice>({ how: 'hung' }),
  fc.record({ how: fc.constant('fixed' as const), tiltDeg: any('tiltDeg'), azimuthDeg: any('azimuthDeg') }),
  fc.record({ how: fc.constant('every' as const), minutes: any('aimMinutes') }),
  fc.constant<AimChoice>({ how: 'at', times: [iso(2), iso(5)] }),
);

const maybeAny = (name: Parameters<typeof any>[0]) => fc.option(any(name), { nil: undefined });
const CONNECTOR = fc.constantFrom(...CONNECTOR_ENDS);
/** What is said of a run of the kit below, and a part put in before it. */
const harness = fc
  .record({
    runs: fc.uniqueArray(
      fc
        .record({
          to: fc.constantFrom('radio', 'panel', 'controller', 'accessory', 'amplifier', 'battery', 'split'),
          lengthM: maybeAny('lengthM'),
          awg: fc.option(fc.constantFrom(20, 14, 8), { nil: undefined }),
          contactPairs: maybeAny('contactPairs'),
          near: fc.option(CONNECTOR, { nil: undefined }),
          far: fc.option(CONNECTOR, { nil: undefined }),
          fuseA: fc.option(fc.constantFrom(0, 1, 7.5, 40), { nil: undefined }),
          fuseAtM: maybeAny('fuseAtM'),
          bundled: fc.option(fc.boolean(), { nil: undefined }),
          clad: fc.option(fc.boolean(), { nil: undefined }),
          from: fc.option(fc.constantFrom('battery', 'controller', 'split'), { nil: undefined }),
        })
        .map(bare),
      { maxLength: 4, selector: ({ to }) => to },
    ),
    parts: fc.option(
      fc
        .record({
          kind: fc.constantFrom(
            'splitter' as const,
            'disconnect' as const,
            'converter' as const,
            'inverter' as const,
          ),
          outV: maybeAny('outV'),
          efficiency: maybeAny('efficiency'),
          maxA: maybeAny('fuseA'),
          disconnectV: maybeAny('disconnectV'),
        })
        .map((part) => [bare({ id: 'split', from: 'battery', ...part })]),
      { nil: [] },
    ),
    changeover: fc.option(fc.constant({}), { nil: undefined }),
  })
  .map(bare);

/** Trips with what any-gear.ts draws in the bag. */
export const trips = fc
  .record({
    hours: fc.integer({ min: 1, max: 60 }),
    latitudeDeg: any('latitudeDeg'),
    longitudeDeg: any('longitudeDeg'),
    heightM: any('heightM'),
    temperatureC: any('temperatureC'),
    startSoc: any('startSoc'),
    floorSoc: fc.option(any('floorSoc'), { nil: undefined }),
    cloud: any('cloud'),
    windMS: any('windMS'),
    aim: aims,
    skyline: fc.array(any('elevationDeg'), { maxLength: 4 }),
    shaded: any('fraction'),
    hourly: fc.array(
      fc.record({ cloud: any('cloud'), rain: fc.boolean(), temperatureC: any('temperatureC') }),
      {
        maxLength: 5,
      },
    ),
    own: fc.record(
      {
        rating: fc.constantFrom(...ASSUMPTION_NAMES),
        sheetsAsStated: fc.boolean(),
        batteryUse: fc.constantFrom('parallel' as const, 'turns' as const),
        chargeIdle: fc.boolean(),
        unattended: fc.boolean(),
        restart: fc.boolean(),
        targetAvailability: any('targetAvailability'),
        radioOn: fc.constantFrom('battery' as const, 'terminals' as const),
        storedDays: any('storedDays'),
        ownSoc: any('ownSoc'),
        budget: any('price'),
        oneSpeaks: fc.boolean(),
        knows: fc.constant('the keeper'),
      },
      { requiredKeys: [] },
    ),
    run: fc.constantFrom(...CABLE_RUN_NAMES),
    harness: fc.option(harness, { nil: undefined }),
    bag: fc.record({ operators: any('operators'), limitG: any('carryLimitG'), litres: any('packedL') }),
    inSeries: fc.constantFrom(1, 2),
    cabling: fc.option(
      fc.record({
        how: fc.constantFrom('each' as const, 'chain' as const),
        lengthM: any('lengthM'),
        areaMm2: any('areaMm2'),
      }),
      { nil: undefined },
    ),
    stand: fc.option(
      fc.tuple(any('tiltDeg'), any('tiltDeg')).map(([a, b]) => ({
        leastDeg: Math.min(a, b),
        mostDeg: Math.max(a, b),
      })),
      { nil: undefined },
    ),
    ownCells: fc.option(
      fc.oneof(
        fc.record({ feed: fc.constantFrom('alone' as const, 'sun' as const), soc: any('ownSoc') }),
        fc.constant({ feed: 'hours' as const, hours: [{ start: iso(0.5), end: iso(2) }] }),
      ),
      { nil: undefined },
    ),
    charging: fc.option(
      fc.record(
        {
          hours: fc.constantFrom([{ start: iso(0.2), end: iso(1.1) }], [{ start: iso(4), end: iso(70) }]),
          generator: fc.constantFrom('generator', 'nobody'),
        },
        { requiredKeys: ['hours'] },
      ),
      { nil: undefined },
    ),
    withStation: fc.boolean(),
    counts: fc.array(fc.integer({ min: 1, max: 25 }), { minLength: 3, maxLength: 3 }),
    mode: fc.constantFrom(...MODE_NAMES),
    powerW: any('rfW'),
    share: any('share'),
    again: fc.record(
      {
        repeat: fc.constantFrom('day' as const, 'hour' as const),
        rating: fc.constantFrom('cautious' as const, 'expected' as const, 'measured' as const),
      },
      { requiredKeys: [] },
    ),
    second: fc.option(any('share'), { nil: null }),
  })
  .map(
    ({
      again,
      second,
      hours,
      latitudeDeg,
      longitudeDeg,
      heightM,
      temperatureC,
      startSoc,
      floorSoc,
      cloud,
      windMS,
      aim,
      skyline,
      shaded,
      hourly,
      own,
      run,
      harness: wired,
      bag: { operators, ...bag },
      inSeries,
      cabling,
      stand,
      ownCells,
      charging,
      withStation,
      counts,
      ...work
    }) =>
      bare({
        schema: 'knapsack.trip',
        version: 9,
        id: 'any',
        name: 'any',
        place: { name: 'x', timeZone: 'UTC', latitudeDeg, longitudeDeg, heightM },
        start: iso(0),
        end: iso(hours),
        temperatureC,
        startSoc,
        floorSoc,
        stepMinutes: 15,
        weather: {
          air: 'hazy',
          cloud,
          windMS,
          hours: hourly.map((hour, index) => ({ start: iso(index * 2), ...hour })),
        },
        panelPlace: {
          aim,
          mount: 'flat',
          ground: 'snow',
          ...(stand && { stand }),
          shade: [{ start: iso(3), end: iso(5.2), fraction: shaded }],
          horizon: skyline.map((elevationDeg, index) => ({ azimuthDeg: index * 90, elevationDeg })),
        },
        ...own,
        harness: wired,
        packing: { operators, bags: [{ id: 'bag', name: 'bag', ...bag }] },
        blocks: [
          {
            id: 'b',
            start: iso(0),
            end: iso(Math.min(hours / 2, 1)),
            activity: 'calling',
            ...work,
            ...again,
          },
          ...(second === null
            ? []
            : [
                {
                  id: 'c',
                  start: iso(0),
                  end: iso(hours),
                  activity: 'relay',
                  ...work,
                  share: second,
                  station: 2,
                },
              ]),
        ],
        loadout: [
          {
            gear: withStation ? 'station' : 'battery',
            count: own.batteryUse === 'turns' ? (counts[0] % 4) + 1 : 1,
          },
          { gear: 'panel', count: 2 * counts[1], inSeries, ...(cabling && { cabling }) },
          { gear: 'radio', count: second === null ? 1 : 2, bag: 'bag' },
          ...(withStation ? [] : [{ gear: 'controller', count: 1 }]),
          { gear: 'accessory', count: counts[2], ...(ownCells && { ownCells }) },
          ...(charging
            ? [
                { gear: 'charger', count: 1, charging },
                { gear: 'generator', count: 1 },
              ]
            : []),
          { gear: 'amplifier', count: 1 },
          { gear: 'lead', count: 1, run },
        ],
      }) as Trip,
  );
