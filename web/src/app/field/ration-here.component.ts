import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { ShelfService } from '../data/shelf.service';
import { OffDirective } from '../parts/off.directive';
import { OutingLog } from '../trip/outing-log';
import { TripStore } from '../trip/trip.store';
import { askOnce } from '../work/ask-once';
import type { FieldQuestion } from '../work/field-protocol';
import type { FieldRation } from '../work/field-ration-work';
import { FieldStore } from './field.store';

/** How to spend what is left: by the hour and the charge, power and duty cycle. Calculated when it is asked for. */
@Component({
  selector: 'ks-ration-here',
  imports: [OffDirective],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button type="button" class="quiet" [ksOff]="isAsking()" (click)="ask()">
      <i class="bi bi-sliders" aria-hidden="true"></i>
      {{ shown() ? 'How to spend what is left, from here' : 'How to spend what is left' }}
    </button>
    <div role="status">
      @if (isAsking()) {
        <p class="muted">Sharing out the hours that are left …</p>
      } @else if (shown(); as shown) {
        @if (shown.ok) {
          @for (sentence of shown.odds; track sentence) {
            <p>{{ sentence }}</p>
          }
          <dl class="ration-here">
            @for (rule of shown.rules; track rule.startMs) {
              <dt>from {{ rule.when }}</dt>
              <dd>{{ rule.words }}</dd>
            }
          </dl>
          @if (isOld()) {
            <p class="muted">Something was entered since. Press again for the ration from here.</p>
          }
        } @else {
          <p>{{ shown.why }}</p>
        }
      }
    </div>
  `,
  host: { class: 'ration-from-here' },
})
export class RationHereComponent {
  private readonly trips = inject(TripStore);
  private readonly log = inject(OutingLog);
  private readonly shelf = inject(ShelfService);
  private readonly store = inject(FieldStore);
  private readonly answer = signal<{ readonly of: FieldQuestion; readonly is: FieldRation } | null>(null);
  protected readonly isAsking = signal(false);
  protected readonly shown = computed(() => this.answer()?.is ?? null);
  /** Something was entered or changed since it was calculated. */
  protected readonly isOld = computed(() => {
    const of = this.answer()?.of;
    return of !== undefined && (of.log !== this.log.log() || of.trip !== this.trips.calculated());
  });

  protected async ask(): Promise<void> {
    const trip = this.trips.calculated();
    const log = this.log.log();
    if (!trip || !log || this.isAsking()) return;
    const question: FieldQuestion = { trip, log, shelf: this.shelf.gear(), nowMs: this.store.nowMs() };
    this.isAsking.set(true);
    try {
      const is = await askOnce<FieldQuestion, FieldRation>('fieldRation', question);
      this.answer.set({ of: question, is });
    } catch {
      const why = 'This stopped by a fault in Knapsack. Your entries are kept; press again.';
      this.answer.set({ of: question, is: { ok: false, why } });
    } finally {
      this.isAsking.set(false);
    }
  }
}
