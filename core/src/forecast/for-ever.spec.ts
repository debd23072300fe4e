import { labelFromWatts } from '../panel/panel.js';
import { whiteboardPlan } from '../testing/plans.js';
import { sunPlan } from '../testing/sun-plans.js';
import { bestFixedAim } from '../sun/best-aim.js';
import type { SunPlan } from '../sun/harvest.js';
import { daysWithoutSun, monthsOfLoad, panelForEver, worstMonth } from './for-ever.js';

const clear = () => ({ cloud: 0, rain: false, airC: 25, windMS: 2 });
const covered = () => ({ cloud: 1, rain: true, airC: 25, windMS: 2 });
const north = sunPlan({ latitudeDeg: 59, longitudeDeg: 5 });

describe('a load left alone', () => {
  it('lasts without sun for what the pack holds above its reserve', () => {
    // 20 Ah x 0.9 at 0.25 A
    expect(daysWithoutSun(whiteboardPlan({ sun: north }), 0.25)).toBeCloseTo(3, 3);
    // from full, whatever the trip begins with
    expect(daysWithoutSun(whiteboardPlan({ pack: { startSoc: 0.5 } }), 0.25)).toBeCloseTo(3, 3);
    expect(daysWithoutSun(whiteboardPlan(), 0)).toBe(Infinity);
  });

  it('runs for ever in the months whose sun carries it, and tells the worst', () => {
    const months = monthsOfLoad(whiteboardPlan({ sun: north }), 0.1, clear);
    expect(months.map(({ month }) => month)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]);
    expect(months[5].lasts).toBeTrue();
    expect(worstMonth(months).month).toBe(12);
    expect(months[5].surplusAh).toBeGreaterThan(months[2].surplusAh);
    for (const { lasts, surplusAh, lowestSoc } of months) {
      expect(lasts).toBe(surplusAh >= 0 && lowestSoc > 0.1);
    }
  });

  it('gets no worse with less load or less cloud', () => {
    const lasting = (loadA: number, sky: typeof clear) =>
      monthsOfLoad(whiteboardPlan({ sun: north }), loadA, sky).filter(({ lasts }) => lasts).length;
    expect(lasting(0.05, clear)).toBeGreaterThanOrEqual(lasting(0.2, clear));
    expect(lasting(0.1, clear)).toBeGreaterThanOrEqual(lasting(0.1, covered));
    expect(lasting(5, clear)).toBe(0);
  });

  it('has a panel that somebody turns lie at the month’s best aim, and any other as it lies', () => {
    const june = { startMs: Date.UTC(1970, 5, 11), endMs: Date.UTC(1970, 5, 21) };
    const surplus = (aim: SunPlan['aim']) =>
      monthsOfLoad(whiteboardPlan({ sun: { ...north, aim } }), 0.1, clear)[5].surplusAh;
    const best = bestFixedAim({ ...north, skyAt: clear }, june)!;
    expect(best.tiltDeg).toBeGreaterThan(10);
    const fixed = { how: 'fixed', ...best } as const;
    expect(surplus({ how: 'every', minutes: 120 })).toBeCloseTo(surplus(fixed), 9);
    expect(surplus({ how: 'flat' })).toBeLessThan(surplus(fixed) - 0.1);
    expect(surplus({ how: 'fixed', tiltDeg: 80, azimuthDeg: 180 })).toBeLessThan(surplus(fixed) - 0.1);
  });

  it('wants a panel that is the smallest to the watt: one watt less does not carry it', () => {
    const plan = whiteboardPlan({ sun: north });
    const watts = panelForEver(plan, 0.2, 6, clear)!;
    expect(watts).toBeGreaterThan(2);
    expect(watts).toBeLessThan(40);
    const lasts = (of: number) => {
      const panel = labelFromWatts(of, north.panel.technology);
      const sun = { ...north, panel, controller: { ...north.controller, maxA: Infinity } };
      return monthsOfLoad({ ...plan, sun }, 0.2, clear)[5].lasts;
    };
    expect(lasts(watts)).toBeTrue();
    expect(lasts(watts - 2)).toBeFalse();
    // In December more, and none where the sun carries nothing, or there is no panel to compare with.
    expect(panelForEver(plan, 0.2, 12, clear)!).toBeGreaterThan(watts);
    expect(panelForEver(plan, 50, 12, covered)).toBeNull();
    expect(panelForEver(whiteboardPlan(), 0.2, 6, clear)).toBeNull();
  });

  it('has no months without a panel', () => {
    expect(monthsOfLoad(whiteboardPlan(), 0.1, clear)).toEqual([]);
  });
});
