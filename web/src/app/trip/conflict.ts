import type { Signal } from '@angular/core';
import { along, type Stored, type Trip } from '@knapsack/contract';
import { mergeTrips } from '@knapsack/contract/edits';
import { firstValueFrom } from 'rxjs';
import type { ApiService } from '../data/api.service';
import { hasStatus, problemText } from '../data/problem-text';
import type { NoticesService } from '../shell/notices.service';
import type { Autosave } from './autosave';
import { draftBox, sameDraft } from './draft-box';
import type { TicksStore } from './ticks.store';

/** The trip in hand, as far as two versions of it are concerned. */
export interface InHand {
  readonly trip: Signal<Trip | null>;
  readonly autosave: Signal<Autosave | null>;
  /** Steps of the history, one after the other, so that each is an undo away. */
  readonly passBy: (...versions: readonly Trip[]) => void;
}

/** Two versions of the trip in hand: this page's, and one that another tab or device has saved meanwhile. */
export class Conflict {
  constructor(
    private readonly api: ApiService,
    private readonly ticks: TicksStore,
    private readonly notices: NoticesService,
    private readonly hand: InHand,
  ) {}

  /** Both versions together, told and an undo away; null where they go together by a word of the user's alone. */
  together(base: Trip, mine: Trip, theirs: Trip): Trip | null {
    const merged = mergeTrips(base, mine, theirs);
    if (!merged || merged.mineStands.length > 0) return null;
    const { trip } = merged;
    if (sameDraft(trip, mine)) return trip;
    this.hand.passBy(theirs, trip);
    this.notices.show({
      text: 'This trip was changed elsewhere too, perhaps on another device. Both changes stand.',
    });
    return trip;
  }

  /** Overwrites the other version with this page's, or puts it back where it was deleted. */
  async keepMine(): Promise<void> {
    const trip = this.hand.trip();
    if (!trip) return;
    await this.settle(
      (stored) => {
        this.autosave?.adopt(stored.revision, stored.document);
        this.autosave?.changed(trip);
      },
      async () => {
        const together = along({
          trip,
          packing: this.ticks.packing.document(),
          rehearsal: this.ticks.rehearsal.document(),
        });
        const { revision } = await firstValueFrom(this.api.createTrip(together));
        await this.ticks.refresh();
        this.autosave?.adopt(revision, trip);
        draftBox.drop(trip.id);
      },
    );
  }

  /**
   * Brings both versions together, this page's standing where both had changed the same; the other one stays one undo away.
   *
   * @returns what is worth a word: where mine stands, or why it cannot be done
   */
  async merge(): Promise<string | null> {
    let said: string | null = null;
    await this.settle((stored) => {
      const mine = this.hand.trip();
      const { autosave } = this;
      const merged = mine && autosave && mergeTrips(autosave.knownBase, mine, stored.document);
      if (!merged) {
        said = 'The two do not go together, as where blocks overlap: keep one of them.';
        return;
      }
      autosave.adopt(stored.revision, stored.document);
      this.hand.passBy(stored.document, merged.trip);
      autosave.changed(merged.trip);
      if (merged.mineStands.length > 0) {
        said = `Both had changed ${merged.mineStands.join(' and ')}: what you see here stands.`;
      }
    });
    return said;
  }

  /** Takes the other version; this page's stays one undo away. */
  async takeTheirs(): Promise<void> {
    await this.settle((stored) => {
      this.autosave?.adopt(stored.revision, stored.document);
      draftBox.drop(stored.document.id);
      this.hand.passBy(stored.document);
    });
  }

  private get autosave(): Autosave | null {
    return this.hand.autosave();
  }

  private async settle(
    take: (stored: Stored<Trip>) => void,
    whereDeleted?: () => Promise<void>,
  ): Promise<void> {
    const trip = this.hand.trip();
    if (!trip) return;
    try {
      try {
        take(await firstValueFrom(this.api.trip(trip.id)));
      } catch (error) {
        if (!whereDeleted || !hasStatus(error, 404)) throw error;
        await whereDeleted();
      }
    } catch (error) {
      this.autosave?.state.set({ is: 'refused', why: problemText(error) });
    }
  }
}
