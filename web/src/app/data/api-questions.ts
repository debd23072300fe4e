import type { Gear, Trip } from '@knapsack/contract';
import type { ClimateWord, Habits } from '@knapsack/core';
import type { BesideKind } from './api.service';

/** What a trip goes out as. */
export type TripFormat = 'file' | 'calendar' | 'gpx' | 'geojson';

/** What a field card is made of; the gear as it is here, saved or not. */
export interface CardPdfQuestion {
  readonly trip: Trip;
  readonly gear: readonly Gear[];
  readonly paper: 'A5' | 'A4';
  /** In which the card is written. */
  readonly habits: Habits;
  readonly ration: unknown;
}

/** What the simulated forecast is of. */
export interface WeatherQuestion {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly heightM: number;
  readonly start: string;
  readonly end: string;
  readonly climate: ClimateWord;
}

/** A row of the data file that this release cannot read. */
export interface SetAside {
  readonly kind: 'trips' | 'gear' | BesideKind;
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  /** A later release wrote it and can open it. */
  readonly isLater: boolean;
  readonly sentence: string;
}
