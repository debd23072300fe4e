import { createHash, randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { keepPrivate } from './passphrase.js';

/** Where a data folder keeps which devices have logged in; it goes into no backup. */
export const DEVICES_FILE = 'devices.json';

/** A device that has logged in. */
export interface Device {
  readonly id: string;
  /** As its user called it. */
  readonly name: string;
  /** UTC epoch ms. */
  readonly sinceMs: number;
  readonly lastSeenMs: number;
}

/** A device as it is kept: its token's hash, and the passphrase that it logged in with. */
interface KeptDevice extends Device {
  readonly hash: string;
  readonly salt: string;
}

interface Kept {
  readonly devices: readonly KeptDevice[];
  /** Hashes of the tokens of devices that were sent away, so that they are told once more and clear what they hold. */
  readonly sentAway: readonly string[];
}

/** How a token stands: that of a device, of one that was sent away, or of none. */
export type Standing =
  { readonly is: 'in'; readonly device: Device } | { readonly is: 'sentAway' | 'unknown' };

/** A device that was not seen for so long logs in again. */
export const STAYS_MS = 180 * 86_400_000;
const MOST_DEVICES = 100;
const MOST_SENT_AWAY = 1000;
/** How often "last seen" is written down. */
const NOTED_EVERY_MS = 3_600_000;

const hashOf = (token: string): string => createHash('sha256').update(token).digest('base64url');

/** Devices that have logged in, each with a token of its own of which only the hash is kept. */
export class Devices {
  private kept: Kept;

  constructor(
    private readonly folder: string,
    private readonly now: () => number = Date.now,
  ) {
    this.kept = read(join(folder, DEVICES_FILE));
  }

  /** Those that are in, the last seen first. @param salt of the passphrase of today */
  all(salt: string): readonly Device[] {
    return this.kept.devices
      .filter((one) => this.isIn(one, salt))
      .map(({ hash: _hash, salt: _salt, ...device }) => device)
      .sort((a, b) => b.lastSeenMs - a.lastSeenMs);
  }

  /** Lets a device in. @returns its token, 256 bits of chance, which is told this once */
  letIn(name: string, salt: string): string {
    const token = randomBytes(32).toString('base64url');
    const nowMs = this.now();
    const device = {
      ...{ id: randomBytes(9).toString('base64url'), name, sinceMs: nowMs, lastSeenMs: nowMs },
      ...{ hash: hashOf(token), salt },
    };
    const others = this.kept.devices.filter((one) => this.isIn(one, salt)).slice(-(MOST_DEVICES - 1));
    this.keep({ ...this.kept, devices: [...others, device] });
    return token;
  }

  /** How a token stands; a device that is in has been seen by this. */
  standing(token: string, salt: string): Standing {
    const hash = hashOf(token);
    if (this.kept.sentAway.includes(hash)) return { is: 'sentAway' };
    const device = this.kept.devices.find((one) => one.hash === hash);
    if (!device || !this.isIn(device, salt)) return { is: 'unknown' };
    const nowMs = this.now();
    if (nowMs - device.lastSeenMs >= NOTED_EVERY_MS) {
      const seen = { ...device, lastSeenMs: nowMs };
      this.keep({ ...this.kept, devices: this.kept.devices.map((one) => (one === device ? seen : one)) });
    }
    return { is: 'in', device };
  }

  /** From now on it reads and sends nothing. @returns whether there was one */
  sendAway(id: string): boolean {
    const device = this.kept.devices.find((one) => one.id === id);
    if (!device) return false;
    this.keep({
      devices: this.kept.devices.filter((one) => one !== device),
      sentAway: [...this.kept.sentAway, device.hash].slice(-MOST_SENT_AWAY),
    });
    return true;
  }

  /** A device takes its leave by itself: what it holds stays. */
  leave(id: string): void {
    this.keep({ ...this.kept, devices: this.kept.devices.filter((one) => one.id !== id) });
  }

  private isIn({ salt, lastSeenMs }: KeptDevice, today: string): boolean {
    return salt === today && this.now() - lastSeenMs < STAYS_MS;
  }

  private keep(kept: Kept): void {
    this.kept = kept;
    keepPrivate(join(this.folder, DEVICES_FILE), kept);
  }
}

function read(path: string): Kept {
  try {
    const { devices, sentAway } = JSON.parse(readFileSync(path, 'utf8')) as Kept;
    return { devices: [...devices], sentAway: [...sentAway] };
  } catch {
    return { devices: [], sentAway: [] };
  }
}

/** What a device is called that its user did not name, by what its browser says of itself. */
export const likelyName = (userAgent: string): string =>
  /mobi|android|phone/i.test(userAgent) ? 'phone' : 'computer';

/** A name as it was typed, made fit to be shown in a line. */
export const deviceName = (typed: string, userAgent: string): string =>
  typed
    .replace(/[\p{C}\s]+/gu, ' ')
    .trim()
    .slice(0, 40) || likelyName(userAgent);
