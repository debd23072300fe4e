import { readTrip } from '../schemas/read.js';
import { shelf, trip } from '../testing/documents.js';
import { resolve } from './resolve.js';
import { standAlone } from './stand-alone.js';

describe('a trip that stands alone', () => {
  it('is carried out of its shelf and calculated as there', () => {
    const alone = standAlone(trip(), shelf);
    expect(readTrip(alone).ok).toBeTrue();
    expect(alone.gear?.map(({ id }) => id).sort()).toEqual(['curlew', 'relay', 'shale']);
    expect(resolve(alone, [])).toEqual(resolve(trip(), shelf));
  });

  it('brings the gear of its variants along, and of each piece the shelf’s own', () => {
    const { loadout: _loadout, ...rest } = trip();
    const { blocks, startSoc } = rest;
    const variant = { id: 'v2', name: 'lead', blocks, startSoc, loadout: [{ gear: 'cobble', count: 1 }] };
    const stale = { ...shelf[0], name: 'as it was' };
    const alone = standAlone({ ...trip(), gear: [stale], variants: [variant] }, shelf);
    expect(alone.gear?.find(({ id }) => id === 'cobble')).toBeDefined();
    expect(alone.gear?.find(({ id }) => id === 'curlew')?.name).toBe('Curlew');
  });
});
