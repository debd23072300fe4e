import {
  fuseAtBattery,
  fuseCarriesLoad,
  fuseExists,
  fuseGuardsWire,
  fuseNotSold,
  fuseWithinReach,
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
  it('is kept by any fuse', () => {
    expect(fuseAtBattery(fused)).toBeNull();
  });

  it('stops a lead without one, and looks where nobody has said', () => {
    expect(fuseAtBattery({ ...fused, fuseA: null })).toEqual(
      jasmine.objectContaining({ severity: 'stop', asks: 'a fuse of 3 A', has: 'none' }),
    );
    expect(fuseAtBattery({ ...fused, fuseA: undefined })?.severity).toBe('look');
  });
});

describe('the rule of the fuse’s reach', () => {
  it('is kept at 20 cm and without a fuse', () => {
    expect(fuseWithinReach({ ...fused, fuseAtM: 0.2 })).toBeNull();
    expect(fuseWithinReach({ ...fused, fuseA: null, fuseAtM: 2 })).toBeNull();
  });

  it('looks at one further off', () => {
    expect(fuseWithinReach({ ...fused, fuseAtM: 0.35 })).toEqual(
      jasmine.objectContaining({
        severity: 'look',
        has: '35 cm',
        remedy: { words: 'the fuse at 15 cm', fuseAtM: 0.15 },
      }),
    );
  });
});

describe('the rule of the fuse and its load', () => {
  it('is kept with a quarter to spare', () => {
    expect(fuseCarriesLoad({ ...fused, safeForA: 4 })).toBeNull();
    expect(fuseCarriesLoad({ ...fused, fuseA: undefined, safeForA: 40 })).toBeNull();
  });

  it('looks with less to spare, and stops a fuse that opens', () => {
    expect(fuseCarriesLoad({ ...fused, safeForA: 4.5 })).toEqual(
      jasmine.objectContaining({ severity: 'look', asks: 'at least 5.63 A', has: '5 A' }),
    );
    expect(fuseCarriesLoad({ ...fused, safeForA: 5.1 })?.severity).toBe('stop');
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

  it('is kept where the fuse opens before the wire and its connectors get hot, and where there is none', () => {
    expect(fuseGuardsWire(guarded)).toBeNull();
    expect(fuseGuardsWire({ ...guarded, guardA: null, ampacityA: 1 })).toBeNull();
  });

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

  it('says so where the fuse stands before it', () => {
    expect(fuseGuardsWire({ ...guarded, guardA: 15, ownFuse: false })?.sentence).toContain(
      'the fuse before it opens',
    );
  });
});

describe('the rule that a fuse can be had', () => {
  const run = { label: 'battery to radio', name: 'short lead', safeForA: 22, ampacityA: 25 };

  it('is kept where one fits, and is silent where the wire itself is too thin', () => {
    expect(fuseExists({ ...run, wantsA: 30 })).toBeNull();
    expect(fuseExists({ ...run, wantsA: null, ampacityA: 20 })).toBeNull();
  });

  it('looks where none is between load and wire', () => {
    expect(fuseExists({ ...run, wantsA: null })).toEqual(
      jasmine.objectContaining({ severity: 'look', asks: 'a fuse from 27.5 A to 25.0 A' }),
    );
  });
});

describe('a rating of a fuse', () => {
  it('is one that is sold, or answered with the next one', () => {
    expect(fuseNotSold(7.5)).toBeNull();
    expect(fuseNotSold(12)).toContain('Nobody sells a blade fuse of 12 A');
    expect(fuseNotSold(12)).toContain('The next is 15 A.');
    expect(fuseNotSold(500)).toContain('The next is 40 A.');
  });
});
