import { computed, inject, Injectable, type OnDestroy } from '@angular/core';
import {
  noNotes,
  noResults,
  noTicks,
  type DebriefNotes,
  type PackingDocument,
  type RehearsalDocument,
} from '@knapsack/contract';
import { ApiService } from '../data/api.service';
import type { SaveState } from './autosave';
import { Beside } from './beside';
import { DraftBox, THIS_TAB } from './draft-box';

/** What this tab has ticked and read and not saved. */
export const packingDrafts = new DraftBox<PackingDocument>(THIS_TAB, 'knapsack.packing-draft.');
export const rehearsalDrafts = new DraftBox<RehearsalDocument>(THIS_TAB, 'knapsack.rehearsal-draft.');

export const debriefDrafts = new DraftBox<DebriefNotes>(THIS_TAB, 'knapsack.debrief-draft.');

/** What is ticked, read and made of the trip in hand: no edit of the plan, and no step of undo. */
@Injectable()
export class TicksStore implements OnDestroy {
  private readonly api = inject(ApiService);

  readonly packing = new Beside<PackingDocument>(
    packingDrafts,
    noTicks,
    (id, from) => this.api.beside('packings', id, from),
    (document, revision) => this.api.keepBeside('packings', document, revision),
  );
  readonly rehearsal = new Beside<RehearsalDocument>(
    rehearsalDrafts,
    noResults,
    (id, from) => this.api.beside('rehearsals', id, from),
    (document, revision) => this.api.keepBeside('rehearsals', document, revision),
  );
  /** What somebody makes of its outing; null until the room that shows it has opened it. */
  readonly debrief = new Beside<DebriefNotes>(
    debriefDrafts,
    noNotes,
    (id, from) => this.api.beside('debriefs', id, from),
    (document, revision) => this.api.keepBeside('debriefs', document, revision),
  );
  /** Ids of the gear that lies packed. */
  readonly packed = computed(() => new Set(this.packing.document()?.packed.map(({ gear }) => gear)));
  readonly results = computed(() => this.rehearsal.document()?.results ?? []);
  readonly saving = computed<readonly SaveState[]>(() => [
    this.packing.saving(),
    this.rehearsal.saving(),
    this.debrief.saving(),
  ]);
  /** The browser keeps nothing of what is not saved. */
  readonly failing = computed(
    () => packingDrafts.failing() || rehearsalDrafts.failing() || debriefDrafts.failing(),
  );

  async open(id: string): Promise<void> {
    await Promise.all([this.packing.open(id), this.rehearsal.open(id)]);
  }

  async refresh(): Promise<void> {
    await Promise.all([this.packing.refresh(), this.rehearsal.refresh(), this.debrief.refresh()]);
  }

  ngOnDestroy(): void {
    this.packing.close();
    this.rehearsal.close();
    this.debrief.close();
  }
}
