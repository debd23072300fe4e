import { part } from '../testing/harness.js';
import { giverOf, startsUp } from './start-up.js';

const straight = [part('iron', 'battery', null), part('loud', 'amplifier', 'iron')];
const boosted = [
  part('iron', 'battery', null),
  { ...part('up', 'converter', 'iron'), maxA: 20, supply: { volts: 28, efficiency: 0.9 } },
  part('loud', 'amplifier', 'up'),
];
const loud = (startA: number) => ({ part: 'loud', name: 'Loud 500', startA });
const iron = { name: 'Iron 100', maxA: 50, share: 1 };

describe('the start-up current of an amplifier', () => {
  it('is given by the converter before it, on its own side', () => {
    expect(startsUp(loud(20), giverOf(boosted, loud(20), iron))).toBeNull();
    expect(startsUp(loud(21), giverOf(boosted, loud(21), iron))).toEqual(
      jasmine.objectContaining({ severity: 'look', asks: 'at most 20.0 A', has: '21.0 A' }),
    );
  });

  it('is given by the battery where nothing stands between, of several each its part', () => {
    expect(startsUp(loud(60), giverOf(straight, loud(60), iron))?.sentence).toContain('Iron 100 gives 50');
    expect(startsUp(loud(60), giverOf(straight, loud(60), { ...iron, share: 0.5 }))).toBeNull();
  });

  it('is no question where nothing is entered, or nothing feeds it', () => {
    expect(startsUp(loud(60), giverOf(straight, loud(60), { ...iron, maxA: undefined }))).toBeNull();
    expect(startsUp(loud(60), giverOf(straight, loud(60), null))).toBeNull();
  });
});
