import Joi from 'joi';
import { METRIC, PROOF_NAMES, type Habits, fail, succeed, type Result } from '@knapsack/core';
import { USUAL_RATION_OPTIONS, type RationOptions } from '../size/ration-trip.js';
import { SIZE_AIMS, sizeProblems, USUAL_SIZE_OPTIONS, type SizeOptions } from '../size/size-options.js';
import { requirementList } from './debrief-schema.js';
import { maybeOneOf, STRICT, text } from './joi.js';
import { asProblem } from './read.js';

const limit = () => Joi.number();

const sizeOptions = Joi.object({
  chance: Joi.number(),
  limits: Joi.object({
    grams: limit(),
    price: limit(),
    litres: limit(),
    pieces: limit(),
    proof: maybeOneOf(PROOF_NAMES),
  }),
  wished: Joi.boolean(),
  aims: Joi.array().items(Joi.string().valid(...Object.keys(SIZE_AIMS))),
  quietOn: text(20).optional(),
  requirements: requirementList().optional(),
});

const hour = () => Joi.number().min(0).max(24).required();

const rationOptions = Joi.object({
  chance: Joi.number().greater(0).less(1),
  doubling: Joi.number().min(0).max(5),
  morePower: Joi.boolean().optional(),
  moreShare: Joi.boolean().optional(),
  leastShare: Joi.number().min(0).max(0.95),
  hours: Joi.array()
    .items(Joi.object({ fromHour: hour(), toHour: hour(), worth: Joi.number().min(0).max(100).required() }))
    .max(24),
});

/** Reads what a search is asked; what is left out is as usual. */
export function readSizeOptions(value: unknown): Result<SizeOptions> {
  const read = checked(sizeOptions, value, USUAL_SIZE_OPTIONS);
  const problems = read.ok ? sizeProblems(read.value) : [];
  return problems.length > 0 ? fail(...problems) : read;
}

/** Reads what a ration is asked; what is left out is as usual. */
export const readRationOptions = (value: unknown): Result<RationOptions> =>
  checked(rationOptions, value, USUAL_RATION_OPTIONS);

const habitsSchema = Joi.object({
  units: Joi.valid('metric', 'us'),
  clock: Joi.valid(24, 12),
  currency: Joi.string()
    .allow('')
    .pattern(/^[A-Z]{3}$/, 'three capital letters like EUR, or empty'),
});

/** Reads the habits in which an answer is to be said; what is left out is metric, of 24 hours and without a currency. */
export const readHabits = (value: unknown): Result<Habits> => checked(habitsSchema, value, METRIC);

function checked<Options>(schema: Joi.Schema, value: unknown, usual: Options): Result<Options> {
  const given = (value ?? {}) as Partial<Options>;
  const { error } = schema.validate(given, STRICT);
  return error ? fail(...error.details.map(asProblem)) : succeed({ ...usual, ...given });
}
