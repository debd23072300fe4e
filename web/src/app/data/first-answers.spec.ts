import { HttpRequest, HttpResponse, type HttpEvent } from '@angular/common/http';
import { firstValueFrom, of } from 'rxjs';
import { firstAnswer, firstAnswers, takeFirstAnswers } from './first-answers';

describe('what the server was asked before the page stood', () => {
  const fromServer = new HttpResponse({ status: 200, body: 'asked again' });
  const bodyOf = async (method: 'GET' | 'DELETE', url: string) => {
    const request = new HttpRequest(method as 'GET', url);
    const event = await firstValueFrom(firstAnswers(request, () => of<HttpEvent<unknown>>(fromServer)));
    return event as HttpResponse<unknown>;
  };
  const waits = (...answers: [string, { etag: string | null; body: unknown } | null][]) => {
    globalThis.firstAnswers = answers.map(([url, answer]) => [url, Promise.resolve(answer)]);
    takeFirstAnswers();
  };

  beforeEach(() => jasmine.clock().install());
  afterEach(() => {
    jasmine.clock().tick(60_000);
    jasmine.clock().uninstall();
    globalThis.firstAnswers = undefined;
  });

  it('is the answer to whoever asks for it, with its revision, once', async () => {
    waits(['/api/trips/islet', { etag: '"3"', body: { id: 'islet' } }]);
    expect(await firstAnswer('/api/trips/islet')).toEqual({ id: 'islet' });
    const answer = await bodyOf('GET', '/api/trips/islet');
    expect(answer.body).toEqual({ id: 'islet' });
    expect(answer.headers.get('ETag')).toBe('"3"');
    expect(answer.status).toBe(200);
    expect((await bodyOf('GET', '/api/trips/islet')).body).toBe('asked again');
  });

  it('is asked again where nothing came, and where nothing was asked', async () => {
    waits(['/api/gear', null]);
    expect(await firstAnswer('/api/gear')).toBeNull();
    expect(await firstAnswer('/api/trips/islet')).toBeNull();
    expect((await bodyOf('GET', '/api/gear')).body).toBe('asked again');
    expect((await bodyOf('GET', '/api/trips/islet')).body).toBe('asked again');
  });

  it('is no answer to anything that writes, nor to anybody after it', async () => {
    waits(['/api/trips/islet', { etag: '"3"', body: 'as it was' }]);
    expect((await bodyOf('DELETE', '/api/trips/islet')).body).toBe('asked again');
    expect((await bodyOf('GET', '/api/trips/islet')).body).toBe('asked again');
  });

  it('is too old after ten seconds', async () => {
    waits(['/api/gear', { etag: null, body: 'as it was' }]);
    jasmine.clock().tick(9_999);
    expect((await bodyOf('GET', '/api/gear')).body).toBe('as it was');
    waits(['/api/gear', { etag: null, body: 'as it was' }]);
    jasmine.clock().tick(10_000);
    expect((await bodyOf('GET', '/api/gear')).body).toBe('asked again');
  });
});
