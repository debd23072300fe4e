import {
  fuseAtBattery,
  fuseExists,
  fuseGuardsWire,
  fuseInterrupts,
  fuseWithinReach,
  fuseWithinVolts,
  type Fused,
} from './fuse-checks.js';

/** A radio of 2 A on a wire of 25 A. */
const fused: Fused = {
  label: 'battery to radio',
  fuseA: 5,
  fuseAtM: 0.15,
  safeForA: 2,
};

describe('the rule of the fuse at the battery', () => {
  it('stops a run without one, and looks where it is not entered', () => {
    expect(fuseAtBattery({ ...fused, fuseA: null })).toEqual(
      jasmine.objectContaining({ severity: 'stop', asks: 'a fuse of 3 A', has: 'none' }),
    );
    expect(fuseAtBattery({ ...fused, fuseA: undefined })?.severity).toBe('look');
    // As Wire's figures tell it: before a radio never the smallest that is sold.
    const small = { ...fused, fuseA: null, safeForA: 0.5 };
    expect(fuseAtBattery(small)?.asks).toBe('a fuse of 1 A');
    expect(fuseAtBattery({ ...small, isRadio: true })?.asks).toBe('a fuse of 2 A');
    // None is sold for so much, and where nothing is known to flow no size can be named.
    for (const safeForA of [5000, 0]) expect(fuseAtBattery({ ...small, safeForA })?.asks).toBe('a fuse');
  });

  it('is a note before cells in a holder, a look where they are strong', () => {
    const cells = { ...fused, fuseA: null, ofCells: true };
    expect(fuseAtBattery({ ...cells, faultA: 22 })?.severity).toBe('note');
    expect(fuseAtBattery({ ...cells, faultA: 190 })?.severity).toBe('look');
    expect(fuseWithinReach({ ...fused, fuseAtM: 2, ofCells: true })).toBeNull();
  });
});

describe('the rule of the fuse’s reach', () => {
  it('is kept at 20 cm and without a fuse', () => {
    expect(fuseWithinReach({ ...fused, fuseAtM: 0.2 })).toBeNull();
    expect(fuseWithinReach({ ...fused, fuseA: null, fuseAtM: 2 })).toBeNull();
  });
});

describe('the rule of the fuse and its wire', () => {
  const guarded = {
    label: 'battery to lamp',
    guardA: 10,
    ownFuse: true,
    ampacityA: 10,
    connectorA: null,
    wantsA: 1,
  };

  it('stops a fuse over the wire, and one over the connectors', () => {
    expect(fuseGuardsWire({ ...guarded, guardA: 15 })).toEqual(
      jasmine.objectContaining({
        severity: 'stop',
        asks: 'at most 10.0 A',
      }),
    );
    expect(fuseGuardsWire({ ...guarded, connectorA: 5 })?.sentence).toContain(
      'its connectors may carry 5.00 A',
    );
  });
});

describe('the rule that a fuse can be had', () => {
  const run = { label: 'battery to radio', name: 'short lead', safeForA: 22, ampacityA: 25 };

  it('is kept where one fits, and is silent where the wire itself is too thin', () => {
    expect(fuseExists({ ...run, wantsA: 30 })).toBeNull();
    expect(fuseExists({ ...run, wantsA: null, ampacityA: 20 })).toBeNull();
    expect(fuseExists({ ...run, wantsA: null, ampacityA: null })).toBeNull();
  });

  it('looks where none is between load and wire', () => {
    expect(fuseExists({ ...run, wantsA: null })).toEqual(
      jasmine.objectContaining({ severity: 'look', asks: 'a fuse of at least 27.5 A' }),
    );
  });
});

describe('the rule of the fuse and a short circuit', () => {
  const first = {
    name: 'Shale 18',
    label: 'Shale 18 to Curlew 10',
    fuseA: 10,
    faultA: 1500,
    protects: true,
    capacityAh: 18,
  };

  it('is kept under what a blade breaks, and by a fuse made for more', () => {
    expect(fuseInterrupts({ ...first, faultA: 1000 })).toBeNull();
    expect(fuseInterrupts({ ...first, fuseA: 30, fuseKind: 'terminal' })).toBeNull();
    expect(fuseInterrupts({ ...first, faultA: 15_000, fuseKind: 'classT' })).toBeNull();
  });

  it('is a note if the battery’s own protection opens first, a warning without one and from 50 Ah on', () => {
    // Under 30 Ah the protection will do.
    expect(fuseInterrupts({ ...first, capacityAh: 29 })).toBeNull();
    expect(fuseInterrupts({ ...first, capacityAh: 30 })).toEqual(
      jasmine.objectContaining({ severity: 'note', asks: 'breaks 1.5 kA', has: '1 kA' }),
    );
    expect(fuseInterrupts({ ...first, protects: undefined })?.severity).toBe('look');
    expect(fuseInterrupts({ ...first, protects: false })?.severity).toBe('look');
    expect(fuseInterrupts({ ...first, capacityAh: 50 })?.severity).toBe('look');
    expect(fuseInterrupts({ ...first, protects: false, faultA: 15_000 })?.remedy?.fuseKind).toBe('classT');
    expect(fuseInterrupts({ ...first, fuseA: 30, protects: false, faultA: 4100 })?.remedy).toEqual({
      description: 'a 30 A terminal fuse',
      fuseA: 30,
      fuseKind: 'terminal',
    });
  });
});

describe('the rule of the fuse and its volts', () => {
  it('is kept up to 32 V, and where there is none', () => {
    expect(fuseWithinVolts('a to b', 10, undefined, 32)).toBeNull();
    expect(fuseWithinVolts('a to b', null, undefined, 90)).toBeNull();
    expect(fuseWithinVolts('a to b', 10, 'classT', 90)).toBeNull();
  });
});

describe('the rule of the fuse that guards its wire', () => {
  const guarded = { label: 'battery to radio', ownFuse: true, ampacityA: 20, connectorA: 15 };
  const said = (guardA: number | null | undefined, wantsA: number | null, more = {}) =>
    fuseGuardsWire({ ...guarded, guardA, wantsA, ...more });

  it('asks for the fuse that the run wants where that is weak enough, else for what carries more', () => {
    expect(said(30, 15)!.sentence).toContain('Put a 15 A fuse in.');
    for (const wantsA of [20, null])
      expect(said(30, wantsA)!.sentence).toContain('Take a connector that carries it.');
    const wire = { connectorA: 30 };
    expect(said(30, 25, wire)!.sentence).toMatch(/its wire may carry 20.*Take a thicker cable\.$/);
    expect(said(30, 20, { ...wire, ownFuse: false })!.sentence).toMatch(
      /the fuse before it opens.*Put a 20 A fuse in\.$/,
    );
  });
});
