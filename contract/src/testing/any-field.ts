import fc from 'fast-check';
import { FIELDS, type FieldName } from '../fields/fields.js';
import type { NumberField } from '../fields/number-field.js';

/** Any number that a field admits, its ends and the almost nothing above 0 among them. */
export function any(name: FieldName): fc.Arbitrary<number> {
  const { min, max, aboveMin, whole }: NumberField = FIELDS[name];
  if (whole) return fc.integer({ min, max });
  const least = aboveMin ? Math.max(min, 1e-6) : min;
  return fc.oneof(
    fc.double({ min: least, max, noNaN: true }),
    fc.constantFrom(least, max, (least + max) / 2),
  );
}
export const figure = (name: FieldName) =>
  any(name).map((value) => ({ value, source: 'datasheet' as const }));
export const maybe = (name: FieldName) => fc.option(figure(name), { nil: undefined });
/** A record without its undefined fields, as JSON has it. */
export const bare = <T extends object>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
const START_MS = Date.UTC(2027, 2, 20);
export const iso = (hours: number) => new Date(START_MS + hours * 3_600_000).toISOString();
