import type { PackingList } from '@knapsack/contract/packing';
import { oddsOf } from '@knapsack/core';
import { packVerdict, roomWords, withoutWords } from './pack-words';

const list = (change: Partial<PackingList> = {}): PackingList =>
  ({
    grams: 7130,
    limitG: 9000,
    overG: 0,
    overL: 0,
    litres: 3.6,
    limitL: 40,
    wayIn: 'foot',
    operators: 1,
    overfull: [],
    unweighed: 0,
    unmeasured: 0,
    ...change,
  }) as PackingList;

describe('the words on packing', () => {
  it('say whether it can be carried', () => {
    expect(packVerdict(list())).toBe('7.13 kg of the 9.00 kg that are carried on foot: it can be carried.');
    expect(packVerdict(list({ overG: 400, grams: 9400, operators: 2, wayIn: 'paddle' }))).toBe(
      '9.40 kg: 0.40 kg over the 9.00 kg that are carried by canoe or kayak by 2 people.',
    );
    expect(packVerdict(list({ overL: 2.5 }))).toContain('2.5 l more than there is usually room for');
    expect(packVerdict(list({ unweighed: 2 }))).toContain('2 lines not weighed.');
  });

  it('say how much room it takes', () => {
    expect(roomWords(list({ unmeasured: 8 }))).toBe(
      'It takes 3.6 l of the 40 l that are usual, 8 lines not measured.',
    );
  });

  it('say what is left without a piece', () => {
    const left = { hours: 12, ofHours: 30, endMs: Date.UTC(2027, 8, 5, 2), because: 'no sun', trip: null };
    expect(withoutWords(left, oddsOf(1, 100), oddsOf(87, 100), 'Europe/Oslo')).toBe(
      'Left at home, 12 h 00 of 30 h 00 on the air are left, over at Sun 04:00 (no sun). Then it lasts in 1 of 100 simulated outings; as it is packed, in 87 of 100.',
    );
    expect(withoutWords({ ...left, hours: 0 }, null, null, 'UTC')).toContain('there is no operating at all');
    expect(withoutWords({ ...left, hours: 30, endMs: null }, null, null, 'UTC')).toBe(
      'Left at home, all 30 h 00 on the air are kept (no sun).',
    );
  });
});
