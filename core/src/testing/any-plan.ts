import fc from 'fast-check';
import { CHEMISTRY_NAMES } from '../battery/chemistry.js';
import type { ControllerKind } from '../panel/controller.js';
import { labelFromWatts, type Technology } from '../panel/panel.js';
import { type PlannedFeed } from '../charge-up/feed.js';
import { HOUR_MS, MINUTE_MS } from '../span.js';
import type { AimPlan } from '../sun/aim.js';
import type { SunPlan } from '../sun/harvest.js';
import { leadOf, measuredRadio } from '../testing/plans.js';
import { NO_WIRING } from '../wire/cable-runs.js';
import type { PlanInput } from '../forecast/plan-input.js';

export const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });

/** Hours in whole steps of five minutes. */
export const twelfths = fc.integer({ min: 1, max: 240 }).map((steps) => steps / 12);

/** Plans of up to two days with up to six blocks, any chemistry, in cold and heat, with or without an offered current and a charger. */
export const anyPlan: fc.Arbitrary<PlanInput> = fc
  .record({
    quarters: fc.array(fc.tuple(fc.integer({ min: 0, max: 16 }), fc.integer({ min: 1, max: 24 })), {
      maxLength: 6,
    }),
    tailQuarters: fc.integer({ min: 1, max: 40 }),
    share: between(0, 1),
    powerW: between(0.5, 100),
    receiveA: between(0.01, 1),
    topA: between(0.1, 20),
    draw: fc.record({ amps: between(0, 2), watts: between(0, 20) }),
    packs: fc.integer({ min: 1, max: 3 }),
    chargeIdle: fc.boolean(),
    socket: fc.option(fc.constant({ volts: 13, efficiency: 0.9, idleW: 2 }), { nil: undefined }),
    chemistry: fc.constantFrom(...CHEMISTRY_NAMES),
    ratedAh: between(1, 100),
    temperatureC: between(-30, 40),
    startSoc: between(0.05, 1),
    reserveSoc: between(0, 0.9),
    cableOhm: between(0, 0.3),
    dropoutV: between(8, 12),
    sunA: fc.option(between(0, 30), { nil: null }),
    feed: fc.option(fc.tuple(between(-2, 20), between(0.1, 10), between(0.1, 30)), { nil: null }),
    panel: fc.option(
      fc.record({
        watts: between(1, 200),
        kind: fc.constantFrom('mppt' as const, 'boost' as const, 'pwm' as const),
        technology: fc.constantFrom('good_mono' as const, 'cheap_mono' as const, 'thin_film' as const),
        cloud: between(0, 1),
        latitudeDeg: between(-89, 89),
        maxA: between(0.5, 20),
        aim: fc.constantFrom<AimPlan>({ how: 'flat' }, { how: 'every', minutes: 60 }, { how: 'hung' }),
      }),
      { nil: null },
    ),
  })
  .map((given) => {
    let atMs = 0;
    const blocks = given.quarters.map(([gap, length]) => {
      const startMs = atMs + gap * 15 * MINUTE_MS;
      atMs = startMs + length * 15 * MINUTE_MS;
      const { share, powerW } = given;
      return { startMs, endMs: atMs, label: 'b', powerW, modeFactor: 0.44, keyUpAtReceive: true, share };
    });
    const outing = { startMs: 0, endMs: atMs + given.tailQuarters * 15 * MINUTE_MS };
    const { sunA, feed } = given;
    return {
      outing,
      stepMs: 5 * MINUTE_MS,
      radio: {
        name: 'r',
        figures: measuredRadio(given.receiveA, [100, given.receiveA + given.topA]),
        dropoutV: given.dropoutV,
      },
      blocks,
      assumption: 'expected' as const,
      accessories: [
        {
          name: 's',
          pieces: [{ ...outing, mean: given.draw, keyDown: given.draw }],
        },
      ],
      packs: Array.from({ length: given.packs }, (_, index) => ({
        name: `p${index}`,
        label: {
          chemistry: given.chemistry,
          cellsInSeries: {
            lifepo4: 4,
            liion: 4,
            agm: 6,
            gel: 6,
            flooded: 6,
            nimh: 10,
            alkaline: 9,
            lithiumaa: 8,
          }[given.chemistry],
          ratedAh: given.ratedAh / (1 + index),
          health: 1,
          ...(given.socket && { socket: given.socket }),
        },
        startSoc: given.startSoc,
        reserveSoc: given.reserveSoc,
      })),
      chargeIdle: given.chargeIdle,
      temperatureC: given.temperatureC,
      wiring: { ...NO_WIRING, radio: leadOf(given.cableOhm), distribution: leadOf(given.cableOhm / 3) },
      assumed: [],
      ...(given.panel && { sun: sunPlan(given.panel, given.temperatureC) }),
      ...(feed && { feeds: [feedOf(...feed)] }),
      ...(sunA !== null && {
        offeredA: (timeMs: number) => sunA * Math.max(0, Math.sin((timeMs / (24 * HOUR_MS)) * 2 * Math.PI)),
      }),
    };
  });

export const feedOf = (fromH: number, hours: number, amps: number): PlannedFeed => ({
  name: 'charger',
  startMs: fromH * HOUR_MS,
  endMs: (fromH + hours) * HOUR_MS,
  amps,
});

function sunPlan(
  panel: {
    readonly watts: number;
    readonly kind: ControllerKind;
    readonly technology: Technology;
    readonly cloud: number;
    readonly latitudeDeg: number;
    readonly maxA: number;
    readonly aim: AimPlan;
  },
  airC: number,
): SunPlan {
  return {
    latitudeDeg: panel.latitudeDeg,
    longitudeDeg: 5,
    heightM: 100,
    turbidity: 3.5,
    albedo: 0.2,
    skyAt: () => ({ cloud: panel.cloud, rain: false, airC, windMS: 2 }),
    aim: panel.aim,
    mount: 'propped',
    shade: { horizon: [], spans: [], sensitivity: 1.5 },
    panel: labelFromWatts(panel.watts, panel.technology),
    truth: 0.9,
    controller: { kind: panel.kind, maxA: panel.maxA, wakeShare: 0.01, panelCableOhm: 0.05 },
  };
}
