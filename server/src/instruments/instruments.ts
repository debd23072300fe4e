import { createHash, randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { InstrumentView, NewInstrument } from '@knapsack/contract';
import { keepPrivate } from '../reach/passphrase.js';

/** Where a data folder keeps which instruments may send lines; it goes into no backup. */
export const INSTRUMENTS_FILE = 'instruments.json';

/** Most instruments that may send at the same time. */
export const MOST_INSTRUMENTS = 20;
/** How often "last sent" is written down. */
const NOTED_EVERY_MS = 60_000;

type Kept = InstrumentView & { readonly hash: string };

const hashOf = (token: string): string => createHash('sha256').update(token).digest('base64url');

/** Instruments that may send lines, each with a token of its own of which only the hash is kept. */
export class Instruments {
  private kept: readonly Kept[];

  constructor(
    private readonly folder: string,
    private readonly now: () => number = Date.now,
  ) {
    this.kept = read(join(folder, INSTRUMENTS_FILE));
  }

  all(): readonly InstrumentView[] {
    return this.kept.map(({ hash: _hash, ...instrument }) => instrument);
  }

  /** Null where there are as many as may be. */
  make(name: string): NewInstrument | null {
    if (this.kept.length >= MOST_INSTRUMENTS) return null;
    const token = randomBytes(32).toString('base64url');
    const instrument = { id: randomBytes(9).toString('base64url'), name, sinceMs: this.now(), lastMs: null };
    this.keep([...this.kept, { ...instrument, hash: hashOf(token) }]);
    return { ...instrument, token };
  }

  /** @returns whether there was one */
  remove(id: string): boolean {
    const rest = this.kept.filter((one) => one.id !== id);
    if (rest.length === this.kept.length) return false;
    this.keep(rest);
    return true;
  }

  /** The instrument that a token belongs to, which has sent something by this; null where it is nobody's. */
  sender(token: string): InstrumentView | null {
    const hash = hashOf(token);
    const sender = this.kept.find((one) => one.hash === hash);
    if (!sender) return null;
    const nowMs = this.now();
    if (nowMs - (sender.lastMs ?? 0) >= NOTED_EVERY_MS) {
      this.keep(this.kept.map((one) => (one === sender ? { ...one, lastMs: nowMs } : one)));
    }
    return sender;
  }

  private keep(kept: readonly Kept[]): void {
    this.kept = kept;
    keepPrivate(join(this.folder, INSTRUMENTS_FILE), kept);
  }
}

function read(path: string): readonly Kept[] {
  try {
    const kept: unknown = JSON.parse(readFileSync(path, 'utf8'));
    return Array.isArray(kept) ? (kept as Kept[]) : [];
  } catch {
    return [];
  }
}
