import type { AirWord, ClimateWord, GroundWord, Mount, Stand } from '@knapsack/core';

/** How a panel is laid out. Angles in degrees: tilt from the horizontal, azimuth where it looks from true north. */
export type AimChoice =
  | { readonly how: 'flat' }
  | { readonly how: 'fixed'; readonly tiltDeg: number; readonly azimuthDeg: number }
  | { readonly how: 'every'; readonly minutes: number }
  | { readonly how: 'at'; readonly times: readonly string[] }
  | { readonly how: 'hung' };

/** Hours in which a share of the panel lies in shade. Times are ISO 8601 with an offset or Z. */
export interface ShadeHours {
  readonly start: string;
  readonly end: string;
  /** Share of the panel, above 0 to 1. */
  readonly fraction: number;
  readonly label?: string;
}

/** Where and how the panel lies. */
export interface PanelPlace {
  readonly aim: AimChoice;
  readonly mount: Mount;
  readonly ground: GroundWord;
  /** The tilts that its stand allows, where it is tilted or turned; any if absent. */
  readonly stand?: Stand;
  readonly shade?: readonly ShadeHours[];
  /** The skyline, ascending by azimuth. */
  readonly horizon?: readonly { readonly azimuthDeg: number; readonly elevationDeg: number }[];
}

/** The sky from an instant to the next such hour, or for an hour where it is the last. */
export interface WeatherHour {
  readonly start: string;
  /** Cloud amount, 0 to 1. */
  readonly cloud: number;
  readonly rain?: boolean;
  /** What closes the sky is fog; for the words only, the cloud amount says how much. */
  readonly fog?: boolean;
  readonly temperatureC?: number;
  readonly windMS?: number;
  /** The air just then; the weather's usual if absent. */
  readonly air?: AirWord;
}

/** The sky over the outing: what it usually is, and the hours that are known better. */
export interface Weather {
  readonly air: AirWord;
  /** The user's own word on the cloud where no hour is known, 0 to 1; by the climate if absent. */
  readonly cloud?: number;
  readonly windMS: number;
  /** Ascending. */
  readonly hours?: readonly WeatherHour[];
  /** What the weather is usually like there; fills the gaps of a forecast. */
  readonly climate?: ClimateWord;
  /** Where the hours come from; typed by hand if absent. */
  readonly source?: WeatherSource;
}

/** Where hours of weather come from. */
export type WeatherSource = 'typed' | 'forecast' | 'simulated';

export const USUAL_WEATHER: Weather = { air: 'ordinary', windMS: 1.5 };
export const USUAL_PLACE: PanelPlace = { aim: { how: 'flat' }, mount: 'flat', ground: 'grass' };
