import { forecast } from '../forecast/forecast.js';
import { HOUR_MS } from '../span.js';
import { whiteboardPlan } from '../testing/plans.js';
import { follow } from './follow.js';
import { currentsIn, predict, voltsAt } from './predict.js';

const charger = { name: 'charger', startMs: 2 * HOUR_MS, endMs: 6 * HOUR_MS, amps: 5 };
const plan = whiteboardPlan({ pack: { startSoc: 0.4 }, feeds: [charger] });
const at = (hour: number) => {
  const { march } = follow(plan, { readings: [], events: [] }, hour * HOUR_MS, { particles: 200 });
  const now = Array.from({ length: 200 }, (_, index) => currentsIn(march, index, 'listening'));
  const mean = (of: (index: number) => number) =>
    now.reduce((sum, _one, index) => sum + of(index), 0) / now.length;
  return {
    intoA: mean((index) => now[index].intoA),
    takenA: mean((index) => now[index].takenA),
    volts: mean((index) => voltsAt(march, index, now[index], march.particles.socs[0][index])),
    monitorA: mean((index) => predict(march, index, 'amps', { source: 'monitor' }, 'listening').value),
    soc: mean((index) => march.particles.socs[0][index]),
  };
};

describe('Field while a charger is on', () => {
  it('knows what goes into the battery just then, so that a reading fits', () => {
    // 5 A less 1 A that the radio takes, and that alone before and after.
    expect(at(4).intoA).toBeCloseTo(4, 0);
    expect(at(4).monitorA).toBeCloseTo(-4, 0);
    expect(at(1).intoA).toBeCloseTo(-1, 0);
    expect(at(7).intoA).toBeCloseTo(-1, 0);
    expect(at(2.5).volts).toBeGreaterThan(at(1.9).volts + 0.1);
  });

  it('takes none of it for the sun’s', () => {
    expect(at(4).takenA).toBe(0);
  });

  it('has the charge that the march has', () => {
    const { soc, edgesMs } = forecast(plan).march;
    const marched = soc[edgesMs.indexOf(4 * HOUR_MS)];
    expect(Math.abs(at(4).soc - marched)).toBeLessThan(0.03);
  });
});
