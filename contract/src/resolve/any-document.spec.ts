import fc from 'fast-check';
import { CHEMISTRY_NAMES, explain, forecast, MODE_NAMES, type Forecast } from '@knapsack/core';
import type { Battery, ControllerGear, Gear, Panel, Radio } from '../documents/gear.js';
import type { AimChoice } from '../documents/sun.js';
import type { Trip } from '../documents/trip.js';
import { FIELDS, type FieldName } from '../fields/fields.js';
import type { NumberField } from '../fields/number-field.js';
import { readGear, readTrip } from '../schemas/read.js';
import { resolve } from './resolve.js';

/** Any number that a field admits, its ends and the almost nothing above 0 among them. */
function any(name: FieldName): fc.Arbitrary<number> {
  const { min, max, aboveMin, whole }: NumberField = FIELDS[name];
  if (whole) return fc.integer({ min, max });
  const least = aboveMin ? Math.max(min, 1e-6) : min;
  return fc.oneof(
    fc.double({ min: least, max, noNaN: true }),
    fc.constantFrom(least, max, (least + max) / 2),
  );
}
const figure = (name: FieldName) => any(name).map((value) => ({ value, source: 'datasheet' as const }));
const maybe = (name: FieldName) => fc.option(figure(name), { nil: undefined });
/** A record without its undefined fields, as JSON has it. */
const bare = <T extends object>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
const common = { schema: 'knapsack.gear', version: 1, name: 'x' } as const;

const radios = fc
  .record({
    receiveA: figure('receiveA'),
    transmit: fc.array(
      fc.record({
        rfW: any('rfW'),
        amps: any('transmitA'),
        source: fc.constantFrom('datasheet', 'measured'),
      }),
      { minLength: 1, maxLength: 4 },
    ),
    dropoutV: figure('dropoutV'),
    fullPowerV: maybe('fullPowerV'),
  })
  .map((radio) => bare({ ...common, id: 'radio', kind: 'radio', ...radio }) as Radio);

const batteries = fc
  .record({
    chemistry: fc.constantFrom(...CHEMISTRY_NAMES),
    cellsInSeries: any('cellsInSeries'),
    ratedAh: figure('ratedAh'),
    measuredAh: maybe('measuredAh'),
    health: maybe('health'),
    resistanceOhm: maybe('resistanceOhm'),
    cutoffV: maybe('cutoffV'),
    continuousA: maybe('dischargeA'),
    peakA: maybe('dischargeA'),
  })
  .map((battery) => bare({ ...common, id: 'battery', kind: 'battery', ...battery }) as Battery);

const panels = fc
  .record({
    technology: fc.constantFrom('good_mono', 'cheap_mono', 'thin_film'),
    watts: figure('panelW'),
    vmpV: maybe('panelV'),
    vocV: maybe('panelV'),
    impA: maybe('panelA'),
    iscA: maybe('panelA'),
    truth: maybe('truth'),
  })
  .map((panel) => bare({ ...common, id: 'panel', kind: 'panel', ...panel }) as Panel);

const controllers = fc
  .record({
    type: fc.constantFrom('mppt', 'boost', 'pwm'),
    maxA: figure('chargeA'),
    selfUseA: maybe('selfUseA'),
    wakeShare: maybe('wakeShare'),
  })
  .map(
    (controller) =>
      bare({ ...common, id: 'controller', kind: 'controller', ...controller }) as ControllerGear,
  );

const aims = fc.oneof(
  fc.constant<AimChoice>({ how: 'flat' }),
  fc.constant<AimChoice>({ how: 'hung' }),
  fc.record({ how: fc.constant('fixed' as const), tiltDeg: any('tiltDeg'), azimuthDeg: any('azimuthDeg') }),
  fc.record({ how: fc.constant('every' as const), minutes: any('aimMinutes') }),
);

const START_MS = Date.UTC(2027, 2, 20);
const iso = (hours: number) => new Date(START_MS + hours * 3_600_000).toISOString();

const trips = fc
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
    counts: fc.array(any('count'), { minLength: 3, maxLength: 3 }),
    mode: fc.constantFrom(...MODE_NAMES),
    powerW: any('rfW'),
    share: any('share'),
  })
  .map(
    ({
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
      counts,
      ...work
    }) =>
      bare({
        schema: 'knapsack.trip',
        version: 1,
        id: 'any',
        name: 'any',
        place: { name: 'x', timeZone: 'UTC', latitudeDeg, longitudeDeg, heightM },
        start: iso(0),
        end: iso(hours),
        temperatureC,
        startSoc,
        floorSoc,
        stepMinutes: 15,
        weather: { air: 'hazy', cloud, windMS },
        panelPlace: { aim, mount: 'flat', ground: 'snow' },
        blocks: [{ id: 'b', start: iso(0), end: iso(hours / 2), activity: 'calling', ...work }],
        loadout: ['battery', 'panel', 'radio', 'controller'].map((gear, index) => ({
          gear,
          count: counts[index] && gear !== 'radio' ? counts[index] : 1,
        })),
      }) as Trip,
  );

function numbersOf({ march, verdict }: Forecast, sums: ReturnType<typeof explain>): number[] {
  const { consumers, sun, ...figures } = verdict;
  return [
    ...[march.soc, march.terminalV, march.radioV, march.loadA, march.offeredA, march.curtailedA].flatMap(
      (series) => [...series],
    ),
    ...Object.values(march.books),
    ...Object.values({ ...figures, ...sun, marginHours: 0 }).filter((value) => typeof value === 'number'),
    ...consumers.map(({ ampereHours }) => ampereHours),
    ...Object.values(sums).flatMap(({ lines }) =>
      lines.map(({ result }) => (result.unit === 'duration' ? 0 : result.value)),
    ),
  ];
}

describe('any document that the schemas admit', () => {
  it('gives finite figures or a sentence', () => {
    let reckoned = 0;
    fc.assert(
      fc.property(
        trips,
        radios,
        batteries,
        panels,
        controllers,
        (trip, radio, battery, panel, controller) => {
          const gear: readonly Gear[] = [radio, battery, panel, controller];
          for (const item of gear.filter(({ kind }) => kind !== 'panel')) {
            const read = readGear(item);
            if (!read.ok) throw new Error(read.problems[0].sentence);
          }
          // A label drawn at random is often no label; what the schema refuses need not be reckoned.
          if (!readGear(panel).ok) return;
          const read = readTrip(trip);
          if (!read.ok) throw new Error(read.problems[0].sentence);
          const plan = resolve(trip, gear);
          if (!plan.ok) {
            expect(plan.problems[0].sentence).toMatch(/\.$/);
            return;
          }
          const run = forecast(plan.value);
          reckoned += 1;
          const odd = numbersOf(run, explain(run)).findIndex((value) => !Number.isFinite(value));
          if (odd !== -1) throw new Error(`figure ${odd} is not finite`);
        },
      ),
      { numRuns: 300 },
    );
    expect(reckoned).toBeGreaterThan(50);
  });
});
