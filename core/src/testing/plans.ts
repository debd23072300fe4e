import type { PlanInput, PlannedPack } from '../forecast/plan-input.js';
import type { AccessoryLoad } from '../load/load-series.js';
import type { RadioFigures } from '../load/assumption.js';
import { HOUR_MS, type Span } from '../span.js';
import { NO_WIRING, type PlannedCable } from '../wire/cable-runs.js';

/** Figures of a radio that someone has measured. */
export const measuredRadio = (receiveA: number, ...points: readonly [number, number][]): RadioFigures => ({
  receive: [{ amps: receiveA, source: 'measured' }],
  transmit: points.map(([rfW, amps]) => ({ rfW, amps, source: 'measured' })),
});

/** A steady current over some spans. */
export const steadyLoad = (name: string, amps: number, ...spans: readonly Span[]): AccessoryLoad => {
  const draw = { amps, watts: 0 };
  return { name, pieces: spans.map((span) => ({ ...span, mean: draw, keyDown: draw })) };
};

export const leadOf = (ohm: number): PlannedCable => ({ name: 'lead', ohm });

/** What a test may change about the whiteboard's one pack and its cable besides the plan itself. */
export interface WhiteboardChange extends Partial<PlanInput> {
  readonly pack?: Partial<PlannedPack>;
  readonly cableOhm?: number;
}

/** A plan for the whiteboard, which knows no self-discharge: 10 hours of steady receiving on 1 A from a 20 Ah pack at 25 C. */
export function whiteboardPlan({ pack, cableOhm = 0.02, ...change }: WhiteboardChange = {}): PlanInput {
  const outing = { startMs: 0, endMs: 10 * HOUR_MS };
  return {
    outing,
    stepMs: 5 * 60_000,
    radio: { name: 'Curlew', figures: measuredRadio(1, [10, 3]), dropoutV: 9 },
    assumption: 'expected',
    blocks: [{ ...outing, label: 'listening', powerW: 10, modeFactor: 0.4, keyUpAtReceive: false, share: 0 }],
    accessories: [],
    packs: [
      {
        name: 'Shale 20',
        label: { chemistry: 'lifepo4', cellsInSeries: 4, ratedAh: 20, health: 1, leaksAMonth: 0 },
        startSoc: 1,
        reserveSoc: 0.1,
        ...pack,
      },
    ],
    temperatureC: 25,
    wiring: { ...NO_WIRING, radio: leadOf(cableOhm) },
    assumed: [],
    ...change,
  };
}

const CW_BLOCK = { label: 'CW 10 W', powerW: 10, modeFactor: 0.44, keyUpAtReceive: true, share: 0.5 };
const LAMP = { amps: 0.05, watts: 3 };
const FAN = { amps: 0, watts: 2 };
/** Ten hours with something of each kind: CW and voice at two powers, amps, watts, both, and what is switched off. */
export const workedPlan = (change: WhiteboardChange = {}): PlanInput =>
  whiteboardPlan({
    radio: { name: 'Curlew', figures: measuredRadio(0.3, [10, 2], [5, 1.4]), dropoutV: 9 },
    blocks: [
      { ...CW_BLOCK, startMs: 0, endMs: 4 * HOUR_MS },
      {
        ...CW_BLOCK,
        startMs: 6 * HOUR_MS,
        endMs: 8 * HOUR_MS,
        label: 'SSB 5 W',
        powerW: 5,
        modeFactor: 0.3,
        keyUpAtReceive: false,
        share: 0.25,
      },
    ],
    accessories: [
      steadyLoad('relay', 0.1, { startMs: 0, endMs: 10 * HOUR_MS }),
      { name: 'lamp', pieces: [{ startMs: 2 * HOUR_MS, endMs: 7 * HOUR_MS, mean: LAMP, keyDown: LAMP }] },
      {
        name: 'fan',
        pieces: [
          { startMs: 0, endMs: HOUR_MS, mean: FAN, keyDown: FAN },
          { startMs: 2 * HOUR_MS, endMs: 3 * HOUR_MS, mean: FAN, keyDown: FAN },
        ],
      },
      steadyLoad('switched off', 0, { startMs: 0, endMs: HOUR_MS }),
    ],
    ...change,
  });
