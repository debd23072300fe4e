import { curlew, shale, trip } from '../testing/outing.js';
import { effectOn } from './trip-effects.js';

describe('what a change does to a trip', () => {
  const hungry = { ...curlew, receiveA: { value: 0.5, source: 'measured' } } as const;

  it('is told by what is left, or by when it ends', () => {
    expect(effectOn(trip(), [curlew, shale], hungry)).toMatch(/^Islet loses \d\.\d\d Ah\.$/);
    expect(effectOn(trip(), [hungry, shale], curlew)).toContain('gains');
    expect(effectOn(trip(), [curlew, shale], curlew)).toBeNull();
    const starving = { ...curlew, receiveA: { value: 9, source: 'measured' } } as const;
    expect(effectOn(trip(), [curlew, shale], starving)).toBe('Islet does not last any more.');
    expect(effectOn(trip(), [], starving)).toBeNull();
  });
});
