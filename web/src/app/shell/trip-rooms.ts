import { InjectionToken } from '@angular/core';

/** What the keys and their list know of a room of a trip. */
export interface KeyedRoom {
  /** In the address after the trip's id; empty for the first. */
  readonly path: string;
  readonly title: string;
  /** After g. */
  readonly key: string;
}

/** The rooms of a trip, from their table: the shell stands below it and is given it. */
export const TRIP_ROOMS = new InjectionToken<readonly KeyedRoom[]>('rooms of a trip');
