import { inject, Injectable, signal } from '@angular/core';
import type { Stored, Trip } from '@knapsack/contract';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { newKey } from '../data/new-id';
import { hasStatus } from '../data/problem-text';

const KEPT_AS = 'knapsack.deleted';

/** Trips that were deleted in this visit, the last first: each can be restored until this tab is closed, a reload or not. */
@Injectable({ providedIn: 'root' })
export class DeletedTrips {
  private readonly api = inject(ApiService);
  private readonly kept = signal<readonly Trip[]>(read());
  readonly trips = this.kept.asReadonly();

  async remove({ document, revision }: Stored<Trip>): Promise<void> {
    // Kept before it goes: a page that ends between the two has both.
    this.keep([document, ...this.kept().filter(({ id }) => id !== document.id)]);
    try {
      await firstValueFrom(this.api.deleteTrip(document.id, revision));
    } catch (error) {
      this.forget(document);
      throw error;
    }
  }

  /** Puts a trip back; beside one that has taken its id meanwhile. */
  async restore(trip: Trip): Promise<void> {
    try {
      await firstValueFrom(this.api.createTrip(trip));
    } catch (error) {
      if (!hasStatus(error, 409)) throw error;
      await firstValueFrom(this.api.createTrip({ ...trip, id: `trip-${newKey()}` }));
    }
    this.forget(trip);
  }

  private forget(trip: Trip): void {
    this.keep(this.kept().filter((one) => one !== trip));
  }

  private keep(trips: readonly Trip[]): void {
    this.kept.set(trips);
    try {
      sessionStorage.setItem(KEPT_AS, JSON.stringify(trips));
    } catch {
      // Then they last as long as the page.
    }
  }
}

function read(): readonly Trip[] {
  try {
    return JSON.parse(sessionStorage.getItem(KEPT_AS) ?? '[]') as readonly Trip[];
  } catch {
    return [];
  }
}
