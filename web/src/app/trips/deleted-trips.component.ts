import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import type { Trip } from '@knapsack/contract';
import { problemText } from '../data/problem-text';
import { DeletedTrips } from './deleted-trips.service';

/** What was deleted in this visit, and the way back. */
@Component({
  selector: 'ks-deleted-trips',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (deleted.trips().length > 0) {
      <section class="earlier deleted" aria-labelledby="deleted-title">
        <h2 id="deleted-title">Deleted in this visit</h2>
        <p class="muted">They can be restored until you close this tab.</p>
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
