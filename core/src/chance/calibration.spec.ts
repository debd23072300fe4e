import { forecast } from '../forecast/forecast.js';
import type { PlanInput } from '../forecast/plan-input.js';
import { HOUR_MS, MINUTE_MS } from '../span.js';
import { atChance, smallestAh } from '../size/ideal.js';
import { evenly, otherSeason } from '../testing/other-weather.js';
import { measuredRadio, steadyLoad, whiteboardPlan } from '../testing/plans.js';
import { sunPlan } from '../testing/sun-plans.js';
import { labelFromWatts } from '../panel/panel.js';

const START_MS = Date.UTC(2027, 5, 1, 6);
const outing = { startMs: START_MS, endMs: START_MS + 36 * HOUR_MS };
const SEASONS = 300;

/** Two days and a night on a small pack and panel, receiving on a datasheet's word. */
function planUnder(cloudAt: (hour: number) => number): PlanInput {
  const block = {
    ...outing,
    label: 'calling',
    powerW: 10,
    modeFactor: 0.44,
    keyUpAtReceive: true,
    share: 0.3,
  };
  const figures = measuredRadio(0.25, [10, 2]);
  return whiteboardPlan({
    outing,
    stepMs: 15 * MINUTE_MS,
    radio: {
      name: 'Curlew',
      figures: { ...figures, receive: [{ amps: 0.25, source: 'datasheet' }] },
      dropoutV: 9,
    },
    blocks: [block],
    accessories: [steadyLoad('lamp', 0.05, outing)],
    sun: sunPlan({
      panel: labelFromWatts(20, 'good_mono'),
      skyAt: (timeMs) => ({
        cloud: cloudAt(Math.floor((timeMs - START_MS) / HOUR_MS)),
        rain: false,
        airC: 15,
        windMS: 2,
      }),
    }),
  });
}

describe('the chance engine over seasons of another make', () => {
  it('means nine in ten when it says so', () => {
    let lasted = 0;
    for (let season = 0; season < SEASONS; season++) {
      const { forecast: said, real, next } = otherSeason(season + 1, 2);
      const wanted = atChance(
        smallestAh(
          planUnder((hour) => said[hour]),
          120,
        ),
        0.9,
      )!;
      const is = planUnder((hour) => real[hour]);
      const [block] = is.blocks;
      const receiveA = 0.25 * evenly(next, 0.17);
      const outcome = forecast({
        ...is,
        radio: { ...is.radio, figures: measuredRadio(receiveA, [10, 2]) },
        blocks: [{ ...block, share: 0.3 * evenly(next, 0.45), modeFactor: 0.44 * evenly(next, 0.2) }],
        packs: [{ ...is.packs[0], label: { ...is.packs[0].label, ratedAh: wanted * evenly(next, 0.09) } }],
        sun: { ...is.sun!, truth: 0.9 * evenly(next, 0.14) },
      });
      if (outcome.verdict.lasts) lasted += 1;
    }
    expect(lasted / SEASONS).toBeGreaterThan(0.85);
    expect(lasted / SEASONS).toBeLessThan(0.95);
  });
});
