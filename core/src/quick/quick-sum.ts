/** What the quick sum asks for. */
export interface QuickSumInput {
  /** Capacity on the label, Ah, above 0. */
  readonly capacityAh: number;
  /** Share of it that is used, above 0 to 1. */
  readonly usable: number;
  readonly receiveA: number;
  /** Mean current while transmitting, A. */
  readonly transmitA: number;
  /** Share of the time on transmit, 0 to 1. */
  readonly share: number;
  /** Drawn all the time besides the radio, A. */
  readonly alwaysA: number;
  /** Mean current from the sun over the hours in question, A. */
  readonly sunA: number;
  /** Hours wished for, above 0; only to compare with. */
  readonly wantedHours?: number;
}

export interface QuickSum {
  readonly meanA: number;
  readonly netA: number;
  readonly usableAh: number;
  /** Hours that the usable charge lasts; null where the sun carries the load. */
  readonly hours: number | null;
  /** Hours beyond (or, negative, short of) the wished ones; null where no wish or no end. */
  readonly spareHours: number | null;
  /** Whether the wished hours are reached; null where none are wished for. */
  readonly reaches: boolean | null;
}

/** A net current this small is rounding: the sun carries the load. A. */
const NOTHING_A = 1e-9;

/**
 * Whiteboard arithmetic on purpose: usable x Ah / net amps. No Peukert, no volts, no cold; a trip
 * knows more. Where the sun gives as much as is drawn, the charge never ends.
 */
export function quickSum(input: QuickSumInput): QuickSum {
  const { capacityAh, usable, receiveA, transmitA, share, alwaysA, sunA, wantedHours } = input;
  const meanA = share * transmitA + (1 - share) * receiveA + alwaysA;
  const netA = meanA - sunA;
  const usableAh = usable * capacityAh;
  const hours = netA > NOTHING_A ? usableAh / netA : null;
  return {
    meanA,
    netA,
    usableAh,
    hours,
    spareHours: hours === null || wantedHours === undefined ? null : hours - wantedHours,
    reaches: wantedHours === undefined ? null : hours === null || hours >= wantedHours,
  };
}
