/** A backup: a zip with `backup.json`, which says what is in it, and each document as a file of open JSON. */
export const BACKUP_SCHEMA = 'knapsack.backup';
export const BACKUP_VERSION = 1;
/** The file in the zip that says what is in it. */
export const MANIFEST_FILE = 'backup.json';

/** A document of a backup, in a file of its own. */
export interface BackupEntry {
  /** The collection that it belongs to, such as `trips` or `gear`. */
  readonly kind: string;
  readonly id: string;
  readonly name: string;
  /** How often it had been written where the backup was made. */
  readonly revision: number;
  /** Its file in the zip. */
  readonly file: string;
  /** SHA-256 of the file, hexadecimal. */
  readonly sha256: string;
}

export interface BackupManifest {
  readonly schema: typeof BACKUP_SCHEMA;
  readonly version: number;
  /** ISO 8601, UTC. */
  readonly madeAt: string;
  /** Documents by collection. */
  readonly counts: Readonly<Record<string, number>>;
  readonly documents: readonly BackupEntry[];
}

/**
 * How a document of a backup stands to what is here: not here, here and the same, here with other content, of a later release
 * or damaged in the backup already (it is put back as it is, and set aside), or nothing that could be put back.
 */
export type Standing = 'new' | 'same' | 'different' | 'setAside' | 'leftOut';

export interface LookedAt {
  readonly kind: string;
  readonly id: string;
  readonly name: string;
  readonly standing: Standing;
  /** Why it is set aside or left out. */
  readonly sentence?: string;
}

/** What a restore would find; nothing is changed by a look. */
export interface BackupLook {
  /** ISO 8601, UTC. */
  readonly madeAt: string;
  readonly documents: readonly LookedAt[];
  /** Documents that are here and not in the backup; they stay. */
  readonly onlyHere: number;
}

/** What becomes of a document that is here with other content. */
export const DIFFERENT_CHOICES = ['keep', 'replace'] as const;
export type DifferentChoice = (typeof DIFFERENT_CHOICES)[number];

export interface Restored {
  /** Documents put in that were not here. */
  readonly added: number;
  readonly replaced: number;
  /** Documents with other content that stayed as they were here. */
  readonly kept: number;
  readonly same: number;
  readonly leftOut: number;
  /** The copy that was made of everything before; absent where nothing was replaced. */
  readonly copy?: string;
}

/** A copy of the data file that the server has made. */
export interface DataCopy {
  readonly name: string;
  /** ISO 8601, UTC. */
  readonly madeAt: string;
  readonly bytes: number;
}

export interface DataCopies {
  /** Where they lie on this computer. */
  readonly folder: string;
  /** The newest first. */
  readonly copies: readonly DataCopy[];
  /** Why the last one could not be made; null where it could. */
  readonly problem: string | null;
}

/** What came of looking at the whole data file. */
export interface FileCheck {
  readonly documents: number;
  readonly bytes: number;
  /** What SQLite found wrong, in its own words; empty where the file is whole. */
  readonly faults: readonly string[];
}

/** "3 trips and 41 gear items". */
export function sayCounts(counts: Readonly<Record<string, number>>): string {
  const parts = Object.entries(counts).map(([kind, count]) => {
    const [one, many] = KIND_WORDS.get(kind) ?? [kind, kind];
    return `${count} ${count === 1 ? one : many}`;
  });
  return parts.length > 1 ? `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}` : (parts[0] ?? 'nothing');
}

const KIND_WORDS: ReadonlyMap<string, readonly [one: string, many: string]> = new Map([
  ['trips', ['trip', 'trips']],
  ['gear', ['gear item', 'gear items']],
  ['packings', ['packing list', 'packing lists']],
  ['rehearsals', ['rehearsal', 'rehearsals']],
  ['logs', ['log', 'logs']],
  ['debriefs', ['debrief', 'debriefs']],
  ['requirements', ['list of requirements', 'lists of requirements']],
]);

/** How many documents there are of each kind. */
export function countsOf(documents: readonly Pick<LookedAt, 'kind'>[]): Readonly<Record<string, number>> {
  const counts = new Map<string, number>();
  for (const { kind } of documents) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  return Object.fromEntries(counts);
}

/** "29 kB", "1.4 MB" (1000 bytes, 1000 kB). */
export const sayBytes = (bytes: number): string =>
  bytes < 1e6 ? `${Math.ceil(bytes / 1e3)} kB` : `${(bytes / 1e6).toFixed(1)} MB`;
