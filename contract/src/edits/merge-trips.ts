import { tripProblems } from '../documents/trip-rules.js';
import type { Trip } from '../documents/trip.js';

/** Two versions of a trip brought together, and where both had changed the same thing: there mine stands. */
export interface Merged {
  readonly trip: Trip;
  readonly mineStands: readonly string[];
}

type Value = unknown;
type Keyed = Readonly<Record<string, Value>>;

/** Lists whose items are known by a key of theirs. */
const KEYS: Readonly<Record<string, string>> = {
  blocks: 'id',
  loadout: 'gear',
  gear: 'id',
  variants: 'id',
  setAside: 'module',
  hours: 'start',
  runs: 'to',
  parts: 'id',
  bags: 'id',
  packed: 'gear',
  results: 'step',
  charging: 'gear',
  left: 'correction',
  aside: 'source',
  lessons: 'id',
  requirements: 'id',
  seconds: 'mode',
};

/** What the fields are called where both have changed them. */
const WORDS: Readonly<Record<string, string>> = {
  name: 'the name',
  start: 'the start',
  end: 'the end',
  place: 'the place',
  weather: 'the weather',
  panelPlace: 'how the panel lies',
  blocks: 'a block',
  loadout: 'something in the bag',
  variants: 'a variant',
  setAside: 'what stays at home',
  note: 'the note',
  harness: 'the wiring',
  runs: 'a run of the wiring',
  packing: 'how it is packed',
  bags: 'a bag',
  charging: 'how something is charged',
};

/**
 * Brings together what two tabs have made of the same trip, each from what both began with: a change of one is taken, of
 * both to the same thing mine. Lists are merged item by item. Null where the two do not go together, as with blocks that
 * overlap.
 */
export function mergeTrips(base: Trip, mine: Trip, theirs: Trip): Merged | null {
  const clashes = new Set<string>();
  const trip = mergeKeyed(asKeyed(base), asKeyed(mine), asKeyed(theirs), (key) =>
    clashes.add(WORDS[key] ?? 'a figure'),
  ) as unknown as Trip;
  const sorted: Trip = {
    ...trip,
    blocks: [...trip.blocks].sort((a, b) => Date.parse(a.start) - Date.parse(b.start)),
  };
  return tripProblems(sorted).length > 0 ? null : { trip: sorted, mineStands: [...clashes] };
}

/**
 * Brings together what two tabs have ticked or read: each tick and each result of one is taken, of both mine. It always goes
 * together, so that nobody is asked.
 */
export const mergeBeside = <Document extends object>(
  base: Document,
  mine: Document,
  theirs: Document,
): Document =>
  mergeKeyed(asKeyed(base), asKeyed(mine), asKeyed(theirs), () => undefined) as unknown as Document;

const asKeyed = (value: object): Keyed => value as Keyed;
const same = (a: Value, b: Value): boolean => JSON.stringify(a) === JSON.stringify(b);
const isKeyed = (value: Value): value is Keyed =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

function mergeKeyed(base: Keyed, mine: Keyed, theirs: Keyed, clash: (key: string) => void): Keyed {
  const merged: Record<string, Value> = {};
  for (const key of new Set([...Object.keys(mine), ...Object.keys(theirs)])) {
    const value = mergeValue(key, base[key], mine[key], theirs[key], clash);
    if (value !== undefined) merged[key] = value;
  }
  return merged;
}

function mergeValue(
  key: string,
  base: Value,
  mine: Value,
  theirs: Value,
  clash: (key: string) => void,
): Value {
  if (same(mine, theirs) || same(theirs, base)) return mine;
  if (same(mine, base)) return theirs;
  const id = KEYS[key];
  if (id && Array.isArray(mine) && Array.isArray(theirs)) {
    return mergeList(id, asList(base), asList(mine), asList(theirs), () => clash(key));
  }
  if (isKeyed(mine) && isKeyed(theirs)) {
    return mergeKeyed(isKeyed(base) ? base : {}, mine, theirs, () => clash(key));
  }
  clash(key);
  return mine;
}

const asList = (value: Value): readonly Keyed[] => (Array.isArray(value) ? (value as readonly Keyed[]) : []);

/** In my order, what is new of theirs at the end. What one has taken out stays out, unless the other has changed it. */
function mergeList(
  id: string,
  base: readonly Keyed[],
  mine: readonly Keyed[],
  theirs: readonly Keyed[],
  clash: () => void,
): readonly Keyed[] {
  const find = (list: readonly Keyed[], key: Value) => list.find((item) => item[id] === key);
  const keys = [...new Set([...mine, ...theirs].map((item) => item[id]))];
  return keys.flatMap((key): Keyed[] => {
    const [was, my, their] = [find(base, key), find(mine, key), find(theirs, key)];
    if (my && their) return [was || !same(my, their) ? mergeKeyed(was ?? {}, my, their, clash) : my];
    const left = my ?? their;
    if (!left) return [];
    if (!was) return [left];
    if (same(left, was)) return [];
    clash();
    return [left];
  });
}
