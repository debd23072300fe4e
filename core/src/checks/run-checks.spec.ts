import { copperOhm } from '../wire/wire.js';
import {
  connectorCarries,
  connectorsMate,
  dropWithinTarget,
  polarityMarked,
  wireCarries,
  type Dropping,
} from './run-checks.js';

const surroundings = { temperatureC: 20, bundled: false };

describe('the rule of the wire and its current', () => {
  const wire = { label: 'battery to radio', name: 'thin lead', safeForA: 12, ampacityA: 15, surroundings };

  it('is kept under its ampacity, and where the wire is not known', () => {
    expect(wireCarries(wire)).toBeNull();
    expect(wireCarries({ ...wire, ampacityA: null, safeForA: 90 })).toBeNull();
  });

  it('stops a wire that gets hot, with the smallest that does not', () => {
    const breach = wireCarries({ ...wire, safeForA: 22 });
    expect(breach).toEqual(
      jasmine.objectContaining({ severity: 'stop', asks: 'at least 22.0 A', has: '15.0 A' }),
    );
    expect(breach?.remedy?.areaMm2).toBe(2.5);
  });
});

describe('the rule of the volts lost', () => {
  const wire = { areaMm2: 1.5, lengthM: 3 };
  const ohm = copperOhm({ areaMm2: 1.5, runM: 3, temperatureC: 20, contactPairs: 0, fusesA: [] }) + 0.004;
  const run: Dropping = {
    label: 'battery to radio',
    name: 'long lead',
    dropV: 4 * ohm,
    dropShare: (4 * ohm) / 12.6,
    most: 0.02,
    wire,
    temperatureC: 20,
    ohm,
  };

  it('is kept within its target', () => {
    expect(dropWithinTarget({ ...run, dropShare: 0.02 })).toBeNull();
  });

  it('looks over it, with the smallest wire that comes under it, its contacts as they are', () => {
    // 4 A on 3 m of 1.5 mm2: 0.28 V and the contacts, 2.4 % of 12.6 V; 2.5 mm2 brings it to 1.5 %.
    expect(run.dropShare).toBeCloseTo(0.0237, 3);
    expect(dropWithinTarget(run)).toEqual(
      jasmine.objectContaining({ severity: 'look', remedy: { words: '2.5 mm² wire', areaMm2: 2.5 } }),
    );
  });

  it('offers no wire where it is the contacts that lose the volts, or where the wire is not known', () => {
    expect(dropWithinTarget({ ...run, ohm: 1, dropShare: 0.32 })?.remedy).toBeUndefined();
    expect(dropWithinTarget({ ...run, wire: null })?.remedy).toBeUndefined();
  });
});

describe('the rule of connectors and their current', () => {
  const near = { family: 'barrel21', end: 'plug' } as const;
  const far = { family: 'flat30', end: 'plug' } as const;

  it('is kept under their rating', () => {
    expect(connectorCarries({ label: 'battery to lamp', safeForA: 5, near, far })).toBeNull();
    expect(connectorCarries({ label: 'battery to lamp', safeForA: 50, near: null, far: null })).toBeNull();
  });

  it('stops a weak one, with a stronger one for that end', () => {
    const breach = connectorCarries({ label: 'battery to radio', safeForA: 12, near, far });
    expect(breach?.severity).toBe('stop');
    expect(breach?.remedy).toEqual({
      words: '30 A flat-contact pair',
      near: { family: 'flat30', end: 'plug' },
    });
    expect(
      connectorCarries({ label: 'to radio', safeForA: 12, near: far, far: near })?.remedy?.far,
    ).toBeDefined();
  });
});

describe('the rule of connectors that go together', () => {
  const meeting = {
    label: 'battery to radio',
    part: 'Curlew 10',
    offered: [{ family: 'barrel25', end: 'socket' }],
    end: { family: 'barrel25', end: 'plug' },
    which: 'far',
  } as const;

  it('is kept by a pair, and where one side is not known', () => {
    expect(connectorsMate(meeting)).toBeNull();
    expect(connectorsMate({ ...meeting, end: null })).toBeNull();
    expect(connectorsMate({ ...meeting, offered: [] })).toBeNull();
  });

  it('looks at another family and at two of one gender, with the end that fits', () => {
    const fitting = { words: '2.5 mm barrel plug', far: { family: 'barrel25', end: 'plug' } };
    const other = connectorsMate({ ...meeting, end: { family: 'barrel21', end: 'plug' } });
    expect(other).toEqual(jasmine.objectContaining({ severity: 'look', asks: '2.5 mm barrel plug' }));
    expect(other?.remedy as unknown).toEqual(fitting);
    expect(connectorsMate({ ...meeting, end: { family: 'barrel25', end: 'socket' } })?.severity).toBe('look');
  });
});

describe('the rule of polarity', () => {
  const flat = { family: 'flat30', end: 'plug' } as const;

  it('is kept by what goes together one way only', () => {
    expect(polarityMarked({ label: 'battery to radio', safeForA: 2, near: flat, far: null })).toBeNull();
  });

  it('notes what can be reversed', () => {
    const far = { family: 'screw', end: 'plug' } as const;
    expect(polarityMarked({ label: 'battery to radio', safeForA: 2, near: flat, far })?.severity).toBe(
      'note',
    );
  });
});
