import { batteryPackAt, type PackLabel } from '../battery/battery-pack.js';
import type { Socket } from '../battery/socket.js';
import { loadSeries } from '../load/load-series.js';
import { HOUR_MS, MINUTE_MS } from '../span.js';
import { steadyLoad } from '../testing/plans.js';
import type { MarchInput } from './march-data.js';
import { march } from './march.js';
import { timeGrid } from '../time-grid.js';

const hours = (from: number, to: number) => ({ startMs: from * HOUR_MS, endMs: to * HOUR_MS });
const lithium = (ratedAh: number, socket?: Socket): PackLabel => ({
  chemistry: 'lifepo4',
  cellsInSeries: 4,
  ratedAh,
  health: 1,
  // The arithmetic beside each figure knows no self-discharge.
  leaksAMonth: 0,
  ...(socket && { socket }),
});
const full = (label: PackLabel, reserveSoc = 0.1) => ({
  pack: batteryPackAt(label, 25),
  startSoc: 1,
  reserveSoc,
});

/** A march of some hours with nothing but a steady draw of amps and watts. */
function steady(
  length: number,
  draw: { readonly amps?: number; readonly watts?: number },
  change: Partial<MarchInput>,
): MarchInput {
  const outing = hours(0, length);
  const mean = { amps: draw.amps ?? 0, watts: draw.watts ?? 0 };
  const load = loadSeries(
    {
      radioName: 'r',
      radio: { receiveA: 0, points: [{ rfW: 1, amps: 1 }] },
      blocks: [],
      accessories: [{ name: 's', pieces: [{ ...outing, mean, keyDown: mean }] }],
    },
    timeGrid(outing, 5 * MINUTE_MS, []),
  );
  return { bank: [full(lithium(10))], load, radioDropoutV: 0, cableOhm: 0, ...change };
}

describe('packs in turn', () => {
  const two = [full(lithium(10)), full(lithium(5))];

  it('hand over at the reserve inside a step, and end at the reserve of the last', () => {
    // 9 Ah above the reserve of the first at 1 A: 9 h; then 4.5 Ah: 13.5 h
    const run = march(steady(20, { amps: 1 }, { bank: two }));
    expect(run.swaps.length).toBe(1);
    expect(run.swaps[0].to).toBe(1);
    expect(run.swaps[0].timeMs / HOUR_MS).toBeCloseTo(9, 9);
    expect(run.ends.reserveMs! / HOUR_MS).toBeCloseTo(13.5, 6);
    // the march goes on in the last one until it is empty, and never back into the first
    expect(run.ends.cutoffMs! / HOUR_MS).toBeGreaterThan(13.9);
    expect(run.endSoc[0]).toBeCloseTo(0.1, 9);
    // half way through the first: 5 Ah of 15 are gone
    expect(run.soc[5 * 12]).toBeCloseTo(10 / 15, 9);
    expect(run.socInUse[5 * 12]).toBeCloseTo(0.5, 9);
  });

  it('take the fullest of the others, whatever their order', () => {
    const bank = [full(lithium(2)), { ...full(lithium(2)), startSoc: 0.5 }, full(lithium(2))];
    const run = march(steady(10, { amps: 1 }, { bank }));
    expect(run.swaps.map(({ to }) => to)).toEqual([2, 1]);
  });

  it('may charge the idle one, which then takes over again', () => {
    const bank = [full(lithium(4)), { ...full(lithium(4)), startSoc: 0.1 }];
    const source = { offeredAt: () => 0.5, chargeIdle: true };
    // Each lasts 7.2 h at 0.5 A, in which the other takes 3.6 Ah.
    const run = march(steady(40, { amps: 0.5 }, { bank, ...source }));
    expect(run.swaps.map(({ to }) => to)).toEqual([1, 0, 1, 0, 1]);
    expect(run.ends.reserveMs).toBeNull();
    expect(run.books.servedAh).toBe(0);
    const dark = march(steady(40, { amps: 0.5 }, { bank }));
    expect(dark.ends.reserveMs! / HOUR_MS).toBeCloseTo(7.2, 6);
  });

  it('hand over where the radio would drop out, not only at the reserve', () => {
    const outing = hours(0, 20);
    const load = loadSeries(
      {
        radioName: 'r',
        radio: { receiveA: 0.5, points: [{ rfW: 10, amps: 2 }] },
        blocks: [{ ...outing, powerW: 10, modeFactor: 1, keyUpAtReceive: true, share: 0.5 }],
        accessories: [],
      },
      timeGrid(outing, 5 * MINUTE_MS, []),
    );
    const run = march({ bank: two, load, radioDropoutV: 12.5, cableOhm: 0.25, sharedOhm: 0.01 });
    // mean 1.25 A x 0.02 ohm and 2 A x (0.025 + 0.01 + 0.25) ohm under 13.095 V: on the line from 13.06 V at 50 % to 13.12 V at 60 %
    const soc = 0.5 + (0.035 / 0.06) * 0.1;
    expect(run.swaps[0].timeMs / HOUR_MS).toBeCloseTo(((1 - soc) * 10) / 1.25, 4);
    expect(run.ends.radioDropoutMs).not.toBeNull();
  });
});

describe('a charger and the sun beside a load that takes more', () => {
  it('give all that they have, the charger first, and the battery the rest', () => {
    const fedA = new Float64Array(4 * 12).fill(0.3);
    const { books, endSoc } = march(
      steady(4, { amps: 1 }, { bank: [full(lithium(10))], offeredAt: () => 0.2, fedA }),
    );
    // 4 Ah: 1.2 of the charger, 0.8 of the sun, 2 of the battery
    expect(books.loadsAh).toBeCloseTo(4, 9);
    expect(books.servedAh).toBeCloseTo(2, 9);
    expect([books.fedAh, books.offeredAh, books.curtailedAh].map((one) => one.toFixed(9))).toEqual([
      '1.200000000',
      '0.800000000',
      '0.000000000',
    ]);
    expect(endSoc[0]).toBeCloseTo(1 - 2 / 10, 9);
  });
});

describe('a pack that waits on a charger of its own', () => {
  it('is charged also where it is the first, after the other took over', () => {
    const bank = [{ ...full(lithium(10)), startSoc: 0.2 }, full(lithium(10))];
    const run = march(steady(11, { amps: 1 }, { bank, offeredAt: () => 0.5, chargeIdle: true }));
    // While the other is full the sun helps the load: 1 Ah at 0.5 A, 2 h. Then the first waits for the 9 h that the other takes
    // to its reserve, and stores 0.5 A x 0.99 of them: 4.455 Ah.
    expect(run.swaps.map(({ to, timeMs }) => [to, Math.round(timeMs / HOUR_MS)])).toEqual([[1, 2]]);
    expect(run.endSoc[0]).toBeCloseTo(0.1 + 0.4455, 6);
    expect(run.endSoc[1]).toBeCloseTo(0.1, 6);
  });
});

describe('loads of constant power', () => {
  it('take more amps as the volts fall', () => {
    const run = march(steady(8, { watts: 12 }, {}));
    const [early, late] = [run.wantedA[0], run.wantedA[run.wantedA.length - 1]];
    expect(early).toBeCloseTo(12 / run.cellsV[0], 12);
    expect(late).toBeGreaterThan(early);
    // The volts that each step was calculated at are those of its middle, near enough.
    for (let step = 1; step < run.cellsV.length; step++) {
      const middle = (run.terminalV[step - 1] + run.terminalV[step]) / 2;
      expect(Math.abs(run.cellsV[step] - middle)).toBeLessThan(0.02);
    }
  });

  it('that a pack cannot give open its cut-off instead of asking for endless amps', () => {
    const run = march(steady(1, { watts: 50_000 }, {}));
    expect(run.ends.cutoffMs).toBe(0);
    expect(run.wantedA.every(Number.isFinite)).toBeTrue();
  });
});

describe('a boxed power station', () => {
  const socket: Socket = { volts: 13, efficiency: 0.9, idleW: 2 };

  it('gives its cells’ power through its converter and draws for itself', () => {
    const run = march(steady(4, { amps: 1 }, { bank: [full(lithium(20, socket))] }));
    // (1 A x 13 V / 0.9 + 2 W) at some 13.2 V
    expect(run.wantedA[0] * run.cellsV[0]).toBeCloseTo(13 / 0.9 + 2, 9);
    const alone = march(steady(4, { amps: 0 }, { bank: [full(lithium(20, socket))] }));
    expect(alone.wantedA[0] * alone.cellsV[0]).toBeCloseTo(2, 9);
  });

  it('holds the radio’s volts until the cells give up', () => {
    const outing = hours(0, 12);
    const load = loadSeries(
      {
        radioName: 'r',
        radio: { receiveA: 1, points: [{ rfW: 10, amps: 4 }] },
        blocks: [{ ...outing, powerW: 10, modeFactor: 1, keyUpAtReceive: true, share: 0.2 }],
        accessories: [steadyLoad('s', 0, outing)],
      },
      timeGrid(outing, 5 * MINUTE_MS, []),
    );
    const input = { bank: [full(lithium(20, socket))], load, cableOhm: 0.1 };
    const run = march({ ...input, radioDropoutV: 12.5 });
    expect(run.radioV[0]).toBeCloseTo(13 - 4 * 0.1, 12);
    expect(run.radioV[30]).toBe(run.radioV[0]);
    expect(run.ends.radioDropoutMs).toBeNull();
    // a radio that needs more than the socket leaves it never works
    expect(march({ ...input, radioDropoutV: 12.7 }).ends.radioDropoutMs).toBe(0);
  });
});
