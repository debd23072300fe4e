import { sayQuantity } from '../say/quantity.js';

export const amps = (value: number): string => sayQuantity({ value, unit: 'A' });
export const volts = (value: number): string => sayQuantity({ value, unit: 'V' });
export const percent = (value: number): string => sayQuantity({ value, unit: 'share', digits: 1 });
/** Without digits that say nothing: "7.5 A", "10 A". */
export const rating = (value: number): string => `${Number(value.toFixed(1))} A`;
