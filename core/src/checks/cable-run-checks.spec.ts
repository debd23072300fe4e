import {
  connectorCarries,
  connectorsMate,
  dropWithinTarget,
  isCopper,
  liveSideShrouded,
  polarityMarked,
  wireCarries,
  type Dropping,
} from './cable-run-checks.js';

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
    dropV: 0.6,
    dropShare: 0.0474,
    most: 0.03,
    longestM: null,
  };

  it('is kept within its target', () => {
    expect(dropWithinTarget({ ...run, dropShare: 0.03 })).toBeNull();
  });

  it('is kept within a tenth of a volt of it, which is the model’s own error', () => {
    // 3 % of 12.66 V are 0.38 V.
    expect(dropWithinTarget({ ...run, dropV: 0.47, dropShare: 0.47 / 12.66 })).toBeNull();
    expect(dropWithinTarget({ ...run, dropV: 0.49, dropShare: 0.49 / 12.66 })).not.toBeNull();
  });

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
    isLive: true,
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

describe('the remedy of connectors that do not go together', () => {
  it('never puts a bare pin on the live side: there the part’s own connector has to change', () => {
    const meeting = {
      label: 'battery to radio',
      part: 'Curlew 10',
      offered: [{ family: 'bullet4', end: 'socket' }],
      end: { family: 'flat30', end: 'plug' },
      which: 'far',
      isLive: true,
    } as const;
    expect(connectorsMate(meeting)?.remedy).toBeUndefined();
    expect(connectorsMate({ ...meeting, isLive: false })?.remedy?.far?.end).toBe('plug');
  });
});

describe('the rule of the live side', () => {
  it('is kept by shrouded ends, and where it is not entered', () => {
    expect(liveSideShrouded('battery to radio', { family: 'bullet4', end: 'socket' }, 'radio')).toBeNull();
    expect(liveSideShrouded('battery to radio', { family: 'barrel25', end: 'plug' }, 'radio')).toBeNull();
    expect(liveSideShrouded('battery to radio', null, 'radio')).toBeNull();
  });

  it('looks at a bare pin', () => {
    const bare = liveSideShrouded('battery to radio', { family: 'bullet4', end: 'plug' }, 'radio');
    expect(bare).toEqual(jasmine.objectContaining({ severity: 'look', asks: '4 mm bullet socket' }));
  });
});

describe('the rule of copper', () => {
  it('looks at copper-clad aluminium only', () => {
    expect(isCopper('battery to radio', false)).toBeNull();
    expect(isCopper('battery to radio', true)?.sentence).toContain('1.6 times');
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

  it('notes a barrel: which pole is its centre has to be measured', () => {
    const far = { family: 'barrel21', end: 'plug' } as const;
    const said = polarityMarked({ label: 'battery to radio', safeForA: 2, near: flat, far });
    expect(said).toEqual(jasmine.objectContaining({ severity: 'note', asks: 'the centre measured' }));
  });
});
