import { DestroyRef, effect, inject, Injectable, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { sameSum, type Trip } from '@knapsack/contract';
import { sayChange, sayFew } from '@knapsack/contract/edits';
import { sayOutcome } from '@knapsack/core';
import { SpeechService } from '../shell/speech.service';
import { BagStore } from './bag.store';
import { ForecastStore } from './forecast.store';
import { TripStore } from './trip.store';

/** How long a hand rests before what it did is said, ms. */
export const RESTS_MS = 600;

/** Says what has changed in the trip, once and whole, when the hand rests: each change as it is now, and how the plan stands. */
@Injectable()
export class PlanSpeech {
  private readonly store = inject(TripStore);
  private readonly bag = inject(BagStore);
  private readonly forecast = inject(ForecastStore);
  private readonly speech = inject(SpeechService);
  private timer: ReturnType<typeof setTimeout> | undefined;
  /** The trip as it was when something was last said of it. */
  private before: Trip | null = null;

  /** How the next changes came about, said before them. */
  private word = '';
  /** How things stand, in a room with a verdict of its own. */
  private standing: (() => string | null) | null = null;

  /** Tells a room's own verdict in the place of the plan's, as long as the room is open. */
  standsBy(words: () => string | null): void {
    this.standing = words;
    inject(DestroyRef).onDestroy(() => (this.standing = null));
  }

  /** How what follows came about, said before it. */
  begin(word: string): void {
    this.word = `${word}: `;
  }

  constructor() {
    inject(DestroyRef).onDestroy(() => clearTimeout(this.timer));
    this.store.turned.pipe(takeUntilDestroyed()).subscribe((turn) => {
      clearTimeout(this.timer);
      if (!turn) this.before = null;
      else {
        this.before ??= turn.from;
        this.rest();
      }
    });
    // A hand that has held still for long lets go: what it did is said from then on.
    effect(() => {
      if (!this.store.isMoving()) untracked(() => this.before && this.rest());
    });
  }

  private rest(): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => this.say(), RESTS_MS);
  }

  private say(): void {
    const trip = this.store.trip();
    const { before } = this;
    if (!trip || !before || this.store.isMoving()) return;
    this.before = null;
    const { word } = this;
    this.word = '';
    const changes = sayChange(before, trip, (id) => this.bag.gear().get(id)?.name ?? id);
    if (changes.length === 0) return;
    this.speech.say(`${word}${[sayFew(changes), ...this.outcome(before, trip)].join('; ')}.`);
  }

  /** How the plan stands now, where what has changed can have changed that. */
  private outcome(before: Trip, trip: Trip): string[] {
    if (this.standing) return bare(this.standing());
    if (sameSum(before, trip)) return [];
    const [problem] = this.forecast.problems();
    if (problem) return bare(problem);
    const view = this.forecast.view();
    return view ? [sayOutcome(view.verdict, trip.place.timeZone)] : [];
  }
}

/** A sentence as a part of a longer one; nothing for none. */
const bare = (sentence: string | null): string[] => (sentence === null ? [] : [sentence.replace(/\.$/, '')]);
