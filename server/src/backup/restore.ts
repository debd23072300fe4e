import {
  apart,
  sameDocument,
  upToDate,
  type BackupLook,
  type DifferentChoice,
  type LookedAt,
  type Restored,
  type Standing,
} from '@knapsack/contract';
import { readTrip, unboundedProblem } from '@knapsack/contract/schemas';
import type { EntityManager } from 'typeorm';
import type { Database } from '../database/database.js';
import type { KeptText } from '../documents/document-store.js';
import { collections, type Collection, type Stores } from '../documents/stores.js';
import type { Backup } from './backup.js';
import type { Kept } from './kept.js';

/** A document of a backup, how it stands to what is here, and the row that it would meet. */
interface Met extends LookedAt {
  readonly kept: Kept;
  readonly here: KeptText | null;
  /** What is here must not be written over: a later release has saved it. */
  readonly isLocked: boolean;
}

/** What a restore of a backup would find. Changes nothing. */
export function lookAtBackup(database: Database, stores: Stores, backup: Backup): Promise<BackupLook> {
  return database.read(async (manager) => {
    const { met, onlyHere } = await meet(manager, stores, backup);
    const documents = met.map(({ kind, id, name, standing, sentence }) => ({
      kind,
      id,
      name,
      standing,
      ...(sentence !== undefined && { sentence }),
    }));
    return { madeAt: backup.madeAt, documents, onlyHere };
  });
}

/**
 * Puts the documents of a backup in, all or nothing, each with the revision that it had. One that is here with other content is
 * kept or replaced; replaced, its revision goes on from both, so that no open page takes it for what it has read. What is here
 * and not in the backup stays.
 *
 * @param copyFirst makes a copy of everything before anything is replaced, and gives its name
 */
export async function restoreBackup(
  database: Database,
  stores: Stores,
  backup: Backup,
  different: DifferentChoice,
  copyFirst: () => Promise<string>,
): Promise<Restored> {
  const replaces =
    different === 'replace' &&
    (await lookAtBackup(database, stores, backup)).documents.some(({ standing }) => standing === 'different');
  const copy = replaces ? await copyFirst() : undefined;
  return database.write(async (manager) => {
    const { met } = await meet(manager, stores, backup);
    const tally = { added: 0, replaced: 0, kept: 0, same: 0, leftOut: 0 };
    for (const [kind, store] of collections(stores)) {
      const texts: KeptText[] = [];
      for (const one of met) {
        if (one.kind !== kind) continue;
        const becomes = whatBecomes(one, different);
        tally[becomes] += 1;
        if (becomes !== 'added' && becomes !== 'replaced') continue;
        const { id, name, revision, text } = one.kept;
        const next = one.here ? Math.max(one.here.revision + 1, revision) : revision;
        texts.push({ id, name, revision: next, text });
      }
      await store.keepIn(manager, texts);
    }
    tally.leftOut += met.filter(({ kind }) => !collections(stores).has(kind)).length;
    return { ...tally, ...(copy !== undefined && { copy }) };
  });
}

function whatBecomes(
  { standing, here, isLocked }: Met,
  different: DifferentChoice,
): 'added' | 'replaced' | 'kept' | 'same' | 'leftOut' {
  if (standing === 'same' || standing === 'leftOut') return standing;
  if (!here) return 'added';
  return different === 'replace' && !isLocked ? 'replaced' : 'kept';
}

async function meet(
  manager: EntityManager,
  stores: Stores,
  backup: Backup,
): Promise<{ readonly met: readonly Met[]; readonly onlyHere: number }> {
  const documents = backup.documents.flatMap(takenApart);
  const met: Met[] = [];
  let onlyHere = 0;
  const known = collections(stores);
  for (const [kind, store] of known) {
    const here = new Map((await store.rowsIn(manager)).map((row) => [row.id, row]));
    const theirs = documents.filter((one) => one.kind === kind);
    met.push(...theirs.map((kept) => meetOne(store, kept, here.get(kept.id) ?? null)));
    const ids = new Set(theirs.map(({ id }) => id));
    onlyHere += [...here.keys()].filter((id) => !ids.has(id)).length;
  }
  for (const kept of documents.filter(({ kind }) => !known.has(kind))) {
    met.push(leftOut(kept, 'A later release of Knapsack has made it; this one has no room for it.'));
  }
  return { met, onlyHere };
}

function meetOne(store: Collection, kept: Kept, here: KeptText | null): Met {
  const { kind, id, text } = kept;
  const isLocked = here !== null && store.wrongWith(here)?.isLater === true;
  const standing = (word: Standing, sentence?: string, named = kept): Met => ({
    ...{ kind, id, name: named.name, standing: word, kept: named, here, isLocked },
    ...(sentence !== undefined && { sentence }),
  });
  if (here && here.text === text) return standing('same');
  const wrong = store.wrongWith(kept);
  // What this release cannot read is put back as it was, where nothing else is of its name.
  if (wrong) return here ? leftOut(kept, wrong.sentence) : standing('setAside', wrong.sentence);
  const data = JSON.parse(text) as unknown;
  const read = store.validate(data);
  if (!read.ok) return leftOut(kept, read.problems[0].sentence);
  const ownId = store.idOf(read.value as never);
  if (ownId !== id) return leftOut(kept, `Its own id is “${ownId}”.`);
  const word = !here ? 'new' : isSame(here.text, read.value) ? 'same' : 'different';
  return standing(word, undefined, { ...kept, name: store.nameOf(read.value as never) });
}

/**
 * A document of a backup; a trip that an earlier release saved with its ticks and results in it (see TicksBesideTrips) as the two
 * or three that it is now.
 */
function takenApart(kept: Kept): readonly Kept[] {
  if (kept.kind !== 'trips') return [kept];
  // Only where it can be: every trip of a large backup would be read twice.
  if (!/"(packed|results)"/.test(kept.text)) return [kept];
  const read = readTrip(parsed(kept.text));
  if (!read.ok) return [kept];
  const { trip, packing, rehearsal } = apart(read.value);
  if (!packing && !rehearsal) return [kept];
  const beside = (kind: keyof Stores, document: object | null): readonly Kept[] =>
    document ? [{ kind, id: kept.id, name: kept.id, revision: 1, text: JSON.stringify(document) }] : [];
  return [
    { ...kept, text: JSON.stringify(trip) },
    ...beside('packings', packing),
    ...beside('rehearsals', rehearsal),
  ];
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

const leftOut = (kept: Kept, sentence: string): Met => ({
  ...{ kind: kept.kind, id: kept.id, name: kept.name, standing: 'leftOut', sentence, kept },
  ...{ here: null, isLocked: false },
});

/** Whether a row holds a document, whatever the order of its fields and the version that it was saved in. */
function isSame(text: string, document: unknown): boolean {
  try {
    const data = JSON.parse(text) as unknown;
    return unboundedProblem(data) === null && sameDocument(upToDate(data), document);
  } catch {
    return false;
  }
}
