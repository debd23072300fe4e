import { computed, inject, Injectable, signal, type OnDestroy } from '@angular/core';
import { keepTicks, sameSum, tripProblems, withPlanOf, type Stored, type Trip } from '@knapsack/contract';
import { firstValueFrom, Subject } from 'rxjs';
import { ApiService } from '../data/api.service';
import { hasStatus, isOffline, problemText } from '../data/problem-text';
import { NoticesService } from '../shell/notices.service';
import { ShelfService } from '../data/shelf.service';
import { Autosave, type SaveState } from './autosave';
import { draftBox, type Draft } from './draft-box';
import { takeUpDrafts, type TakenUp } from './take-up-drafts';
import { mergeTrips } from '@knapsack/contract/edits';
import { begin, edited, redone, settled, undone, type History } from './history';

/** How the rows of edits begin that a pointer makes, until it is let go. */
const POINTER_EDIT = /^(drag|stretch|paint|skyline \d)/;

/** A change of the trip by an edit, undo or redo. */
export interface Turn {
  readonly from: Trip;
  readonly to: Trip;
}

/** The trip on the page: its history of edits, and how it stands to the server. */
@Injectable()
export class TripStore implements OnDestroy {
  private readonly api = inject(ApiService);
  private readonly shelf = inject(ShelfService);
  private readonly notices = inject(NoticesService);
  private readonly history = signal<History<Trip> | null>(null);
  private readonly autosave = signal<Autosave | null>(null);

  readonly trip = computed(() => this.history()?.present ?? null);
  /** The same, as anything is calculated from it: a tick, a note or a name leaves it as it was. */
  readonly calculated = computed(() => this.trip(), {
    equal: (a, b) => a === b || (a !== null && b !== null && sameSum(a, b)),
  });
  readonly canUndo = computed(() => (this.history()?.past.length ?? 0) > 0);
  readonly canRedo = computed(() => (this.history()?.future.length ?? 0) > 0);
  readonly saving = computed<SaveState>(() => this.autosave()?.state() ?? { is: 'saved' });
  /** Each turn of the history; null where another trip, or another version of it, is opened. */
  readonly turned = new Subject<Turn | null>();
  /** Why the trip cannot be opened. */
  readonly openProblem = signal<string | null>(null);

  /** Whether a pointer is still changing the trip. */
  readonly isMoving = computed(() => POINTER_EDIT.test(this.history()?.key ?? ''));
  /** How what follows the trip is read out: not with every move of a hand, but once it rests. */
  readonly spoken = computed(() => (this.isMoving() ? 'off' : 'polite'));

  /** Opens a trip as it was left: what was typed and not yet saved comes before what the server has. */
  async open(id: string): Promise<void> {
    this.openProblem.set(null);
    const left = await draftBox.left(id);
    try {
      const [stored] = await Promise.all([
        firstValueFrom(this.api.trip(id)),
        firstValueFrom(this.shelf.load()),
      ]);
      const taken = takeUpDrafts(left, stored);
      const { draft, isCurrent } = taken;
      this.show(draft && isCurrent ? { ...stored, document: draft.trip } : stored, stored.document);
      if (draft && !isCurrent) this.offerDraft(draft);
      else if (draft) this.autosave()?.changed(draft.trip);
      this.settleDrafts(id, taken);
    } catch (error) {
      const { draft, ...rest } = takeUpDrafts(left, null);
      if (draft && isOffline(error)) {
        this.show({ revision: draft.revision, document: draft.trip }, draft.base);
        this.autosave()?.changed(draft.trip);
        this.settleDrafts(id, { draft, ...rest });
      } else this.openProblem.set(problemText(error));
    }
  }

  /** Lets go of what is saved or taken up; what does not go together with it is offered, and kept until it is taken. */
  private settleDrafts(id: string, { draft, done, others }: TakenUp): void {
    for (const key of done) draftBox.drop(id, key);
    // The version in hand is kept by this tab now.
    if (draft && this.autosave()?.hasUnsaved) draftBox.release(id, draft.key);
    for (const other of others) {
      this.notices.show({
        text: 'Another tab had typed something else into this trip and not saved it.',
        action: {
          label: 'Take that version',
          run: () => {
            this.edit(() => other.trip);
            draftBox.drop(id, other.key);
          },
        },
      });
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

  /** As edit, for what is ticked or read: it is no step of undo, and no step of undo takes it back. */
  tick(change: (trip: Trip) => Trip): void {
    const history = this.history();
    if (!history) return;
    const present = change(history.present);
    if (present === history.present) return;
    this.history.set({ ...history, present });
    this.autosave()?.changed(present);
  }

  /** Takes over a plan that was worked out from this one, as a remedy: names, ticks and bags stay as they are now. */
  takePlan(planned: Trip): void {
    this.edit((now) => withPlanOf(now, planned));
  }

  /** Ends a row of edits, as when a drag is let go. */
  settle(): void {
    this.history.update((history) => history && settled(history));
  }

  undo(): void {
    this.turn((history) => ticksKept(undone(history), history));
  }

  redo(): void {
    this.turn((history) => ticksKept(redone(history), history));
  }

  /** After a conflict: overwrite the other version with this page's, or put it back where it was deleted. */
  async keepMine(): Promise<void> {
    const trip = this.trip();
    if (!trip) return;
    await this.settleConflict(
      (stored) => {
        this.autosave()?.adopt(stored.revision, stored.document);
        this.autosave()?.changed(trip);
      },
      async () => {
        const { revision } = await firstValueFrom(this.api.createTrip(trip));
        this.autosave()?.adopt(revision, trip);
        draftBox.drop(trip.id);
      },
    );
  }

  /**
   * After a conflict: bring both versions together; the other one stays one undo away.
   *
   * @returns what is worth a word: where mine stands, or why it cannot be done
   */
  async merge(): Promise<string | null> {
    let said: string | null = null;
    await this.settleConflict((stored) => {
      const mine = this.trip();
      const autosave = this.autosave();
      const merged = mine && autosave && mergeTrips(autosave.knownBase, mine, stored.document);
      if (!merged) {
        said = 'The two do not go together, as where blocks overlap: keep one of them.';
        return;
      }
      autosave.adopt(stored.revision, stored.document);
      this.history.update((history) => history && edited(edited(history, stored.document), merged.trip));
      autosave.changed(merged.trip);
      if (merged.mineStands.length > 0) {
        said = `Both had changed ${merged.mineStands.join(' and ')}: what you see here stands.`;
      }
    });
    return said;
  }

  /** After a conflict: take the other version; this page's stays one undo away. */
  async takeTheirs(): Promise<void> {
    await this.settleConflict((stored) => {
      this.autosave()?.adopt(stored.revision, stored.document);
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
      autosave.adopt(stored.revision, stored.document);
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

  private show({ revision, document }: Stored<Trip>, base = document): void {
    this.autosave.set(
      new Autosave(
        revision,
        base,
        (trip, known) => this.api.replaceTrip(trip, known),
        () => this.api.trip(document.id),
      ),
    );
    this.history.set(begin(document));
    this.turned.next(null);
  }

  /** An unsaved version that grew from an older revision: neither is thrown away without being asked. */
  private offerDraft({ trip, base, revision }: Draft): void {
    this.history.update((history) => history && edited(history, trip));
    if (base) this.autosave()?.adopt(revision, base);
    this.autosave()?.changed(trip);
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
    if (after.present === before.present) return;
    this.turned.next({ from: before.present, to: after.present });
    this.autosave()?.changed(after.present);
  }
}

/** What was ticked and read stays as it is, wherever the plan goes. */
const ticksKept = (to: History<Trip>, from: History<Trip>): History<Trip> =>
  to === from ? to : { ...to, present: keepTicks(to.present, from.present) };
