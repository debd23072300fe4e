import { HOUR_MS } from '../span.js';
import { measuredRadio, whiteboardPlan, type WhiteboardChange } from '../testing/plans.js';
import { sunPlan } from '../testing/sun-plans.js';
import { forecast } from './forecast.js';

const found = (change: WhiteboardChange) => forecast(whiteboardPlan(change)).verdict.findings;
const codes = (change: WhiteboardChange) => found(change).map(({ code }) => code);
const blocks = (change: object) => [{ ...whiteboardPlan().blocks[0], share: 0.4, ...change }];

describe('findings', () => {
  it('stop a long key-down that only a short peak would allow', () => {
    const pack = { continuousA: 2, peakA: 10, peakS: 5 };
    const fm = blocks({ mode: 'FM', modeFactor: 1, share: 0.3 });
    expect(codes({ pack, blocks: fm })).toContain('discharge-limit');
    expect(codes({ pack: { ...pack, peakS: 60 }, blocks: fm })).not.toContain('discharge-limit');
    expect(codes({ pack, blocks: blocks({ mode: 'CW' }) })).not.toContain('discharge-limit');
  });

  it('look at a panel in the polar night', () => {
    const winter = { startMs: Date.UTC(2027, 11, 20), endMs: Date.UTC(2027, 11, 21) };
    const polar = { outing: winter, blocks: [], sun: sunPlan({ latitudeDeg: 80 }) };
    expect(codes(polar)).toContain('no-sun');
    expect(codes({ ...polar, sun: sunPlan({ latitudeDeg: 30 }) })).not.toContain('no-sun');
  });

  it('look at a battery that nobody could wake', () => {
    const label = { chemistry: 'lifepo4', cellsInSeries: 4, ratedAh: 2, health: 1 } as const;
    const change = { pack: { label }, sun: sunPlan() };
    expect(codes({ ...change, controller: { name: 'Weir', wakesBattery: false } })).toContain('wake-up');
    expect(codes({ ...change, controller: { name: 'Weir', wakesBattery: true } })).not.toContain('wake-up');
  });

  it('look at more slots than there are, and at a battery that no one carries', () => {
    expect(codes({ blocks: blocks({ mode: 'FT8', share: 0.9 }) })).toContain('more-than-every-slot');
    expect(codes({ blocks: blocks({ mode: 'FT8', share: 0.84 }) })).not.toContain('more-than-every-slot');
    const label = { chemistry: 'lifepo4', cellsInSeries: 4, ratedAh: 1200, health: 1 } as const;
    expect(found({ pack: { label } }).find(({ code }) => code === 'too-large')!.sentence).toContain(
      'Were mAh meant?',
    );
  });

  it('say what the radio’s own battery would add', () => {
    const internal = { wattHours: 18, startSoc: 1, chargeW: 5, chargesWhileOperating: true };
    const radio = { ...whiteboardPlan().radio, figures: measuredRadio(1, [10, 3]), internal };
    // 18 Wh at 1 A and 9 V
    expect(found({ radio }).find(({ code }) => code === 'own-battery')!.sentence).toContain('2 h 00 longer');
  });

  it('come the gravest first', () => {
    const radio = { ...whiteboardPlan().radio, fullPowerV: 14 };
    const gravity = found({
      radio,
      pack: { continuousA: 0.1 },
      blocks: blocks({}),
      assumed: ['all of it'],
    }).map(({ severity }) => severity);
    expect(gravity).toEqual(['stop', 'look', 'note', 'note']);
  });

  it('name a plan’s end by its hours', () => {
    expect(forecast(whiteboardPlan()).verdict.planEndMs).toBe(10 * HOUR_MS);
  });
});
