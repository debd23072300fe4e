import { forecast } from '../forecast/forecast.js';
import { whiteboardPlan, type WhiteboardChange } from '../testing/plans.js';
import { sayDifference } from './difference.js';

const differenceOf = (before: WhiteboardChange, after: WhiteboardChange) =>
  sayDifference(forecast(whiteboardPlan(before)).verdict, forecast(whiteboardPlan(after)).verdict, 'UTC');

const label = { chemistry: 'lifepo4', cellsInSeries: 4, ratedAh: 5, health: 1 } as const;
const small = { pack: { label } };

describe('the difference that a change makes', () => {
  it('is told by its end where the plan ends too soon', () => {
    // 1 A: 4.5 Ah above the reserve give 4.5 h, 5.4 Ah give 0.9 h more
    expect(differenceOf(small, { pack: { label: { ...label, ratedAh: 6 } } })[0]).toBe('ends 54 min later');
    expect(differenceOf({ pack: { label: { ...label, ratedAh: 6 } } }, small)[0]).toBe('ends 54 min earlier');
    expect(differenceOf(small, {})[0]).toBe('lasts now');
    expect(differenceOf({}, small)[0]).toBe('ends Thu 04:30 now');
  });

  it('is told by what is to spare where it lasts, and by its lowest charge', () => {
    const words = differenceOf({}, { pack: { startSoc: 0.95 } });
    // 5 % of the whiteboard's 20 Ah
    expect(words).toEqual(['−1.0 Ah to spare', 'lowest 45 % instead of 50 %']);
  });

  it('is nothing where nothing changes', () => {
    expect(differenceOf({}, {})).toEqual([]);
  });
});
