import Joi from 'joi';
import { MODE_NAMES, READING_SOURCES } from '@knapsack/core';
import { DEBRIEF_SCHEMA, DEBRIEF_VERSION, LESSON_KINDS } from '../documents/debrief-notes.js';
import {
  MEASURES,
  REQUIREMENTS_ID,
  REQUIREMENTS_SCHEMA,
  REQUIREMENTS_VERSION,
} from '../documents/requirements.js';
import { day, id, number, oneOf, text } from './joi.js';

/** Most lines of one outing, and of the list. */
const MOST_LESSONS = 200;
const MOST_REQUIREMENTS = 100;
const MOST_LEFT = 400;
const LONGEST_LESSON = 300;

const twice = { 'array.unique': 'Something stands in it twice.' };

export const debriefSchema = Joi.object({
  schema: Joi.string().valid(DEBRIEF_SCHEMA).required(),
  version: Joi.number().valid(DEBRIEF_VERSION).required(),
  id: id(),
  left: Joi.array()
    .items(Joi.object({ correction: text(160) }))
    .unique('correction')
    .max(MOST_LEFT)
    .required()
    .messages(twice),
  aside: Joi.array()
    .items(Joi.object({ source: oneOf([...READING_SOURCES, 'contacts', 'work']) }))
    .unique('source')
    .required()
    .messages(twice),
  lessons: Joi.array()
    .items(
      Joi.object({
        id: id(),
        kind: oneOf(Object.keys(LESSON_KINDS)),
        text: text(LONGEST_LESSON),
        gear: id().optional(),
        done: day().optional(),
      }),
    )
    .unique('id')
    .max(MOST_LESSONS)
    .required()
    .messages(twice),
  seconds: Joi.array()
    .items(Joi.object({ mode: oneOf(MODE_NAMES), seconds: number('secondsSent') }))
    .unique('mode')
    .optional()
    .messages(twice),
});

/** Requirements, each of an id of its own. */
export const requirementList = (): Joi.ArraySchema =>
  Joi.array()
    .items(
      Joi.object({
        id: id(),
        measure: oneOf(MEASURES),
        target: number('requirement'),
        band: text(20).optional(),
        why: text(LONGEST_LESSON).optional(),
        lesson: Joi.object({ trip: id(), id: id() }).optional(),
      }),
    )
    .unique('id')
    .max(MOST_REQUIREMENTS)
    .messages(twice);

export const requirementsSchema = Joi.object({
  schema: Joi.string().valid(REQUIREMENTS_SCHEMA).required(),
  version: Joi.number().valid(REQUIREMENTS_VERSION).required(),
  id: Joi.string().valid(REQUIREMENTS_ID).required(),
  requirements: requirementList().required(),
});
