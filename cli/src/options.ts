import { FIELDS, readNumber, type FieldName } from '@knapsack/contract';
import { InputProblem } from './terminal.js';

/** Reads an option's number by the table of fields; unlike in the page, shares are 0 to 1 here. */
export const numberOption =
  (name: FieldName, flag: string) =>
  (text: string): number => {
    const read = readNumber(
      { ...FIELDS[name], shown: 1, unit: FIELDS[name].unit === '%' ? '' : FIELDS[name].unit },
      text,
    );
    if ('problem' in read) throw new InputProblem(`${flag}: ${read.problem}`);
    return read.value;
  };

/** Reads an option's whole number within bounds. */
export const wholeOption =
  (flag: string, least: number, most: number) =>
  (text: string): number => {
    const value = Number(text);
    if (!/^\d+$/.test(text) || value < least || value > most)
      throw new InputProblem(`${flag} is a whole number from ${least} to ${most}; “${text}” is not.`);
    return value;
  };
