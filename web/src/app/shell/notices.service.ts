import { inject, Injectable, signal } from '@angular/core';
import { SpeechService } from './speech.service';

/** A short message, with a way back where there is one. */
export interface Notice {
  readonly text: string;
  readonly action?: { readonly label: string; readonly run: () => void };
}

/** How long a message stays that asks for nothing, ms. One with a way back has no clock: it stays until the next or until it is let go. */
const STAYS_MS = 8000;

const sayNotice = ({ text, action }: Notice): string =>
  action ? `${text} At the end of the page: ${action.label}.` : text;

/** The one place where messages about things done appear, and are said. */
@Injectable({ providedIn: 'root' })
export class NoticesService {
  private readonly speech = inject(SpeechService);
  readonly notice = signal<Notice | null>(null);
  private timer: ReturnType<typeof setTimeout> | undefined;

  /** @param spoken whether it is said as well; not where something else says it */
  show(notice: Notice, spoken: 'spoken' | 'unspoken' = 'spoken'): void {
    clearTimeout(this.timer);
    this.notice.set(notice);
    if (spoken === 'spoken') this.speech.say(sayNotice(notice));
    if (!notice.action) this.timer = setTimeout(() => this.dismiss(), STAYS_MS);
  }

  dismiss(): void {
    clearTimeout(this.timer);
    this.notice.set(null);
  }
}
