import { HttpBackend, HttpRequest, HttpResponse } from '@angular/common/http';
import { inject, Injectable, signal } from '@angular/core';
import { filter, firstValueFrom, Subject } from 'rxjs';
import { isOffline } from './problem-text';

const FIRST_LOOK_MS = 3000;
const LONGEST_PAUSE_MS = 60_000;

/** Whether the server answers. While it does not, it is asked again with growing pauses, and at once when the network or the page comes back. */
@Injectable({ providedIn: 'root' })
export class ServerWatch {
  // Past the interceptors, which tell this service what they hear.
  private readonly backend = inject(HttpBackend);
  private readonly isAway = signal(false);
  private timer: ReturnType<typeof setTimeout> | undefined;
  private pauseMs = FIRST_LOOK_MS;

  readonly away = this.isAway.asReadonly();
  /** It answers again. */
  readonly back = new Subject<void>();

  constructor() {
    addEventListener('online', () => this.lookNow());
    document.addEventListener('visibilitychange', () => this.lookNow());
  }

  /** An answer came, whatever it says. */
  heard(): void {
    if (!this.isAway()) return;
    clearTimeout(this.timer);
    this.pauseMs = FIRST_LOOK_MS;
    this.isAway.set(false);
    this.back.next();
  }

  /** No answer came. */
  missed(): void {
    if (this.isAway()) return;
    this.isAway.set(true);
    this.lookSoon();
  }

  private lookNow(): void {
    if (!this.isAway() || document.visibilityState !== 'visible') return;
    clearTimeout(this.timer);
    void this.look();
  }

  private lookSoon(): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.look(), this.pauseMs);
    this.pauseMs = Math.min(LONGEST_PAUSE_MS, 1.5 * this.pauseMs);
  }

  private async look(): Promise<void> {
    try {
      const ask = new HttpRequest('GET', '/api/here');
      await firstValueFrom(
        this.backend
          .handle(ask.clone({ setHeaders: PAST_THE_WORKER }))
          .pipe(filter((event) => event instanceof HttpResponse)),
      );
      this.heard();
    } catch (error) {
      if (!isOffline(error)) return this.heard();
      // Nobody looks at a page that lies in the background.
      if (document.visibilityState === 'visible') this.lookSoon();
    }
  }
}

/** The page speaks to the server itself: its service worker would answer in its place where there is none. */
export const PAST_THE_WORKER = { 'ngsw-bypass': 'true' } as const;
