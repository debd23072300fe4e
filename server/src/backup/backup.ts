import { createHash } from 'node:crypto';
import {
  BACKUP_SCHEMA,
  BACKUP_VERSION,
  countsOf,
  MANIFEST_FILE,
  type BackupEntry,
  type BackupManifest,
} from '@knapsack/contract';
import { readManifest } from '@knapsack/contract/schemas';
import { fail, succeed, type Result } from '@knapsack/core';
import type { Kept } from './kept.js';
import { unzipped, zipped } from './zip.js';

/** What a backup holds. */
export interface Backup {
  /** ISO 8601, UTC. */
  readonly madeAt: string;
  readonly documents: readonly Kept[];
}

/** Documents as a zip: what is in it, and each document in a file as it is stored. */
export function writeBackup(kept: readonly Kept[], madeAt: Date): NodeJS.ReadableStream {
  const documents: BackupEntry[] = [];
  const texts = new Map<string, string>();
  kept.forEach(({ kind, id, name, revision, text }, index) => {
    // A row that is set aside may be called anything.
    const file = PLAIN_ID.test(id) ? `${kind}/${id}.json` : `${kind}/row ${index + 1}.json`;
    texts.set(file, text);
    documents.push({ kind, id, name, revision, file, sha256: sha256(text) });
  });
  const manifest: BackupManifest = {
    schema: BACKUP_SCHEMA,
    version: BACKUP_VERSION,
    madeAt: madeAt.toISOString(),
    counts: countsOf(kept),
    documents,
  };
  return zipped(new Map([[MANIFEST_FILE, JSON.stringify(manifest, null, 1)], ...texts]), madeAt);
}

/** A backup out of a zip, or why it is none: every document that it names is there, and is what was written. */
export async function readBackup(zip: Buffer): Promise<Result<Backup>> {
  const unpacked = await unzipped(zip);
  if (!unpacked.ok) return unpacked;
  const files = unpacked.value;
  const manifest = readManifest(parsed(files.get(MANIFEST_FILE)));
  if (!manifest.ok) return manifest;
  const { madeAt, counts, documents } = manifest.value;
  const kept: Kept[] = [];
  const seen = new Set<string>();
  for (const { kind, id, name, revision, file, sha256: told } of documents) {
    const text = files.get(file)?.toString('utf8');
    if (text === undefined) return damaged(`${file} is missing`);
    if (sha256(text) !== told) return damaged(`${file} is not what was written`);
    if (seen.has(`${kind}/${id}`)) return damaged(`${kind}/${id} is in it twice`);
    seen.add(`${kind}/${id}`);
    kept.push({ kind, id, name, revision, text });
  }
  const found = Object.entries(countsOf(kept));
  if (found.length !== Object.keys(counts).length || found.some(([kind, count]) => counts[kind] !== count)) {
    return damaged('its documents are not as many as it says');
  }
  return succeed({ madeAt, documents: kept });
}

const PLAIN_ID = /^[a-z0-9][a-z0-9-]{0,79}$/;

const sha256 = (text: string): string => createHash('sha256').update(text, 'utf8').digest('hex');

function parsed(file: Buffer | undefined): unknown {
  try {
    return file && (JSON.parse(file.toString('utf8')) as unknown);
  } catch {
    return undefined;
  }
}

const damaged = (how: string): Result<never> =>
  fail({ code: 'damaged', sentence: `This backup is damaged: ${how}. Nothing was changed.` });
