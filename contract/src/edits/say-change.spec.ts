import { trip, hour } from '../testing/outing.js';
import type { Trip } from '../documents/trip.js';
import { addBlock, changeBlock, moveBlock, removeBlock, repeatBlock, usualWork } from './blocks.js';
import { putIn, setCount, swapItem, takeOut } from './loadout.js';
import { sayChange, sayFew } from './say-change.js';

describe('what has changed, in words', () => {
  const names = new Map([
    ['radio', 'Curlew 10'],
    ['tern', 'Tern 9'],
  ]);
  const nameOf = (id: string) => names.get(id) ?? id;
  const say = (before: Trip, after: Trip) => sayChange(before, after, nameOf).map(({ words }) => words);
  const place = { ...trip().place, timeZone: 'UTC' };
  const before: Trip = { ...trip(), place };
  const [one] = before.blocks;
  const kept = { gear: 'kept', count: 1 };
  const withKept: Trip = { ...before, loadout: [kept] };

  it('says where a block stands now', () => {
    const moved = moveBlock(before, one.id, hour(9));
    expect(say(before, moved)).toEqual([`CW ${one.powerW} W now Sat 09:00 to 11:00`]);
    expect(sayChange(before, moved, nameOf)[0].at).toEqual({ in: 'block', id: one.id });
    expect(say(moved, before)).toEqual([`CW ${one.powerW} W now Sat 08:00 to 10:00`]);
  });

  it('says a block whose start alone, or end alone, is another', () => {
    const edge = (which: 'start' | 'end', at: number) =>
      say(before, changeBlock(before, one.id, { [which]: new Date(hour(at)).toISOString() }));
    expect(edge('start', 9)).toEqual(['CW 10 W now Sat 09:00 to 10:00']);
    expect(edge('end', 9)).toEqual(['CW 10 W now Sat 08:00 to 09:00']);
  });

  it('says what is worked now, its duty cycle and how often where they changed', () => {
    expect(say(before, changeBlock(before, one.id, { powerW: 2.5, share: 0.3 }))).toEqual([
      'Sat 08:00 to 10:00 now CW 2.5 W, transmit duty cycle 30 %',
    ]);
    expect(say(before, changeBlock(before, one.id, { powerW: 4 }))).toEqual([
      'Sat 08:00 to 10:00 now CW 4 W',
    ]);
    const daily = repeatBlock(before, one.id, 'day');
    expect(say(before, daily)[0]).toMatch(/, every day$/);
    expect(say(daily, before)[0]).toMatch(/, once$/);
  });

  it('says what is added and removed, the day of the end too where it is another', () => {
    const span = { startMs: hour(16), endMs: hour(18) };
    const added = addBlock(before, 'new', span, usualWork(5))!;
    expect(say(before, added)).toEqual(['CW 5 W added, Sat 16:00 to 18:00']);
    expect(say(added, removeBlock(added, 'new'))).toEqual(['CW 5 W removed, Sat 16:00 to 18:00']);
    const late = {
      ...added,
      blocks: added.blocks.map((b) => (b.id === 'new' ? { ...b, end: new Date(hour(26)).toISOString() } : b)),
    };
    expect(say(added, late)).toEqual(['CW 5 W now Sat 16:00 to Sun 02:00']);
  });

  it('says what has come into the bag, left it, and taken a place', () => {
    const withRadio = putIn(withKept, 'radio');
    expect(say(withKept, withRadio)).toEqual(['Curlew 10 is in the bag']);
    expect(say(withRadio, takeOut(withRadio, 1))).toEqual(['Curlew 10 stays at home']);
    expect(say(withRadio, swapItem(withRadio, 1, 'tern'))).toEqual(['Tern 9 in the place of Curlew 10']);
    expect(say(withRadio, setCount(withRadio, 1, 2))).toEqual(['2 × Curlew 10 in the bag']);
    const two = setCount(withRadio, 1, 2);
    expect(say(two, swapItem(two, 1, 'tern'))).toEqual(['2 × Tern 9 in the place of 2 × Curlew 10']);
    // Two that go for one that comes have not been swapped.
    const alone: Trip = { ...withRadio, loadout: [{ gear: 'tern', count: 1 }] };
    expect(say(withRadio, alone)).toEqual([
      'Tern 9 is in the bag',
      'kept stays at home',
      'Curlew 10 stays at home',
    ]);
    expect(sayChange(withKept, withRadio, nameOf)[0].at).toEqual({ in: 'gear', id: 'radio' });
    const bags: Trip = { ...withRadio, packing: { bags: [{ id: 'a', name: 'Rucksack' }] } };
    const packed: Trip = { ...bags, loadout: bags.loadout.map((item) => ({ ...item, bag: 'a' })) };
    expect(say(bags, packed)).toEqual(['kept now in Rucksack', 'Curlew 10 now in Rucksack']);
    expect(say(packed, bags)[1]).toBe('Curlew 10 in no bag now');
  });

  it('says the rest of it once, and nothing where nothing is otherwise', () => {
    expect(say(before, before)).toEqual([]);
    expect(say(before, { ...before })).toEqual([]);
    const later = {
      ...before,
      start: new Date(hour(7)).toISOString(),
      end: new Date(hour(20)).toISOString(),
    };
    expect(say(before, later)).toEqual(['The outing goes from Sat 07:00 to Sat 20:00 now']);
    expect(say(before, { ...before, name: 'Skerry', temperatureC: -5, note: 'tide' })).toEqual([
      'The trip is called Skerry now',
      '−5 °C around the battery now',
      'The note has changed',
    ]);
    expect(say(before, { ...before, storedDays: 40 })).toEqual(['The plan has changed']);
  });

  it('says a few at once, and how many more there are', () => {
    const many = (count: number) =>
      Array.from({ length: count }, (_, at) => ({ words: `${at + 1}`, at: { in: 'else' } as const }));
    expect([1, 3, 4, 6].map((count) => sayFew(many(count)))).toEqual([
      '1',
      '1; 2; 3',
      '1; 2; 3; one more change',
      '1; 2; 3; 3 more changes',
    ]);
  });
});
