import {
  HttpErrorResponse,
  type HttpEvent,
  type HttpHandlerFn,
  type HttpRequest,
} from '@angular/common/http';
import { inject } from '@angular/core';
import { tap, type Observable } from 'rxjs';
import { NoticesService } from '../shell/notices.service';
import { SentAway } from '../shell/sent-away.service';

/** Leads to the login where the server asks for it; a device that was sent away clears what it holds. */
export function loggedOut(
  request: HttpRequest<unknown>,
  next: HttpHandlerFn,
): Observable<HttpEvent<unknown>> {
  const notices = inject(NoticesService);
  const sentAway = inject(SentAway);
  return next(request).pipe(
    tap({
      error: (error: unknown) => {
        if (!(error instanceof HttpErrorResponse) || error.status !== 401) return;
        if (error.headers.get('Knapsack-Device') === 'sent-away') return sentAway.clear();
        notices.show({
          text: 'Knapsack asks for its passphrase before it goes on. What you typed is kept in this browser.',
          action: { label: 'Log in', run: () => location.assign(loginAddress()) },
        });
      },
    }),
  );
}

/** The login, and from there back to where one is. */
export const loginAddress = (): string =>
  `/login?next=${encodeURIComponent(location.pathname + location.search)}`;
