import {
  connectorCarries,
  connectorsMate,
  dropWithinTarget,
  polarityMarked,
  type Dropping,
} from './cable-run-checks.js';

describe('the rule of the volts lost', () => {
  const run: Dropping = {
    label: 'battery to radio',
    name: 'long lead',
    dropV: 0.6,
    dropShare: 0.0474,
    most: 0.03,
    longestM: null,
  };

  it('says how short it would have to be, where that is still a cable', () => {
    expect(dropWithinTarget(run)?.sentence).toContain('Take a thicker cable.');
    expect(dropWithinTarget({ ...run, longestM: 1.4 })?.sentence).toContain('at most 1.4 m of the same wire');
  });

  it('looks over it', () => {
    expect(dropWithinTarget(run)).toEqual(
      jasmine.objectContaining({ severity: 'look', asks: 'at most 3.0 %', has: '4.7 %' }),
    );
  });
});

describe('the rule of connectors and their current', () => {
  const near = { family: 'barrel21', end: 'plug' } as const;
  const far = { family: 'flat30', end: 'plug' } as const;

  it('is kept under their rating', () => {
    expect(connectorCarries({ label: 'battery to lamp', safeForA: 5, near, far, ratedA: 5 })).toBeNull();
    expect(
      connectorCarries({ label: 'battery to lamp', safeForA: 50, near: null, far: null, ratedA: null }),
    ).toBeNull();
  });

  it('stops a weak one, and warns if only full power is too much for it', () => {
    const run = { label: 'battery to radio', safeForA: 12, near, far, ratedA: 5 };
    expect(connectorCarries(run)?.severity).toBe('stop');
    expect(connectorCarries({ ...run, plannedA: 6 })?.severity).toBe('stop');
    expect(connectorCarries({ ...run, plannedA: 4 })?.severity).toBe('look');
  });
});

describe('the rule of connectors that go together', () => {
  const meeting = {
    label: 'battery to radio',
    part: 'Curlew 10',
    offered: [{ family: 'barrel25', end: 'socket' }],
    end: { family: 'barrel25', end: 'plug' },
    which: 'far',
    safeForA: 2,
    isLive: true,
  } as const;

  it('is kept by a pair, and where one side is not known', () => {
    expect(connectorsMate(meeting)).toBeNull();
    expect(connectorsMate({ ...meeting, end: null })).toBeNull();
    expect(connectorsMate({ ...meeting, offered: [] })).toBeNull();
  });
});

describe('the remedy of connectors that do not go together', () => {
  it('never puts a bare pin on the live side: there the part’s own connector has to change', () => {
    const meeting = {
      label: 'battery to radio',
      part: 'Curlew 10',
      offered: [{ family: 'bullet4', end: 'socket' }],
      end: { family: 'flat30', end: 'plug' },
      which: 'far',
      safeForA: 2,
      isLive: true,
    } as const;
    expect(connectorsMate(meeting)?.remedy).toBeUndefined();
    expect(connectorsMate({ ...meeting, isLive: false })?.remedy?.far?.end).toBe('plug');
    // A 4 mm bullet carries 40 A.
    expect(connectorsMate({ ...meeting, isLive: false, safeForA: 41 })?.remedy).toBeUndefined();
  });
});

describe('the rule of polarity', () => {
  const flat = { family: 'flat30', end: 'plug' } as const;

  it('notes a barrel: which pole is its centre has to be measured', () => {
    const far = { family: 'barrel21', end: 'plug' } as const;
    const said = polarityMarked({ label: 'battery to radio', near: flat, far });
    expect(said).toEqual(jasmine.objectContaining({ severity: 'note', asks: 'the centre measured' }));
  });
});
