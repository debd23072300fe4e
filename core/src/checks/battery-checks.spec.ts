import {
  byAir,
  changeoverPresent,
  disconnectEntered,
  disconnectPresent,
  parallelPacksAlike,
  parasiticDraw,
  type Guarded,
  type PackAge,
} from './battery-checks.js';

const shale: PackAge = { name: 'Shale 18', chemistry: 'lifepo4', cellsInSeries: 4, health: 0.95 };

describe('the rule of packs in parallel', () => {
  it('stops another chemistry and another count of cells', () => {
    const lead: PackAge = { ...shale, name: 'Cobble 17', chemistry: 'agm', cellsInSeries: 6 };
    expect(parallelPacksAlike([shale, lead])?.severity).toBe('stop');
    expect(parallelPacksAlike([shale, { ...shale, cellsInSeries: 5 }])?.severity).toBe('stop');
  });

  it('looks at packs that have aged differently', () => {
    const breach = parallelPacksAlike([shale, { ...shale, health: 0.7 }]);
    expect(breach).toEqual(jasmine.objectContaining({ severity: 'look', has: '25 %' }));
  });
});

describe('the rule of the low-voltage disconnect', () => {
  const pack: Guarded = { name: 'Shale 18', chemistry: 'lifepo4', protects: false, disconnects: false };

  it('is kept by a protection, by a disconnect, and by cells that need none', () => {
    expect(disconnectPresent({ ...pack, protects: true })).toBeNull();
    expect(disconnectPresent({ ...pack, disconnects: true })).toBeNull();
    expect(disconnectPresent({ ...pack, chemistry: 'nimh', protects: undefined })).toBeNull();
  });

  it('stops lithium without any, looks where it is not entered, and looks at lead', () => {
    expect(disconnectPresent(pack)).toEqual(
      jasmine.objectContaining({
        severity: 'stop',
        remedy: { description: 'a low-voltage disconnect', disconnect: true },
      }),
    );
    expect(disconnectPresent({ ...pack, protects: undefined })?.sentence).toContain('is not entered');
    expect(disconnectPresent({ ...pack, chemistry: 'agm', protects: undefined })?.severity).toBe('look');
  });
});

describe('the rule of what stays connected in store', () => {
  const store = {
    name: 'Cobble 17',
    chemistry: 'agm',
    capacityAh: 17,
    soc: 1,
    standingA: 0.01,
    days: 7,
  } as const;

  it('is kept while less than a tenth goes', () => {
    // 0.01 A x 24 h x 7 = 1.68 Ah of 17.
    expect(parasiticDraw(store)).toBeNull();
    expect(parasiticDraw({ ...store, standingA: 0, days: 400 })).toBeNull();
  });

  it('looks from a tenth on, and stops what empties the battery', () => {
    expect(parasiticDraw({ ...store, days: 8 })).toEqual(
      jasmine.objectContaining({ severity: 'look', has: '1.92 Ah' }),
    );
    expect(parasiticDraw({ ...store, days: 80 })).toEqual(
      jasmine.objectContaining({ severity: 'stop', has: '19.2 Ah' }),
    );
  });

  it('says what is asked, what goes, and when the battery is empty', () => {
    // A tenth of 17 Ah; 17 Ah ÷ 0.01 A = 1,700 h.
    const looked = parasiticDraw({ ...store, days: 8 })!;
    expect(looked.asks).toBe('under 1.70 Ah');
    expect(looked.sentence).toContain('takes 0.010 A: 1.92 Ah of');
    expect(parasiticDraw({ ...store, days: 80 })!.sentence).toContain('in 70 d 20 h of the 80 days');
    // Exactly empty is empty; without days or a current nothing goes, not even from an empty one.
    expect(parasiticDraw({ ...store, standingA: 17 / 24, days: 1 })!.severity).toBe('stop');
    for (const none of [{ days: 0 }, { standingA: 0 }])
      expect(parasiticDraw({ ...store, soc: 0, ...none })).toBeNull();
  });
});

describe('the rule of batteries one after the other', () => {
  it('is kept by one, and by a change-over switch', () => {
    expect(changeoverPresent(['Shale 18'], false)).toBeNull();
    expect(changeoverPresent(['Shale 18', 'Shale 9'], true)).toBeNull();
  });

  it('stops them on one joint', () => {
    const stop = changeoverPresent(['Shale 18', 'Shale 9'], false);
    expect(stop?.severity).toBe('stop');
    expect(stop?.sentence).toContain('breaks before it makes');
    expect(stop?.remedy?.changeover).toBe(true);
  });
});

describe('the rule of what a disconnect does', () => {
  const lvd = { name: 'disconnect', disconnectV: 11.5, reconnectV: 13, maxA: 20 };

  it('is kept where all of it is entered and it opens before the battery’s own', () => {
    expect(disconnectEntered(lvd, 10)).toBeNull();
    expect(disconnectEntered(lvd, undefined)).toBeNull();
  });

  it('looks at what is not entered, and at one that opens too late', () => {
    const { reconnectV: _reconnectV, ...rest } = lvd;
    expect(disconnectEntered(rest, 10)?.sentence).toContain('closes again');
    expect(disconnectEntered({ name: 'disconnect' }, 10)?.sentence).toContain('what it may carry');
    expect(disconnectEntered({ ...lvd, disconnectV: 9.5 }, 10)?.sentence).toContain('a last resort');
    expect(disconnectEntered(rest, 10)?.sentence).toContain('one thing is not entered');
    expect(disconnectEntered({ name: 'disconnect', maxA: 20 }, 10)?.sentence).toContain(
      'some things are not entered: the volts at which it opens, those at which it closes again.',
    );
  });
});

describe('the rule of batteries by air', () => {
  const of = (wattHours: number, chemistry: PackAge['chemistry'] = 'lifepo4') =>
    byAir({ name: 'Shale 18', chemistry, wattHours })?.severity;

  it('notes the cabin up to 100 Wh and sealed lead, and stops liquid acid', () => {
    expect(of(100)).toBe('note');
    expect(of(300, 'agm')).toBe('note');
    expect(of(300, 'flooded')).toBe('stop');
    expect(of(300, 'nimh')).toBeUndefined();
  });

  it('stops a third battery that needs approval', () => {
    const third = (approved: number) =>
      byAir({ name: 'Shale 9', chemistry: 'lifepo4', wattHours: 120 }, approved)?.severity;
    expect(third(2)).toBe('look');
    expect(third(3)).toBe('stop');
  });

  it('looks up to 160 Wh and stops beyond', () => {
    expect(of(101)).toBe('look');
    expect(of(160)).toBe('look');
    expect(of(161)).toBe('stop');
  });
});
