import { UNKNOWN_CABLE_RUN, type HarnessPart } from '@knapsack/core';
import type { CableRunNote } from '../documents/harness-notes.js';
import { withNote } from './cable-runs.js';

const wired: HarnessPart = {
  ...{ id: 'curlew', kind: 'radio', name: 'Curlew', from: 'shale', connectors: [] },
  run: {
    ...UNKNOWN_CABLE_RUN,
    measuredOhm: 0.02,
    statedA: 30,
    fuseA: 10,
    wire: { size: { awg: null, areaMm2: 1.5 }, lengthM: 2, contactPairs: 4, bundled: true },
  },
};
const bare: HarnessPart = { ...wired, run: UNKNOWN_CABLE_RUN };
const noted = (part: HarnessPart, note: Omit<CableRunNote, 'to'>) => withNote(part, { to: part.id, ...note });

describe('what a trip says of a run', () => {
  it('leaves a part as it is where it says nothing, or there is no run', () => {
    expect(withNote(wired, undefined)).toBe(wired);
    const root = { ...wired, run: null };
    expect(noted(root, { lengthM: 3 })).toBe(root);
  });

  it('changes of the wire what it says, and keeps the rest', () => {
    expect(noted(wired, { lengthM: 3 }).run!.wire).toEqual({ ...wired.run!.wire!, lengthM: 3 });
    expect(noted(wired, { contactPairs: 2 }).run!.wire).toEqual({ ...wired.run!.wire!, contactPairs: 2 });
    expect(noted(wired, { bundled: false }).run!.wire).toEqual({ ...wired.run!.wire!, bundled: false });
    expect(noted(wired, { fuseA: 5 }).run!.wire).toEqual(wired.run!.wire);
    expect(noted(wired, { areaMm2: 4 }).run!.wire!.size.areaMm2).toBe(4);
  });

  it('stands on a metre of 2.5 mm² with a contact pair at each end where nothing else is known', () => {
    expect(noted(bare, { fuseA: 5 }).run!.wire).toBeNull();
    expect(noted(bare, { lengthM: 3 }).run!.wire).toEqual({
      ...{ size: { awg: null, areaMm2: 2.5 }, lengthM: 3, contactPairs: 2, bundled: false },
    });
    expect(noted(bare, { contactPairs: 1 }).run!.wire!.lengthM).toBe(1);
  });

  it('lets go of what was measured or stated of another wire or other ends', () => {
    expect(noted(wired, { lengthM: 3 }).run!.measuredOhm).toBeNull();
    expect(noted(wired, { bundled: false }).run!.measuredOhm).toBe(0.02);
    const end = { kind: 'ring' } as unknown as NonNullable<CableRunNote['far']>;
    expect(noted(wired, { far: end }).run).toEqual(jasmine.objectContaining({ statedA: null, far: end }));
    expect(noted(wired, { fuseA: 5 }).run!.statedA).toBe(30);
  });

  it('takes a fuse of 0 A for none', () => {
    expect(noted(wired, { fuseA: 0 }).run!.fuseA).toBeNull();
    expect(noted(wired, { fuseA: 5 }).run!.fuseA).toBe(5);
    expect(noted(wired, { lengthM: 3 }).run!.fuseA).toBe(10);
  });
});
