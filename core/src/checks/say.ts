import { sayQuantity } from '../say/quantity.js';

export const amps = (value: number): string => sayQuantity({ value, unit: 'A' });
export const volts = (value: number): string => sayQuantity({ value, unit: 'V' });
export const sayShare = (value: number): string => sayQuantity({ value, unit: 'share', digits: 1 });
export const metres = (value: number): string => sayQuantity({ value, unit: 'm', digits: 1 });
/** @param value m; said in centimetres or inches */
export const near = (value: number): string => sayQuantity({ value: value * 100, unit: 'cm' });
export const degrees = (value: number): string => sayQuantity({ value, unit: 'C' });
/** Without digits that say nothing: "7.5 A", "10 A". */
export const sayRated = (value: number): string => `${Number(value.toFixed(1))} A`;

/** The largest current of a run, and what it comes from. */
export interface MostAmps {
  /** The largest that it must be safe for, A. */
  readonly safeForA: number;
  /** Key down as the plan has it, A. */
  readonly plannedA?: number;
  /** A charge, which no key opens or closes. */
  readonly isCharge?: boolean;
}

/** Whether the current as planned is within a limit and only the radio's full power exceeds it. @param limitA A */
export const isOnlyAtFullPower = ({ plannedA, isCharge = false }: MostAmps, limitA: number): boolean =>
  !isCharge && plannedA !== undefined && plannedA > 0 && plannedA <= limitA;

/** Less than this apart, the planned current is not worth a second figure, a share. */
const APART = 0.05;

/** "up to 22 A at full power (12 A as planned)": the power knob goes further than the plan. */
export const sayMost = ({ safeForA, plannedA, isCharge = false }: MostAmps): string =>
  isCharge || plannedA === undefined || plannedA <= 0 || plannedA >= (1 - APART) * safeForA
    ? `up to ${amps(safeForA)}`
    : `up to ${amps(safeForA)} at full power (${amps(plannedA)} as planned)`;
