import { HOUR_MS } from '../span.js';
import { hoursAlone, internalCharge, type InternalBattery } from './internal-battery.js';

const span = (from: number, to: number) => ({ startMs: from * HOUR_MS, endMs: to * HOUR_MS });
const half: InternalBattery = { wattHours: 17.6, startSoc: 0.5, chargeW: 5, chargesWhileOperating: true };
const told = (internal: InternalBattery, blocks = [span(1, 4)]) =>
  internalCharge(internal, span(0, 10), blocks).map(({ startMs, endMs }) => [
    startMs / HOUR_MS,
    endMs / HOUR_MS,
  ]);

describe('a radio’s own battery', () => {
  it('is charged from the start until what was missing is in: 8.8 Wh at 5 W x 0.88 are two hours', () => {
    expect(told(half)).toEqual([[0, 2]]);
    expect(told({ ...half, startSoc: 1 })).toEqual([]);
    expect(told({ ...half, chargeW: 0 })).toEqual([]);
  });

  it('waits for the radio to be off where it must', () => {
    expect(told({ ...half, chargesWhileOperating: false })).toEqual([
      [0, 1],
      [4, 5],
    ]);
    expect(told({ ...half, chargesWhileOperating: false }, [span(0, 10)])).toEqual([]);
  });

  it('carries the radio alone for its watt hours', () => {
    expect(hoursAlone(half, 0.4, 11)).toBeCloseTo(4, 12);
  });
});
