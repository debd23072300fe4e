import { stretchesOf, type Contact } from '@knapsack/core';
import { hour, trip } from '../testing/outing.js';
import { contactBlocks } from './contact-blocks.js';

const contact = (of: number, change: Partial<Contact> = {}): Contact => ({
  ...{ timeMs: hour(of), mode: 'CW', modeName: 'CW', band: '40m' },
  ...change,
});
const minutes = (from: number, ...after: readonly number[]) =>
  after.map((minute) => contact(from + minute / 60));
const told = (contacts: readonly Contact[]) =>
  contactBlocks(trip(), stretchesOf(contacts)).map(({ start, end, mode, powerW }) => [
    start.slice(11, 16),
    end.slice(11, 16),
    mode,
    powerW,
  ]);

describe('hours worked by a contact log', () => {
  it('go from contact to contact, without the pauses, at the power of the plan', () => {
    expect(told([...minutes(8, 10, 20, 30), ...minutes(9, 10, 25), contact(13)])).toEqual([
      ['08:10', '08:30', 'CW', 10],
      ['09:10', '09:25', 'CW', 10],
    ]);
  });

  it('change with the mode: what lies between belongs to the later one', () => {
    const voice = { mode: 'SSB', modeName: 'USB' } as const;
    expect(told([...minutes(8, 0, 10), contact(8.25, voice), contact(8.5, voice)])).toEqual([
      ['08:00', '08:10', 'CW', 10],
      ['08:10', '08:30', 'SSB', 10],
    ]);
    // The factor of one’s own for CW does not go with voice.
    const own = trip({ blocks: trip().blocks.map((block) => ({ ...block, modeFactor: 0.5 })) });
    const [cw, ssb] = contactBlocks(own, stretchesOf([...minutes(8, 0, 10), contact(8.25, voice)]));
    expect(cw.modeFactor).toBe(0.5);
    expect(ssb.modeFactor).toBeUndefined();
  });

  it('end with the outing; a mode of no name goes on as planned', () => {
    const odd = { mode: null, modeName: 'ODD' };
    expect(told([contact(17.9, odd), contact(17.95, { ...odd, endMs: hour(18.5) })])).toEqual([
      ['17:54', '18:00', 'CW', 10],
    ]);
    expect(told([])).toEqual([]);
    expect(contactBlocks(trip({ blocks: [] }), stretchesOf(minutes(8, 0, 10)))[0]).toEqual(
      jasmine.objectContaining({ id: 'contacts-1', mode: 'CW' }),
    );
  });

  it('are one stretch where the band changes alone', () => {
    expect(
      told([...minutes(8, 0, 10), contact(8.25, { band: '20m' }), contact(8.5, { band: '20m' })]),
    ).toEqual([['08:00', '08:30', 'CW', 10]]);
  });
});

describe('the block that contacts are like', () => {
  const [one, two] = trip().blocks;
  const ofTwo = trip({ blocks: [one, { ...two, powerW: 5 }] });
  const watts = (contacts: readonly Contact[]) =>
    contactBlocks(ofTwo, stretchesOf(contacts)).map(({ powerW }) => powerW);

  it('is the one that they fall into, one that ends as they begin not', () => {
    expect(watts(minutes(8, 10, 20))).toEqual([10]);
    expect(watts(minutes(12, 10, 20))).toEqual([5]);
    expect(watts(minutes(10, 0, 10, 20, 30, 40, 50, 60, 70, 80, 90, 100, 110, 120, 130))).toEqual([5]);
  });

  it('gives no factor where the plan has none', () => {
    const [block] = contactBlocks(ofTwo, stretchesOf(minutes(8, 10, 20)));
    expect('modeFactor' in block).toBeFalse();
    expect('processed' in block).toBeFalse();
  });
});
