import { computed, inject, Injectable, signal } from '@angular/core';
import type { Gear, Stored } from '@knapsack/contract';
import { tap, type Observable } from 'rxjs';
import { ApiService } from './api.service';
import { GEAR, KeptAnswers } from './kept-answers.service';

/** The shelf of gear, shared by all rooms. */
@Injectable({ providedIn: 'root' })
export class ShelfService {
  private readonly api = inject(ApiService);
  private readonly kept = inject(KeptAnswers);
  private readonly stored = signal<readonly Stored<Gear>[]>([]);

  readonly gear = computed(() => this.stored().map(({ document }) => document));
  readonly byId = computed(() => new Map(this.gear().map((item) => [item.id, item])));

  load(): Observable<readonly Stored<Gear>[]> {
    return this.api.gear().pipe(tap((stored) => this.stored.set(stored)));
  }

  create(gear: Gear): Observable<Stored<Gear>> {
    return this.api.createGear(gear).pipe(tap((created) => this.change((all) => [...all, created])));
  }

  replace(gear: Gear): Observable<Stored<Gear>> {
    const revision = this.stored().find(({ document }) => document.id === gear.id)?.revision ?? 0;
    return this.api
      .replaceGear(gear, revision)
      .pipe(
        tap((saved) => this.change((all) => all.map((one) => (one.document.id === gear.id ? saved : one)))),
      );
  }

  /** What this device keeps of the shelf changes with it. */
  private change(change: (all: readonly Stored<Gear>[]) => readonly Stored<Gear>[]): void {
    this.stored.update(change);
    void this.kept.keep(GEAR, null, this.stored());
  }
}
