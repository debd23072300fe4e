import { HOUR_MS } from '../span.js';
import { onOwnCells, piecesAh, type OwnCells } from './own-cells.js';

const at = (hour: number) => hour * HOUR_MS;
const use = (from: number, to: number, watts: number) => ({
  ...{ startMs: at(from), endMs: at(to) },
  mean: { amps: 0, watts },
  keyDown: { amps: 0, watts },
});
const span = (from: number, to: number) => ({ startMs: at(from), endMs: at(to) });
/** 22 Wh: at 10 W from the bus, of which 8.8 W arrive, two and a half hours. */
const cells: OwnCells = { wattHours: 22, startSoc: 1, chargeW: 15 };
const told = (of: ReturnType<typeof onOwnCells>) =>
  of.map(({ startMs, endMs, mean }) => [startMs / HOUR_MS, endMs / HOUR_MS, mean.watts]);

describe('a device on its own cells', () => {
  it('takes nothing from the bus while they last, and hangs on it then', () => {
    const run = onOwnCells([use(1, 6, 10)], cells, []);
    expect(told(run)).toEqual([[3.5, 6, 10]]);
    const short = onOwnCells([use(1, 3, 10)], cells, []);
    expect(short).toEqual([]);
    // Five hours of 10 W are 3.85 Ah at 13 V; half of them are saved.
    expect(piecesAh([use(1, 6, 10)])).toBeCloseTo(50 / 13, 9);
    expect(piecesAh(run)).toBeCloseTo(25 / 13, 9);
  });

  it('is charged in its hours until it is full, and takes what it uses from then on', () => {
    // Empty and off, 22 Wh at 13.2 W: an hour and two thirds.
    const idle = onOwnCells([], { ...cells, startSoc: 0 }, [span(0, 4)]);
    expect(told(idle)).toEqual([[0, jasmine.any(Number), 15]]);
    expect(idle[0].endMs / HOUR_MS).toBeCloseTo(22 / 13.2, 6);
    // On at 8.8 W meanwhile: 4.4 W stay, five hours, then 10 W go through.
    const busy = onOwnCells([use(0, 8, 10)], { ...cells, startSoc: 0 }, [span(0, 8)]);
    expect(told(busy)).toEqual([
      [0, 5, 15],
      [5, 8, 10],
    ]);
  });

  it('hangs on the bus where it is empty and its charger gives less than it uses', () => {
    const weak = onOwnCells([use(0, 2, 30)], { ...cells, startSoc: 0 }, [span(0, 2)]);
    expect(told(weak)).toEqual([[0, 2, 30]]);
  });

  it('gives and takes no energy of its own: what it used came out of the cells or the bus', () => {
    for (const startSoc of [0, 0.3, 1])
      for (const chargeW of [3, 12, 40]) {
        const uses = [use(0, 2, 6), use(3, 9, 14)];
        const pieces = onOwnCells(uses, { wattHours: 22, startSoc, chargeW }, [span(1, 4), span(6, 7)]);
        const busWh = piecesAh(pieces) * 13 * 0.88;
        const usedWh = piecesAh(uses) * 13 * 0.88;
        // What is left in the cells lies between nothing and full.
        const leftWh = startSoc * 22 + busWh - usedWh;
        expect(leftWh).withContext(`${startSoc} ${chargeW}`).toBeGreaterThan(-1e-3);
        expect(leftWh)
          .withContext(`${startSoc} ${chargeW}`)
          .toBeLessThan(22 + 1e-3);
      }
  });
});
