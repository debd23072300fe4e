import { HttpClient, HttpContext, provideHttpClient, withInterceptors } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { shelf, trip } from '@knapsack/contract/testing/outing';
import { firstValueFrom } from 'rxjs';
import { DEVICE_MAY_ANSWER, KEPT_AT, keptAnswers, STAYS } from './kept-answers.interceptor';
import { isKeptDocument, KeptAnswers } from './kept-answers.service';
import { ServerWatch } from './server-watch.service';

const ISLET = '/api/trips/islet';
const HERE = '/api/here';

const until = async (fits: () => boolean | Promise<boolean>) => {
  for (let tries = 0; tries < 300 && !(await fits()); tries++)
    await new Promise((done) => setTimeout(done, 10));
  expect(await fits()).toBeTrue();
};

describe('what stays on the device', () => {
  let http: HttpClient;
  let server: HttpTestingController;
  let kept: KeptAnswers;
  let watch: ServerWatch;

  beforeEach(async () => {
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideHttpClient(withInterceptors([keptAnswers])),
        provideHttpClientTesting(),
      ],
    });
    http = TestBed.inject(HttpClient);
    server = TestBed.inject(HttpTestingController);
    kept = TestBed.inject(KeptAnswers);
    watch = TestBed.inject(ServerWatch);
    await kept.clear();
  });
  afterEach(() => kept.clear());

  const ask = (url = ISLET, mayAnswer = true) =>
    firstValueFrom(
      http.get(url, {
        observe: 'response',
        context: new HttpContext().set(DEVICE_MAY_ANSWER, mayAnswer),
      }),
    );
  const away = (url: string) =>
    server.expectOne(url).error(new ProgressEvent('error'), { status: 0, statusText: '' });
  const answer = (url: string, body: object, etag = '"3"') =>
    server.expectOne(url).flush(body, { headers: { ETag: etag } });
  const isHere = async (url = ISLET) => (await kept.find(url)) !== null;

  it('answers in the place of a server that is away, and says since when', async () => {
    const first = ask();
    answer(ISLET, trip());
    expect((await first).headers.get(KEPT_AT)).toBeNull();
    await until(() => isHere());

    const before = Date.now();
    const second = ask();
    away(ISLET);
    const response = await second;
    expect(response.body).toEqual(trip());
    expect(response.headers.get('ETag')).toBe('"3"');
    expect(Number(response.headers.get(KEPT_AT))).toBeLessThanOrEqual(before);
    expect(watch.away()).toBeTrue();
  });

  it('brings what an earlier release kept to the version of this one', async () => {
    const { version, ...old } = trip();
    await kept.keep(ISLET, '"3"', { ...old, version: version - 1 });
    await kept.keep('/api/gear', null, [{ revision: 1, document: { ...shelf[1], version: 1 } }]);
    expect((await kept.trips())[0].trip).toEqual(trip());
    const asked = ask();
    away(ISLET);
    expect((await asked).body).toEqual(trip());
    const gear = ask('/api/gear');
    away('/api/gear');
    const [first] = (await gear).body as { document: { version: number } }[];
    expect(first.document.version).toBe(shelf[1].version);
  });

  it('answers where a network swallows the question', async () => {
    const first = ask();
    answer(ISLET, trip());
    await first;
    await until(() => isHere());
    watch.missed();
    const second = ask();
    const asked = server.expectOne(ISLET);
    expect((await second).body).toEqual(trip());
    expect(asked.cancelled).toBeTrue();
  });

  it('never answers whoever goes on to write, nor for what it does not have', async () => {
    const first = ask();
    answer(ISLET, trip());
    await first;
    await until(() => isHere());
    for (const [url, mayAnswer] of [
      [ISLET, false],
      ['/api/trips/other', true],
      ['/api/backup', true],
    ] as const) {
      const asked = ask(url, mayAnswer);
      away(url);
      await expectAsync(asked).toBeRejectedWith(jasmine.objectContaining({ status: 0 }));
    }
  });

  it('keeps what a write was answered with, and lets go of what is gone', async () => {
    const put = firstValueFrom(http.put(ISLET, {}));
    answer(ISLET, trip({ name: 'Written' }), '"4"');
    await put;
    await until(() => isHere());
    expect(await kept.find(ISLET)).toEqual(
      jasmine.objectContaining({ etag: '"4"', body: trip({ name: 'Written' }) }),
    );

    const gone = ask();
    server.expectOne(ISLET).flush({}, { status: 404, statusText: 'Not Found' });
    await expectAsync(gone).toBeRejected();
    await until(async () => !(await isHere()));
  });

  it('takes a new trip under its own address, and a new item of gear for no list', async () => {
    const made = firstValueFrom(http.post('/api/trips', {}));
    answer('/api/trips', trip());
    await made;
    await until(() => isHere());
    const gear = firstValueFrom(http.post('/api/gear', {}));
    answer('/api/gear', { id: 'shale' });
    await gear;
    expect(await isHere('/api/gear')).toBeFalse();
    expect(await isHere('/api/trips')).toBeFalse();
  });

  it('keeps no trip that was only looked at', async () => {
    const looked = firstValueFrom(http.get(ISLET, { context: new HttpContext().set(STAYS, false) }));
    answer(ISLET, trip());
    await looked;
    const log = ask('/api/logs/islet');
    answer('/api/logs/islet', { entries: [] });
    await log;
    await until(() => isHere('/api/logs/islet'));
    expect(await isHere()).toBeFalse();
  });

  it('keeps the trips that were opened last', async () => {
    for (let index = 0; index < 45; index++) {
      await kept.keep(`/api/logs/t${index}`, null, {});
      await kept.keep(`/api/trips/t${index}`, null, trip({ id: `t${index}` }));
      // Each at a moment of its own.
      await new Promise((done) => setTimeout(done, 2));
    }
    const ids = (await kept.trips()).map(({ trip: { id } }) => id);
    expect(ids.length).toBe(40);
    expect(ids[0]).toBe('t44');
    expect(ids.at(-1)).toBe('t5');
    expect(await isHere('/api/logs/t4')).toBeFalse();
    expect(await isHere('/api/logs/t5')).toBeTrue();
  });

  it('tells documents from everything else', () => {
    for (const url of [ISLET, '/api/logs/a', '/api/packings/a', '/api/rehearsals/a'])
      expect(isKeptDocument(url)).toBeTrue();
    for (const url of ['/api/trips', '/api/trips/a/file', '/api/gear/a', '/api/trips/a?x=1', '/apiXtrips/a'])
      expect(isKeptDocument(url)).toBeFalse();
  });

  it('looks until the server answers, whatever it answers, and tells that it is back', async () => {
    jasmine.clock().install();
    try {
      let back = 0;
      watch.back.subscribe(() => (back += 1));
      watch.missed();
      jasmine.clock().tick(3100);
      away(HERE);
      await Promise.resolve();
      await Promise.resolve();
      await Promise.resolve();
      expect(watch.away()).toBeTrue();
      jasmine.clock().tick(4600);
      server.expectOne(HERE).flush('', { status: 401, statusText: 'Unauthorized' });
      await Promise.resolve();
      await Promise.resolve();
      await Promise.resolve();
      expect(watch.away()).toBeFalse();
      expect(back).toBe(1);
    } finally {
      jasmine.clock().uninstall();
    }
  });
});
