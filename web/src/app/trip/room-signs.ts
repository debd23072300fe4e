import { inject, type Signal, type Type } from '@angular/core';
import { PackStore } from '../pack/pack.store';
import { RehearseStore } from '../rehearse/rehearse.store';
import { ChanceStore } from './chance.store';
import { WireStore } from './wire.store';

export type Sign = 'fine' | 'look' | 'stop';

/** What rooms keep for as long as the trip is open, so that their signs stand in every room. */
export const ROOM_STORES: readonly Type<unknown>[] = [WireStore, PackStore, RehearseStore];

/** How the rooms stand, by their path; a room without a sign is not in it. To be called where stores can be injected. */
export function roomSigns(): ReadonlyMap<string, Signal<Sign | null>> {
  const chances = inject(ChanceStore);
  return new Map([
    ['', chances.planSign],
    ['size', chances.sizeSign],
    ['wire', inject(WireStore).worst],
    ['pack', inject(PackStore).sign],
    ['rehearse', inject(RehearseStore).sign],
  ]);
}
