import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import type { NetworkInterfaceInfo } from 'node:os';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { testCertificate } from '../testing/test-certificate.js';
import { StartProblem } from '../database/start-problem.js';
import { addressesOf, hostsOf, networkAddresses, readReach } from './reach.js';

const address = (text: string, family: 'IPv4' | 'IPv6', internal = false) =>
  ({ address: text, family, internal }) as NetworkInterfaceInfo;

describe('reach', () => {
  it('is nowhere where nothing is set', () => {
    expect(readReach({})).toBeNull();
    expect(readReach({ KNAPSACK_LISTEN: '', PORT: '1' })).toBeNull();
  });

  it('is read from the environment', () => {
    expect(readReach({ KNAPSACK_LISTEN: 'lan', KNAPSACK_NAMES: ' Shack.local, radio.example ' })).toEqual({
      listen: '0.0.0.0',
      tls: null,
      origin: null,
      names: ['shack.local', 'radio.example'],
    });
    expect(readReach({ KNAPSACK_ORIGIN: 'https://Knapsack.example/' })).toEqual({
      listen: '127.0.0.1',
      tls: null,
      origin: 'https://knapsack.example',
      names: [],
    });
  });

  it('refuses what would not do, in a sentence', () => {
    for (const [environment, words] of [
      [{ KNAPSACK_LISTEN: 'everywhere' }, 'KNAPSACK_LISTEN must be an address'],
      [{ KNAPSACK_NAMES: 'a b' }, 'KNAPSACK_NAMES must be names'],
      [{ KNAPSACK_ORIGIN: 'knapsack.example' }, 'KNAPSACK_ORIGIN must be'],
      [{ KNAPSACK_ORIGIN: 'https://knapsack.example/here' }, 'KNAPSACK_ORIGIN must be'],
      [{ KNAPSACK_TLS_CERT: 'cert.pem' }, 'go together'],
      [{ KNAPSACK_TLS_CERT: 'none.pem', KNAPSACK_TLS_KEY: 'none.pem' }, 'cannot be read'],
      [{ KNAPSACK_TLS_CERT: 'package.json', KNAPSACK_TLS_KEY: 'package.json' }, 'do not do together'],
    ] as const)
      expect(() => readReach(environment)).toThrowError(StartProblem, new RegExp(words));
  });

  it('takes a certificate and its key', () => {
    const folder = mkdtempSync(join(tmpdir(), 'knapsack-test-'));
    const { KNAPSACK_TLS_CERT, KNAPSACK_TLS_KEY } = testCertificate(folder);
    expect(readReach({ KNAPSACK_TLS_CERT, KNAPSACK_TLS_KEY })?.tls?.cert.toString()).toContain(
      'BEGIN CERTIFICATE',
    );
    writeFileSync(KNAPSACK_TLS_KEY, 'no key');
    expect(() => readReach({ KNAPSACK_TLS_CERT, KNAPSACK_TLS_KEY })).toThrowError(StartProblem);
    rmSync(folder, { recursive: true });
  });

  it('knows its own addresses, IPv4 first', () => {
    expect(
      networkAddresses({
        lo: [address('127.0.0.1', 'IPv4', true)],
        wlan0: [address('fe80::1', 'IPv6'), address('fd00::7', 'IPv6'), address('192.168.1.20', 'IPv4')],
      }),
    ).toEqual(['192.168.1.20', 'fd00::7']);
  });

  it('answers to its own names alone', () => {
    expect([...hostsOf(null)]).toEqual(['127.0.0.1', 'localhost', '[::1]']);
    const lan = readReach({ KNAPSACK_LISTEN: 'lan', KNAPSACK_NAMES: 'radio.example' })!;
    const hosts = hostsOf(lan, ['192.168.1.20', 'fd00::7'], 'Shack');
    for (const host of ['192.168.1.20', '[fd00::7]', 'shack', 'shack.local', 'radio.example', 'localhost'])
      expect(hosts.has(host)).withContext(host).toBeTrue();
    expect(hosts.has('192.168.1.21')).toBeFalse();
    const one = hostsOf(
      readReach({ KNAPSACK_LISTEN: '192.168.1.20' }),
      ['192.168.1.20', '10.0.0.1'],
      'shack',
    );
    expect(one.has('192.168.1.20')).toBeTrue();
    expect(one.has('10.0.0.1')).toBeFalse();
    expect(
      hostsOf(readReach({ KNAPSACK_ORIGIN: 'https://knapsack.example:8443' }), [], 'x').has(
        'knapsack.example',
      ),
    ).toBeTrue();
  });

  it('tells where it is found, a proxy first', () => {
    const lan = readReach({ KNAPSACK_LISTEN: 'lan', KNAPSACK_NAMES: 'radio.example' })!;
    expect(addressesOf(lan, 4173, ['192.168.1.20', 'fd00::7'])).toEqual([
      'http://radio.example:4173',
      'http://192.168.1.20:4173',
    ]);
    const both = readReach({ KNAPSACK_LISTEN: '::' })!;
    expect(addressesOf(both, 4173, ['192.168.1.20', 'fd00::7'])).toEqual([
      'http://192.168.1.20:4173',
      'http://[fd00::7]:4173',
    ]);
    expect(addressesOf(readReach({ KNAPSACK_ORIGIN: 'https://knapsack.example' })!, 4173, [])[0]).toBe(
      'https://knapsack.example',
    );
  });
});
