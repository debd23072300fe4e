import { dischargeRate, openCircuitVolts, socAtOpenCircuitVolts, type Pack } from './pack.js';

/** A steady load on one pack: what the whiteboard knows how to run down. */
export interface SteadyRun {
  readonly startSoc: number;
  readonly floorSoc: number;
  /** Mean current of everything, A, above 0. */
  readonly meanA: number;
  /** Out of the pack while the key is down, A. */
  readonly keyDownPackA: number;
  /** The radio's part of it, through its lead, A. */
  readonly keyDownRadioA: number;
  readonly leadOhm: number;
  readonly radioDropoutV: number;
}

/** Hours to each end point in closed form; null where the pack is empty before. */
export interface SteadyEnds {
  readonly toFloor: number;
  readonly toRadioDropout: number | null;
  readonly toCutoff: number;
  readonly toEnd: number;
}

/** Closed form of the march for a steady load, without self-discharge: the reference that the march must agree with. */
export function steadyRun(pack: Pack, run: SteadyRun): SteadyEnds {
  const rate = dischargeRate(pack, run.meanA);
  const hoursTo = (soc: number) => Math.max(0, run.startSoc - soc) / rate;

  const neededV =
    run.radioDropoutV +
    run.meanA * pack.polarisationOhm +
    run.keyDownPackA * pack.ohmicOhm +
    run.keyDownRadioA * run.leadOhm;
  const toRadioDropout =
    openCircuitVolts(pack, 0) >= neededV ? null : hoursTo(socAtOpenCircuitVolts(pack, neededV));

  const toFloor = hoursTo(run.floorSoc);
  const toCutoff = hoursTo(
    socAtOpenCircuitVolts(pack, pack.cutoffV + run.meanA * (pack.ohmicOhm + pack.polarisationOhm)),
  );
  return {
    toFloor,
    toRadioDropout,
    toCutoff,
    toEnd: Math.min(toFloor, toRadioDropout ?? Infinity, toCutoff),
  };
}
