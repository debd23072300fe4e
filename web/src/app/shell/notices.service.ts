import { Injectable, signal } from '@angular/core';

/** A short message, with a way back where there is one. */
export interface Notice {
  readonly text: string;
  readonly action?: { readonly label: string; readonly run: () => void };
}

const STAYS_MS = 8000;

/** The one place where messages about things done appear. */
@Injectable({ providedIn: 'root' })
export class NoticesService {
  readonly notice = signal<Notice | null>(null);
  private timer: ReturnType<typeof setTimeout> | undefined;

  show(notice: Notice): void {
    clearTimeout(this.timer);
    this.notice.set(notice);
    this.timer = setTimeout(() => this.dismiss(), STAYS_MS);
  }

  dismiss(): void {
    clearTimeout(this.timer);
    this.notice.set(null);
  }
}
