import { computed, inject, Injectable, signal, type OnDestroy } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { apart, sameSum, tripProblems, withPlanOf, type Stored, type Trip } from '@knapsack/contract';
import { firstValueFrom, Subject } from 'rxjs';
import { ApiService } from '../data/api.service';
import { isOffline, problemText } from '../data/problem-text';
import { ServerWatch } from '../data/server-watch.service';
import { NoticesService } from '../shell/notices.service';
import { ShelfService } from '../data/shelf.service';
import { Autosave, type SaveState } from './autosave';
import { Conflict } from './conflict';
import { draftBox, type Draft, type LeftDraft } from './draft-box';
import { takeUpDrafts, type TakenUp } from './take-up-drafts';
import { TicksStore } from './ticks.store';
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
  private readonly watch = inject(ServerWatch);
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
  /** What the user can do where two versions of the trip do not go together. */
  readonly conflict = new Conflict(this.api, this.ticks, this.notices, {
    trip: this.trip,
    autosave: this.autosave,
    passBy: (...versions) => {
      for (const version of versions) this.history.update((history) => history && edited(history, version));
    },
  });
  /** Each turn of the history; null where another trip, or another version of it, is opened. */
  readonly turned = new Subject<Turn | null>();
  /** When the server had the trip as it was opened from this device, UTC epoch ms; null where the server gave it. */
  readonly asOfMs = signal<number | null>(null);
  /** Why the trip cannot be opened. */
  readonly openProblem = signal<string | null>(null);

  /** Whether a pointer is still changing the trip. */
  readonly isMoving = computed(() => POINTER_EDIT.test(this.history()?.key ?? ''));

  constructor() {
    this.watch.back.pipe(takeUntilDestroyed()).subscribe(() => void this.refresh());
  }

  /** Opens a trip as it was left: what was typed and not yet saved comes before what the server has. */
  async open(id: string): Promise<void> {
    this.openProblem.set(null);
    const kept = await draftBox.left(id);
    const left = kept.map(alone);
    const beside = this.openBeside(id, kept);
    try {
      const [stored] = await Promise.all([
        firstValueFrom(this.api.trip(id, 'device too')),
        firstValueFrom(this.shelf.load()),
        beside,
      ]);
      this.asOfMs.set(stored.keptAtMs);
      const taken = takeUpDrafts(left, stored);
      const { draft, isCurrent } = taken;
      this.show(draft && isCurrent ? { ...stored, document: draft.document } : stored, stored.document);
      if (draft && !isCurrent) this.offerDraft(draft, stored);
      else if (draft) this.autosave()?.changed(draft.document);
      this.settleDrafts(id, taken);
    } catch (error) {
      const { draft, ...rest } = takeUpDrafts(left, null);
      if (draft && isOffline(error)) {
        await beside;
        this.show({ revision: draft.revision, document: draft.document }, draft.base);
        this.autosave()?.changed(draft.document);
        this.settleDrafts(id, { draft, ...rest });
      } else if (isOffline(error))
        this.openProblem.set(`This trip is not on this device. ${problemText(error)}`);
      else this.openProblem.set(problemText(error));
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

  /** Takes up what another tab has saved meanwhile, unless something is unsaved here. */
  async refresh(): Promise<void> {
    const trip = this.trip();
    const autosave = this.autosave();
    // While the server is away there is nothing to take up: this is asked for again when it is back.
    if (!trip || !autosave || this.watch.away()) return;
    try {
      await this.ticks.refresh();
      // What this device had kept may be old: the gear too, which has revisions of its own.
      if (this.asOfMs() !== null) await firstValueFrom(this.shelf.load());
      this.asOfMs.set(null);
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
        bringTogether: (base, mine, theirs) => this.conflict.together(base, mine, theirs),
      }),
    );
    this.history.set(begin(document));
    this.turned.next(null);
  }

  /** An unsaved version that grew from an older revision: neither is thrown away without being asked. */
  private offerDraft({ document: trip, base, revision }: Draft, stored: Stored<Trip>): void {
    const together = base && this.conflict.together(base, trip, stored.document);
    if (together) {
      this.history.update((history) => history && edited(history, together));
      this.autosave()?.changed(together);
      return;
    }
    this.history.update((history) => history && edited(history, trip));
    if (base) this.autosave()?.adopt(revision, base);
    this.autosave()?.changed(trip);
    this.autosave()?.state.set({ is: 'conflict' });
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
