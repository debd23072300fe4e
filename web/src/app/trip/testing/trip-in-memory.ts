import { HttpErrorResponse } from '@angular/common/http';
import type { Stored, Trip } from '@knapsack/contract';
import { shelf, trip } from '@knapsack/contract/testing/outing';
import { of, throwError, type Observable } from 'rxjs';
import { BesideInMemory } from './beside-in-memory';

/** The server's part of the application, in memory. */
export class TripInMemory {
  stored: Stored<Trip> = { revision: 1, document: trip() };
  reachable = true;
  /** When the server said so, where this device answers in its place. */
  keptAtMs: number | null = null;
  private answer<T>(give: () => T): Observable<T> {
    return this.reachable ? of(give()) : throwError(() => new HttpErrorResponse({ status: 0 }));
  }
  isDeleted = false;
  created: Trip | null = null;
  trip = () =>
    this.isDeleted
      ? throwError(() => new HttpErrorResponse({ status: 404 }))
      : this.answer(() => ({ ...this.stored, keptAtMs: this.keptAtMs }));
  createTrip = (document: Trip) => this.answer(() => ({ revision: 1, document: (this.created = document) }));
  readonly ticks = new BesideInMemory(() => this.reachable);
  beside = this.ticks.beside;
  keepBeside = this.ticks.keepBeside;
  gear = () => this.answer(() => shelf.map((document) => ({ revision: 1, document })));
  replaceTrip = (document: Trip, revision: number) =>
    revision === this.stored.revision
      ? this.answer(() => (this.stored = { revision: revision + 1, document }))
      : throwError(() => new HttpErrorResponse({ status: 412 }));
}
