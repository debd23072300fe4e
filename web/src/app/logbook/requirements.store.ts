import { computed, effect, inject, Injectable, signal, type OnDestroy } from '@angular/core';
import {
  noRequirements,
  REQUIREMENTS_ID,
  type Requirement,
  type RequirementsDocument,
  type Trip,
  type TripSummary,
} from '@knapsack/contract';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { ShelfService } from '../data/shelf.service';
import { Beside } from '../trip/beside';
import { DraftBox, THIS_TAB } from '../trip/draft-box';
import type { HeldKitView, HeldQuestion } from '../work/held-work';
import { hireWorker } from '../work/hire';
import { NewestWorker } from '../work/newest-worker';

const drafts = new DraftBox<RequirementsDocument>(THIS_TAB, 'knapsack.requirements-draft.');

/** What the next build must do, and the kits of a trip held against it. */
@Injectable()
export class RequirementsStore implements OnDestroy {
  private readonly api = inject(ApiService);
  private readonly shelf = inject(ShelfService);
  private readonly worker = new NewestWorker<HeldQuestion, readonly HeldKitView[]>(() => hireWorker('held'), {
    answered: (kits) => this.kits.set(kits),
    failed: () => this.kits.set([]),
  });
  private readonly list = new Beside<RequirementsDocument>(
    drafts,
    noRequirements,
    (id, from) => this.api.beside('requirements', id, from),
    (document, revision) => this.api.keepBeside('requirements', document, revision),
  );
  readonly saving = this.list.saving;
  readonly trips = signal<readonly TripSummary[]>([]);
  readonly trip = signal<Trip | null>(null);
  readonly kits = signal<readonly HeldKitView[]>([]);
  readonly requirements = computed<readonly Requirement[]>(() => this.list.document()?.requirements ?? []);

  constructor() {
    // The shelf may come after the list: whatever changes, the kits are held against it anew.
    effect(() => {
      const [trip, requirements, shelf] = [this.trip(), this.requirements(), this.shelf.gear()];
      if (trip && shelf.length > 0) this.worker.ask({ trip, shelf, requirements });
    });
  }

  async open(): Promise<void> {
    await this.list.open(REQUIREMENTS_ID);
    try {
      const trips = await firstValueFrom(this.api.trips());
      this.trips.set(trips.filter(({ archived }) => !archived));
      const [first] = this.trips();
      if (first && !this.trip()) await this.hold(first.id);
    } catch {
      // The server is away: the list stands without kits, and the page loads again when it is back.
    }
  }

  /** Holds the kits of a trip against the list. */
  async hold(id: string): Promise<void> {
    this.trip.set((await firstValueFrom(this.api.tripInPassing(id))).document);
  }

  change(change: (requirements: readonly Requirement[]) => readonly Requirement[]): void {
    this.list.change((list) => ({ ...list, requirements: change(list.requirements) }));
  }

  ngOnDestroy(): void {
    this.list.close();
    this.worker.dismiss();
  }
}
