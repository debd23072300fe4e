import {
  HttpHeaders,
  HttpResponse,
  type HttpEvent,
  type HttpHandlerFn,
  type HttpRequest,
} from '@angular/common/http';
import { from, of, switchMap, type Observable } from 'rxjs';

interface FirstAnswer {
  readonly etag: string | null;
  readonly body: unknown;
}

/** After this long an answer is no longer what the server says, ms. */
const FRESH_MS = 10_000;

declare global {
  /** What scripts/preload.mjs has asked the server for before any script of the page ran, by address; absent where nothing was. */
  var firstAnswers: readonly (readonly [string, Promise<FirstAnswer | null>])[] | undefined;
}

const waiting = new Map<string, Promise<FirstAnswer | null>>();

/** Keeps what was asked for before the page stood, until somebody wants it or it is no longer fresh. */
export function takeFirstAnswers(): void {
  for (const [url, answer] of globalThis.firstAnswers ?? []) {
    waiting.set(url, answer);
    setTimeout(() => waiting.delete(url), FRESH_MS);
  }
}

/** What the server said of an address before the page stood. @returns null where it was not asked, or nothing came */
export async function firstAnswer<Body>(url: string): Promise<Body | null> {
  return ((await waiting.get(url))?.body ?? null) as Body | null;
}

/** Gives the answer that is waiting to whoever asks for it, once. */
export function firstAnswers(
  request: HttpRequest<unknown>,
  next: HttpHandlerFn,
): Observable<HttpEvent<unknown>> {
  const { urlWithParams: url } = request;
  const answer = request.method === 'GET' ? waiting.get(url) : undefined;
  waiting.delete(url);
  if (!answer) return next(request);
  return from(answer).pipe(
    switchMap((first) => {
      if (!first) return next(request);
      const headers = new HttpHeaders(first.etag === null ? {} : { ETag: first.etag });
      return of(new HttpResponse({ url, status: 200, body: first.body, headers }));
    }),
  );
}
