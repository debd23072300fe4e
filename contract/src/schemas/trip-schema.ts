import Joi from 'joi';
import { ACTIVITY_NAMES, isZone, MODE_NAMES } from '@knapsack/core';
import { TRIP_SCHEMA, TRIP_VERSION } from '../documents/trip.js';
import { MOST_BLOCKS, MOST_ITEMS } from '../fields/fields.js';
import { accessoryRule, gearSchema } from './gear-schema.js';
import { id, instant, number, obeying, oneOf, text } from './joi.js';

const block = Joi.object({
  id: id(),
  start: instant(),
  end: instant(),
  activity: oneOf(ACTIVITY_NAMES),
  mode: oneOf(MODE_NAMES),
  powerW: number('rfW'),
  share: number('share'),
  modeFactor: number('modeFactor').optional(),
});

const loadoutItem = Joi.object({
  gear: id(),
  count: number('count'),
  rule: accessoryRule().optional(),
});

export const tripSchema = Joi.object({
  schema: Joi.string().valid(TRIP_SCHEMA).required(),
  version: Joi.number().valid(TRIP_VERSION).required(),
  id: id(),
  name: text(120),
  note: text(4000).optional(),
  place: Joi.object({
    name: text(120),
    latitudeDeg: number('latitudeDeg').optional(),
    longitudeDeg: number('longitudeDeg').optional(),
    timeZone: text(64).custom(
      obeying((zone: string) =>
        isZone(zone) ? null : `The time zone must be a name like Europe/Oslo; “${zone}” is not known.`,
      ),
    ),
  }).required(),
  start: instant(),
  end: instant(),
  temperatureC: number('temperatureC'),
  startSoc: number('startSoc'),
  floorSoc: number('floorSoc').optional(),
  stepMinutes: Joi.number().valid(1, 5, 15).required(),
  carryLimitG: number('carryLimitG').optional(),
  blocks: Joi.array().items(block).max(MOST_BLOCKS).required(),
  loadout: Joi.array().items(loadoutItem).max(MOST_ITEMS).required(),
  gear: Joi.array().items(gearSchema).max(MOST_ITEMS).optional(),
});
