import Joi from 'joi';
import { SOURCES } from '@knapsack/core';
import { MOST_ENTRIES } from '../documents/figure.js';
import { FIELDS, type FieldName } from '../fields/fields.js';
import { numberProblem } from '../fields/number-field.js';

/** Sentences for what Joi finds by itself; {#label} is a field's words or its name. */
const MESSAGES = {
  'any.required': '{#label} is missing.',
  'any.only': '{#label} must be one of {#valids}.',
  'object.base': '{#label} must be an object.',
  'object.unknown': 'There is no field {#label} here.',
  'array.base': '{#label} must be a list.',
  'array.min': '{#label} needs at least {#limit}.',
  'array.max': '{#label} may hold {#limit} at the most.',
  'number.base': '{#label} must be a number.',
  'number.min': '{#label} must be at least {#limit}.',
  'number.max': '{#label} must be at most {#limit}.',
  'number.greater': '{#label} must be above {#limit}.',
  'number.less': '{#label} must be below {#limit}.',
  'string.base': '{#label} must be text.',
  'string.empty': '{#label} must not be empty.',
  'string.max': '{#label} must be {#limit} characters at the most.',
  'string.pattern.name': '{#label} must be {#name}.',
};

/** Options of every check: report all that is wrong, change nothing, allow nothing unknown. */
export const STRICT: Joi.ValidationOptions = {
  abortEarly: false,
  convert: false,
  messages: MESSAGES,
  errors: { wrap: { label: '“”' } },
};

const customSentence = (helpers: Joi.CustomHelpers, sentence: string) =>
  helpers.message({ custom: sentence.replaceAll('{', '(').replaceAll('}', ')') });

/** A number of the table of fields. */
export const number = (name: FieldName): Joi.AnySchema =>
  Joi.any()
    .required()
    .custom((value: unknown, helpers) => {
      const problem = numberProblem(FIELDS[name], value);
      return problem === null ? value : customSentence(helpers, problem);
    });

const DAY = /^\d{4}-\d{2}-\d{2}$/;

export const day = (): Joi.StringSchema => Joi.string().pattern(DAY, 'a day like 2027-05-02');

export const entryFields = (name: FieldName): Joi.SchemaMap => ({
  value: number(name),
  source: source(),
  date: day().optional(),
  spread: number('spread').optional(),
  outing: id().optional(),
});

/** A number of the table with its source, and what else has been said of it. */
export const figure = (name: FieldName): Joi.ObjectSchema => Joi.object(figureFields(name)).required();

export const figureFields = (name: FieldName): Joi.SchemaMap => ({
  ...entryFields(name),
  pinned: Joi.boolean().optional(),
  others: Joi.array()
    .items(Joi.object(entryFields(name)))
    .max(MOST_ENTRIES)
    .optional(),
});

export const source = (): Joi.StringSchema => oneOf(SOURCES);

export const oneOf = (values: readonly string[]): Joi.StringSchema =>
  Joi.string()
    .valid(...values)
    .required();

export const maybeOneOf = (values: readonly string[]): Joi.StringSchema => oneOf(values).optional();

export const text = (most: number): Joi.StringSchema => Joi.string().max(most).required();

export const id = (): Joi.StringSchema =>
  Joi.string()
    .max(80)
    .pattern(/^[a-z0-9][a-z0-9-]*$/, 'lower-case letters, digits and hyphens')
    .required();

const ISO_INSTANT = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d{1,3})?)?(Z|[+-]\d{2}:\d{2})$/;
const EARLIEST_MS = Date.UTC(2000, 0, 1);
const LATEST_MS = Date.UTC(2100, 0, 1);

/** An instant, ISO 8601 with an offset or Z, in this century. */
/** Whether text is a time as documents have them, in the years that they may name. */
export function isInstant(text: string): boolean {
  const timeMs = ISO_INSTANT.test(text) ? Date.parse(text) : NaN;
  return timeMs >= EARLIEST_MS && timeMs < LATEST_MS;
}

export const instant = (): Joi.StringSchema =>
  Joi.string()
    .required()
    .custom((value: string, helpers) => {
      return isInstant(value)
        ? value
        : customSentence(
            helpers,
            'A time must be written like 2027-09-04T10:00:00Z, in the years 2000 to 2099.',
          );
    });

/** Any rule of one's own that gives a sentence or null. */
export const obeying =
  (rule: (value: never) => string | null) => (value: unknown, helpers: Joi.CustomHelpers) => {
    const problem = rule(value as never);
    return problem === null ? value : customSentence(helpers, problem);
  };
