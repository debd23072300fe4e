import { copper, part } from '../testing/harness.js';
import { connectorAmps, loopIn, partsBelow, cableRunOhm, UNKNOWN_CABLE_RUN, wayToRoot } from './harness.js';

const parts = [
  part('battery', 'battery', null),
  part('box', 'distribution', 'battery'),
  part('radio', 'radio', 'box'),
  part('lamp', 'load', 'box'),
  part('controller', 'controller', 'battery'),
  part('panel', 'panel', 'controller'),
];
const ids = (found: readonly { readonly id: string }[]) => found.map(({ id }) => id);

describe('a harness', () => {
  it('knows the way from a part to the battery, and what hangs below one', () => {
    expect(ids(wayToRoot(parts, 'radio'))).toEqual(['radio', 'box', 'battery']);
    expect(ids(partsBelow(parts, 'box'))).toEqual(['box', 'radio', 'lamp']);
    expect(ids(wayToRoot(parts, 'nothing'))).toEqual([]);
  });

  it('has no loop as a tree, and names the ring where there is one', () => {
    expect(loopIn(parts)).toEqual([]);
    const ring = [
      part('battery', 'battery', null),
      part('a', 'splitter', 'c'),
      part('b', 'load', 'a'),
      part('c', 'splitter', 'b'),
    ];
    expect(ids(loopIn(ring)).sort()).toEqual(['a', 'b', 'c']);
    expect(ids(loopIn([part('self', 'splitter', 'self')]))).toEqual(['self']);
  });
});

describe('the resistance of a run', () => {
  it('is the measured one where there is one, else that of its copper and contacts', () => {
    expect(cableRunOhm({ ...UNKNOWN_CABLE_RUN, ...copper(2.5, 1), measuredOhm: 0.03 }, 20)).toBe(0.03);
    // 2 m of copper in all: 0.0175 x 2 / 2.5 = 14.0 mOhm, and 2 contact pairs.
    const plain = cableRunOhm({ ...UNKNOWN_CABLE_RUN, ...copper(2.5, 1) }, 20)!;
    const joined = cableRunOhm({ ...UNKNOWN_CABLE_RUN, ...copper(2.5, 1, 2) }, 20)!;
    expect(plain).toBeCloseTo(0.014, 3);
    expect(joined).toBeGreaterThan(plain);
  });

  it('grows by a fuse, and is not known where it is not entered', () => {
    const plain = cableRunOhm({ ...UNKNOWN_CABLE_RUN, ...copper(2.5, 1) }, 20)!;
    expect(cableRunOhm({ ...UNKNOWN_CABLE_RUN, ...copper(2.5, 1), fuseA: 5 }, 20)).toBeGreaterThan(plain);
    expect(cableRunOhm(UNKNOWN_CABLE_RUN, 20)).toBeNull();
  });
});

describe('the rating of a run’s connectors', () => {
  it('is that of the weakest that is known', () => {
    const near = { family: 'ring', end: 'plug' } as const;
    const far = { family: 'barrel21', end: 'plug' } as const;
    expect(connectorAmps({ ...UNKNOWN_CABLE_RUN, near, far })).toBe(5);
    expect(connectorAmps({ ...UNKNOWN_CABLE_RUN, near, statedA: 12 })).toBe(12);
    expect(connectorAmps(UNKNOWN_CABLE_RUN)).toBeNull();
  });
});
