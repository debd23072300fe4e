import { readFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';
import { createSecureContext } from 'node:tls';
import { StartProblem } from '../database/start-problem.js';

/** How Knapsack is reached from other devices. Without one it answers on this machine alone, and asks for no passphrase. */
export interface Reach {
  /** Address that the server listens on: 0.0.0.0 for the whole network. */
  readonly listen: string;
  /** The user's own certificate and key, PEM; null for plain http. */
  readonly tls: { readonly cert: Buffer; readonly key: Buffer } | null;
  /** Where a proxy in front of it is reached, for example https://knapsack.example; null where there is none. */
  readonly origin: string | null;
  /** Names by which it may be called in the Host header, beside its addresses. */
  readonly names: readonly string[];
}

/** Whether browsers reach it over https, by its own certificate or a proxy's. */
export const isEncrypted = ({ tls, origin }: Reach): boolean =>
  tls !== null || (origin?.startsWith('https:') ?? false);

const NAME = /^[a-z0-9]([a-z0-9.-]{0,250}[a-z0-9])?$/i;

/**
 * What the environment says of reach: KNAPSACK_LISTEN (an address of this machine, or `lan` for all), KNAPSACK_NAMES (names in
 * Host, with commas between them), KNAPSACK_TLS_CERT and KNAPSACK_TLS_KEY (files, PEM), KNAPSACK_ORIGIN (of a proxy).
 *
 * @returns null where none of them is set
 * @throws StartProblem with a sentence about the first that would not do
 */
export function readReach(environment: NodeJS.ProcessEnv): Reach | null {
  const { KNAPSACK_LISTEN: listen, KNAPSACK_NAMES: names, KNAPSACK_ORIGIN: origin } = environment;
  const { KNAPSACK_TLS_CERT: cert, KNAPSACK_TLS_KEY: key } = environment;
  if (!(listen || names || origin || cert || key)) return null;
  return {
    listen: listenOf(listen || '127.0.0.1'),
    tls: tlsOf(cert, key),
    origin: origin ? originOf(origin) : null,
    names: namesOf(names ?? ''),
  };
}

function listenOf(text: string): string {
  if (text === 'lan') return '0.0.0.0';
  if (isIP(text) === 0) {
    throw new StartProblem(
      `KNAPSACK_LISTEN must be an address of this machine, such as 192.168.1.20, or lan for its whole network; “${text}” is neither.`,
    );
  }
  return text;
}

function namesOf(text: string): readonly string[] {
  const names = text
    .split(',')
    .map((name) => name.trim().toLowerCase())
    .filter(Boolean);
  const wrong = names.find((name) => !NAME.test(name));
  if (wrong !== undefined) {
    throw new StartProblem(
      `KNAPSACK_NAMES must be names with commas between them, such as shack.local,radio.example; “${wrong}” is none.`,
    );
  }
  return names;
}

function originOf(text: string): string {
  const url = URL.canParse(text) ? new URL(text) : null;
  if (
    !url ||
    !/^https?:$/.test(url.protocol) ||
    url.pathname !== '/' ||
    url.search ||
    url.hash ||
    url.username
  ) {
    throw new StartProblem(
      `KNAPSACK_ORIGIN must be how the proxy is reached, such as https://knapsack.example; “${text}” is not.`,
    );
  }
  return url.origin;
}

function tlsOf(cert: string | undefined, key: string | undefined): Reach['tls'] {
  if (!cert && !key) return null;
  if (!cert || !key) {
    throw new StartProblem(
      'KNAPSACK_TLS_CERT and KNAPSACK_TLS_KEY go together: name both files, or neither.',
    );
  }
  const tls = { cert: fileOf('KNAPSACK_TLS_CERT', cert), key: fileOf('KNAPSACK_TLS_KEY', key) };
  try {
    createSecureContext(tls);
  } catch (error) {
    throw new StartProblem(
      `The certificate ${cert} and the key ${key} do not do together: ${(error as Error).message}.`,
    );
  }
  return tls;
}

function fileOf(name: string, path: string): Buffer {
  try {
    return readFileSync(path);
  } catch (error) {
    throw new StartProblem(`${name} names ${path}, which cannot be read: ${(error as Error).message}.`);
  }
}

/** Addresses of this machine in its networks; IPv4 first, those of the link alone left out. */
export function networkAddresses(interfaces = networkInterfaces()): readonly string[] {
  const all = Object.values(interfaces)
    .flatMap((addresses = []) => addresses)
    .filter(({ internal, address }) => !internal && !address.startsWith('fe80:'));
  return [
    ...all.filter(({ family }) => family === 'IPv4'),
    ...all.filter(({ family }) => family === 'IPv6'),
  ].map(({ address }) => address);
}

const LOOPBACK = ['127.0.0.1', 'localhost', '[::1]'];
const inUrl = (address: string): string => (isIP(address) === 6 ? `[${address}]` : address);
const isEvery = (address: string): boolean => address === '0.0.0.0' || address === '::';

/** Names that may stand in the Host header, in small letters and without a port: no other site's name leads here (DNS rebinding). */
export function hostsOf(
  reach: Reach | null,
  addresses = networkAddresses(),
  name = hostname(),
): ReadonlySet<string> {
  if (!reach) return new Set(LOOPBACK);
  const { listen, names, origin } = reach;
  const machine = name.toLowerCase().replace(/\.local$/, '');
  const own = isEvery(listen) ? [...addresses.map(inUrl), machine, `${machine}.local`] : [inUrl(listen)];
  return new Set([...LOOPBACK, ...own, ...names, ...(origin ? [new URL(origin).hostname] : [])]);
}

/** Where other devices find it, the likeliest first. */
export function addressesOf(reach: Reach, port: number, addresses = networkAddresses()): readonly string[] {
  const scheme = reach.tls ? 'https' : 'http';
  const at = (host: string) => `${scheme}://${host}:${port}`;
  // Who listens on all addresses of IPv4 listens on none of IPv6.
  const heard = addresses.filter((address) => reach.listen !== '0.0.0.0' || isIP(address) === 4);
  const own = isEvery(reach.listen) ? heard.map((address) => at(inUrl(address))) : [at(inUrl(reach.listen))];
  return [...(reach.origin ? [reach.origin] : []), ...reach.names.map(at), ...own];
}
