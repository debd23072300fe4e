import Joi from 'joi';
import { ACTIVITY_NAMES, MODE_NAMES, READ_QUANTITIES, READING_SOURCES, READING_STATES } from '@knapsack/core';
import {
  LOG_ENTRY_KINDS,
  LOG_SCHEMA,
  LOG_VERSION,
  MOST_LOG_ENTRIES,
  type LogEntry,
  type LogEntryKind,
  type PanelEntry,
  type ReadingEntry,
} from '../documents/log.js';
import { id, instant, maybeOneOf, number, obeying, oneOf, text } from './joi.js';

const head = {
  id: id(),
  at: instant(),
  kind: oneOf(LOG_ENTRY_KINDS),
  source: maybeOneOf(READING_SOURCES),
  note: text(2000).optional(),
  replaces: id().optional(),
  void: Joi.boolean().optional(),
};

const aim = Joi.object({ how: oneOf(['flat', 'fixed', 'sun']) }).when(
  Joi.object({ how: 'fixed' }).unknown(),
  {
    then: Joi.object({ tiltDeg: number('tiltDeg'), azimuthDeg: number('azimuthDeg') }),
  },
);

/** Fields of each kind of entry besides its head. */
const FIELDS_OF: Record<LogEntryKind, Joi.SchemaMap> = {
  reading: {
    state: maybeOneOf(READING_STATES),
    volts: number('readVolts').optional(),
    radioVolts: number('readVolts').optional(),
    amps: number('readAmps').optional(),
    panelAmps: number('panelAmps').optional(),
    panelWatts: number('panelWatts').optional(),
    outAh: number('countedAh').optional(),
    inAh: number('countedAh').optional(),
    percent: number('readPercent').optional(),
    counts: Joi.boolean().optional(),
  },
  reset: {},
  sky: { cloud: number('cloud'), rain: Joi.boolean().optional(), fog: Joi.boolean().optional() },
  work: {
    do: oneOf(['start', 'stop', 'change']),
    block: id().optional(),
    activity: maybeOneOf(ACTIVITY_NAMES),
    mode: maybeOneOf(MODE_NAMES),
    powerW: number('rfW').optional(),
    share: number('share').optional(),
    station: number('station').optional(),
  },
  battery: { do: oneOf(['swapIn', 'takeOut', 'charge', 'full']), gear: id() },
  panel: { aim: aim.optional(), shade: number('shadeNow').optional() },
  contacts: {
    until: instant(),
    count: number('contactCount'),
    mode: text(20).optional(),
    band: text(20).optional(),
  },
  note: {},
  end: {},
};

const saysNothing = (entry: LogEntry): string | null => {
  if (entry.void) {
    return entry.replaces === undefined
      ? 'An entry that takes another back says in “replaces” which one it is.'
      : null;
  }
  if (entry.kind === 'contacts' && Date.parse(entry.until) < Date.parse(entry.at)) {
    return 'Contacts end after they begin.';
  }
  const sentence = EMPTY[entry.kind];
  return sentence && isEmpty(entry) ? sentence : null;
};

const EMPTY: Partial<Record<LogEntryKind, string>> = {
  reading: 'A reading needs a figure: volts, amps, Ah, watts or per cent.',
  panel: 'A change of the panel says how it lies or what of it is in shade.',
  note: 'A note needs words.',
};

function isEmpty(entry: LogEntry): boolean {
  if (entry.kind === 'reading')
    return READ_QUANTITIES.every((name) => (entry as ReadingEntry)[name] === undefined);
  if (entry.kind === 'panel') {
    const { aim: laid, shade } = entry as PanelEntry;
    return laid === undefined && shade === undefined;
  }
  return !entry.note;
}

const is = (value: string | boolean) => Joi.valid(value).required();

/** Each kind of entry has its own fields; one that takes another back needs none of them. */
const entry = LOG_ENTRY_KINDS.reduce<Joi.Schema>(
  (otherwise, kind) =>
    Joi.alternatives().conditional(Joi.object({ kind: is(kind), void: is(true) }).unknown(), {
      then: Joi.object({ ...head, ...optional(FIELDS_OF[kind]) }).custom(obeying(saysNothing)),
      otherwise: Joi.alternatives().conditional(Joi.object({ kind: is(kind) }).unknown(), {
        then: Joi.object({ ...head, ...FIELDS_OF[kind] }).custom(obeying(saysNothing)),
        otherwise,
      }),
    }),
  Joi.object(head).unknown(),
);

function optional(fields: Joi.SchemaMap): Joi.SchemaMap {
  return Object.fromEntries(
    Object.entries(fields).map(([name, schema]) => [name, (schema as Joi.Schema).optional()]),
  );
}

export const logSchema = Joi.object({
  schema: Joi.string().valid(LOG_SCHEMA).required(),
  version: Joi.number().valid(LOG_VERSION).required(),
  trip: id(),
  entries: Joi.array()
    .items(entry)
    .unique('id')
    .max(MOST_LOG_ENTRIES)
    .required()
    .messages({ 'array.unique': 'An entry stands in it twice; each “id” stands in it once.' }),
});
