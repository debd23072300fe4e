import { dischargeRate, openCircuitVolts, socAtOpenCircuitVolts, type BatteryPack } from './battery-pack.js';

/** A steady load on one pack: what the whiteboard knows how to run down. */
export interface SteadyRun {
  readonly startSoc: number;
  readonly reserveSoc: number;
  /** Mean current of everything, A, above 0. */
  readonly meanA: number;
  /** Out of the pack while the key is down, A. */
  readonly keyDownPackA: number;
  /** The radio's part of it, through its cable, A. */
  readonly keyDownRadioA: number;
  readonly cableOhm: number;
  readonly radioDropoutV: number;
}

/** Hours to each end point in closed form; null where the pack is empty before. */
export interface SteadyEnds {
  readonly toReserve: number;
  readonly toRadioDropout: number | null;
  readonly toCutoff: number;
  readonly toEnd: number;
}

/** Closed form of the march for a steady load, without self-discharge: the reference that the march must agree with. */
export function steadyRun(pack: BatteryPack, run: SteadyRun): SteadyEnds {
  const rate = dischargeRate(pack, run.meanA);
  const hoursTo = (soc: number) => Math.max(0, run.startSoc - soc) / rate;

  const neededV =
    run.radioDropoutV +
    run.meanA * pack.polarisationOhm +
    run.keyDownPackA * pack.ohmicOhm +
    run.keyDownRadioA * run.cableOhm;
  const toRadioDropout =
    openCircuitVolts(pack, 0) >= neededV ? null : hoursTo(socAtOpenCircuitVolts(pack, neededV));

  const toReserve = hoursTo(run.reserveSoc);
  const toCutoff = hoursTo(
    socAtOpenCircuitVolts(pack, pack.cutoffV + run.meanA * (pack.ohmicOhm + pack.polarisationOhm)),
  );
  return {
    toReserve,
    toRadioDropout,
    toCutoff,
    toEnd: Math.min(toReserve, toRadioDropout ?? Infinity, toCutoff),
  };
}
