import type { Type } from '@angular/core';

/** A room of a trip: one line here, and one folder with its page. */
export interface Room {
  /** In the address after the trip's id; empty for the first. */
  readonly path: string;
  /** On the trail. */
  readonly name: string;
  /** In the title of the window and in the list of keys. */
  readonly title: string;
  /** After g. */
  readonly key: string;
  readonly load: () => Promise<Type<unknown>>;
}

/**
 * The rooms of a trip in the order of the work. Routes, trail, keys and help are made from this table; a sign on the trail, where
 * a room has one, stands in room-signs.ts. This file alone knows the rooms.
 */
export const ROOMS: readonly Room[] = [
  {
    ...{ path: '', name: 'Plan', title: 'Plan', key: 'p' },
    load: () => import('../plan/plan.page').then(({ PlanPage }) => PlanPage),
  },
  {
    ...{ path: 'size', name: 'Size', title: 'Size', key: 'z' },
    load: () => import('../size/size.page').then(({ SizePage }) => SizePage),
  },
  {
    ...{ path: 'wire', name: 'Wire', title: 'Wire', key: 'w' },
    load: () => import('../wire/wire.page').then(({ WirePage }) => WirePage),
  },
  {
    ...{ path: 'pack', name: 'Pack', title: 'Pack', key: 'k' },
    load: () => import('../pack/pack.page').then(({ PackPage }) => PackPage),
  },
  {
    ...{ path: 'rehearse', name: 'Rehearse', title: 'Rehearse', key: 'r' },
    load: () => import('../rehearse/rehearse.page').then(({ RehearsePage }) => RehearsePage),
  },
  {
    ...{ path: 'card', name: 'Card', title: 'Field card', key: 'c' },
    load: () => import('../card/card.page').then(({ CardPage }) => CardPage),
  },
  {
    ...{ path: 'field', name: 'Field', title: 'Field', key: 'f' },
    load: () => import('../field/field.page').then(({ FieldPage }) => FieldPage),
  },
  {
    ...{ path: 'debrief', name: 'Debrief', title: 'Debrief', key: 'e' },
    load: () => import('../debrief/debrief.page').then(({ DebriefPage }) => DebriefPage),
  },
];

/** Where a room of a trip is. */
export const roomAddress = (tripId: string, { path }: Room): readonly string[] =>
  path === '' ? ['/trips', tripId] : ['/trips', tripId, path];
