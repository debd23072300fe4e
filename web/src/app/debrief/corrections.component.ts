import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MIDDLE_80, sayNextPlan } from '@knapsack/contract/debrief';
import type { CorrectionView } from '../work/debrief-protocol';
import { DebriefStore } from './debrief.store';

/** What the outing has taught, sentence by sentence: accepted as a figure of the gear, or left. */
@Component({
  selector: 'ks-corrections',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 id="debrief-learned">What was learned</h2>
    @if (rows().length > 0) {
      <p class="muted legend" aria-hidden="true">
        <i class="ring"></i> before <i class="dot"></i> now, with where it lies in four of five cases
      </p>
    }
    <ul class="corrections" aria-labelledby="debrief-learned">
      @for (row of rows(); track row.view.id) {
        <li>
          <p>{{ row.view.sentence }}</p>
          <span class="spread" aria-hidden="true">
            <i class="bar" [style.left.%]="row.low" [style.width.%]="row.high - row.low"></i>
            <i class="ring" [style.left.%]="row.before"></i>
            <i class="dot" [style.left.%]="row.after"></i>
          </span>
          <p class="muted">{{ row.view.sure }}. {{ row.view.effect }}</p>
          <span class="choices">
            <button
              type="button"
              class="chip"
              [attr.aria-pressed]="row.accepted"
              [attr.aria-label]="'Accept: ' + row.view.sentence"
              (click)="store.accept(row.view)"
            >
              {{ row.accepted ? 'Accepted' : 'Accept' }}
            </button>
            <button
              type="button"
              class="chip"
              [attr.aria-pressed]="row.left"
              [attr.aria-label]="'Leave: ' + row.view.sentence"
              (click)="store.toggleLeft(row.view)"
            >
              {{ row.left ? 'Left' : 'Leave' }}
            </button>
          </span>
        </li>
      } @empty {
        <li class="muted">Nothing that was not known before: more readings would teach more.</li>
      }
    </ul>
    <div aria-live="polite">
      @if (plans().length > 0) {
        <h3>{{ store.accepted().size > 0 ? 'With what is accepted' : 'If all of it is accepted' }}</h3>
        <ul class="next-plans">
          @for (plan of plans(); track plan) {
            <li>{{ plan }}</li>
          }
        </ul>
      }
    </div>
    @if (rows().length > 0) {
      <p class="muted">
        What is accepted stands with the gear, as learned, and every plan goes by it. The sky and the hours
        worked were this outing’s own.
      </p>
    }
  `,
})
export class CorrectionsComponent {
  protected readonly store = inject(DebriefStore);

  protected readonly rows = computed(() =>
    (this.store.view()?.corrections ?? []).map((view) => ({
      view,
      ...placesOf(view),
      accepted: this.store.accepted().has(view.id),
      left: this.store.left().has(view.id),
    })),
  );
  protected readonly plans = computed(() =>
    this.store
      .nextPlans()
      .map((plan, place) => sayNextPlan(place === 0 ? { ...plan, name: 'This plan again' } : plan)),
  );
}

/** Where the figures lie on a row's axis, in hundredths of its width. */
function placesOf({ correction: { before, after } }: CorrectionView) {
  const low = after.mean - MIDDLE_80 * after.sd;
  const high = after.mean + MIDDLE_80 * after.sd;
  const least = Math.min(low, before.mean);
  const most = Math.max(high, before.mean);
  const room = 0.1 * Math.max(most - least, 1e-9);
  const at = (value: number) => (100 * (value - least + room)) / (most - least + 2 * room);
  return { low: at(low), high: at(high), before: at(before.mean), after: at(after.mean) };
}
