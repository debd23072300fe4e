import type Joi from 'joi';
import { fail, succeed, type Problem, type Result } from '@knapsack/core';
import { GEAR_SCHEMA, GEAR_VERSION, type Gear } from '../documents/gear.js';
import {
  PACKING_SCHEMA,
  PACKING_VERSION,
  REHEARSAL_SCHEMA,
  REHEARSAL_VERSION,
  type PackingDocument,
  type RehearsalDocument,
} from '../documents/beside.js';
import { DEBRIEF_SCHEMA, DEBRIEF_VERSION, type DebriefNotes } from '../documents/debrief-notes.js';
import { LOG_SCHEMA, LOG_VERSION, type LogDocument } from '../documents/log.js';
import { upToDate } from '../documents/migrate.js';
import {
  REQUIREMENTS_SCHEMA,
  REQUIREMENTS_VERSION,
  type RequirementsDocument,
} from '../documents/requirements.js';
import { SHELF_SCHEMA, SHELF_VERSION, type ShelfDocument } from '../documents/shelf.js';
import { tripProblems } from '../documents/trip-rules.js';
import { TRIP_SCHEMA, TRIP_VERSION, type Trip } from '../documents/trip.js';
import { packingSchema, rehearsalSchema } from './beside-schema.js';
import { unboundedProblem } from './bounded.js';
import { debriefSchema, requirementsSchema } from './debrief-schema.js';
import { gearSchema, shelfSchema } from './gear-schema.js';
import { STRICT } from './joi.js';
import { logSchema } from './log-schema.js';
import { tripSchema } from './trip-schema.js';

interface DocumentType {
  /** Values that it may hold, where not the usual number. */
  readonly most?: number;
  readonly schema: string;
  /** The version that this release writes; older ones are brought up to it (see migrate.ts). */
  readonly version: number;
  readonly what: string;
  readonly check: Joi.Schema;
}

/** Ten thousand items with their history. */
const MOST_VALUES_OF_A_SHELF = 5_000_000;

const TRIP: DocumentType = { schema: TRIP_SCHEMA, version: TRIP_VERSION, what: 'trip', check: tripSchema };
const GEAR: DocumentType = {
  schema: GEAR_SCHEMA,
  version: GEAR_VERSION,
  what: 'gear item',
  check: gearSchema,
};
const SHELF: DocumentType = {
  schema: SHELF_SCHEMA,
  version: SHELF_VERSION,
  what: 'shelf of gear',
  check: shelfSchema,
  most: MOST_VALUES_OF_A_SHELF,
};

const PACKING: DocumentType = {
  schema: PACKING_SCHEMA,
  version: PACKING_VERSION,
  what: 'packing list',
  check: packingSchema,
};
const REHEARSAL: DocumentType = {
  schema: REHEARSAL_SCHEMA,
  version: REHEARSAL_VERSION,
  what: 'rehearsal',
  check: rehearsalSchema,
};

const LOG: DocumentType = { schema: LOG_SCHEMA, version: LOG_VERSION, what: 'log', check: logSchema };

const DEBRIEF: DocumentType = {
  schema: DEBRIEF_SCHEMA,
  version: DEBRIEF_VERSION,
  what: 'debrief',
  check: debriefSchema,
};
const REQUIREMENTS: DocumentType = {
  schema: REQUIREMENTS_SCHEMA,
  version: REQUIREMENTS_VERSION,
  what: 'list of requirements',
  check: requirementsSchema,
};

/** A trip out of anything that came from outside, or every reason why it is none. */
export function readTrip(data: unknown): Result<Trip> {
  const read = readDocument<Trip>(TRIP, data);
  if (!read.ok) return read;
  const problems = tripProblems(read.value);
  return problems.length > 0 ? fail(...problems) : read;
}

export const readPacking = (data: unknown): Result<PackingDocument> =>
  readDocument<PackingDocument>(PACKING, data);

export const readRehearsal = (data: unknown): Result<RehearsalDocument> =>
  readDocument<RehearsalDocument>(REHEARSAL, data);

/** What was read and done during an outing. */
export const readLog = (data: unknown): Result<LogDocument> => readDocument<LogDocument>(LOG, data);

/** What somebody makes of an outing. */
export const readDebrief = (data: unknown): Result<DebriefNotes> => readDocument<DebriefNotes>(DEBRIEF, data);

export const readRequirements = (data: unknown): Result<RequirementsDocument> =>
  readDocument<RequirementsDocument>(REQUIREMENTS, data);

export const readGear = (data: unknown): Result<Gear> => readDocument<Gear>(GEAR, data);

/** A shelf file with unique ids. */
export function readShelf(data: unknown): Result<ShelfDocument> {
  const read = readDocument<ShelfDocument>(SHELF, data);
  if (!read.ok) return read;
  const ids = read.value.gear.map(({ id }) => id);
  const seen = new Set<string>();
  const twice = ids.findIndex((id) => seen.size === seen.add(id).size);
  return twice === -1
    ? read
    : fail({
        code: 'same-id',
        pointer: `/gear/${twice}/id`,
        sentence: `Two gear items are called “${ids[twice]}”; each needs an id of its own.`,
      });
}

function readDocument<Document>(type: DocumentType, data: unknown): Result<Document> {
  const head = unboundedProblem(data, type.most) ?? headProblem(type, data);
  if (head) return fail(head);
  const current = upToDate(data);
  const { error } = type.check.validate(current, STRICT);
  return error ? fail(...error.details.map(asProblem)) : succeed(current as Document);
}

/** Whether the data is of this type at all and of a version that can be read. */
function headProblem({ schema, version, what }: DocumentType, data: unknown): Problem | null {
  if (typeof data !== 'object' || data === null || Array.isArray(data)) {
    return { code: 'not-a-document', pointer: '', sentence: `A ${what} must be a JSON object.` };
  }
  const head = data as { schema?: unknown; version?: unknown };
  if (head.schema !== schema) {
    return {
      code: 'wrong-schema',
      pointer: '/schema',
      sentence: `A ${what} begins with "schema": "${schema}".`,
    };
  }
  if (!Number.isInteger(head.version) || (head.version as number) < 1) {
    return {
      code: 'wrong-version',
      pointer: '/version',
      sentence: `The version of a ${what} must be a whole number from 1 to ${version}.`,
    };
  }
  if ((head.version as number) > version) {
    return {
      code: 'newer-version',
      pointer: '/version',
      sentence: `This ${what} has version ${String(head.version)}; this Knapsack reads up to version ${version}. Nothing was changed; a newer Knapsack can open it.`,
    };
  }
  return null;
}

export const asProblem = ({ type, path, message }: Joi.ValidationErrorItem): Problem => ({
  code: type.replaceAll('.', '-'),
  pointer: path.map((part) => `/${String(part).replaceAll('~', '~0').replaceAll('/', '~1')}`).join(''),
  sentence: message.endsWith('.') ? message : `${message}.`,
});
