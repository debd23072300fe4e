import { assessTrip } from './assess-trip.js';
import { blockDuty } from './block-duty.js';
import { resolve } from './resolve.js';
import { blockAt, curlew, shale, trip } from '../testing/outing.js';
import type { Radio } from '../documents/gear.js';
import type { DutyFigure } from '../documents/operator-figures.js';

const duty: readonly DutyFigure[] = [
  {
    ...{ mode: 'CW', activity: 'calling', instead: 0.3 },
    ...{ value: 0.4, source: 'learned', spread: 0.02, date: '2027-06-01', outing: 'x' },
  },
];
const taught: Radio = { ...curlew, duty };
const block = (share: number, change: object = {}) => ({ ...blockAt('one', 8, 10), share, ...change });

describe('the transmit duty cycle of a block', () => {
  it('is what was learned where the plan says what is usual, or what it was learned instead of', () => {
    const { share, from } = blockDuty(block(0.5), taught);
    expect([share, from?.source]).toEqual([0.4, 'learned']);
    expect(from?.spread).toBeCloseTo(0.05, 12);
    expect(blockDuty(block(0.3), taught).share).toBe(0.4);
    expect(blockDuty(block(0.3), curlew)).toEqual({ share: 0.3 });
    expect(blockDuty(block(0.3), null)).toEqual({ share: 0.3 });
  });

  it('is somebody’s own word where the plan says anything else, and that of its own mode and activity', () => {
    expect(blockDuty(block(0.35), taught)).toEqual({ share: 0.35 });
    expect(blockDuty(block(0.4), taught)).toEqual({ share: 0.4 });
    expect(blockDuty(block(0.3, { mode: 'SSB' }), taught)).toEqual({ share: 0.3 });
    expect(blockDuty(block(0.3, { activity: 'contest' }), taught)).toEqual({ share: 0.3 });
  });

  it('is what the trip is calculated with, and less unsure than one that is planned', () => {
    const [bare, known] = [curlew, taught].map((radio) => resolve(trip(), [radio, shale]));
    if (!bare.ok || !known.ok) throw new Error();
    expect(bare.value.blocks.map(({ share }) => share)).toEqual([0.5, 0.5]);
    expect(known.value.blocks.map(({ share, shareFrom }) => [share, shareFrom!.source])).toEqual([
      [0.4, 'learned'],
      [0.4, 'learned'],
    ]);
    const width = (radio: Radio, share: number) => {
      const of = trip({ blocks: [{ ...blockAt('one', 8, 18), share }] });
      const { p10, p90 } = assessTrip(of, [radio, shale]).found!.chance;
      return p90.at(-1)! - p10.at(-1)!;
    };
    // The same duty cycle, learned and planned.
    expect(width(taught, 0.3)).toBeLessThan(0.9 * width(curlew, 0.4));
  });
});
