import Joi from 'joi';
import {
  ACTIVITY_NAMES,
  CHEMISTRY_NAMES,
  CONVERTER_NAMES,
  MODE_NAMES,
  CABLE_RUN_NAMES,
  TECHNOLOGIES,
  FOLDS,
  PROOF_NAMES,
  ROUGH_USES,
} from '@knapsack/core';
import { CHARGE_LAWS } from '../documents/charge-law.js';
import { GEAR_KINDS, type GearKind, GEAR_SCHEMA, GEAR_VERSION } from '../documents/gear.js';
import { MOST_ENTRIES } from '../documents/figure.js';
import { SHELF_SCHEMA, SHELF_VERSION } from '../documents/shelf.js';
import { drawProblem, cableProblem } from '../documents/gear-rules.js';
import { LONGEST_TAG, MOST_BANDS, MOST_FUSES, MOST_GEAR, MOST_TAGS } from '../fields/fields.js';
import { accessoryRule, modes } from './accessory-rule-schema.js';
import { panelProblem } from '../resolve/panel-label.js';
import {
  figure,
  figureFields,
  id,
  maybeOneOf,
  number,
  obeying,
  oneOf,
  source,
  text,
  day,
  entryFields,
} from './joi.js';

/** Most transmit figures of one radio. */
const MOST_POINTS = 40;

const words = () => Joi.array().items(Joi.string().max(LONGEST_TAG)).max(MOST_TAGS).optional();

const noise = () =>
  Joi.array()
    .items(
      Joi.object({
        band: text(20),
        unit: oneOf(['S', 'dB']),
        off: number('noise'),
        on: number('noise'),
        date: day().optional(),
        radio: id().optional(),
      }),
    )
    .max(MOST_BANDS);

const common = {
  schema: Joi.string().valid(GEAR_SCHEMA).required(),
  version: Joi.number().valid(GEAR_VERSION).required(),
  id: id(),
  kind: oneOf(GEAR_KINDS),
  name: text(80),
  about: text(200).optional(),
  weightG: figure('weightG').optional(),
  packedL: figure('packedL').optional(),
  proof: maybeOneOf(PROOF_NAMES),
  wetG: figure('weightG').optional(),
  dryH: figure('dryH').optional(),
  folds: maybeOneOf(Object.keys(FOLDS)),
  rough: maybeOneOf(Object.keys(ROUGH_USES)),
  sockets: number('sockets').optional(),
  noise: noise().optional(),
  price: figure('price').optional(),
  cycles: figure('cycles').optional(),
  wished: Joi.boolean().optional(),
  archived: Joi.boolean().optional(),
  note: text(2000).optional(),
  tags: words(),
  connectors: words(),
  place: number('place').optional(),
};

const radio = Joi.object({
  ...common,
  receiveA: figure('receiveA'),
  transmit: Joi.array()
    .items(
      Joi.object({
        rfW: number('rfW'),
        amps: number('transmitA'),
        source: source(),
        date: day().optional(),
        spread: number('spread').optional(),
        outing: id().optional(),
        pinned: Joi.boolean().optional(),
        others: Joi.array()
          .items(Joi.object(entryFields('transmitA')))
          .max(MOST_ENTRIES)
          .optional(),
      }),
    )
    .min(1)
    .max(MOST_POINTS)
    .required(),
  dropoutV: figure('dropoutV'),
  fullPowerV: figure('fullPowerV').optional(),
  maxV: figure('maxV').optional(),
  receiveSheetA: figure('receiveA').optional(),
  receiveByEarA: figure('receiveA').optional(),
  overs: Joi.array()
    .items(Joi.object({ mode: oneOf(MODE_NAMES), factor: number('modeFactor'), source: source() }))
    .max(MODE_NAMES.length)
    .optional(),
  duty: Joi.array()
    .items(
      Joi.object({
        ...figureFields('share'),
        mode: oneOf(MODE_NAMES),
        activity: oneOf(ACTIVITY_NAMES),
        instead: number('share'),
      }),
    )
    .max(MODE_NAMES.length * ACTIVITY_NAMES.length)
    .optional(),
  internal: Joi.object({
    wattHours: figure('wattHours'),
    chargeW: figure('chargeW'),
    chargesWhileOperating: Joi.boolean().required(),
  }).optional(),
  quiet: Joi.boolean().optional(),
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
  peakS: figure('peakS').optional(),
  maxChargeA: figure('chargeA').optional(),
  protects: Joi.boolean().optional(),
  coldProtected: Joi.boolean().optional(),
  keepsCharge: Joi.boolean().optional(),
});

const station = Joi.object({
  ...common,
  chemistry: oneOf(CHEMISTRY_NAMES),
  cellsInSeries: number('cellsInSeries'),
  wattHours: figure('wattHours'),
  health: figure('health').optional(),
  socketV: figure('socketV').optional(),
  socketA: figure('socketA').optional(),
  efficiency: figure('efficiency').optional(),
  idleW: figure('idleW').optional(),
  sleepsBelowW: figure('idleW').optional(),
  solarW: figure('solarW').optional(),
  solarMaxV: figure('inputV').optional(),
});

const amplifier = Joi.object({
  ...common,
  standbyA: figure('drawA'),
  transmitA: figure('transmitA'),
  outputW: figure('outputW').optional(),
  startA: figure('startA').optional(),
  modes: modes(),
});

const accessory = Joi.object({
  ...common,
  drawA: figure('drawA').optional(),
  drawW: figure('drawW').optional(),
  via: maybeOneOf(CONVERTER_NAMES),
  transmitDraw: figure('transmitDraw').optional(),
  colourDraw: figure('colourDraw').optional(),
  rule: accessoryRule().required(),
  internal: Joi.object({ wattHours: figure('wattHours'), chargeW: figure('chargeW') }).optional(),
}).custom(obeying(drawProblem));

const wire = Joi.object({
  awg: number('awg').optional(),
  areaMm2: number('areaMm2').optional(),
  lengthM: number('lengthM'),
  contactPairs: number('contactPairs'),
  fusesA: Joi.array().items(number('fuseA').optional()).max(MOST_FUSES).optional(),
  connectorA: number('connectorA'),
  bundled: Joi.boolean().optional(),
  clad: Joi.boolean().optional(),
});

const cable = Joi.object({
  ...common,
  run: maybeOneOf(CABLE_RUN_NAMES),
  loopOhm: figure('loopOhm').optional(),
  wire: wire.optional(),
}).custom(obeying(cableProblem));

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
  vocPerKelvin: figure('vocPerKelvin').optional(),
}).custom(obeying(panelProblem));

const controller = Joi.object({
  ...common,
  type: oneOf(['mppt', 'boost', 'pwm', 'usb']),
  maxA: figure('chargeA'),
  slots: number('slots').optional(),
  endsV: figure('cellEndsV').optional(),
  socketW: figure('usbW').optional(),
  maxInputV: figure('inputV').optional(),
  selfUseA: figure('selfUseA').optional(),
  wakeShare: figure('wakeShare').optional(),
  profiles: Joi.array().items(maybeOneOf(CHEMISTRY_NAMES)).max(CHEMISTRY_NAMES.length).optional(),
  chargesToV: figure('chargesToV').optional(),
  compensates: Joi.boolean().optional(),
  equalises: Joi.boolean().optional(),
  limitsCurrent: Joi.boolean().optional(),
  wakesBattery: Joi.boolean().optional(),
  loadA: figure('drawA').optional(),
  disconnectV: figure('disconnectV').optional(),
  reconnectV: figure('reconnectV').optional(),
});

const charger = Joi.object({
  ...common,
  from: oneOf(['mains', 'vehicle']),
  maxA: figure('chargeA'),
  law: maybeOneOf(Object.keys(CHARGE_LAWS)),
  isolated: Joi.boolean().optional(),
  profiles: Joi.array().items(maybeOneOf(CHEMISTRY_NAMES)).max(CHEMISTRY_NAMES.length).optional(),
});

const generator = Joi.object({
  ...common,
  ratedW: figure('generatorW'),
  fuelLh: figure('fuelLh').optional(),
  noiseDb: figure('soundDb').optional(),
});

const distribution = Joi.object({ ...common, maxA: figure('chargeA').optional() });

const antenna = Joi.object({
  ...common,
  gainDbi: figure('gainDbi').optional(),
  tallM: figure('tallM').optional(),
});

const carried = Joi.object(common);

const BY_KIND: Record<Exclude<GearKind, 'other'>, Joi.ObjectSchema> = {
  radio,
  battery,
  station,
  amplifier,
  accessory,
  lead: cable,
  panel,
  controller,
  charger,
  generator,
  distribution,
  antenna,
};

/** One gear item, checked by its kind; of no known kind, as one that is carried only, which names what is wrong. */
export const gearSchema: Joi.Schema = Object.entries(BY_KIND).reduce<Joi.Schema>(
  (otherwise, [kind, then]) =>
    Joi.alternatives().conditional(Joi.object({ kind }).unknown(), { then, otherwise }),
  carried,
);

export const shelfSchema = Joi.object({
  schema: Joi.string().valid(SHELF_SCHEMA).required(),
  version: Joi.number().valid(SHELF_VERSION).required(),
  gear: Joi.array().items(gearSchema).max(MOST_GEAR).required(),
});
