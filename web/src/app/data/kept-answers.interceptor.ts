import {
  HttpContextToken,
  HttpErrorResponse,
  HttpHeaders,
  HttpResponse,
  type HttpEvent,
  type HttpHandlerFn,
  type HttpRequest,
} from '@angular/common/http';
import { inject } from '@angular/core';
import { catchError, filter, first, from, map, merge, switchMap, tap, timer, type Observable } from 'rxjs';
import { GEAR, isKeptDocument, KeptAnswers, type KeptAnswer } from './kept-answers.service';
import { isOffline } from './problem-text';
import { PAST_THE_WORKER, ServerWatch } from './server-watch.service';

/** Whether this answer stays on the device. A trip does where it is opened, not where only its line in the list is drawn. */
export const STAYS = new HttpContextToken(() => true);

/** Whether the device may answer where the server does not. Whoever goes on to write asks the server alone. */
export const DEVICE_MAY_ANSWER = new HttpContextToken(() => false);

/** Stands with an answer that is not the server's but this device's: when the server gave it, UTC epoch ms. */
export const KEPT_AT = 'Knapsack-Kept-At';

/** How long the server is waited for where this device has an answer: a network that swallows everything says nothing. */
const PATIENCE_MS = 4000;
/** The same, while it has not answered before. */
const LITTLE_PATIENCE_MS = 700;
const GONE: readonly number[] = [404, 410];

/**
 * What the server says of a trip that is opened stays on the device; where it does not answer, the device does in its place, and
 * says so. Tells {@link ServerWatch} what it hears.
 */
export function keptAnswers(
  request: HttpRequest<unknown>,
  next: HttpHandlerFn,
): Observable<HttpEvent<unknown>> {
  const watch = inject(ServerWatch);
  const kept = inject(KeptAnswers);
  const { urlWithParams: url, method } = request;
  const answers = next(request.clone({ setHeaders: PAST_THE_WORKER })).pipe(
    tap({
      next: (event) => {
        if (!(event instanceof HttpResponse)) return;
        watch.heard();
        takeNote(kept, request, event);
      },
      error: (error: unknown) => {
        if (isOffline(error)) return watch.missed();
        watch.heard();
        if (error instanceof HttpErrorResponse && GONE.includes(error.status) && isKeptDocument(url))
          void kept.drop(url);
      },
    }),
  );
  if (method !== 'GET' || !request.context.get(DEVICE_MAY_ANSWER)) return answers;
  const patienceMs = watch.away() ? LITTLE_PATIENCE_MS : PATIENCE_MS;
  return merge(
    answers.pipe(
      filter((event) => event instanceof HttpResponse),
      catchError((error: unknown) => {
        if (!isOffline(error)) throw error;
        return from(kept.find(url)).pipe(
          map((answer) => {
            if (!answer) throw error;
            return asResponse(url, answer);
          }),
        );
      }),
    ),
    timer(patienceMs).pipe(
      switchMap(() => kept.find(url)),
      filter((answer) => answer !== null),
      tap(() => watch.missed()),
      map((answer) => asResponse(url, answer)),
    ),
  ).pipe(first());
}

function takeNote(kept: KeptAnswers, request: HttpRequest<unknown>, answer: HttpResponse<unknown>): void {
  const { method, urlWithParams: url } = request;
  const etag = answer.headers.get('ETag');
  if (method === 'DELETE') void kept.drop(url);
  else if (method === 'POST' && url === '/api/trips')
    void kept.keep(`${url}/${(answer.body as { readonly id: string }).id}`, etag, answer.body);
  else if ((method === 'GET' && url === GEAR) || (isKeptDocument(url) && request.context.get(STAYS)))
    void kept.keep(url, etag, answer.body);
}

const asResponse = (url: string, { etag, body, atMs }: KeptAnswer): HttpResponse<unknown> =>
  new HttpResponse({
    url,
    body,
    status: 200,
    headers: new HttpHeaders({ [KEPT_AT]: String(atMs), ...(etag !== null && { ETag: etag }) }),
  });
