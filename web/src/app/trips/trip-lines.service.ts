import { inject, Injectable, signal } from '@angular/core';
import type { TripSummary } from '@knapsack/contract';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { ShelfService } from '../data/shelf.service';
import type { LineQuestion, TripLine } from '../work/trip-line-work';
import { OneByOne } from '../work/one-by-one';

/**
 * The small ridges of the list, calculated in a worker one after the other, only for the trips that are in sight, and kept
 * for as long as neither the trip nor the shelf changes.
 */
@Injectable({ providedIn: 'root' })
export class TripLinesService {
  private readonly api = inject(ApiService);
  private readonly shelf = inject(ShelfService);
  private readonly known = signal<ReadonlyMap<string, TripLine>>(new Map());
  private readonly wanted = new Map<string, TripSummary>();
  private readonly worker = new OneByOne<LineQuestion, TripLine>('tripLine');
  private busy = false;
  private shelfLoaded: Promise<unknown> | null = null;
  private shelfKey = '';

  /** The line of a trip, once it is known; reading it does not ask for it. */
  of(trip: TripSummary): TripLine | null {
    return this.known().get(keyOf(trip)) ?? null;
  }

  /** A trip came into sight: its line is wanted. */
  want(trip: TripSummary): void {
    if (this.known().has(keyOf(trip))) return;
    this.wanted.set(keyOf(trip), trip);
    void this.work();
  }

  /** A trip went out of sight before its turn came. */
  leave(trip: TripSummary): void {
    this.wanted.delete(keyOf(trip));
  }

  /** Looks at the shelf anew: what it holds may have changed since the lines were calculated. */
  refresh(): void {
    this.shelfLoaded = firstValueFrom(this.shelf.load()).then((stored) => {
      const key = stored.map(({ document, revision }) => `${document.id} ${revision}`).join();
      if (key !== this.shelfKey) this.known.set(new Map());
      this.shelfKey = key;
    });
    // Whoever waits for it hears of a failure; nobody may be waiting.
    this.shelfLoaded.catch(() => undefined);
  }

  private async work(): Promise<void> {
    if (this.busy) return;
    this.busy = true;
    try {
      await (this.shelfLoaded ?? Promise.resolve());
      for (let next = this.take(); next; next = this.take()) {
        const { document } = await firstValueFrom(this.api.tripInPassing(next.id));
        const line = await this.worker.ask({ trip: document, shelf: this.shelf.gear() });
        const key = keyOf(next);
        this.known.update((known) => new Map(known).set(key, line));
      }
    } catch {
      // The server is away or the trip is gone: the list stands without its ridges, and the next sight asks again.
      this.wanted.clear();
    } finally {
      this.busy = false;
    }
  }

  private take(): TripSummary | null {
    for (const [key, trip] of this.wanted) {
      this.wanted.delete(key);
      return trip;
    }
    return null;
  }
}

const keyOf = ({ id, revision }: TripSummary): string => `${id} ${revision}`;
