import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import type { TripSummary } from '@knapsack/contract';
import { hoursOf, sayDate, sayDuration } from '@knapsack/core';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { problemText } from '../data/problem-text';
import { draftBox } from '../plan/draft-box';
import { NoticesService } from '../shell/notices.service';
import { newTrip } from './new-trip';

/** All trips, the next outing first. */
@Component({
  selector: 'ks-trips',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <header class="page-head">
        <h1>Trips</h1>
        @if (trips().length > 0) {
          <button type="button" class="solid" (click)="create()">
            <i class="bi bi-plus-lg" aria-hidden="true"></i> New trip
          </button>
        }
      </header>
      @if (problem(); as sentence) {
        <div class="banner" role="alert">
          {{ sentence }} <button type="button" (click)="load()">Try again</button>
        </div>
      } @else if (loaded() && trips().length === 0) {
        <div class="empty">
          <p class="lead">
            No trips yet. A trip is one outing: where and when, which hours you operate, what is in the bag.
            It tells you when the battery ends, and why.
          </p>
          <p>
            <button type="button" class="solid" (click)="demo()">Look at three made-up trips</button>
            <a routerLink="/sum" class="solid">Begin with a quick sum</a>
            <button type="button" class="quiet" (click)="create()">Start an empty trip</button>
          </p>
        </div>
      }
      <ul class="trips">
        @for (trip of trips(); track trip.id) {
          <li>
            <a [routerLink]="['/trips', trip.id]">
              <span class="trip-name">{{ trip.name }}</span>
              <span class="muted">{{ trip.placeName }}</span>
            </a>
            <span class="trip-when">{{ day(trip) }}</span>
            <span class="trip-length muted">{{ length(trip) }}</span>
            <button
              type="button"
              class="quiet"
              (click)="remove(trip)"
              [attr.aria-label]="'Delete ' + trip.name"
            >
              <i class="bi bi-trash" aria-hidden="true"></i>
            </button>
          </li>
        }
      </ul>
    </div>
  `,
})
export class TripsPage {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  private readonly notices = inject(NoticesService);
  protected readonly trips = signal<readonly TripSummary[]>([]);
  protected readonly loaded = signal(false);
  protected readonly problem = signal<string | null>(null);

  constructor() {
    void this.load();
  }

  protected async load(): Promise<void> {
    await this.attempt(async () => {
      const trips = await firstValueFrom(this.api.trips());
      this.trips.set([...trips].sort((a, b) => Date.parse(a.start) - Date.parse(b.start)));
      this.loaded.set(true);
    });
  }

  protected async demo(): Promise<void> {
    await this.attempt(async () => {
      await firstValueFrom(this.api.loadDemo());
      await this.load();
    });
  }

  protected async create(): Promise<void> {
    await this.attempt(async () => {
      const { document } = await firstValueFrom(this.api.createTrip(newTrip(Date.now())));
      await this.router.navigate(['/trips', document.id]);
    });
  }

  /** Deletes at once; the notice brings it back. */
  protected async remove({ id, name }: TripSummary): Promise<void> {
    await this.attempt(async () => {
      const { document, revision } = await firstValueFrom(this.api.trip(id));
      await firstValueFrom(this.api.deleteTrip(id, revision));
      draftBox.drop(id);
      await this.load();
      this.notices.show({
        text: `${name} was deleted.`,
        action: {
          label: 'Bring it back',
          run: () =>
            void this.attempt(async () => {
              await firstValueFrom(this.api.createTrip(document));
              await this.load();
            }),
        },
      });
    });
  }

  protected day({ start, timeZone }: TripSummary): string {
    return sayDate(Date.parse(start), timeZone);
  }

  protected length({ start, end }: TripSummary): string {
    return sayDuration(hoursOf({ startMs: Date.parse(start), endMs: Date.parse(end) }));
  }

  private async attempt(work: () => Promise<void>): Promise<void> {
    try {
      this.problem.set(null);
      await work();
    } catch (error) {
      this.problem.set(problemText(error));
    }
  }
}
