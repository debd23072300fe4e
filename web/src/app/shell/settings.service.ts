import { Injectable, signal } from '@angular/core';
import { speakIn } from '@knapsack/core';
import { coolWorkers } from '../work/hire';
import { keepSettings, keptSettings, type Settings } from './settings';

/** Units, clock, currency, first day of the week and one-letter keys, kept in this browser. */
@Injectable({ providedIn: 'root' })
export class SettingsService {
  private readonly chosen = signal<Settings>(keptSettings());
  readonly settings = this.chosen.asReadonly();

  /** From now on all is said so: rooms opened after this, and the workers that they hire. */
  change(change: Partial<Settings>): void {
    this.chosen.update((before) => ({ ...before, ...change }));
    speakIn(this.settings());
    keepSettings(this.settings());
    coolWorkers();
  }
}
