import Joi from 'joi';
import { fail, succeed, type Result } from '@knapsack/core';
import {
  BACKUP_SCHEMA,
  BACKUP_VERSION,
  DIFFERENT_CHOICES,
  type BackupManifest,
  type DifferentChoice,
} from '../formats/backup.js';
import { unboundedProblem } from './bounded.js';
import { instant, oneOf, STRICT } from './joi.js';
import { asProblem } from './read.js';

/** Documents in a backup; a thousand outings a year for a lifetime. */
export const MOST_BACKED_UP = 100_000;

const count = () => Joi.number().integer().min(0).max(MOST_BACKED_UP).required();

const manifestSchema = Joi.object({
  schema: oneOf([BACKUP_SCHEMA]),
  version: Joi.number().valid(BACKUP_VERSION).required(),
  madeAt: instant(),
  counts: Joi.object().pattern(Joi.string().max(40), count()).required(),
  documents: Joi.array()
    .items(
      Joi.object({
        kind: Joi.string().max(40).required(),
        id: Joi.string().max(200).required(),
        name: Joi.string().max(500).allow('').required(),
        revision: Joi.number().integer().min(1).required(),
        file: Joi.string().max(200).required(),
        sha256: Joi.string()
          .pattern(/^[0-9a-f]{64}$/, 'a SHA-256 in hexadecimal')
          .required(),
      }),
    )
    .max(MOST_BACKED_UP)
    .required(),
});

/** What a backup says of itself, from its `backup.json`. */
export function readManifest(data: unknown): Result<BackupManifest> {
  const unbounded = unboundedProblem(data, 10 * MOST_BACKED_UP);
  if (unbounded) return fail(unbounded);
  const { schema, version } = (typeof data === 'object' && data !== null ? data : {}) as {
    schema?: unknown;
    version?: unknown;
  };
  if (schema !== BACKUP_SCHEMA) {
    return fail({ code: 'wrong-schema', sentence: 'This is no backup of Knapsack.' });
  }
  if (Number.isInteger(version) && (version as number) > BACKUP_VERSION) {
    const sentence = 'A later release of Knapsack has made this backup; that one can restore it.';
    return fail({ code: 'newer-version', sentence });
  }
  const { error } = manifestSchema.validate(data, STRICT);
  return error ? fail(...error.details.map(asProblem)) : succeed(data as BackupManifest);
}

/** What is to become of documents that are here with other content; kept as they are here where nothing is said. */
export function readDifferentChoice(word: unknown): Result<DifferentChoice> {
  if (word === undefined) return succeed('keep');
  const choice = DIFFERENT_CHOICES.find((one) => one === word);
  return choice
    ? succeed(choice)
    : fail({ code: 'any-only', sentence: `“different” is one of ${DIFFERENT_CHOICES.join(', ')}.` });
}
