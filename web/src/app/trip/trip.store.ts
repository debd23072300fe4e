import { computed, inject, Injectable, signal, type OnDestroy } from '@angular/core';
import { along, apart, sameSum, tripProblems, withPlanOf, type Stored, type Trip } from '@knapsack/contract';
import { firstValueFrom, Subject } from 'rxjs';
import { ApiService } from '../data/api.service';
import { hasStatus, isOffline, problemText } from '../data/problem-text';
import { NoticesService } from '../shell/notices.service';
import { ShelfService } from '../data/shelf.service';
import { Autosave, type SaveState } from './autosave';
import { draftBox, type Draft, type LeftDraft } from './draft-box';
import { takeUpDrafts, type TakenUp } from './take-up-drafts';
import { TicksStore } from './ticks.store';
import { mergeTrips } from '@knapsack/contract/edits';
import { begin, calledOff, edited, redone, settled, undone, type History } from './history';

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
  private readonly ticks = inject(TicksStore);
  private readonly history = signal<History<Trip> | null>(null);
  private readonly autosave = signal<Autosave | null>(null);

  readonly trip = computed(() => this.history()?.present ?? null);
  /** The same, as anything is calculated from it: a note or a name leaves it as it was. */
  readonly calculated = computed(() => this.trip(), {
    equal: (a, b) => a === b || (a !== null && b !== null && sameSum(a, b)),
  });
  readonly canUndo = computed(() => (this.history()?.past.length ?? 0) > 0);
  readonly canRedo = computed(() => (this.history()?.future.length ?? 0) > 0);
  /** Of the plan and of what is ticked beside it, what is worst. */
  readonly saving = computed<SaveState>(() => {
    const plan = this.autosave()?.state() ?? { is: 'saved' };
    const states = [plan, ...this.ticks.saving()];
    return BAD_TO_GOOD.map((word) => states.find(({ is }) => is === word)).find((state) => state) ?? plan;
  });
  /** The browser keeps nothing of what is not saved: leaving the page would lose it. */
  readonly keepsNothing = computed(() => draftBox.failing() || this.ticks.failing());
  /** Each turn of the history; null where another trip, or another version of it, is opened. */
  readonly turned = new Subject<Turn | null>();
  /** Why the trip cannot be opened. */
  readonly openProblem = signal<string | null>(null);

  /** Whether a pointer is still changing the trip. */
  readonly isMoving = computed(() => POINTER_EDIT.test(this.history()?.key ?? ''));

  /** Opens a trip as it was left: what was typed and not yet saved comes before what the server has. */
  async open(id: string): Promise<void> {
    this.openProblem.set(null);
    const kept = await draftBox.left(id);
    const left = kept.map(alone);
    const beside = this.openBeside(id, kept);
    try {
      const [stored] = await Promise.all([
        firstValueFrom(this.api.trip(id)),
        firstValueFrom(this.shelf.load()),
        beside,
      ]);
      const taken = takeUpDrafts(left, stored);
      const { draft, isCurrent } = taken;
      this.show(draft && isCurrent ? { ...stored, document: draft.document } : stored, stored.document);
      if (draft && !isCurrent) this.offerDraft(draft);
      else if (draft) this.autosave()?.changed(draft.document);
      this.settleDrafts(id, taken);
    } catch (error) {
      const { draft, ...rest } = takeUpDrafts(left, null);
      if (draft && isOffline(error)) {
        await beside;
        this.show({ revision: draft.revision, document: draft.document }, draft.base);
        this.autosave()?.changed(draft.document);
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
            this.edit(() => other.document);
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

  /** Takes over a plan that was worked out from this one, as a remedy: names and bags stay as they are now. */
  takePlan(planned: Trip): void {
    this.edit((now) => withPlanOf(now, planned));
  }

  /** Ends a row of edits, as when a drag is let go. */
  settle(): void {
    this.history.update((history) => history && settled(history));
    this.autosave()?.keepNow();
  }

  /** Takes a row of edits back as if it had never been, as when a drag is called off. */
  callOff(key: string): void {
    this.turn((history) => calledOff(history, key));
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
        this.autosave()?.adopt(stored.revision, stored.document);
        this.autosave()?.changed(trip);
      },
      async () => {
        const together = along({
          trip,
          packing: this.ticks.packing.document(),
          rehearsal: this.ticks.rehearsal.document(),
        });
        const { revision } = await firstValueFrom(this.api.createTrip(together));
        await this.ticks.refresh();
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
    if (!trip || !autosave) return;
    try {
      await this.ticks.refresh();
      if (autosave.hasUnsaved) return;
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

  /** What is ticked and read, with what an earlier release had left unsaved of it in the trip. */
  private async openBeside(id: string, drafts: readonly Draft[]): Promise<void> {
    await this.ticks.open(id);
    for (const { packing, rehearsal } of drafts.map(({ document }) => apart(document))) {
      this.ticks.packing.takeIn(packing);
      this.ticks.rehearsal.takeIn(rehearsal);
    }
  }

  private show({ revision, document }: Stored<Trip>, base = document): void {
    this.autosave.set(
      new Autosave(revision, base, {
        box: draftBox,
        save: (trip, known) => this.api.replaceTrip(trip, known),
        read: () => this.api.trip(document.id),
      }),
    );
    this.history.set(begin(document));
    this.turned.next(null);
  }

  /** An unsaved version that grew from an older revision: neither is thrown away without being asked. */
  private offerDraft({ document: trip, base, revision }: Draft): void {
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
    this.autosave()?.changed(after.present, this.isMoving());
  }
}

/** How badly what is on the page may stand to what the server has, the worst first. */
const BAD_TO_GOOD: readonly SaveState['is'][] = ['conflict', 'refused', 'offline', 'saving', 'saved'];

/** A draft that an earlier release kept with its ticks in it, without them. */
function alone(draft: LeftDraft): LeftDraft {
  const trip = (one: Trip) => apart(one).trip;
  const { document, base, sent } = draft;
  return {
    ...draft,
    document: trip(document),
    ...(base && { base: trip(base) }),
    ...(sent && { sent: trip(sent) }),
  };
}
