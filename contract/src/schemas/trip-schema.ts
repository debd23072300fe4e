import Joi from 'joi';
import {
  ACTIVITY_NAMES,
  AIR_WORDS,
  CABLINGS,
  CLIMATE_WORDS,
  CONNECTOR_NAMES,
  FUSE_KIND_NAMES,
  fuseNotSold,
  GROUND_WORDS,
  isZone,
  MODE_NAMES,
  MOUNTS,
  PROOF_NAMES,
  ASSUMPTION_NAMES,
  CABLE_RUN_NAMES,
} from '@knapsack/core';
import { ADDED_KINDS, type CableRunNote } from '../documents/harness-notes.js';
import { MODULES, WAYS_IN } from '../documents/packing.js';
import { CELLS_FEEDS, REPEATS, TRIP_SCHEMA, TRIP_VERSION } from '../documents/trip.js';
import {
  MOST_BAGS,
  MOST_BLOCKS,
  MOST_ITEMS,
  MOST_PARTS,
  MOST_SHADES,
  MOST_SKYLINE,
  MOST_VARIANTS,
  MOST_WEATHER_HOURS,
} from '../fields/fields.js';
import { packedTicks, stepResults } from './beside-schema.js';
import { accessoryRule, ownHours } from './accessory-rule-schema.js';
import { gearSchema } from './gear-schema.js';
import { id, instant, maybeOneOf, number, obeying, oneOf, text } from './joi.js';

const block = Joi.object({
  id: id(),
  start: instant(),
  end: instant(),
  activity: oneOf(ACTIVITY_NAMES),
  mode: oneOf(MODE_NAMES),
  powerW: number('rfW'),
  share: number('share'),
  modeFactor: number('modeFactor').optional(),
  processed: Joi.boolean().optional(),
  rating: maybeOneOf(ASSUMPTION_NAMES),
  station: number('station').optional(),
  repeat: maybeOneOf(Object.keys(REPEATS)),
});

const loadoutItem = Joi.object({
  gear: id(),
  count: number('count'),
  rule: accessoryRule().optional(),
  inSeries: number('inSeries').optional(),
  run: maybeOneOf(CABLE_RUN_NAMES),
  bag: id().optional(),
  module: maybeOneOf(Object.keys(MODULES)),
  cabling: Joi.object({
    how: oneOf(Object.keys(CABLINGS)),
    lengthM: number('lengthM'),
    areaMm2: number('areaMm2'),
  }).optional(),
  ownCells: Joi.object({
    feed: oneOf(Object.keys(CELLS_FEEDS)),
    soc: number('ownSoc').optional(),
    hours: ownHours().optional(),
  }).optional(),
  charging: Joi.object({ hours: ownHours().required(), generator: id().optional() }).optional(),
  meant: Joi.boolean().optional(),
});

const aim = Joi.object({ how: oneOf(['flat', 'fixed', 'every', 'at', 'hung']) })
  .when(Joi.object({ how: 'fixed' }).unknown(), {
    then: Joi.object({ tiltDeg: number('tiltDeg'), azimuthDeg: number('azimuthDeg') }),
  })
  .when(Joi.object({ how: 'every' }).unknown(), { then: Joi.object({ minutes: number('aimMinutes') }) })
  .when(Joi.object({ how: 'at' }).unknown(), {
    then: Joi.object({ times: Joi.array().items(instant()).min(1).max(MOST_SHADES).required() }),
  });

const blocks = () => Joi.array().items(block).max(MOST_BLOCKS).required();
const loadout = () => Joi.array().items(loadoutItem).max(MOST_ITEMS).required();
/** What is taken for something and stays at home. */
const setAside = () =>
  Joi.array()
    .items(
      Joi.object({
        module: oneOf(Object.keys(MODULES).filter((name) => name !== 'base')),
        lines: Joi.array()
          .items(Joi.object({ at: number('lineAt'), item: loadoutItem.required() }))
          .min(1)
          .max(MOST_ITEMS)
          .required(),
        blocks: blocks(),
      }),
    )
    .max(Object.keys(MODULES).length)
    .optional();
/** How the batteries are used, and how much of them. */
const batteryUse = () => ({
  startSoc: number('startSoc'),
  floorSoc: number('floorSoc').optional(),
  batteryUse: maybeOneOf(['parallel', 'turns']),
  chargeIdle: Joi.boolean().optional(),
  radioOn: maybeOneOf(['battery', 'terminals']),
});

const variant = Joi.object({
  id: id(),
  name: text(60),
  blocks: blocks(),
  loadout: loadout(),
  setAside: setAside(),
  ...batteryUse(),
  aim: aim.optional(),
  mount: maybeOneOf(Object.keys(MOUNTS)),
});

const panelPlace = Joi.object({
  aim: aim.required(),
  mount: oneOf(Object.keys(MOUNTS)),
  ground: oneOf(Object.keys(GROUND_WORDS)),
  stand: Joi.object({ leastDeg: number('tiltDeg'), mostDeg: number('tiltDeg') }).optional(),
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

export const weatherHour = Joi.object({
  start: instant(),
  cloud: number('cloud'),
  rain: Joi.boolean().optional(),
  fog: Joi.boolean().optional(),
  temperatureC: number('temperatureC').optional(),
  windMS: number('windMS').optional(),
  air: maybeOneOf(Object.keys(AIR_WORDS)),
});

const weather = Joi.object({
  air: oneOf(Object.keys(AIR_WORDS)),
  cloud: number('cloud').optional(),
  windMS: number('windMS'),
  hours: Joi.array().items(weatherHour).max(MOST_WEATHER_HOURS).optional(),
  climate: maybeOneOf(CLIMATE_WORDS),
  source: maybeOneOf(['typed', 'forecast', 'simulated']),
});

/** The harness names its parts by the gear's id, with what tells several apart behind it. */
const partId = () =>
  Joi.string()
    .pattern(/^[a-z0-9][a-z0-9.-]*$/)
    .max(100);

const connector = () => Joi.object({ family: oneOf(CONNECTOR_NAMES), end: oneOf(['plug', 'socket']) });

/** A fuse is one that is sold, of its kind where that is said. */
const soldFuse = ({ fuseA, fuseKind }: CableRunNote): string | null =>
  fuseA ? fuseNotSold(fuseA, fuseKind) : null;

const harness = Joi.object({
  parts: Joi.array()
    .items(
      Joi.object({
        id: partId().required(),
        kind: oneOf(ADDED_KINDS),
        name: text(60).optional(),
        maxA: number('fuseA').optional(),
        disconnectV: number('disconnectV').optional(),
        reconnectV: number('reconnectV').optional(),
        outV: number('outV').optional(),
        efficiency: number('efficiency').optional(),
        from: partId().required(),
      }),
    )
    .max(MOST_PARTS)
    .optional(),
  runs: Joi.array()
    .items(
      Joi.object({
        to: partId().required(),
        from: partId().optional(),
        lengthM: number('lengthM').optional(),
        awg: number('awg').optional(),
        areaMm2: number('areaMm2').optional(),
        contactPairs: number('contactPairs').optional(),
        near: connector().optional(),
        far: connector().optional(),
        fuseA: number('bladeA').optional(),
        fuseKind: maybeOneOf(FUSE_KIND_NAMES),
        stringFuseA: number('bladeA').optional(),
        fuseAtM: number('fuseAtM').optional(),
        bundled: Joi.boolean().optional(),
        clad: Joi.boolean().optional(),
      })
        .oxor('awg', 'areaMm2')
        .custom(obeying(soldFuse)),
    )
    .max(MOST_PARTS)
    .optional(),
  changeover: Joi.object({ name: text(60).optional(), maxA: number('fuseA').optional() }).optional(),
});

const packing = Joi.object({
  wayIn: maybeOneOf(Object.keys(WAYS_IN)),
  bags: Joi.array()
    .items(
      Joi.object({
        id: id(),
        name: text(40),
        operator: number('operators').optional(),
        limitG: number('carryLimitG').optional(),
        litres: number('packedL').optional(),
        proof: maybeOneOf(PROOF_NAMES),
      }),
    )
    .max(MOST_BAGS)
    .optional(),
  operators: number('operators').optional(),
});

const rehearsal = Joi.object({
  departure: instant().optional(),
  loadMinutes: number('loadMinutes').optional(),
  roomC: number('roomC').optional(),
  charging: Joi.array()
    .items(Joi.object({ gear: id(), soc: number('soc').optional(), from: text(64).optional() }))
    .max(MOST_ITEMS)
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
  ...batteryUse(),
  storedDays: number('storedDays').optional(),
  rating: maybeOneOf(ASSUMPTION_NAMES),
  sheetsAsStated: Joi.boolean().optional(),
  ownSoc: number('ownSoc').optional(),
  targetChance: number('targetChance').optional(),
  oneSpeaks: Joi.boolean().optional(),
  budget: number('price').optional(),
  knows: text(80).optional(),
  unattended: Joi.boolean().optional(),
  restart: Joi.boolean().optional(),
  targetAvailability: number('targetAvailability').optional(),
  stepMinutes: Joi.number().valid(1, 5, 15).required(),
  carryLimitG: number('carryLimitG').optional(),
  weather: weather.optional(),
  panelPlace: panelPlace.optional(),
  blocks: blocks(),
  loadout: loadout(),
  setAside: setAside(),
  gear: Joi.array().items(gearSchema).max(MOST_ITEMS).optional(),
  packed: packedTicks().optional(),
  results: stepResults().optional(),
  harness: harness.optional(),
  packing: packing.optional(),
  rehearsal: rehearsal.optional(),
  variantName: text(60).optional(),
  variants: Joi.array().items(variant).max(MOST_VARIANTS).optional(),
  archived: Joi.boolean().optional(),
});
