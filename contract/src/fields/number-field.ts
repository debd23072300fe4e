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
  /** Stored value times this is what a person reads and types; 100 for a percentage. */
  readonly shown?: number;
}

/** What is wrong with a stored value and what would be right, or null where it is fine. */
export function numberProblem(field: NumberField, value: unknown): string | null {
  const { label, min, max } = field;
  const range = rangeWords(field);
  if (typeof value !== 'number' || !Number.isFinite(value)) return `${label} must be a number ${range}.`;
  const tooLow = field.aboveMin ? value <= min : value < min;
  if (tooLow || value > max) return `${label} must be ${range}; ${say(field, value)} is not.`;
  if (field.whole && !Number.isInteger(value)) return `${label} must be a whole number ${range}.`;
  return null;
}

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
 * Reads what a person typed: a comma or a point for the decimals, the unit after it if they like.
 *
 * @returns the stored value, or the sentence that says what is wrong
 */
export function readNumber(field: NumberField, text: string): { value: number } | { problem: string } {
  const match = /^\s*([+\-−]?(?:\d+[.,]?\d*|[.,]\d+)(?:e[+-]?\d+)?)\s*([^\d\s].*)?$/i.exec(text);
  const unit = match?.[2]?.trim();
  if (!match || (unit && unit.toLowerCase() !== field.unit.toLowerCase())) {
    return { problem: `${field.label} must be a number ${rangeWords(field)}; “${text.trim()}” is not one.` };
  }
  const number = Number(match[1].replace(',', '.').replace('−', '-'));
  const value = number / (field.shown ?? 1);
  const problem = numberProblem(field, value);
  return problem === null ? { value } : { problem };
}
