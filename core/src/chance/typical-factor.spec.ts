import { forecast } from '../forecast/forecast.js';
import type { PlanInput } from '../forecast/plan-input.js';
import { underTypicalSky } from '../forecast/typical-sky.js';
import { labelFromWatts } from '../panel/panel.js';
import { HOUR_MS, MINUTE_MS } from '../span.js';
import { measuredRadio, whiteboardPlan } from '../testing/plans.js';
import { sunPlan } from '../testing/sun-plans.js';
import { chanceOf } from './chance.js';
import { typicalFactor } from './typical-factor.js';

const START_MS = Date.UTC(2027, 5, 1, 20);
const outing = { startMs: START_MS, endMs: START_MS + 46 * HOUR_MS };
const LIFEPO4 = { chemistry: 'lifepo4', cellsInSeries: 4, ratedAh: 16, health: 1 } as const;
const AGM = { chemistry: 'agm', cellsInSeries: 6, ratedAh: 30, health: 1 } as const;

const plan = (change: Partial<PlanInput> = {}, cloud = 0.6): PlanInput =>
  whiteboardPlan({
    outing,
    stepMs: 15 * MINUTE_MS,
    radio: { name: 'Curlew', figures: measuredRadio(0.25, [10, 2]), dropoutV: 9 },
    blocks: [{ ...outing, label: 'CW 10 W', powerW: 10, modeFactor: 0.44, keyUpAtReceive: true, share: 0.3 }],
    pack: { label: LIFEPO4 },
    sun: sunPlan({
      panel: labelFromWatts(25, 'good_mono'),
      skyAt: () => ({ cloud, rain: false, airC: 15, windMS: 2 }),
    }),
    outlook: { isForecast: () => true },
    ...change,
  });

describe('the typical sky', () => {
  it('has a march whose lowest charge is the median lowest charge of the samples, within half a point', () => {
    const climate = { climate: 'maritime', isForecast: () => false } as const;
    const agm = [{ ...plan().packs[0], label: AGM, reserveSoc: 0.3 }];
    for (const one of [
      plan(),
      plan({}, 0.05),
      plan({ outlook: climate }),
      plan({ packs: agm }),
      plan({ packs: agm, outlook: climate }),
    ]) {
      const { medianLowestSoc } = chanceOf(one);
      const factor = typicalFactor(one, { medianLowestSoc });
      expect(Math.abs(forecast(one, factor).verdict.lowestSoc - medianLowestSoc)).toBeLessThan(0.005);
    }
  });

  it('lets less light through the more closed it is made, and needs moving only with a panel', () => {
    const ends = [0.5, 1, 1.5, 2, 3].map((factor) => forecast(plan(), factor).verdict.sun!.offeredAh);
    ends.forEach((offered, index) => {
      if (index > 0) expect(offered).toBeLessThan(ends[index - 1]);
    });
    const { sun: _sun, ...dark } = plan();
    expect(typicalFactor(dark, { medianLowestSoc: 0.1 })).toBe(1);
    // No sky brings the charge that low, or keeps it that high.
    expect(typicalFactor(plan(), { medianLowestSoc: -1 })).toBe(1);
    expect(typicalFactor(plan(), { medianLowestSoc: 1.5 })).toBe(1);
  });

  it('is the sky as told where nobody doubts it', () => {
    const { outlook: _outlook, ...certain } = plan();
    expect(underTypicalSky(certain)).toBe(certain);
  });

  it('by mean light is duller than the mean cloud, and lets the mean light of rainy skies through', () => {
    const wet = plan({ outlook: { climate: 'maritime', isForecast: () => false } });
    const { skyAt } = underTypicalSky(wet).sun!;
    const noon = skyAt(START_MS + 16 * HOUR_MS);
    // Days of a maritime summer: 2 clear, 4 fair, 2 cloudy, 2 wet of ten; mean cloud 0.52.
    expect(noon.cloud).toBeGreaterThan(0.6);
    expect(noon.cloud).toBeLessThan(0.9);
    expect(noon.rain).toBeFalse();
  });
});
