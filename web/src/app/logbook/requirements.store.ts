import { computed, inject, Injectable, signal, type OnDestroy } from '@angular/core';
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
import { OneByOne } from '../work/one-by-one';

const drafts = new DraftBox<RequirementsDocument>(THIS_TAB, 'knapsack.requirements-draft.');

/** What the next build must do, and the kits of a trip held against it. */
@Injectable()
export class RequirementsStore implements OnDestroy {
  private readonly api = inject(ApiService);
  private readonly shelf = inject(ShelfService);
  private readonly worker = new OneByOne<HeldQuestion, readonly HeldKitView[]>('held');
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

  async open(): Promise<void> {
    await this.list.open(REQUIREMENTS_ID);
    const trips = await firstValueFrom(this.api.trips());
    this.trips.set(trips.filter(({ archived }) => !archived));
    const [first] = this.trips();
    if (first) await this.hold(first.id);
  }

  /** Holds the kits of a trip against the list. */
  async hold(id: string): Promise<void> {
    const { document } = await firstValueFrom(this.api.tripInPassing(id));
    this.trip.set(document);
    await this.holdAgain();
  }

  change(change: (requirements: readonly Requirement[]) => readonly Requirement[]): void {
    this.list.change((list) => ({ ...list, requirements: change(list.requirements) }));
    void this.holdAgain();
  }

  ngOnDestroy(): void {
    this.list.close();
    this.worker.dismiss();
  }

  private async holdAgain(): Promise<void> {
    const trip = this.trip();
    if (!trip) return;
    const requirements = this.requirements();
    const kits = await this.worker.ask({ trip, shelf: this.shelf.gear(), requirements });
    if (this.requirements() === requirements && this.trip() === trip) this.kits.set(kits);
  }
}
