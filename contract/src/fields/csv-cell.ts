/** Characters with which a spreadsheet takes a cell for a formula. Source: OWASP, CSV injection. */
const BEGINS_FORMULA = /^[=+\-@\t\r]/;
const IS_NUMBER = /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i;
const isFormula = (text: string): boolean => BEGINS_FORMULA.test(text) && !IS_NUMBER.test(text);

/** A cell that no spreadsheet takes for a formula: an apostrophe goes before it. Numbers stay numbers. */
export const defused = (text: string): string => (isFormula(text.replace(/^'+/, '')) ? `'${text}` : text);

/** A cell as it was before {@link defused}. */
export const undefused = (text: string): string =>
  text.startsWith("'") && isFormula(text.replace(/^'+/, '')) ? text.slice(1) : text;
