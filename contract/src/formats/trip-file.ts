import type { Gear } from '../documents/gear.js';
import { sameDocument } from '../documents/same-document.js';
import type { LoadoutItem, Trip } from '../documents/trip.js';
import { allLines } from '../resolve/bag-lines.js';

/** What to do with a trip of a file that is here already with other content. */
export const TRIP_CHOICES = ['both', 'replace'] as const;
/** Where gear goes that came with it and is not on the shelf: onto it, or along with the trip alone. */
export const NEW_GEAR_CHOICES = ['shelf', 'trip'] as const;
/** Which gear the trip uses where the shelf has an item of the same id with other content: its own, or the shelf’s. */
export const DIFFERENT_GEAR_CHOICES = ['file', 'shelf'] as const;

export interface TripFileChoice {
  readonly trip: (typeof TRIP_CHOICES)[number];
  readonly newGear: (typeof NEW_GEAR_CHOICES)[number];
  readonly differentGear: (typeof DIFFERENT_GEAR_CHOICES)[number];
}

export const USUAL_TRIP_FILE_CHOICE: TripFileChoice = {
  trip: 'both',
  newGear: 'shelf',
  differentGear: 'shelf',
};

/** How a trip out of a file, and the gear that came with it, stand to what is here. */
export interface TripFileLook {
  readonly trip: 'new' | 'same' | 'different';
  /** Names of gear that is not on the shelf, and of gear that is there with other content. */
  readonly newGear: readonly string[];
  readonly differentGear: readonly string[];
  /** Ids that its bags name and that are neither in the file nor on the shelf. */
  readonly missingGear: readonly string[];
}

/** @param here the trip of the same id, null where there is none @param shelf what stands on the shelf */
export function lookAtTripFile(file: Trip, here: Trip | null, shelf: readonly Gear[]): TripFileLook {
  const { fresh, different } = sorted(file, shelf);
  const known = new Set([...shelf, ...(file.gear ?? []), ...(here?.gear ?? [])].map(({ id }) => id));
  return {
    trip: here === null ? 'new' : isSameTrip(file, here) ? 'same' : 'different',
    newGear: fresh.map(({ name }) => name),
    differentGear: different.map(({ name }) => name),
    missingGear: [...namedIn(file)].filter((id) => !known.has(id)),
  };
}

/** Ids of all gear in a trip's bags. */
const namedIn = (trip: Trip): ReadonlySet<string> => new Set(allLines(trip).map(({ gear }) => gear));

/** Whether two trips are the same but for the gear that travels with them. */
const isSameTrip = (a: Trip, b: Trip): boolean => sameDocument(withoutGear(a), withoutGear(b));

/** What is written as a trip is taken out of a file. */
export interface TakenTrip {
  readonly trip: Trip;
  /** New on the shelf. */
  readonly gear: readonly Gear[];
}

/**
 * A trip out of a file as it is to be kept here. What is on the shelf is never changed; an item of the file that differs from
 * it stands beside it, if it is wanted, under an id and a name of its own, and the trip uses that. A trip that is here already
 * as it is in the file is not doubled, and gear that travels with it and that neither file nor shelf has goes on doing so.
 *
 * @param newKey makes an id's last part that nothing else has
 */
export function takeTripFile(
  file: Trip,
  here: Trip | null,
  shelf: readonly Gear[],
  choice: TripFileChoice,
  newKey: () => string,
): TakenTrip {
  const { fresh, different } = sorted(file, shelf);
  const names = new Map<string, string>();
  const beside =
    choice.differentGear === 'shelf'
      ? []
      : different.map((item): Gear => {
          const id = `${item.kind}-${newKey()}`;
          names.set(item.id, id);
          return { ...item, id, name: fromFile(item.name) };
        });
  const onShelf = choice.newGear === 'shelf' ? fresh : [];
  const brought = new Set([...shelf, ...(file.gear ?? [])].map(({ id }) => id));
  const mine = (here?.gear ?? []).filter(({ id }) => !brought.has(id) && namedIn(file).has(id));
  const along = [...(choice.newGear === 'shelf' ? [] : fresh), ...mine];
  const renamed = withGearRenamed(file, names);
  const trip: Trip = {
    ...withoutGear(renamed),
    ...(here !== null &&
      choice.trip === 'both' &&
      !isSameTrip(renamed, here) && { id: `trip-${newKey()}`, name: fromFile(renamed.name) }),
    ...(along.length > 0 && { gear: along }),
  };
  return { trip, gear: [...onShelf, ...beside] };
}

const MOST_NAME = 120;
const fromFile = (name: string): string => {
  const words = ', from a file';
  return name.slice(0, MOST_NAME - words.length) + words;
};

function sorted({ gear = [] }: Trip, shelf: readonly Gear[]) {
  const byId = new Map(shelf.map((item) => [item.id, item]));
  const fresh = gear.filter(({ id }) => !byId.has(id));
  const different = gear.filter((item) => {
    const there = byId.get(item.id);
    return there !== undefined && !sameDocument(item, there);
  });
  return { fresh, different };
}

const withoutGear = ({ gear: _gear, ...trip }: Trip): Trip => trip;

/** A trip whose gear is called otherwise: in its bags, its harness, its rehearsal and what is ticked and read. */
export function withGearRenamed(trip: Trip, names: ReadonlyMap<string, string>): Trip {
  if (names.size === 0) return trip;
  // A part of the harness is called by its gear, a second piece of a kind by "gear.2"; a step of the home test by its part.
  const word = (text: string) => {
    const piece = /^(.*?)(\.\d+)?$/.exec(text)!;
    return (names.get(piece[1]) ?? piece[1]) + (piece[2] ?? '');
  };
  const words = (text: string) => text.split(' ').map(word).join(' ');
  const line = (item: LoadoutItem): LoadoutItem => ({
    ...item,
    gear: word(item.gear),
    ...(item.charging?.generator && {
      charging: { ...item.charging, generator: word(item.charging.generator) },
    }),
  });
  const bag = ({ loadout, setAside }: Pick<Trip, 'loadout' | 'setAside'>) => ({
    loadout: loadout.map(line),
    ...(setAside && {
      setAside: setAside.map((aside) => ({
        ...aside,
        lines: aside.lines.map(({ at, item }) => ({ at, item: line(item) })),
      })),
    }),
  });
  const { harness, rehearsal, variants, packed, results } = trip;
  return {
    ...trip,
    ...bag(trip),
    ...(variants && {
      variants: variants.map((variant) => ({ ...variant, ...bag(variant) })),
    }),
    ...(harness && {
      harness: {
        ...harness,
        ...(harness.parts && { parts: harness.parts.map((part) => ({ ...part, from: word(part.from) })) }),
        ...(harness.runs && {
          runs: harness.runs.map((run) => ({
            ...run,
            to: word(run.to),
            ...(run.from !== undefined && { from: word(run.from) }),
          })),
        }),
      },
    }),
    ...(packed && { packed: packed.map((tick) => ({ ...tick, gear: word(tick.gear) })) }),
    ...(results && { results: results.map((result) => ({ ...result, step: words(result.step) })) }),
    ...(rehearsal && {
      rehearsal: {
        ...rehearsal,
        ...(rehearsal.charging && {
          charging: rehearsal.charging.map((one) => ({
            ...one,
            gear: word(one.gear),
            ...(one.from !== undefined && { from: word(one.from) }),
          })),
        }),
      },
    }),
  };
}
