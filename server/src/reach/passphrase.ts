import { randomBytes, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto';
import { mkdirSync, readFileSync, renameSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

/** Where a data folder keeps the passphrase; it goes into no backup. */
export const PASSPHRASE_FILE = 'passphrase.json';

export const SHORTEST_PASSPHRASE = 10;
export const LONGEST_PASSPHRASE = 200;

/** What is kept of a passphrase: scrypt's figures, salt and key (RFC 7914), not the passphrase. */
export interface PassphraseSecret {
  readonly schema: 'knapsack.passphrase';
  readonly version: 1;
  readonly cost: number;
  readonly blockSize: number;
  readonly parallel: number;
  /** Base64. */
  readonly salt: string;
  /** Base64. */
  readonly key: string;
}

const KEY_BYTES = 32;
/** 32 MiB and about a tenth of a second for an attempt. */
const COST = { cost: 2 ** 15, blockSize: 8, parallel: 1 };

/** Why a text does not do as a passphrase, or null where it does. */
export function passphraseProblem(text: string): string | null {
  if (text.length < SHORTEST_PASSPHRASE)
    return `A passphrase has at least ${SHORTEST_PASSPHRASE} characters: four words that nobody expects together are easy to remember.`;
  return text.length > LONGEST_PASSPHRASE
    ? `A passphrase has at most ${LONGEST_PASSPHRASE} characters.`
    : null;
}

/** What is kept of a new passphrase. */
export async function secretOf(passphrase: string): Promise<PassphraseSecret> {
  const salt = randomBytes(16);
  const key = await derive(passphrase, salt, COST);
  return {
    ...{ schema: 'knapsack.passphrase', version: 1, ...COST },
    ...{ salt: salt.toString('base64'), key: key.toString('base64') },
  };
}

/** Whether a text is the passphrase; it takes as long either way. */
export async function isPassphrase(text: string, secret: PassphraseSecret): Promise<boolean> {
  if (text.length > LONGEST_PASSPHRASE) return false;
  const known = Buffer.from(secret.key, 'base64');
  const key = await derive(text, Buffer.from(secret.salt, 'base64'), secret);
  return known.length === key.length && timingSafeEqual(known, key);
}

/** Writes it so that the user alone reads it, whole or not at all. */
export function keepSecret(folder: string, secret: PassphraseSecret): void {
  keepPrivate(join(folder, PASSPHRASE_FILE), secret);
}

/** A file of mode 0600 with a value as JSON. */
export function keepPrivate(path: string, value: unknown): void {
  mkdirSync(dirname(path), { recursive: true, mode: 0o700 });
  const draft = `${path}.${process.pid}.new`;
  writeFileSync(draft, `${JSON.stringify(value, null, 2)}\n`, { mode: 0o600 });
  renameSync(draft, path);
}

/** The passphrase of a data folder; one that is set while the server runs counts from the next request. */
export class PassphraseFile {
  private readonly path: string;
  private stamp = '';
  private secret: PassphraseSecret | null = null;

  constructor(folder: string) {
    this.path = join(folder, PASSPHRASE_FILE);
  }

  /** Null where none was ever set. */
  current(): PassphraseSecret | null {
    const { ino, mtimeMs } = statSync(this.path, { throwIfNoEntry: false }) ?? { ino: 0, mtimeMs: 0 };
    const stamp = `${ino} ${mtimeMs}`;
    if (stamp !== this.stamp) {
      this.stamp = stamp;
      this.secret = ino === 0 && mtimeMs === 0 ? null : readSecret(this.path);
    }
    return this.secret;
  }
}

function readSecret(path: string): PassphraseSecret | null {
  try {
    const secret = JSON.parse(readFileSync(path, 'utf8')) as PassphraseSecret;
    return secret.schema === 'knapsack.passphrase' && secret.version === 1 ? secret : null;
  } catch {
    return null;
  }
}

/** One attempt after the other: a hundred at once must not take a hundred times the memory. */
let lastAttempt: Promise<unknown> = Promise.resolve();

function derive(
  text: string,
  salt: Buffer,
  { cost, blockSize, parallel }: Pick<PassphraseSecret, 'cost' | 'blockSize' | 'parallel'>,
): Promise<Buffer> {
  const options: ScryptOptions = {
    cost,
    blockSize,
    parallelization: parallel,
    maxmem: 256 * cost * blockSize,
  };
  const attempt = () =>
    new Promise<Buffer>((done, failed) =>
      scrypt(text.normalize('NFC'), salt, KEY_BYTES, options, (error, key) =>
        error ? failed(error) : done(key),
      ),
    );
  const turn = lastAttempt.then(attempt, attempt);
  lastAttempt = turn.catch(() => undefined);
  return turn;
}
