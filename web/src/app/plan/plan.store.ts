import { computed, effect, inject, Injectable, signal, untracked, type OnDestroy } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { Block, Gear, GearKind, Stored, Trip } from '@knapsack/contract';
import { tripProblems } from '@knapsack/contract';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { hasStatus, isOffline, problemText } from '../data/problem-text';
import { ShelfService } from '../data/shelf.service';
import { Autosave, type SaveState } from './autosave';
import { draftBox, isOurOwn, sameTrip } from './draft-box';
import type { ForecastView } from './forecast-protocol';
import { ForecastService } from './forecast.service';
import { begin, edited, redone, settled, undone, type History } from './history';

/** The trip on the page: its history of edits, its forecast, what is selected, and how it stands to the server. */
@Injectable()
export class PlanStore implements OnDestroy {
  private readonly api = inject(ApiService);
  private readonly shelf = inject(ShelfService);
  private readonly forecasts = inject(ForecastService);
  private readonly history = signal<History<Trip> | null>(null);
  private readonly autosave = signal<Autosave | null>(null);

  readonly trip = computed(() => this.history()?.present ?? null);
  readonly canUndo = computed(() => (this.history()?.past.length ?? 0) > 0);
  readonly canRedo = computed(() => (this.history()?.future.length ?? 0) > 0);
  readonly saving = computed<SaveState>(() => this.autosave()?.state() ?? { is: 'saved' });
  /** Why the trip cannot be opened. */
  readonly openProblem = signal<string | null>(null);

  /** The newest forecast that could be computed; stays while the plan has a problem. */
  readonly view = signal<ForecastView | null>(null);
  readonly problems = signal<readonly string[]>([]);

  readonly selectedId = signal<string | null>(null);
  readonly selected = computed<Block | null>(
    () => this.trip()?.blocks.find(({ id }) => id === this.selectedId()) ?? null,
  );
  /** The instant under the cursor, UTC epoch ms; null where there is none. */
  readonly cursorMs = signal<number | null>(null);

  /** Gear by id: the shelf before what travels with the trip. */
  readonly gear = computed(() => {
    const own = this.trip()?.gear ?? [];
    return new Map([...own, ...this.shelf.gear()].map((item) => [item.id, item]));
  });
  readonly radio = computed(() => this.firstInBag('radio'));
  readonly battery = computed(() => this.firstInBag('battery'));
  readonly panel = computed(() => this.firstInBag('panel'));

  constructor() {
    effect(() => {
      const trip = this.trip();
      const shelf = this.shelf.gear();
      if (trip) untracked(() => this.forecasts.ask(trip, shelf));
    });
    this.forecasts.outcomes.pipe(takeUntilDestroyed()).subscribe((outcome) => {
      this.problems.set(outcome.ok ? [] : outcome.problems.map(({ sentence }) => sentence));
      if (outcome.ok) this.view.set(outcome.view);
    });
  }

  /** Opens a trip as it was left: what was typed and not yet saved comes before what the server has. */
  async open(id: string): Promise<void> {
    this.openProblem.set(null);
    const draft = draftBox.find(id);
    try {
      const [stored] = await Promise.all([
        firstValueFrom(this.api.trip(id)),
        firstValueFrom(this.shelf.load()),
      ]);
      const grewFromIt =
        draft !== null && (draft.revision === stored.revision || isOurOwn(draft, stored.document));
      this.show(draft && grewFromIt ? { ...stored, document: draft.trip } : stored);
      if (!draft) return;
      if (!grewFromIt) this.offerDraft(draft.trip);
      else if (sameTrip(draft.trip, stored.document)) draftBox.drop(id);
      else this.autosave()?.changed(draft.trip);
    } catch (error) {
      if (draft && isOffline(error)) {
        this.show({ revision: draft.revision, document: draft.trip });
        this.autosave()?.changed(draft.trip);
      } else this.openProblem.set(problemText(error));
    }
  }

  /** Changes the trip. Edits in a row with the same key become one step of undo. */
  edit(change: (trip: Trip) => Trip, key: string | null = null): void {
    this.turn((history) => edited(history, change(history.present), key));
  }

  /** As edit, but keeps the trip as it is and gives the sentence where the change would not be a valid trip. */
  tryEdit(change: (trip: Trip) => Trip): string | null {
    const trip = this.trip();
    if (!trip) return null;
    const changed = change(trip);
    const [problem] = tripProblems(changed);
    if (problem) return problem.sentence;
    this.edit(() => changed);
    return null;
  }

  /** Ends a row of edits, as when a drag is let go. */
  settle(): void {
    this.history.update((history) => history && settled(history));
  }

  undo(): void {
    this.turn(undone);
  }

  redo(): void {
    this.turn(redone);
  }

  /** After a conflict: overwrite the other version with this page's, or put it back where it was deleted. */
  async keepMine(): Promise<void> {
    const trip = this.trip();
    if (!trip) return;
    await this.settleConflict(
      (stored) => {
        this.autosave()?.adopt(stored.revision);
        this.autosave()?.changed(trip);
      },
      async () => {
        const { revision } = await firstValueFrom(this.api.createTrip(trip));
        this.autosave()?.adopt(revision);
        draftBox.drop(trip.id);
      },
    );
  }

  /** After a conflict: take the other version; this page's stays one undo away. */
  async takeTheirs(): Promise<void> {
    await this.settleConflict((stored) => {
      this.autosave()?.adopt(stored.revision);
      draftBox.drop(stored.document.id);
      this.history.update((history) => history && edited(history, stored.document));
    });
  }

  /** Takes up what another tab has saved meanwhile, unless something is unsaved here. */
  async refresh(): Promise<void> {
    const trip = this.trip();
    const autosave = this.autosave();
    if (!trip || !autosave || autosave.hasUnsaved) return;
    try {
      const stored = await firstValueFrom(this.api.trip(trip.id));
      if (autosave.hasUnsaved || stored.revision === autosave.knownRevision) return;
      autosave.adopt(stored.revision);
      this.history.update((history) => history && edited(history, stored.document));
      await firstValueFrom(this.shelf.load());
    } catch {
      // Not reachable just now: the next save will say so.
    }
  }

  ngOnDestroy(): void {
    void this.autosave()?.flush();
    this.autosave()?.stop();
  }

  /** The first item of a kind in the bag: the one that takes part in the sum. */
  private firstInBag<Kind extends GearKind>(kind: Kind): Extract<Gear, { kind: Kind }> | null {
    for (const { gear } of this.trip()?.loadout ?? []) {
      const item = this.gear().get(gear);
      if (item?.kind === kind) return item as Extract<Gear, { kind: Kind }>;
    }
    return null;
  }

  private show({ revision, document }: Stored<Trip>): void {
    this.autosave.set(
      new Autosave(
        revision,
        (trip, known) => this.api.replaceTrip(trip, known),
        () => this.api.trip(document.id),
      ),
    );
    this.history.set(begin(document));
  }

  /** An unsaved version that grew from an older revision: neither is thrown away without being asked. */
  private offerDraft(mine: Trip): void {
    this.history.update((history) => history && edited(history, mine));
    this.autosave()?.changed(mine);
    this.autosave()?.state.set({ is: 'conflict' });
  }

  private async settleConflict(
    take: (stored: Stored<Trip>) => void,
    whereDeleted?: () => Promise<void>,
  ): Promise<void> {
    const trip = this.trip();
    if (!trip) return;
    try {
      try {
        take(await firstValueFrom(this.api.trip(trip.id)));
      } catch (error) {
        if (!whereDeleted || !hasStatus(error, 404)) throw error;
        await whereDeleted();
      }
    } catch (error) {
      this.autosave()?.state.set({ is: 'refused', why: problemText(error) });
    }
  }

  private turn(change: (history: History<Trip>) => History<Trip>): void {
    const before = this.history();
    if (!before) return;
    const after = change(before);
    if (after === before) return;
    this.history.set(after);
    if (after.present !== before.present) this.autosave()?.changed(after.present);
  }
}
