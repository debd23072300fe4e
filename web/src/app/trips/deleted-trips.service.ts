import { inject, Injectable, signal } from '@angular/core';
import type { Stored, Trip } from '@knapsack/contract';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { newKey } from '../data/new-id';
import { hasStatus } from '../data/problem-text';

const KEPT_AS = 'knapsack.deleted';

/** Trips that were deleted in this browser, the last first: each can be restored until it is let go. */
@Injectable({ providedIn: 'root' })
export class DeletedTrips {
  private readonly api = inject(ApiService);
  private readonly kept = signal<readonly Trip[]>(read());
  readonly trips = this.kept.asReadonly();
  /** This browser keeps nothing, or no more: they last as long as the page. */
  readonly lastsAsPage = signal(false);

  async remove({ document, revision }: Stored<Trip>): Promise<void> {
    // Kept before it goes: a page that ends between the two has both.
    this.keep([document, ...this.newest().filter(({ id }) => id !== document.id)]);
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

  /** Lets a trip go for good. */
  forget({ id }: Trip): void {
    this.keep(this.newest().filter((one) => one.id !== id));
  }

  /** With what another tab has deleted meanwhile. */
  private newest(): readonly Trip[] {
    return this.lastsAsPage() ? this.kept() : read();
  }

  private keep(trips: readonly Trip[]): void {
    this.kept.set(trips);
    try {
      localStorage.setItem(KEPT_AS, JSON.stringify(trips));
      this.lastsAsPage.set(false);
    } catch {
      this.lastsAsPage.set(true);
    }
  }
}

/** An earlier release kept them as long as the tab. */
function read(): readonly Trip[] {
  try {
    return JSON.parse(
      localStorage.getItem(KEPT_AS) ?? sessionStorage.getItem(KEPT_AS) ?? '[]',
    ) as readonly Trip[];
  } catch {
    return [];
  }
}
