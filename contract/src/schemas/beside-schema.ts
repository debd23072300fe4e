import Joi from 'joi';
import { PACKING_SCHEMA, PACKING_VERSION, REHEARSAL_SCHEMA, REHEARSAL_VERSION } from '../documents/beside.js';
import { MOST_ITEMS, MOST_RESULTS, MOST_VARIANTS } from '../fields/fields.js';
import { id, instant, number, oneOf, text } from './joi.js';

const once = (key: string) => ({
  'array.unique': `Something stands in it twice; each “${key}” stands in it once.`,
});

/** What lies packed, of the bags of all variants. */
export const packedTicks = () =>
  Joi.array()
    .items(Joi.object({ gear: id() }))
    .unique('gear')
    .max(MOST_ITEMS * (MOST_VARIANTS + 1))
    .messages(once('gear'));

export const stepResults = () =>
  Joi.array()
    .items(
      Joi.object({
        step: text(120),
        outcome: oneOf(['ok', 'bad']),
        value: number('reading').optional(),
        note: text(200).optional(),
        at: instant(),
      }),
    )
    .unique('step')
    .max(MOST_RESULTS)
    .messages(once('step'));

export const packingSchema = Joi.object({
  schema: Joi.string().valid(PACKING_SCHEMA).required(),
  version: Joi.number().valid(PACKING_VERSION).required(),
  id: id(),
  packed: packedTicks().required(),
});

export const rehearsalSchema = Joi.object({
  schema: Joi.string().valid(REHEARSAL_SCHEMA).required(),
  version: Joi.number().valid(REHEARSAL_VERSION).required(),
  id: id(),
  results: stepResults().required(),
});
