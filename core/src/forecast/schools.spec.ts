import { HOUR_MS } from '../span.js';
import { measuredRadio, whiteboardPlan } from '../testing/plans.js';
import { forecast } from './forecast.js';

describe('the three schools of usable capacity', () => {
  const label = { chemistry: 'agm', cellsInSeries: 6, ratedAh: 10, health: 1, leaksAMonth: 0 } as const;
  const plan = whiteboardPlan({
    pack: { label, reserveSoc: 0.2 },
    radio: { name: 'Curlew', figures: measuredRadio(0.5, [10, 2]), dropoutV: 11.5 },
    outing: { startMs: 0, endMs: 30 * HOUR_MS },
    blocks: [
      {
        startMs: 0,
        endMs: 30 * HOUR_MS,
        label: 'FM 10 W',
        powerW: 10,
        modeFactor: 1,
        keyUpAtReceive: false,
        share: 0,
      },
    ],
  });

  it('are read off one run that goes on past the reserve', () => {
    const [whole, fixed, volts] = forecast(plan).verdict.schools;
    expect(whole.usableAh).toBeCloseTo(10, 12);
    expect(fixed.usableAh).toBeCloseTo(5, 12);
    // 0.5 A is the rated current of 10 Ah over 20 h: no Peukert
    expect(whole.endMs! / HOUR_MS).toBeCloseTo(20, 6);
    expect(fixed.endMs! / HOUR_MS).toBeCloseTo(10, 6);
    // 11.5 V + 0.5 A x (0.02 + 0.025 + 0.035) ohm = 11.54 V: between 11.53 V at 5 % and 11.65 V at 10 %
    const soc = 0.05 + (0.01 / 0.12) * 0.05;
    expect(volts.toSoc).toBeCloseTo(soc, 9);
    expect(volts.endMs! / HOUR_MS).toBeCloseTo((1 - soc) * 20, 6);
    expect(volts.usableAh).toBeCloseTo((1 - soc) * 10, 9);
  });

  it('end at the radio’s drop-out also where the outing ends before the battery does', () => {
    const [, , volts] = forecast(plan).verdict.schools;
    const short = { startMs: 0, endMs: 19.5 * HOUR_MS };
    const [whole, , sooner] = forecast({ ...plan, outing: short, blocks: [{ ...plan.blocks[0], ...short }] })
      .verdict.schools;
    expect(whole.endMs).toBeNull();
    expect(sooner.endMs! / HOUR_MS).toBeCloseTo(volts.endMs! / HOUR_MS, 6);
  });

  it('do not come within a short outing, but say what they call usable', () => {
    const short = { ...plan, outing: { startMs: 0, endMs: HOUR_MS }, blocks: [] };
    const found = forecast(short).verdict.schools;
    expect(found.map(({ endMs }) => endMs)).toEqual([null, null, null]);
    expect(found.map(({ usableAh }) => usableAh)).toEqual([10, 5, 10]);
  });
});
