import type { CableRunFigures } from '@knapsack/core';

/** A current through a run: what it is, the volts lost on it and those left behind it; null where that is not known. */
export interface CableRunFlow {
  readonly what: 'charging' | 'best hour' | 'receive' | 'key down';
  readonly amps: number;
  readonly dropV: number | null;
  readonly leftV: number | null;
}

/** What flows through a run, as every room tells it: the charge where any comes, the loads where any hang behind it. */
export function cableRunFlows(run: CableRunFigures): readonly CableRunFlow[] {
  const { ohm, chargeA, mostChargeA, receiveA, keyDownA, receiveV, keyDownV } = run;
  const flow = (what: CableRunFlow['what'], amps: number, leftV: number | null = null): CableRunFlow => ({
    what,
    amps,
    dropV: ohm === null ? null : amps * ohm,
    leftV,
  });
  const charges = mostChargeA > 0;
  return [
    ...(charges ? [flow('charging', chargeA), flow('best hour', mostChargeA)] : []),
    ...(charges && keyDownA === 0
      ? []
      : [flow('receive', receiveA, receiveV), flow('key down', keyDownA, keyDownV)]),
  ];
}
