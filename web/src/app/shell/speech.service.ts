import { computed, Injectable, signal } from '@angular/core';

/** Two things that happen as near to each other as this are said in one breath, ms: the second would else cut the first off. */
const BREATH_MS = 400;

interface Said {
  readonly words: string;
  readonly about: string;
}

/** The one voice of the page: what has changed, for those who hear it. */
@Injectable({ providedIn: 'root' })
export class SpeechService {
  private readonly said = signal<readonly Said[]>([]);
  /** A text that does not change is not read out: every other one ends in a space that nobody hears. */
  private readonly isOdd = signal(false);
  private lastAt = -Infinity;
  readonly words = computed(
    () =>
      this.said()
        .map(({ words }) => words)
        .join(' ') + (this.isOdd() ? '\u00a0' : ''),
  );

  /**
   * Says something once and whole; the same again is said again.
   *
   * @param about what it is about: of several sayings about one thing in one breath the last stands
   */
  say(words: string, about = words): void {
    const at = performance.now();
    const before = at - this.lastAt < BREATH_MS ? this.said() : [];
    this.lastAt = at;
    this.isOdd.update((odd) => !odd);
    this.said.set([...before.filter((one) => one.about !== about), { words, about }]);
  }
}
