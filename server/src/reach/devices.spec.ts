import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { deviceName, Devices, DEVICES_FILE, STAYS_MS } from './devices.js';
import { GrowingPauses } from './growing-pauses.js';
import { isPassphrase, keepSecret, PassphraseFile, passphraseProblem, secretOf } from './passphrase.js';

const SALT = 'of today';

describe('devices that have logged in', () => {
  let folder: string;
  let nowMs = 1_800_000_000_000;
  const devices = () => new Devices(folder, () => nowMs);
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'knapsack-test-'))));
  afterEach(() => rmSync(folder, { recursive: true, force: true }));

  it('are known by a token of which only the hash is kept, also after the server was started anew', () => {
    const token = devices().letIn('phone', SALT);
    const file = join(folder, DEVICES_FILE);
    expect(readFileSync(file, 'utf8')).not.toContain(token);
    expect(statSync(file).mode & 0o777).toBe(0o600);
    const again = devices();
    expect(again.standing(token, SALT)).toEqual({
      is: 'in',
      device: jasmine.objectContaining({ name: 'phone', sinceMs: nowMs }),
    });
    expect(again.standing(`${token.slice(1)}A`, SALT).is).toBe('unknown');
    expect(JSON.stringify(again.all(SALT))).not.toMatch(/hash|salt/);
  });

  it('log in anew after another passphrase was set, or after half a year unseen', () => {
    const all = devices();
    const token = all.letIn('phone', SALT);
    expect(all.standing(token, 'of tomorrow').is).toBe('unknown');
    expect(all.all('of tomorrow')).toEqual([]);
    nowMs += STAYS_MS - 1;
    expect(all.standing(token, SALT).is).toBe('in');
    nowMs += STAYS_MS - 1;
    expect(devices().standing(token, SALT).is).toBe('in');
    nowMs += STAYS_MS;
    expect(all.standing(token, SALT).is).toBe('unknown');
  });

  it('can be sent away, and are told so for good', () => {
    const all = devices();
    const [phone, tablet] = [all.letIn('phone', SALT), all.letIn('tablet', SALT)];
    const { id } = all.all(SALT).find(({ name }) => name === 'phone')!;
    expect(all.sendAway(id)).toBeTrue();
    expect(all.sendAway(id)).toBeFalse();
    expect(devices().standing(phone, SALT).is).toBe('sentAway');
    expect(devices().standing(tablet, SALT).is).toBe('in');
    all.leave(all.all(SALT)[0].id);
    expect(all.standing(tablet, SALT).is).toBe('unknown');
  });

  it('begin anew where their file cannot be read', () => {
    writeFileSync(join(folder, DEVICES_FILE), '{"devices":7}');
    expect(devices().all(SALT)).toEqual([]);
  });

  it('have a name of one line', () => {
    expect(deviceName('  My\u0000 old\n phone ', '')).toBe('My old phone');
    expect(deviceName('', 'Browser (Mobile)')).toBe('phone');
    expect(deviceName(' ', 'Browser (X)')).toBe('computer');
    expect(deviceName('x'.repeat(99), '').length).toBe(40);
  });
});

describe('a passphrase', () => {
  it('is proved without being kept', async () => {
    const secret = await secretOf('four words of sea');
    expect(JSON.stringify(secret)).not.toContain('words');
    expect(await isPassphrase('four words of sea', secret)).toBeTrue();
    expect(await isPassphrase('four words of seA', secret)).toBeFalse();
    expect(await isPassphrase('', secret)).toBeFalse();
    expect(await isPassphrase('x'.repeat(100_000), secret)).toBeFalse();
    // The same letters, typed on another keyboard.
    const accented = await secretOf('caf\u00e9 at the quay');
    expect(await isPassphrase('cafe\u0301 at the quay', accented)).toBeTrue();
    expect((await secretOf('four words of sea')).key).not.toBe(secret.key);
  });

  it('is neither short nor endless', () => {
    expect(passphraseProblem('nine char')).toContain('at least 10');
    expect(passphraseProblem('ten charac')).toBeNull();
    expect(passphraseProblem('x'.repeat(201))).toContain('at most 200');
  });

  it('counts from the moment in which it is set', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'knapsack-test-'));
    const file = new PassphraseFile(folder);
    expect(file.current()).toBeNull();
    const first = await secretOf('four words of sea');
    keepSecret(folder, first);
    expect(file.current()).toEqual(first);
    const second = await secretOf('five words of the sea');
    keepSecret(folder, second);
    expect(file.current()).toEqual(second);
    rmSync(folder, { recursive: true });
    expect(file.current()).toBeNull();
  });
});

describe('pauses after wrong passphrases', () => {
  it('double from the third on, end at five minutes, and are forgotten after a right one', () => {
    let nowMs = 0;
    const pauses = new GrowingPauses(() => nowMs);
    const waits = Array.from({ length: 13 }, () => {
      nowMs += pauses.waitMs();
      pauses.failed();
      return pauses.waitMs() / 1000;
    });
    expect(waits).toEqual([0, 0, 1, 2, 4, 8, 16, 32, 64, 128, 256, 300, 300]);
    nowMs += 100_000;
    expect(pauses.waitMs()).toBe(200_000);
    pauses.succeeded();
    expect(pauses.waitMs()).toBe(0);
  });
});
