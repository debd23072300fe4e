import Joi from 'joi';
import { fail, succeed, type Result } from '@knapsack/core';
import {
  DIFFERENT_GEAR_CHOICES,
  NEW_GEAR_CHOICES,
  TRIP_CHOICES,
  USUAL_TRIP_FILE_CHOICE,
  type TripFileChoice,
} from '../formats/trip-file.js';
import { unboundedProblem } from './bounded.js';
import { maybeOneOf, STRICT } from './joi.js';
import { asProblem } from './read.js';

const choiceSchema = Joi.object({
  trip: maybeOneOf(TRIP_CHOICES),
  newGear: maybeOneOf(NEW_GEAR_CHOICES),
  differentGear: maybeOneOf(DIFFERENT_GEAR_CHOICES),
});

/** What to do with what is here already, as a trip is taken out of a file; the usual where nothing is said. */
export function readTripFileChoice(data: unknown = {}): Result<TripFileChoice> {
  const unbounded = unboundedProblem(data);
  if (unbounded) return fail(unbounded);
  const { error } = choiceSchema.validate(data, STRICT);
  return error
    ? fail(...error.details.map(asProblem))
    : succeed({ ...USUAL_TRIP_FILE_CHOICE, ...(data as Partial<TripFileChoice>) });
}
