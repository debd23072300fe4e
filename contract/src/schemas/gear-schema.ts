import Joi from 'joi';
import { CHEMISTRY_NAMES, MODE_NAMES, TECHNOLOGIES } from '@knapsack/core';
import {
  GEAR_KINDS,
  type GearKind,
  GEAR_SCHEMA,
  GEAR_VERSION,
  SHELF_SCHEMA,
  SHELF_VERSION,
} from '../documents/gear.js';
import { MOST_GEAR } from '../fields/fields.js';
import { panelProblem } from '../resolve/panel-label.js';
import { figure, id, number, obeying, oneOf, source, text } from './joi.js';

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

/** Whole labels only: a current or voltage at full power belongs below the one at none. */
const panel = Joi.object({
  ...common,
  technology: oneOf(Object.keys(TECHNOLOGIES)),
  diodes: Joi.boolean().optional(),
  watts: figure('panelW'),
  vmpV: figure('panelV').optional(),
  vocV: figure('panelV').optional(),
  impA: figure('panelA').optional(),
  iscA: figure('panelA').optional(),
  truth: figure('truth').optional(),
}).custom(obeying(panelProblem));

const controller = Joi.object({
  ...common,
  type: oneOf(['mppt', 'boost', 'pwm']),
  maxA: figure('chargeA'),
  maxInputV: figure('inputV').optional(),
  selfUseA: figure('selfUseA').optional(),
  wakeShare: figure('wakeShare').optional(),
  profiles: Joi.array().items(oneOf(CHEMISTRY_NAMES)).min(1).max(CHEMISTRY_NAMES.length).optional(),
});

const other = Joi.object(common);

const BY_KIND: Record<Exclude<GearKind, 'other'>, Joi.ObjectSchema> = {
  radio,
  battery,
  accessory,
  lead,
  panel,
  controller,
};

/** One gear item, checked by its kind; of no known kind, as one that is carried only, which names what is wrong. */
export const gearSchema: Joi.Schema = Object.entries(BY_KIND).reduce<Joi.Schema>(
  (otherwise, [kind, then]) =>
    Joi.alternatives().conditional(Joi.object({ kind }).unknown(), { then, otherwise }),
  other,
);

export const shelfSchema = Joi.object({
  schema: Joi.string().valid(SHELF_SCHEMA).required(),
  version: Joi.number().valid(SHELF_VERSION).required(),
  gear: Joi.array().items(gearSchema).max(MOST_GEAR).required(),
});
