import {
  fuseAtBattery,
  fuseCarriesLoad,
  fuseExists,
  fuseGuardsWire,
  fuseNotSold,
  fuseWithinReach,
  type Fused,
} from './fuse-checks.js';

const surroundings = { temperatureC: 20, bundled: false };
/** A radio of 2 A on a wire of 25 A. */
const fused: Fused = {
  label: 'battery to radio',
  fuseA: 5,
  fuseAtM: 0.15,
  wantsA: 3,
  safeForA: 2,
  surroundings,
};

describe('the rule of the fuse at the battery', () => {
  it('is kept by any fuse', () => {
    expect(fuseAtBattery(fused)).toBeNull();
  });

  it('stops a lead without one, and looks where nobody has said', () => {
    expect(fuseAtBattery({ ...fused, fuseA: null })).toEqual(
      jasmine.objectContaining({ severity: 'stop', remedy: { words: 'a 3 A fuse', fuseA: 3 } }),
    );
    expect(fuseAtBattery({ ...fused, fuseA: undefined })?.severity).toBe('look');
  });

  it('offers the smallest that is sold where the wire is not known, and none where none is large enough', () => {
    expect(fuseAtBattery({ ...fused, fuseA: null, wantsA: null, safeForA: 8 })?.remedy?.fuseA).toBe(10);
    expect(fuseAtBattery({ ...fused, fuseA: null, wantsA: null, safeForA: 80 })?.remedy).toBeUndefined();
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
    expect(fuseCarriesLoad({ ...fused, safeForA: 4.5, wantsA: 7.5 })).toEqual(
      jasmine.objectContaining({ severity: 'look', remedy: { words: 'a 7.5 A fuse', fuseA: 7.5 } }),
    );
    expect(fuseCarriesLoad({ ...fused, safeForA: 5.1 })?.severity).toBe('stop');
  });

  it('asks for a thicker wire too where no fuse does for this one', () => {
    const remedy = fuseCarriesLoad({ ...fused, fuseA: 10, safeForA: 22, wantsA: null })?.remedy;
    // 1.25 x 22 A = 27.5 A: a 30 A blade, which wants a wire that carries 30 A: 4 mm2.
    expect(remedy).toEqual({ words: '4 mm² wire with a 30 A fuse', fuseA: 30, areaMm2: 4 });
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
        remedy: { words: 'a 1 A fuse', fuseA: 1 },
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
  const run = { label: 'battery to radio', name: 'short lead', safeForA: 22, ampacityA: 25, surroundings };

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
