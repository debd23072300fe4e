import { readFileSync } from 'node:fs';

interface Tolerance {
  readonly absolute: number;
  readonly relative: number;
}

export interface ReferenceFile<Case> {
  readonly about: string;
  readonly tolerance: Readonly<Record<string, Tolerance>>;
  readonly cases: readonly Case[];
}

/** Reads a file of core/reference: figures made by an independent implementation. */
export function readReference<Case>(name: string): ReferenceFile<Case> {
  const url = new URL(`../../reference/${name}.json`, import.meta.url);
  return JSON.parse(readFileSync(url, 'utf8')) as ReferenceFile<Case>;
}

/** Expects a figure to meet the wanted one within a file's tolerance; null only where null is wanted. */
export function expectMet<Case extends object>(
  file: ReferenceFile<Case>,
  wanted: Case,
  figure: keyof Case & string,
  got: number | null,
): void {
  const value = (wanted as Record<string, number | null>)[figure];
  const where = `${figure} of case ${file.cases.indexOf(wanted)}`;
  if (value === null || got === null) {
    expect(got).withContext(where).toBe(value);
    return;
  }
  const { absolute, relative } = file.tolerance[figure];
  const allowed = Math.max(absolute, relative * Math.abs(value));
  expect(Math.abs(got - value))
    .withContext(`${where}: got ${got}, wanted ${value}`)
    .toBeLessThanOrEqual(allowed);
}
