import { inject, Injectable } from '@angular/core';
import { resolve, type Battery, type Gear, type Trip } from '@knapsack/contract';
import { forecast, sayDuration, sayQuantity, type Verdict } from '@knapsack/core';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { neededAh } from '@knapsack/contract/gear';

/** Most trips that are calculated anew for one change, of those that it touches. */
const MOST_TRIPS = 20;
/** A change under this is none, Ah. */
const NOTHING_AH = 0.005;

/** What a change of gear does to the user's trips, in sentences. */
@Injectable({ providedIn: 'root' })
export class TripEffectsService {
  private readonly api = inject(ApiService);

  /** "Gannet Rock light gains 0.4 Ah", for each trip that carries the item and is changed by it. */
  async of(shelf: readonly Gear[], after: Gear): Promise<readonly string[]> {
    const summaries = await firstValueFrom(this.api.trips());
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

  /** What the user's trips need of a battery; null where none carries it. */
  async needOf(shelf: readonly Gear[], battery: Battery): Promise<MostNeeded | null> {
    const summaries = await firstValueFrom(this.api.trips());
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

/** What a trip gains or loses by an item's change; null where nothing changes or it cannot be reckoned. */
export function effectOn(trip: Trip, shelf: readonly Gear[], after: Gear): string | null {
  const before = verdictOf(trip, shelf);
  const now = verdictOf(
    trip,
    shelf.map((gear) => (gear.id === after.id ? after : gear)),
  );
  if (!before || !now) return null;
  if (before.lasts && now.lasts) {
    const change = now.marginAh - before.marginAh;
    if (Math.abs(change) < NOTHING_AH) return null;
    return `${trip.name} ${change > 0 ? 'gains' : 'loses'} ${sayQuantity({ value: Math.abs(change), unit: 'Ah' })}.`;
  }
  if (before.lasts !== now.lasts) {
    return now.lasts ? `${trip.name} lasts now.` : `${trip.name} does not last any more.`;
  }
  const hours = now.marginHours - before.marginHours;
  return Math.abs(hours) < 1 / 60
    ? null
    : `${trip.name} ends ${sayDuration(Math.abs(hours))} ${hours > 0 ? 'later' : 'sooner'}.`;
}

function verdictOf(trip: Trip, shelf: readonly Gear[]): Verdict | null {
  const plan = resolve(trip, shelf);
  return plan.ok ? forecast(plan.value).verdict : null;
}
