import { Injectable, signal } from '@angular/core';

/** The one voice of the page: what has changed, for those who hear it. */
@Injectable({ providedIn: 'root' })
export class SpeechService {
  private readonly said = signal('');
  readonly words = this.said.asReadonly();

  /** Says something once and whole; the same again is said again. */
  say(words: string): void {
    // A text that does not change is not read out: the second time it ends in a space that nobody hears.
    this.said.update((before) => (before === words ? `${words}\u00a0` : words));
  }
}
