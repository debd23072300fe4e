import { habits } from './habits.js';
import { here, unitHere } from './units.js';

/** Units that sums and sentences are told in. */
export type Unit =
  | 'A'
  | 'Ah'
  | 'Ah at socket'
  | 'Wh'
  | 'h'
  | 'duration'
  | 'V'
  | 'ohm'
  | 'W'
  | 'share'
  | 'factor'
  | 'C'
  | 'g'
  | 'm'
  | 'cm'
  | 'm/s';

export interface Quantity {
  readonly value: number;
  readonly unit: Unit;
  /** Digits after the point, where the unit's usual ones do not serve. */
  readonly digits?: number;
}

/** A number with its unit as one writes it on paper, in the habits of the moment: "0.14 A", "35 %", "4 h 20". */
export function sayQuantity({ value, unit, digits }: Quantity): string {
  switch (unit) {
    case 'A':
      return `${fixed(value, Math.abs(value) < 0.1 && value !== 0 ? 3 : Math.abs(value) < 10 ? 2 : 1)} A`;
    case 'Ah':
      return `${fixed(value, Math.abs(value) < 10 ? 2 : 1)} Ah`;
    case 'Ah at socket':
      return `${fixed(value, Math.abs(value) < 10 ? 2 : 1)} Ah at the socket`;
    case 'Wh':
      return `${fixed(value, Math.abs(value) < 10 ? 1 : 0)} Wh`;
    case 'h':
      return `${fixed(value, 2)} h`;
    case 'duration':
      return sayDuration(value);
    case 'V':
      return `${fixed(value, 2)} V`;
    case 'ohm':
      return `${fixed(value * 1000, 1)} mΩ`;
    case 'W':
      return `${fixed(value, Number.isInteger(value) ? 0 : 1)} W`;
    case 'share':
      return `${fixed(value * 100, digits ?? 0)} %`;
    case 'factor':
      return fixed(value, 2);
    case 'C':
      return `${fixed(here(value, '°C'), 0)} ${unitHere('°C')}`;
    case 'g':
      return sayWeight(value);
    case 'm':
      return `${fixed(here(value, 'm'), digits ?? (Math.abs(value) < 10 ? 1 : 0))} ${unitHere('m')}`;
    case 'cm':
      return `${fixed(here(value, 'cm'), digits ?? 0)} ${unitHere('cm')}`;
    case 'm/s':
      return `${fixed(here(value, 'm/s'), digits ?? 0)} ${unitHere('m/s')}`;
  }
}

const OUNCES_IN_POUND = 16;

/** Grams as "2.31 kg", or in US customary units as "5.09 lb" and, below a pound, "7.4 oz". */
function sayWeight(grams: number): string {
  if (habits().units === 'metric') return `${fixed(grams / 1000, 2)} kg`;
  const ounces = here(grams, 'g');
  return Math.abs(ounces) < OUNCES_IN_POUND
    ? `${fixed(ounces, 1)} oz`
    : `${fixed(ounces / OUNCES_IN_POUND, 2)} lb`;
}

/** A sum of money with the currency's sign, where one is chosen: "€120", "NOK 1,200", "120". */
export function sayMoney(value: number, digits = 0): string {
  const { currency } = habits();
  if (currency === '') return fixed(value, digits);
  const money = new Intl.NumberFormat('en', {
    style: 'currency',
    currency,
    currencyDisplay: 'narrowSymbol',
    minimumFractionDigits: digits,
    maximumFractionDigits: digits,
  });
  return money.format(value).replace('-', '−');
}

/** Hours as "50 min", "4 h 20" or "3 d 4 h", to the minute. */
export function sayDuration(hours: number): string {
  if (!Number.isFinite(hours)) return 'without end';
  const minutes = Math.round(Math.abs(hours) * 60);
  const sign = hours < 0 && minutes > 0 ? '−' : '';
  if (minutes < 60) return `${sign}${minutes} min`;
  if (minutes >= 72 * 60) {
    const whole = Math.round(minutes / 60);
    return `${sign}${Math.floor(whole / 24)} d ${whole % 24} h`;
  }
  return `${sign}${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`;
}

/** A number with a real minus sign, and none before a zero. */
export function fixed(value: number, digits: number): string {
  const text = Math.abs(value).toFixed(digits);
  return value < 0 && Number(text) !== 0 ? `−${text}` : text;
}
