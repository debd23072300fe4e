import { inject, Injectable } from '@angular/core';
import type { Battery, Gear, TripSummary } from '@knapsack/contract';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { effectOn, neededAh } from '@knapsack/contract/gear';

/** Most trips that are calculated anew for one change, of those that it touches. */
const MOST_TRIPS = 20;
/** What a change of gear does to the user's trips, in sentences. */
@Injectable({ providedIn: 'root' })
export class TripEffectsService {
  private readonly api = inject(ApiService);

  /** "Gannet Rock light gains 0.4 Ah", for each trip that carries the item and is changed by it. */
  async of(shelf: readonly Gear[], after: Gear): Promise<readonly string[]> {
    const summaries = await this.tripsInHand();
    const sentences: string[] = [];
    let touched = 0;
    for (const { id } of summaries) {
      const { document } = await firstValueFrom(this.api.trip(id));
      if (!document.loadout.some(({ gear }) => gear === after.id)) continue;
      if (++touched > MOST_TRIPS) break;
      const sentence = effectOn(document, shelf, after);
      if (sentence) sentences.push(sentence);
    }
    return sentences;
  }

  /** Those that are put away have been: nothing changes them. */
  private async tripsInHand(): Promise<readonly TripSummary[]> {
    return (await firstValueFrom(this.api.trips())).filter(({ archived }) => !archived);
  }

  /** What the user's trips need of a battery; null where none carries it. */
  async needOf(shelf: readonly Gear[], battery: Battery): Promise<MostNeeded | null> {
    const summaries = await this.tripsInHand();
    let most: MostNeeded | null = null;
    let touched = 0;
    for (const { id, name } of summaries) {
      const { document } = await firstValueFrom(this.api.trip(id));
      const ampereHours = neededAh(document, shelf, battery);
      if (ampereHours === null) continue;
      if (++touched > MOST_TRIPS) break;
      if (ampereHours > (most?.ampereHours ?? 0)) most = { tripName: name, ampereHours };
    }
    return most;
  }
}

/** The trip that needs most of a battery, and how much, Ah as its label counts. */
export interface MostNeeded {
  readonly tripName: string;
  readonly ampereHours: number;
}
