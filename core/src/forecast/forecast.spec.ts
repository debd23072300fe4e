import { HOUR_MS } from '../span.js';
import { measuredRadio, whiteboardPlan } from '../testing/plans.js';
import { forecast } from './forecast.js';

describe('forecast', () => {
  it('agrees with the whiteboard where the plan lasts', () => {
    const { verdict } = forecast(whiteboardPlan());
    // 20 Ah, 1 A for 10 h: half is left, 8 Ah of it above the reserve of 10 %
    expect(verdict.lasts).toBeTrue();
    expect(verdict.endSoc).toBeCloseTo(0.5, 9);
    expect(verdict.marginAh).toBeCloseTo(8, 9);
    expect(verdict.marginHours).toBeCloseTo(8, 9);
    expect(verdict.plannedAh).toBeCloseTo(10, 9);
    expect(verdict.lowestMs).toBe(10 * HOUR_MS);
    expect(forecast(whiteboardPlan({ blocks: [] })).verdict.lowestRadioV).toBeNull();
  });

  it('ends at the reserve, to the minute between two steps', () => {
    // 9 Ah above the reserve of 12 Ah x 0.25: 9 h; startSoc 1, reserve 0.25
    const label = { chemistry: 'lifepo4', cellsInSeries: 4, ratedAh: 12, health: 1, leaksAMonth: 0 } as const;
    const { verdict } = forecast(whiteboardPlan({ pack: { name: 'Shale 12', label, reserveSoc: 0.2501 } }));
    expect(verdict.binds).toBe('reserve');
    expect(verdict.endMs! / HOUR_MS).toBeCloseTo(12 * (1 - 0.2501), 9);
    expect(verdict.marginAh).toBeCloseTo(-(10 - 12 * (1 - 0.2501)), 9);
    // the march goes on behind the verdict, so that the other end points are known too
    expect(verdict.cutoffMs).toBeNull();
    expect(verdict.endSoc).toBeCloseTo(1 - 10 / 12, 9);
  });

  it('ends at the radio’s drop-out on a thin cable although there is charge left', () => {
    const plan = whiteboardPlan({
      cableOhm: 0.6,
      radio: { name: 'Curlew', figures: measuredRadio(0.5, [10, 3]), dropoutV: 11.2 },
      blocks: [
        {
          startMs: 0,
          endMs: 10 * HOUR_MS,
          label: 'CW 10 W',
          powerW: 10,
          modeFactor: 0.44,
          keyUpAtReceive: true,
          share: 0.5,
        },
      ],
    });
    const { verdict } = forecast(plan);
    expect(verdict.binds).toBe('radioDropout');
    expect(verdict.reserveMs).toBeNull();
    // mean 0.5 x (0.5 + 0.44 x 2.5) + 0.5 x 0.5 = 1.05 A; ohmic 0.25 / 20 = 0.0125 ohm, polarisation 0.2 / 20 = 0.01 ohm:
    // 11.2 V + 1.05 A x 0.01 ohm + 3 A x (0.0125 + 0.6) ohm = 13.048 V: on the line from 13 V at 40 % to 13.06 V at 50 %
    const soc = 0.4 + ((13.048 - 13) / 0.06) * 0.1;
    expect(verdict.endMs! / HOUR_MS).toBeCloseTo(((1 - soc) * 20) / 1.05, 6);
    // with the short cable the same plan lasts
    expect(forecast({ ...plan, wiring: whiteboardPlan().wiring }).verdict.lasts).toBeTrue();
  });

  it('charges from an offered current: serves the load, stores the rest, curtails what is too much', () => {
    const plan = whiteboardPlan({ pack: { startSoc: 0.5 }, offeredA: () => 30 });
    const { march, verdict } = forecast(plan);
    expect(verdict.lowestSoc).toBe(0.5);
    expect(march.soc.at(-1)).toBe(1);
    expect(march.books.servedAh).toBeCloseTo(10, 9);
    expect(march.books.storedAh).toBeCloseTo(10, 9);
    expect(march.books.chargeLossAh).toBeCloseTo(10 / 0.99 - 10, 9);
    expect(march.books.curtailedAh).toBeCloseTo(300 - 10 - 10 / 0.99, 9);
  });

  it('lacks what its loads run ahead of the sun, no more', () => {
    const label = { chemistry: 'lifepo4', cellsInSeries: 4, ratedAh: 4, health: 1, leaksAMonth: 0 } as const;
    const plan = whiteboardPlan({ pack: { name: 'Shale 4', label, reserveSoc: 0 } });
    // ends after 4 h; 1 A for 6 h more, of which the sun gives 0.25 A from 6 to 8 h and 3 A from 8 h on
    const sunny = forecast({
      ...plan,
      offeredA: (timeMs) => (timeMs < 6 * HOUR_MS ? 0 : timeMs < 8 * HOUR_MS ? 0.25 : 3),
    });
    const dark = forecast(plan);
    expect(dark.verdict.marginAh).toBeCloseTo(-(10 * HOUR_MS - dark.verdict.endMs!) / HOUR_MS, 9);
    const toSix = (6 * HOUR_MS - sunny.verdict.endMs!) / HOUR_MS;
    expect(sunny.verdict.marginAh).toBeCloseTo(-(toSix + 2 * 0.75), 9);
  });

  it('takes the loads off for good once the cut-off has opened', () => {
    const label = { chemistry: 'lifepo4', cellsInSeries: 4, ratedAh: 5, health: 1, leaksAMonth: 0 } as const;
    const { march, verdict } = forecast(whiteboardPlan({ pack: { name: 'Shale 5', label, reserveSoc: 0 } }));
    expect(verdict.cutoffMs).not.toBeNull();
    expect(march.loadA.at(-1)).toBe(0);
    expect(march.soc.at(-1)).toBe(march.soc.at(-10)!);
  });

  it('stops a plan whose key-down is more than the pack may give', () => {
    const blocks = [{ ...whiteboardPlan().blocks[0], share: 0.1 }];
    const codes = (peakA: number) =>
      forecast(whiteboardPlan({ blocks, pack: { peakA } })).verdict.findings.map(({ code }) => code);
    expect(codes(2.9)).toContain('discharge-limit');
    expect(codes(3.1)).not.toContain('discharge-limit');
  });

  it('says which figures nobody has measured', () => {
    const { verdict } = forecast(whiteboardPlan({ assumed: ['Shale 20: health'] }));
    expect(verdict.findings.map(({ sentence }) => sentence)).toContain(
      'Assumed, not measured: Shale 20: health.',
    );
  });

  it('has to spare, with packs in turn, what each still gives: one below its reserve takes nothing from the others', () => {
    const [pack] = whiteboardPlan().packs;
    const low = { ...pack, name: 'low', startSoc: 0.04 };
    const { verdict } = forecast(whiteboardPlan({ packs: [pack, low] }));
    // 10 h of 1 A from 20 Ah: half is left, 0.4 above the reserve, 8 Ah; the other lies 0.06 under its own.
    expect(verdict.lasts).toBeTrue();
    expect(verdict.marginAh).toBeCloseTo(8, 6);
    const alone = forecast(whiteboardPlan({ packs: [{ ...pack, startSoc: 0.55 }] })).verdict;
    expect(alone.marginAh).toBeLessThan(0);
  });
});
