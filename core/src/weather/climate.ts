import type { AirWord } from '../sun/clear-sky.js';

/** Seasons of the year in their order from the winter solstice. */
export const SEASONS = ['winter', 'spring', 'summer', 'autumn'] as const;
export type Season = (typeof SEASONS)[number];

/** What a day can be like. */
export const DAY_TYPES = {
  clear: { cloud: 0.08, spread: 0.08, rainHours: 0 },
  fair: { cloud: 0.38, spread: 0.2, rainHours: 0 },
  cloudy: { cloud: 0.82, spread: 0.18, rainHours: 1 },
  wet: { cloud: 0.96, spread: 0.06, rainHours: 8 },
} as const;

export type DayType = keyof typeof DAY_TYPES;

/** A season in a climate: how many of ten days are of each type, and what the air is like. */
export interface SeasonOfClimate {
  /** Of ten days: clear, fair, cloudy, wet. */
  readonly days: readonly [number, number, number, number];
  /** Mean of the day at sea level, and from the coldest to the warmest hour, degrees C. */
  readonly meanC: number;
  readonly swingC: number;
  readonly windMS: number;
}

export interface Climate {
  readonly label: string;
  readonly air: AirWord;
  readonly seasons: Readonly<Record<Season, SeasonOfClimate>>;
}

const season = (
  days: SeasonOfClimate['days'],
  meanC: number,
  swingC: number,
  windMS: number,
): SeasonOfClimate => ({ days, meanC, swingC, windMS });

/**
 * Climates by the words people have for them. The figures are rules of thumb of our own, to have some weather where
 * nobody has a forecast: right for the kind of place, not for any one.
 */
export const CLIMATES = {
  maritime: {
    label: 'maritime, cool coasts',
    air: 'clean',
    seasons: {
      winter: season([1, 2, 3, 4], 4, 4, 7),
      spring: season([2, 3, 3, 2], 8, 6, 6),
      summer: season([2, 4, 2, 2], 15, 7, 5),
      autumn: season([1, 3, 3, 3], 10, 5, 6),
    },
  },
  temperate: {
    label: 'temperate, mild inland',
    air: 'ordinary',
    seasons: {
      winter: season([2, 2, 4, 2], 2, 5, 4),
      spring: season([2, 4, 2, 2], 10, 10, 3.5),
      summer: season([3, 4, 2, 1], 19, 11, 3),
      autumn: season([2, 3, 3, 2], 10, 8, 3.5),
    },
  },
  continental: {
    label: 'continental, cold winters and hot summers',
    air: 'ordinary',
    seasons: {
      winter: season([3, 3, 3, 1], -8, 8, 4),
      spring: season([3, 4, 2, 1], 8, 12, 4),
      summer: season([4, 4, 1, 1], 22, 13, 3),
      autumn: season([3, 4, 2, 1], 8, 11, 3.5),
    },
  },
  mediterranean: {
    label: 'mediterranean, dry summers',
    air: 'ordinary',
    seasons: {
      winter: season([3, 3, 2, 2], 10, 7, 4),
      spring: season([4, 4, 1, 1], 15, 9, 4),
      summer: season([8, 2, 0, 0], 25, 10, 3.5),
      autumn: season([4, 3, 2, 1], 18, 8, 3.5),
    },
  },
  desert: {
    label: 'desert and steppe',
    air: 'hazy',
    seasons: {
      winter: season([6, 3, 1, 0], 9, 14, 3),
      spring: season([6, 3, 1, 0], 19, 15, 4),
      summer: season([8, 2, 0, 0], 31, 15, 4),
      autumn: season([7, 3, 0, 0], 21, 15, 3),
    },
  },
  tropical: {
    label: 'tropical, wet summers',
    air: 'hazy',
    seasons: {
      winter: season([5, 4, 1, 0], 24, 9, 3),
      spring: season([3, 5, 1, 1], 27, 9, 3),
      summer: season([1, 3, 3, 3], 27, 7, 3),
      autumn: season([2, 4, 2, 2], 26, 8, 3),
    },
  },
  mountain: {
    label: 'high mountains',
    air: 'mountain',
    seasons: {
      winter: season([4, 2, 2, 2], 5, 8, 5),
      spring: season([2, 3, 3, 2], 12, 10, 4),
      summer: season([2, 4, 2, 2], 21, 12, 3.5),
      autumn: season([4, 3, 2, 1], 14, 11, 4),
    },
  },
  polar: {
    label: 'polar and far north',
    air: 'clean',
    seasons: {
      winter: season([3, 2, 3, 2], -18, 5, 6),
      spring: season([3, 3, 3, 1], -8, 8, 5),
      summer: season([1, 3, 5, 1], 7, 6, 4.5),
      autumn: season([1, 2, 4, 3], -3, 5, 6),
    },
  },
} as const satisfies Record<string, Climate>;

export type ClimateWord = keyof typeof CLIMATES;

export const CLIMATE_WORDS = Object.keys(CLIMATES) as readonly ClimateWord[];

const DAY_CLOUDS = Object.values(DAY_TYPES).map(({ cloud }) => cloud);
const meanCloudOf = (shares: readonly number[]): number => {
  const total = shares.reduce((sum, share) => sum + share, 0);
  return shares.reduce((sum, share, type) => sum + share * DAY_CLOUDS[type], 0) / total;
};
/** Halvings of the search for a tilt, and its largest value. */
const TILTS = 40;
const MAX_TILT = 60;

/**
 * Shares of day types whose mean cloud is a given one: the shares of the climate, weighted by exp(t x cloud) with the t that gives
 * that mean, which changes them as little as possible. A mean outside the types that occur gives the nearest of them.
 * Source: minimum discrimination information (Kullback 1959).
 *
 * @param shares of clear, fair, cloudy and wet days, 0 or more, in any unit
 * @param cloud mean cloud amount, 0 to 1
 */
export function shiftedDays(shares: readonly number[], cloud: number): readonly number[] {
  const tilted = (tilt: number) =>
    shares.map((share, type) => share * Math.exp(tilt * (DAY_CLOUDS[type] - cloud)));
  let [low, high] = [-MAX_TILT, MAX_TILT];
  for (let step = 0; step < TILTS; step++) {
    const middle = (low + high) / 2;
    if (meanCloudOf(tilted(middle)) < cloud) low = middle;
    else high = middle;
  }
  const found = tilted((low + high) / 2);
  const total = found.reduce((sum, share) => sum + share, 0);
  return found.map((share) => (10 * share) / total);
}

/** The season at an instant: thirds of a year around the solstices, turned round south of the equator. */
export function seasonAt(timeMs: number, latitudeDeg: number): Season {
  const quarter = Math.floor(((new Date(timeMs).getUTCMonth() + 1) % 12) / 3);
  return SEASONS[latitudeDeg >= 0 ? quarter : (quarter + 2) % 4];
}

/** Latitudes of the tropics and of the polar circles, degrees. */
const TROPIC_DEG = 23.4;
const POLAR_DEG = 66.6;

/**
 * The climate to begin with where nobody has named one: by latitude alone, and between the tropics and the polar circles the
 * temperate one, which is cloudier than most dry places are. Source: convention of this project.
 */
export function climateAt(latitudeDeg: number): ClimateWord {
  const away = Math.abs(latitudeDeg);
  return away < TROPIC_DEG ? 'tropical' : away > POLAR_DEG ? 'polar' : USUAL_CLIMATE;
}

/** The climate where not even the latitude is known. */
export const USUAL_CLIMATE: ClimateWord = 'temperate';

/** A sky as it usually is. */
export interface UsualSky {
  readonly cloud: number;
  readonly airC: number;
  readonly windMS: number;
}

/** Fall of the air's temperature with height, K/m. Source: ISO 2533, standard atmosphere. */
export const LAPSE_K_M = 0.0065;

/** The mean sky of a season in a climate, for hours that nobody has forecast. */
export function usualSky(climate: ClimateWord, season: Season, heightM: number): UsualSky {
  const { days, meanC, windMS }: SeasonOfClimate = CLIMATES[climate].seasons[season];
  const types = Object.values(DAY_TYPES);
  const cloud = days.reduce((sum, of, index) => sum + of * types[index].cloud, 0) / 10;
  return { cloud, airC: meanC - LAPSE_K_M * heightM, windMS };
}
