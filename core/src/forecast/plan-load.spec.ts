import { measuredRadio, whiteboardPlan } from '../testing/plans.js';
import { assumedThroughout } from './plan-load.js';

describe('one assumption for a whole plan', () => {
  const [block] = whiteboardPlan().blocks;
  const own = { ...block, assumption: 'cautious' } as const;
  const radio = { name: 'Dunlin', figures: measuredRadio(0.05, [3, 0.7]), dropoutV: 8 };

  it('takes the place of what blocks have of their own, of every radio', () => {
    const plan = whiteboardPlan({ blocks: [own, block], others: [{ radio, blocks: [own] }] });
    const told = assumedThroughout(plan, 'measured');
    expect(told.assumption).toBe('measured');
    expect(told.blocks).toEqual([block, block]);
    expect(told.others).toEqual([{ radio, blocks: [block] }]);
    expect(plan.blocks[0].assumption).toBe('cautious');
  });

  it('brings in no other radios where there are none', () => {
    expect('others' in assumedThroughout(whiteboardPlan(), 'measured')).toBeFalse();
  });
});
