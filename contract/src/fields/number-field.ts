/**
 * What a number of a document may be. One table serves the schemas that guard files and the API and
 * the fields of the page, so that both say the same sentence.
 */
export interface NumberField {
  /** Begins the sentence: "The receive current". */
  readonly label: string;
  /** Unit as it is said, "A"; empty for a plain number. */
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
  /** Stored value times this is what a person reads and types; 100 for a percentage. */
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
    return `${label} must be ${range}; ${say(field, value)} is not.${meant}`;
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
    ? `above ${shown(field, min)} and at most ${say(field, max)}`
    : `between ${shown(field, min)} and ${say(field, max)}`;
}

const shown = ({ shown: factor = 1 }: NumberField, value: number): string =>
  String(Number((value * factor).toPrecision(6)));

const say = (field: NumberField, value: number): string =>
  field.unit ? `${shown(field, value)} ${field.unit}` : shown(field, value);

/**
 * Reads what a person typed: a comma or a point for the decimals, the unit after it if they like, in thousandths too
 * where people have it so.
 *
 * @returns the stored value, or the sentence that says what is wrong or asks what was meant
 */
export function readNumber(field: NumberField, text: string): { value: number } | { problem: string } {
  const match = /^\s*([+\-−]?(?:\d+[.,]?\d*|[.,]\d+)(?:e[+-]?\d+)?)\s*([^\d\s].*)?$/i.exec(text);
  const unit = match?.[2]?.trim().toLowerCase();
  const own = field.unit.toLowerCase();
  const inMilli = field.milli === true && unit === `m${own}`;
  if (!match || (unit && unit !== own && !inMilli)) {
    return { problem: `${field.label} must be a number ${rangeWords(field)}; “${text.trim()}” is not one.` };
  }
  const number = Number(match[1].replace(',', '.').replace('−', '-'));
  const value = (inMilli ? number / 1000 : number) / (field.shown ?? 1);
  const problem = numberProblem(field, value);
  if (problem !== null) return { problem };
  if (!unit && field.askAbove !== undefined && value > field.askAbove) {
    return {
      problem: `${say(field, value)} is more than anyone carries. Write ${number} m${field.unit} or ${number} ${field.unit}, whichever is meant.`,
    };
  }
  return { value };
}
