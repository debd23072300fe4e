import { readFileSync } from 'node:fs';
import type { ReachView } from '@knapsack/contract';
import type { Response } from 'supertest';
import { runningApp, type RunningApp } from '../testing/running-app.js';
import { tokenIn } from './access.js';
import { Devices } from './devices.js';
import { pathOf } from './login-routes.js';
import { keepSecret, PassphraseFile, secretOf, type PassphraseSecret } from './passphrase.js';
import { readReach } from './reach.js';

const PASSPHRASE = 'four words of sea';
const ADDRESS = 'http://192.168.1.20:4173';

describe('a Knapsack that other devices reach', () => {
  let app: RunningApp;
  let secret: PassphraseSecret;
  beforeAll(async () => (secret = await secretOf(PASSPHRASE)));
  afterEach(() => app.close());

  const open = async (environment: NodeJS.ProcessEnv) => {
    app = await runningApp((folder) => {
      keepSecret(folder, secret);
      return {
        reach: readReach(environment)!,
        passphrase: new PassphraseFile(folder),
        devices: new Devices(folder),
        addresses: () => [ADDRESS],
      };
    });
  };
  const onLan = () => open({ KNAPSACK_LISTEN: '192.168.1.20' });
  const from = (host = '192.168.1.20:4173') => ({ Host: host, Origin: `http://${host}` });
  const logIn = (passphrase = PASSPHRASE, more: Readonly<Record<string, string>> = from(), next = '/gear') =>
    app.api.post('/login').set(more).type('form').send({ passphrase, device: 'phone', next });
  const cookieIn = (response: Response) =>
    String((response.headers['set-cookie'] as unknown as string[])[0]).split(';')[0]!;

  it('answers nothing but the login without the passphrase, on every route', async () => {
    await onLan();
    const source = readFileSync(new URL('../../src/api/app.ts', import.meta.url), 'utf8');
    const mounts = [...source.matchAll(/'(\/api\/[a-z-]+)'/g)].map(([, path]) => path!);
    expect(new Set(mounts).size).toBeGreaterThan(15);
    for (const mount of [
      ...mounts,
      '/api',
      '/api/nonsense',
      '/API/trips',
      '/ngsw.json',
      '/main-ABCDEFGH.js',
      '/manifest.webmanifest',
    ]) {
      for (const path of [mount, `${mount}/gannet-rock-light`, `${mount}?x=1`]) {
        for (const method of ['get', 'post', 'put', 'delete'] as const) {
          const { status, text } = await app.api[method](path).set(from()).set('If-Match', '"1"');
          expect(status).withContext(`${method} ${path}`).toBe(401);
          expect(text).toContain('Log in first');
        }
      }
    }
    // A person who opens a page is led to the login; it sets no cookie by itself.
    const page = await app.api
      .get('/trips/a?b=c')
      .set('Host', from().Host)
      .set('Accept', 'text/html')
      .expect(303);
    expect(page.headers['location']).toBe('/login?next=%2Ftrips%2Fa%3Fb%3Dc');
    const login = await app.api.get('/login?next=/gear').set('Host', from().Host).expect(200);
    expect(login.headers['set-cookie']).toBeUndefined();
    expect(login.text).toContain('plain http');
    expect(login.text).toContain('value="/gear"');
    await app.api.get('/login/look.css').set('Host', from().Host).expect(200);
  });

  it('lets an instrument in with its token alone, for its lines and nothing else', async () => {
    await onLan();
    const Cookie = cookieIn(await logIn());
    const made = await app.api
      .post('/api/instruments')
      .set({ ...from(), Cookie })
      .send({ name: 'monitor' })
      .expect(201);
    const Authorization = `Bearer ${(made.body as { token: string }).token}`;
    const send = (path: string, more: object) =>
      app.api
        .post(path)
        .set({ Host: from().Host, ...more })
        .type('text/plain')
        .send('B 0 13.12 -0.84 87 -2.31 640');
    // It is let in as far as the lines are taken: there is no such trip here.
    await send('/api/lines/gannet-rock-light', { Authorization }).expect(404);
    await send('/api/lines/gannet-rock-light', { Authorization: `Bearer ${'x'.repeat(43)}` }).expect(401);
    await send('/api/lines/gannet-rock-light', {}).expect(403);
    await app.api.get('/api/logs/gannet-rock-light').set({ Host: from().Host, Authorization }).expect(401);
    await app.api.get('/api/lines/gannet-rock-light').set({ Host: from().Host, Authorization }).expect(401);
    await app.api
      .post('/api/demo')
      .set({ ...from(), Authorization })
      .expect(401);
  });

  it('asks on this machine too, whatever a proxy says of the address', async () => {
    await onLan();
    for (const headers of [
      {},
      { 'X-Forwarded-For': '127.0.0.1' },
      { 'X-Real-IP': '127.0.0.1', Forwarded: 'for=127.0.0.1' },
    ])
      await app.api.get('/api/trips').set('Host', '127.0.0.1:4173').set(headers).expect(401);
  });

  it('lets in who knows the passphrase, by a cookie that no script reads and no other site sends', async () => {
    await onLan();
    const wrong = await logIn('four words of see').expect(401);
    expect(wrong.headers['set-cookie']).toBeUndefined();
    expect(wrong.text).toContain('That is not the passphrase.');
    const right = await logIn().expect(303);
    expect(right.headers['location']).toBe('/gear');
    expect(right.headers['set-cookie']![0]).toMatch(
      /^knapsack_device=[\w-]{43}; Path=\/; HttpOnly; SameSite=Strict; Max-Age=\d+$/,
    );
    const Cookie = cookieIn(right);
    await app.api
      .get('/api/trips')
      .set({ ...from(), Cookie })
      .expect(200);
    await app.api
      .post('/api/demo')
      .set({ ...from(), Cookie })
      .expect(204);
    // The session does not do for another site, nor for what says nothing of where it comes from.
    await app.api.post('/api/demo').set({ Host: from().Host, Cookie }).expect(403);
    await app.api
      .post('/api/demo')
      .set({ ...from(), Origin: 'http://evil.example', Cookie })
      .expect(403);
    await app.api.get('/api/trips').set({ Host: 'evil.example', Cookie }).expect(403);
    await app.api
      .get('/api/trips')
      .set({ ...from(), Origin: 'null', Cookie })
      .expect(403);
  });

  it('takes no login from another site', async () => {
    await onLan();
    await logIn(PASSPHRASE, { ...from(), Origin: 'http://evil.example' }).expect(403);
    await logIn(PASSPHRASE, { Host: from().Host }).expect(403);
  });

  it('lists devices, sends them away, and lets this one leave', async () => {
    await onLan();
    const [phone, laptop] = [cookieIn(await logIn()), cookieIn(await logIn())];
    const as = (Cookie: string) => ({ ...from(), Cookie });
    const view = (await app.api.get('/api/reach').set(as(laptop)).expect(200)).body as ReachView & {
      on: true;
    };
    expect(view.addresses).toEqual([ADDRESS]);
    expect(view.isPlain).toBeTrue();
    expect(view.devices.map(({ name, isThis }) => [name, isThis]).sort()).toEqual([
      ['phone', false],
      ['phone', true],
    ]);
    const { id } = view.devices.find(({ isThis }) => !isThis)!;
    await app.api.delete(`/api/reach/devices/${id}`).set(as(laptop)).expect(204);
    await app.api.delete(`/api/reach/devices/${id}`).set(as(laptop)).expect(404);
    for (const method of ['get', 'post'] as const) {
      const away = await app.api[method]('/api/logs/a').set(as(phone)).expect(401);
      expect(away.headers['knapsack-device']).toBe('sent-away');
    }
    const mine = view.devices.find(({ isThis }) => isThis)!.id;
    const left = await app.api.delete(`/api/reach/devices/${mine}`).set(as(laptop)).expect(204);
    expect(left.headers['set-cookie']![0]).toContain('Max-Age=0');
    const gone = await app.api.get('/api/trips').set(as(laptop)).expect(401);
    expect(gone.headers['knapsack-device']).toBeUndefined();
    await app.api
      .get('/api/reach/code.svg')
      .set(as(cookieIn(await logIn())))
      .expect('Content-Type', /svg/)
      .expect(200);
  });

  it('asks anew when another passphrase is set while it runs', async () => {
    await onLan();
    const Cookie = cookieIn(await logIn());
    keepSecret(app.folder, await secretOf('five words of the sea'));
    await app.api
      .get('/api/trips')
      .set({ ...from(), Cookie })
      .expect(401);
    await logIn().expect(401);
    await logIn('five words of the sea').expect(303);
  });

  it('limits wrong attempts of an address, whatever X-Forwarded-For says', async () => {
    await onLan();
    for (let attempt = 0; attempt < 10; attempt++)
      await logIn('wrong', { ...from(), 'X-Forwarded-For': `10.0.0.${attempt}` }).expect(401);
    const limited = await logIn(PASSPHRASE, { ...from(), 'X-Forwarded-For': '10.0.0.99' }).expect(429);
    expect(limited.text).toContain('Too many wrong passphrases');
    expect(Number(limited.headers['retry-after'])).toBeGreaterThan(0);
  });

  it('waits longer each time behind a proxy, and sends its cookie over https alone', async () => {
    await open({ KNAPSACK_ORIGIN: 'https://knapsack.example' });
    const proxied = { Host: '127.0.0.1:4173', Origin: 'https://knapsack.example' };
    expect((await logIn(PASSPHRASE, proxied).expect(303)).headers['set-cookie']![0]).toContain('; Secure');
    for (let attempt = 0; attempt < 3; attempt++) await logIn('wrong', proxied).expect(401);
    const paused = await logIn(PASSPHRASE, proxied).expect(429);
    expect(paused.text).toContain('Wait 1 second');
    const login = await app.api.get('/login').set('Host', 'knapsack.example').expect(200);
    expect(login.text).not.toContain('plain http');
  });

  it('answers on this machine alone as before where nothing is set', async () => {
    app = await runningApp();
    await app.api.get('/api/trips').expect(200);
    expect((await app.api.get('/api/reach').expect(200)).body).toEqual({ on: false });
    await app.api.get('/login').expect(404);
    await app.api.post('/api/demo').expect(204);
    await app.api.get('/api/trips').set('Host', '192.168.1.20:4173').expect(403);
  });

  it('goes on to its own pages alone', async () => {
    app = await runningApp();
    for (const path of ['/', '/trips/a?b=c#d', '/gear']) expect(pathOf(path)).toBe(path);
    for (const path of [
      '//evil.example',
      '/\\evil.example',
      'https://evil.example',
      '/a\nb',
      '',
      undefined,
      ['/a'],
      `/${'a'.repeat(600)}`,
    ])
      expect(pathOf(path)).toBe('/');
    expect(tokenIn(`a=b; knapsack_device=${'x'.repeat(43)}`)).toBe('x'.repeat(43));
    for (const header of [
      undefined,
      '',
      'knapsack_device=',
      'knapsack_device=short',
      `other_knapsack_device=${'x'.repeat(43)}`,
    ])
      expect(tokenIn(header)).toBeNull();
  });
});
