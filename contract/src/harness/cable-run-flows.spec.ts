import type { CableRunFigures } from '@knapsack/core';
import { cableRunFlows } from './cable-run-flows.js';

const run = (change: Partial<CableRunFigures>): CableRunFigures => ({
  receiveA: 0,
  keyDownA: 0,
  chargeA: 0,
  mostChargeA: 0,
  safeForA: 0,
  ohm: 0.1,
  receiveDropV: 0,
  keyDownDropV: 0,
  mostDropV: 0,
  dropShare: 0,
  most: 0.02,
  receiveV: 12.8,
  keyDownV: 12.4,
  ampacityA: null,
  connectorA: null,
  guardA: null,
  faultA: null,
  wantsA: null,
  ...change,
});
const told = (change: Partial<CableRunFigures>) =>
  cableRunFlows(run(change)).map(
    ({ what, amps, dropV, leftV }) => `${what}: ${amps} A, loses ${dropV}, leaves ${leftV}`,
  );

describe('what flows in a run', () => {
  it('is what its loads draw, what comes of the sun, or both where it carries both', () => {
    const loads = ['receive: 0.5 A, loses 0.05, leaves 12.8', 'key down: 4 A, loses 0.4, leaves 12.4'];
    const charge = ['charging: 1 A, loses 0.1, leaves null', 'best hour: 2 A, loses 0.2, leaves null'];
    expect(told({ receiveA: 0.5, keyDownA: 4 })).toEqual(loads);
    expect(told({ chargeA: 1, mostChargeA: 2 })).toEqual(charge);
    expect(told({ receiveA: 0.5, keyDownA: 4, chargeA: 1, mostChargeA: 2 })).toEqual([...charge, ...loads]);
  });

  it('loses no volts that anyone knows where its resistance is not entered', () => {
    const [receive] = told({ receiveA: 0.5, keyDownA: 4, ohm: null, receiveV: null, keyDownV: null });
    expect(receive).toBe('receive: 0.5 A, loses null, leaves null');
  });
});
