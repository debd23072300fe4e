import Joi from 'joi';
import { ACTIVITY_NAMES, AIR_WORDS, GROUND_WORDS, isZone, MODE_NAMES, MOUNTS } from '@knapsack/core';
import { TRIP_SCHEMA, TRIP_VERSION } from '../documents/trip.js';
import { MOST_BLOCKS, MOST_ITEMS, MOST_SHADES, MOST_SKYLINE, MOST_WEATHER_HOURS } from '../fields/fields.js';
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

const aim = Joi.object({ how: oneOf(['flat', 'fixed', 'every', 'at', 'hung']) })
  .when(Joi.object({ how: 'fixed' }).unknown(), {
    then: Joi.object({ tiltDeg: number('tiltDeg'), azimuthDeg: number('azimuthDeg') }),
  })
  .when(Joi.object({ how: 'every' }).unknown(), { then: Joi.object({ minutes: number('aimMinutes') }) })
  .when(Joi.object({ how: 'at' }).unknown(), {
    then: Joi.object({ times: Joi.array().items(instant()).min(1).max(MOST_SHADES).required() }),
  });

const panelPlace = Joi.object({
  aim: aim.required(),
  mount: oneOf(Object.keys(MOUNTS)),
  ground: oneOf(Object.keys(GROUND_WORDS)),
  shade: Joi.array()
    .items(
      Joi.object({
        start: instant(),
        end: instant(),
        fraction: number('fraction'),
        label: text(60).optional(),
      }),
    )
    .max(MOST_SHADES)
    .optional(),
  horizon: Joi.array()
    .items(Joi.object({ azimuthDeg: number('azimuthDeg'), elevationDeg: number('elevationDeg') }))
    .max(MOST_SKYLINE)
    .optional(),
});

const weather = Joi.object({
  air: oneOf(Object.keys(AIR_WORDS)),
  cloud: number('cloud'),
  windMS: number('windMS'),
  hours: Joi.array()
    .items(
      Joi.object({
        start: instant(),
        cloud: number('cloud'),
        rain: Joi.boolean().optional(),
        temperatureC: number('temperatureC').optional(),
        windMS: number('windMS').optional(),
      }),
    )
    .max(MOST_WEATHER_HOURS)
    .optional(),
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
    heightM: number('heightM').optional(),
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
  weather: weather.optional(),
  panelPlace: panelPlace.optional(),
  blocks: Joi.array().items(block).max(MOST_BLOCKS).required(),
  loadout: Joi.array().items(loadoutItem).max(MOST_ITEMS).required(),
  gear: Joi.array().items(gearSchema).max(MOST_ITEMS).optional(),
});
