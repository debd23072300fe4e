import {
  connectorCarries,
  connectorsMate,
  dropWithinTarget,
  polarityMarked,
  wireCarries,
  type Dropping,
} from './run-checks.js';

describe('the rule of the wire and its current', () => {
  const wire = { label: 'battery to radio', name: 'thin lead', safeForA: 12, ampacityA: 15 };

  it('is kept under its ampacity, and where the wire is not known', () => {
    expect(wireCarries(wire)).toBeNull();
    expect(wireCarries({ ...wire, ampacityA: null, safeForA: 90 })).toBeNull();
  });

  it('stops a wire that gets hot', () => {
    const breach = wireCarries({ ...wire, safeForA: 22 });
    expect(breach).toEqual(
      jasmine.objectContaining({ severity: 'stop', asks: 'at least 22.0 A', has: '15.0 A' }),
    );
  });
});

describe('the rule of the volts lost', () => {
  const run: Dropping = {
    label: 'battery to radio',
    name: 'long lead',
    dropV: 0.3,
    dropShare: 0.0237,
    most: 0.02,
  };

  it('is kept within its target', () => {
    expect(dropWithinTarget({ ...run, dropShare: 0.02 })).toBeNull();
  });

  it('looks over it', () => {
    expect(dropWithinTarget(run)).toEqual(
      jasmine.objectContaining({ severity: 'look', asks: 'at most 2.0 %', has: '2.4 %' }),
    );
  });
});

describe('the rule of connectors and their current', () => {
  const near = { family: 'barrel21', end: 'plug' } as const;
  const far = { family: 'flat30', end: 'plug' } as const;

  it('is kept under their rating', () => {
    expect(connectorCarries({ label: 'battery to lamp', safeForA: 5, near, far })).toBeNull();
    expect(connectorCarries({ label: 'battery to lamp', safeForA: 50, near: null, far: null })).toBeNull();
  });

  it('stops a weak one', () => {
    const breach = connectorCarries({ label: 'battery to radio', safeForA: 12, near, far });
    expect(breach?.severity).toBe('stop');
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
