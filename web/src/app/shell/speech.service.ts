import { Injectable, signal } from '@angular/core';

/** Two things that happen as near to each other as this are said in one breath, ms: the second would else cut the first off. */
const BREATH_MS = 400;

/** The one voice of the page: what has changed, for those who hear it. */
@Injectable({ providedIn: 'root' })
export class SpeechService {
  private readonly said = signal('');
  private lastAt = -Infinity;
  readonly words = this.said.asReadonly();

  /** Says something once and whole; the same again is said again. */
  say(words: string): void {
    const at = performance.now();
    const before = this.said().trim();
    const isOneBreath = at - this.lastAt < BREATH_MS && before !== words;
    this.lastAt = at;
    // A text that does not change is not read out: the second time it ends in a space that nobody hears.
    const again = this.said() === words ? `${words}\u00a0` : words;
    this.said.set(isOneBreath ? `${before} ${words}` : again);
  }
}
