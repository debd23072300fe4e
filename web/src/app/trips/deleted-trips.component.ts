import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import type { Trip } from '@knapsack/contract';
import { problemText } from '../data/problem-text';
import { DeletedTrips } from './deleted-trips.service';

/** What was deleted in this browser, and the way back. */
@Component({
  selector: 'ks-deleted-trips',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (deleted.trips().length > 0) {
      <section class="earlier deleted" aria-labelledby="deleted-title">
        <h2 id="deleted-title">Deleted</h2>
        <p class="muted">
          {{
            deleted.lastsAsPage()
              ? 'This browser keeps nothing: they can be restored as long as this page is open.'
              : 'They can be restored in this browser until you let them go.'
          }}
        </p>
        <ul>
          @for (trip of deleted.trips(); track trip.id) {
            <li>
              {{ trip.name }}
              <button
                type="button"
                class="quiet"
                (click)="restore(trip)"
                [attr.aria-label]="'Restore ' + trip.name"
              >
                Restore
              </button>
              <button
                type="button"
                class="quiet"
                (click)="deleted.forget(trip)"
                [attr.aria-label]="'Let ' + trip.name + ' go'"
              >
                Let go
              </button>
            </li>
          }
        </ul>
        @if (problem(); as sentence) {
          <p class="problem" role="alert">{{ sentence }}</p>
        }
      </section>
    }
  `,
})
export class DeletedTripsComponent {
  readonly restored = output();
  protected readonly deleted = inject(DeletedTrips);
  protected readonly problem = signal<string | null>(null);

  protected async restore(trip: Trip): Promise<void> {
    try {
      this.problem.set(null);
      await this.deleted.restore(trip);
      this.restored.emit();
    } catch (error) {
      this.problem.set(problemText(error));
    }
  }
}
