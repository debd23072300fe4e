import { converted, here, unitHere } from '@knapsack/core';

/**
 * What a number of a document may be. One table serves the schemas that guard files and the API and
 * the fields of the page, so that both say the same sentence.
 */
export interface NumberField {
  /** Begins the sentence: "The receive current". */
  readonly label: string;
  /** Metric unit that it is read and typed in, "A"; empty for a plain number. Habits may put another in its place. */
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  /** The least value itself is not allowed. */
  readonly aboveMin?: boolean;
  readonly whole?: boolean;
  /** People also have it in thousandths: mA, mAh. Too much of it may be those. */
  readonly milli?: boolean;
  /** A larger value that is typed without its unit is asked about. */
  readonly askAbove?: number;
  /** Stored value times this is the number in that unit; 100 for a percentage. */
  readonly shown?: number;
}

/** What is wrong with a stored value and what would be right, or null where it is fine. */
export function numberProblem(field: NumberField, value: unknown): string | null {
  const { label, min, max } = field;
  const range = rangeWords(field);
  if (typeof value !== 'number' || !Number.isFinite(value)) return `${label} must be a number ${range}.`;
  const tooLow = field.aboveMin ? value <= min : value < min;
  if (tooLow || value > max) {
    const meant = value > max && field.milli ? ` ${milliWords(field, value)}` : '';
    return `${label} must be ${range}; ${sayNumber(field, value)} is not.${meant}`;
  }
  if (field.whole && !Number.isInteger(value)) return `${label} must be a whole number ${range}.`;
  return null;
}

/** "If mAh were meant: 12000 mAh are 12 Ah." */
const milliWords = ({ unit }: NumberField, value: number): string =>
  `If m${unit} were meant: ${value} m${unit} are ${Number((value / 1000).toPrecision(6))} ${unit}.`;

/** "between 0 and 100 A", or "above 0 and at most 1000 Ah". */
function rangeWords(field: NumberField): string {
  const { min, max, aboveMin } = field;
  return aboveMin
    ? `above ${shownNumber(field, min)} and at most ${sayNumber(field, max)}`
    : `between ${shownNumber(field, min)} and ${sayNumber(field, max)}`;
}

/** The unit that stands behind a field in the habits of the moment; empty for a plain number. */
export const unitOf = ({ unit }: NumberField): string => unitHere(unit);

/** A stored value as its field shows it, in the unit of the moment: "0.14", "18". @param digits significant ones, at most */
export const shownNumber = (field: NumberField, value: number, digits = 6): string =>
  String(Number(here(value * (field.shown ?? 1), field.unit).toPrecision(digits)));

/** The same with its unit: "0.14 A", "18 oz". */
export const sayNumber = (field: NumberField, value: number, digits = 6): string =>
  [shownNumber(field, value, digits), unitOf(field)].filter(Boolean).join(' ');

/** What was read of a text: the stored value, or the sentence that says what is wrong or asks what was meant. */
export type ReadNumber =
  | {
      readonly value: number;
      /** What was understood, where the text named another unit than the field's: "18 oz = 510.29 g". */
      readonly understood: string | null;
    }
  | { readonly problem: string };

const NUMBER = String.raw`[+\-−]?(?:\d+[.,]?\d*|[.,]\d+)(?:e[+-]?\d+)?`;
const ONE = new RegExp(String.raw`^(${NUMBER})\s*([^\d\s][^\d]*)?$`, 'i');
/** "4:30", and "4 h 30", "4h30", "1 h 20 min", "2d 4h": hours and minutes, days and hours; "5 ft 3 in", "2 lb 5 oz". */
const CLOCK = /^(\d+):([0-5]\d)(?:\s*h)?$/;
const TWO = new RegExp(String.raw`^(\d+)\s*([^\d\s.,]+)\s*(${NUMBER})\s*([^\d\s].*)?$`, 'i');
/** What follows a unit where it is not said. */
const SMALLER: ReadonlyMap<string, string> = new Map([
  ['d', 'h'],
  ['h', 'min'],
  ['ft', 'in'],
  ['lb', 'oz'],
  ['lbs', 'oz'],
]);

/**
 * Reads what a person typed: a comma or a point for the decimals, and after it any unit of the same kind, such as mAh, oz or
 * mph; hours also as 4:30 or 4h30. A bare number is in the unit of the moment. What is stored keeps seven digits.
 */
export function readNumber(field: NumberField, text: string): ReadNumber {
  const typed = text.trim();
  const own = unitOf(field);
  const number = inUnit(typed, own);
  if (number === null) {
    return { problem: `${field.label} must be a number ${rangeWords(field)}; “${typed}” is not one.` };
  }
  const metric = own === field.unit ? number.value : (converted(number.value, own, field.unit) ?? NaN);
  const value = Number((metric / (field.shown ?? 1)).toPrecision(7));
  const problem = numberProblem(field, value);
  if (problem !== null) return { problem };
  if (!number.named && field.askAbove !== undefined && value > field.askAbove) {
    return {
      problem: `${sayNumber(field, value)} is more than anyone carries. Write ${number.value} m${field.unit} or ${number.value} ${field.unit}, whichever is meant.`,
    };
  }
  return { value, understood: number.other ? `${typed} = ${sayNumber(field, value, 5)}` : null };
}

interface InUnit {
  readonly value: number;
  /** A unit was typed with it, and it is another than the one it was told in. */
  readonly named: boolean;
  readonly other: boolean;
}

/** A text as a number of a unit; null where it is none. */
function inUnit(text: string, own: string): InUnit | null {
  const clock = CLOCK.exec(text);
  if (clock) return summed([clock[1], 'h', clock[2], 'min'], own);
  const [, number, unit] = ONE.exec(text) ?? [];
  if (number !== undefined) {
    const named = unit?.trim() ?? '';
    if (named === '') return { value: toNumber(number), named: false, other: false };
    const value = converted(toNumber(number), named, own);
    const other = named.toLowerCase() !== own.toLowerCase();
    return value === null ? null : { value, named: true, other };
  }
  const two = TWO.exec(text);
  if (!two) return null;
  const [, large, largeUnit, small, smallUnit] = two;
  const next = smallUnit?.trim() ?? SMALLER.get(largeUnit.toLowerCase());
  return next === undefined ? null : summed([large, largeUnit, small, next], own);
}

function summed([a, unitA, b, unitB]: readonly string[], own: string): InUnit | null {
  const [first, second] = [converted(toNumber(a), unitA, own), converted(toNumber(b), unitB, own)];
  return first === null || second === null ? null : { value: first + second, named: true, other: true };
}

const toNumber = (text: string): number => Number(text.replace(',', '.').replace('−', '-'));
