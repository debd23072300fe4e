import type { Gear } from '../documents/gear.js';
import type { NoiseReading } from '../documents/noise-reading.js';

/** An S-unit, dB. Source: IARU Region 1, Technical Recommendation R.1 (1981). */
export const S_UNIT_DB = 6;

/** Rises that are heard: one S-unit, the least that a meter tells apart, or 3 dB. Source: convention of this project. */
const HEARD = { S: 1, dB: 3 } as const;

/** Bands that a portable station listens on, by their usual names. */
export const BANDS = [
  ...['160 m', '80 m', '60 m', '40 m', '30 m', '20 m', '17 m', '15 m', '12 m', '10 m', '6 m', '2 m'],
] as const;

const placeOf = (band: string): number => {
  const place = (BANDS as readonly string[]).indexOf(band);
  return place === -1 ? BANDS.length : place;
};

/** Bands from long to short wave; those of other names last. */
export const byBand = (a: string, b: string): number => placeOf(a) - placeOf(b) || a.localeCompare(b, 'en');

/** Whether a thing switches many thousand times a second, and so may be heard. */
export const mayBeHeard = (gear: Gear): boolean =>
  gear.kind === 'controller' ||
  gear.kind === 'station' ||
  gear.kind === 'charger' ||
  (gear.kind === 'accessory' && gear.via !== undefined && gear.via !== 'bus');

/** How much the floor rises with it on, S-units, at least 0. */
export const riseS = ({ unit, on, off }: NoiseReading): number =>
  Math.max(0, on - off) / (unit === 'S' ? 1 : S_UNIT_DB);

const isHeard = ({ unit, on, off }: NoiseReading): boolean => on - off >= HEARD[unit];

/** Readings on which a thing was heard; null where nobody has listened. */
export const heardOn = ({ noise }: Pick<Gear, 'noise'>): readonly NoiseReading[] | null =>
  noise && noise.length > 0 ? noise.filter(isHeard) : null;

/** Whether a thing is quiet enough for a band; null where nobody has listened on it. @param radio beside this one only */
export function quietOn({ noise = [] }: Pick<Gear, 'noise'>, band: string, radio?: string): boolean | null {
  const there = noise.filter((one) => one.band === band && (radio === undefined || one.radio === radio));
  return there.length === 0 ? null : !there.some(isHeard);
}

/** What of a kit is heard on a band, and what nobody has listened to there. */
export function quietKit(
  gear: readonly Gear[],
  band: string,
): { readonly loud: readonly Gear[]; readonly unknown: readonly Gear[] } {
  const switching = gear.filter(mayBeHeard);
  return {
    loud: switching.filter((one) => quietOn(one, band) === false),
    unknown: switching.filter((one) => quietOn(one, band) === null),
  };
}

/** What was heard of each thing on each band. */
export interface NoiseTable {
  readonly bands: readonly string[];
  readonly rows: readonly {
    readonly gear: Gear;
    /** By band: how much the floor rises, S-units, and whether that is heard; null where nobody has listened. */
    readonly cells: readonly ({ readonly rise: number; readonly isHeard: boolean } | null)[];
  }[];
}

/** The readings of a shelf: what switches, by band; bands that nobody has listened on are left out. */
export function noiseTable(shelf: readonly Gear[]): NoiseTable {
  const heard = shelf.filter((gear) => !gear.archived && (gear.noise?.length ?? 0) > 0);
  const bands = [...new Set(heard.flatMap(({ noise = [] }) => noise.map(({ band }) => band)))].sort(byBand);
  return {
    bands,
    rows: heard.map((gear) => ({
      gear,
      cells: bands.map((band) => {
        const there = (gear.noise ?? []).filter((one) => one.band === band);
        if (there.length === 0) return null;
        return { rise: Math.max(...there.map(riseS)), isHeard: there.some(isHeard) };
      }),
    })),
  };
}

/** A thing with what was heard of it on a band; a band without both readings is not kept. */
export function withNoise<Item extends Gear>(
  gear: Item,
  band: string,
  unit: NoiseReading['unit'],
  { off, on }: { readonly off?: number; readonly on?: number },
  of: Pick<NoiseReading, 'date' | 'radio'>,
): Item {
  const rest = (gear.noise ?? []).filter((one) => one.band !== band);
  if (off === undefined || on === undefined) return { ...gear, noise: rest };
  return {
    ...gear,
    noise: [...rest, { band, unit, off, on, ...of }].sort((a, b) => byBand(a.band, b.band)),
  };
}
