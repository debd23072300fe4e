import Joi from 'joi';
import { CHEMISTRY_NAMES, MODE_NAMES } from '@knapsack/core';
import { GEAR_KINDS, GEAR_SCHEMA, GEAR_VERSION, SHELF_SCHEMA, SHELF_VERSION } from '../documents/gear.js';
import { MOST_GEAR } from '../fields/fields.js';
import { figure, id, number, oneOf, source, text } from './joi.js';

/** Most transmit figures of one radio. */
const MOST_POINTS = 40;

const common = {
  schema: Joi.string().valid(GEAR_SCHEMA).required(),
  version: Joi.number().valid(GEAR_VERSION).required(),
  id: id(),
  kind: oneOf(GEAR_KINDS),
  name: text(80),
  about: text(200).optional(),
  weightG: figure('weightG').optional(),
};

export const accessoryRule = (): Joi.AlternativesSchema | Joi.ObjectSchema =>
  Joi.object({
    when: oneOf(['always', 'operating']),
    modes: Joi.when('when', {
      is: 'operating',
      then: Joi.array().items(oneOf(MODE_NAMES)).min(1).max(MODE_NAMES.length).optional(),
      otherwise: Joi.forbidden(),
    }),
  });

const radio = Joi.object({
  ...common,
  receiveA: figure('receiveA'),
  transmit: Joi.array()
    .items(Joi.object({ rfW: number('rfW'), amps: number('transmitA'), source: source() }))
    .min(1)
    .max(MOST_POINTS)
    .required(),
  dropoutV: figure('dropoutV'),
  fullPowerV: figure('fullPowerV').optional(),
});

const battery = Joi.object({
  ...common,
  chemistry: oneOf(CHEMISTRY_NAMES),
  cellsInSeries: number('cellsInSeries'),
  ratedAh: figure('ratedAh'),
  measuredAh: figure('measuredAh').optional(),
  health: figure('health').optional(),
  resistanceOhm: figure('resistanceOhm').optional(),
  cutoffV: figure('cutoffV').optional(),
  continuousA: figure('dischargeA').optional(),
  peakA: figure('dischargeA').optional(),
});

const accessory = Joi.object({ ...common, drawA: figure('drawA'), rule: accessoryRule().required() });
const lead = Joi.object({ ...common, loopOhm: figure('loopOhm') });
const other = Joi.object(common);

/** One gear item, checked by its kind. */
export const gearSchema = Joi.alternatives().conditional(Joi.object({ kind: 'radio' }).unknown(), {
  then: radio,
  otherwise: Joi.alternatives().conditional(Joi.object({ kind: 'battery' }).unknown(), {
    then: battery,
    otherwise: Joi.alternatives().conditional(Joi.object({ kind: 'accessory' }).unknown(), {
      then: accessory,
      otherwise: Joi.alternatives().conditional(Joi.object({ kind: 'lead' }).unknown(), {
        then: lead,
        otherwise: other,
      }),
    }),
  }),
});

export const shelfSchema = Joi.object({
  schema: Joi.string().valid(SHELF_SCHEMA).required(),
  version: Joi.number().valid(SHELF_VERSION).required(),
  gear: Joi.array().items(gearSchema).max(MOST_GEAR).required(),
});
