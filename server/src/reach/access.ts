import type { Device, Devices } from './devices.js';
import type { PassphraseFile } from './passphrase.js';
import { isEncrypted, type Reach } from './reach.js';

/** Who may use a Knapsack that other devices reach. */
export interface Access {
  readonly reach: Reach;
  readonly passphrase: PassphraseFile;
  readonly devices: Devices;
  /** Where it is found, the likeliest first; known once it listens. */
  readonly addresses: () => readonly string[];
}

/** What a request brings along once its device is let in. */
export interface LetIn {
  readonly device: Device;
}

const NAME = 'knapsack_device';
/** Browsers allow 400 days at the most. */
const STAYS_S = 180 * 86_400;

/** The cookie that lets a device in: no script reads it, no other site sends it. */
export const cookieOf = (token: string, reach: Reach): string =>
  `${NAME}=${token}; Path=/; HttpOnly; SameSite=Strict; Max-Age=${STAYS_S}${isEncrypted(reach) ? '; Secure' : ''}`;

/** The same, taken back. */
export const noCookie = (reach: Reach): string =>
  `${NAME}=; Path=/; HttpOnly; SameSite=Strict; Max-Age=0${isEncrypted(reach) ? '; Secure' : ''}`;

/** The token in a Cookie header, or null. */
export function tokenIn(header: string | undefined): string | null {
  for (const part of (header ?? '').split(';')) {
    const [name, value] = part.trim().split('=');
    if (name === NAME && value && /^[\w-]{43}$/.test(value)) return value;
  }
  return null;
}
