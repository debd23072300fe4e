import { sayHour, sayQuantity, sayTime, sayWork } from '@knapsack/core';
import { REPEATS, type Block, type LoadoutItem, type Trip } from '../documents/trip.js';
import { spanOf } from './blocks.js';

/** Where in the trip something has changed. */
export type ChangedAt =
  | { readonly in: 'block' | 'gear'; readonly id: string }
  | { readonly in: 'sky' | 'panel' | 'wiring' | 'where' | 'else' };

/** One thing that has changed: how it is now, in words, and where it stands. */
export interface SaidChange {
  readonly words: string;
  readonly at: ChangedAt;
}

/** Fields of the trip that are said by themselves, in the order in which they matter. */
const FIELDS: readonly (readonly [keyof Trip, (trip: Trip) => string, ChangedAt['in']])[] = [
  ['name', ({ name }) => `The trip is called ${name} now`, 'where'],
  ['place', ({ place }) => `The place is ${place.name} now`, 'where'],
  ['start', (trip) => outingWords(trip), 'where'],
  ['end', (trip) => outingWords(trip), 'where'],
  ['weather', () => 'The sky has changed', 'sky'],
  ['panelPlace', () => 'How the panel lies has changed', 'panel'],
  [
    'temperatureC',
    (trip) => `${sayQuantity({ value: trip.temperatureC, unit: 'C' })} around the battery now`,
    'else',
  ],
  ['startSoc', (trip) => `It begins at ${sayQuantity({ value: trip.startSoc, unit: 'share' })} now`, 'else'],
  ['harness', () => 'The wiring has changed', 'wiring'],
  ['packing', () => 'How it is packed has changed', 'else'],
  ['note', () => 'The note has changed', 'else'],
];

/**
 * What stands otherwise in a trip than before, as it is now: "CW 10 W now Sat 17:00 to 21:00". Blocks and gear come first, each by
 * itself; a change that has no words of its own is "The plan has changed". Empty where nothing has.
 *
 * @param nameOf the name of an item of gear by its id
 */
export function sayChange(before: Trip, after: Trip, nameOf: (id: string) => string): readonly SaidChange[] {
  if (before === after) return [];
  const said = [...blockChanges(before, after), ...gearChanges(before, after, nameOf)];
  for (const [field, words, at] of FIELDS) {
    if (same(before[field], after[field])) continue;
    const sentence = words(after);
    if (said.every((one) => one.words !== sentence))
      said.push({ words: sentence, at: { in: at } as ChangedAt });
  }
  if (said.length === 0 && !same(before, after))
    said.push({ words: 'The plan has changed', at: { in: 'else' } });
  return said;
}

/** More changes than one wants to read or hear at once. */
const MOST_SAID = 3;

/** Changes in one line, the first few of them: "CW 10 W now Sat 17:00 to 21:00; Shale 60 stays at home; 2 more changes". */
export function sayFew(changes: readonly SaidChange[]): string {
  const words = changes.slice(0, MOST_SAID).map(({ words }) => words);
  const more = changes.length - words.length;
  return [...words, ...(more > 0 ? [more === 1 ? 'one more change' : `${more} more changes`] : [])].join(
    '; ',
  );
}

function blockChanges(before: Trip, after: Trip): SaidChange[] {
  const zone = after.place.timeZone;
  const was = new Map(before.blocks.map((block) => [block.id, block]));
  const is = new Map(after.blocks.map((block) => [block.id, block]));
  const said: SaidChange[] = [];
  for (const block of after.blocks) {
    const old = was.get(block.id);
    const at = { in: 'block', id: block.id } as const;
    const hours = hoursWords(block, zone);
    if (!old) said.push({ words: `${sayWork(block)} added, ${hours}`, at });
    else if (same({ ...old, start: block.start, end: block.end }, block)) {
      if (old.start !== block.start || old.end !== block.end)
        said.push({ words: `${sayWork(block)} now ${hours}`, at });
    } else said.push({ words: `${hours} now ${sayWork(block)}${moreWords(old, block)}`, at });
  }
  for (const block of before.blocks)
    if (!is.has(block.id))
      said.push({
        words: `${sayWork(block)} removed, ${hoursWords(block, before.place.timeZone)}`,
        at: { in: 'block', id: block.id },
      });
  return said;
}

/** "Sat 17:00 to 21:00"; the day of the end too where it is another. */
function hoursWords(block: Block, zone: string): string {
  const { startMs, endMs } = spanOf(block);
  const [from, to] = [sayTime(startMs, zone), sayTime(endMs, zone)];
  return `${from} to ${from.split(' ')[0] === to.split(' ')[0] ? sayHour(endMs, zone) : to}`;
}

/** What of a block its mode and power do not say. */
function moreWords(old: Block, block: Block): string {
  const words: string[] = [];
  if (old.share !== block.share)
    words.push(`transmit duty cycle ${sayQuantity({ value: block.share, unit: 'share' })}`);
  if (old.repeat !== block.repeat) words.push(block.repeat ? REPEATS[block.repeat] : 'once');
  return words.map((word) => `, ${word}`).join('');
}

function gearChanges(before: Trip, after: Trip, nameOf: (id: string) => string): SaidChange[] {
  const was = new Map(before.loadout.map((item) => [item.gear, item]));
  const is = new Map(after.loadout.map((item) => [item.gear, item]));
  const gone = before.loadout.filter(({ gear }) => !is.has(gear));
  const come = after.loadout.filter(({ gear }) => !was.has(gear));
  // One that comes where one goes has taken its place.
  const [swapped] = gone.length === 1 && come.length === 1 ? gone : [];
  const named = ({ gear, count }: LoadoutItem) => (count > 1 ? `${count} × ${nameOf(gear)}` : nameOf(gear));
  const said: SaidChange[] = [];
  for (const item of come)
    said.push({
      words: swapped ? `${named(item)} in the place of ${named(swapped)}` : `${named(item)} is in the bag`,
      at: { in: 'gear', id: item.gear },
    });
  for (const item of gone)
    if (item !== swapped)
      said.push({ words: `${named(item)} stays at home`, at: { in: 'gear', id: item.gear } });
  for (const item of after.loadout) {
    const old = was.get(item.gear);
    if (!old || same(old, item)) continue;
    said.push({ words: itemWords(old, item, after, nameOf), at: { in: 'gear', id: item.gear } });
  }
  return said;
}

function itemWords(
  old: LoadoutItem,
  item: LoadoutItem,
  { packing }: Trip,
  nameOf: (id: string) => string,
): string {
  const name = nameOf(item.gear);
  if (old.count !== item.count) return `${item.count} × ${name} in the bag`;
  if (old.bag === item.bag) return `${name} is used otherwise`;
  const bag = packing?.bags?.find(({ id }) => id === item.bag);
  return bag ? `${name} now in ${bag.name}` : `${name} in no bag now`;
}

function outingWords(trip: Trip): string {
  const { startMs, endMs } = spanOf(trip);
  const zone = trip.place.timeZone;
  return `The outing goes from ${sayTime(startMs, zone)} to ${sayTime(endMs, zone)} now`;
}

const same = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);
