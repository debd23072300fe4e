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

  it('add up the radios that send while one speaks at a time', () => {
    const { radio } = whiteboardPlan();
    const hours = (from: number, to: number) => ({ startMs: from * HOUR_MS, endMs: to * HOUR_MS });
    const told = (share: number, from: number, oneSpeaks = true) =>
      found({
        oneSpeaks,
        blocks: blocks({ ...hours(0, 4), share: 0.6, label: 'net' }),
        others: [{ radio, blocks: blocks({ ...hours(from, from + 3), share, label: 'talk' }) }],
      }).filter(({ code }) => code === 'one-speaks');
    const [both] = told(0.5, 2);
    expect(both.severity).toBe('look');
    expect(both.sentence).toContain('during talk the radios together are to send for 110 % of it');
    expect(told(0.5, 0)[0].sentence).toContain('during net the radios together are to send for 110 %');
    // Two fifths are what is left; one after the other each has all of it; and both may send at once.
    expect(told(0.4, 2)).toEqual([]);
    expect(told(0.5, 4)).toEqual([]);
    expect(told(0.5, 2, false)).toEqual([]);
  });

  it('say how many slots there are, in shares', () => {
    const [slots] = found({ blocks: blocks({ mode: 'FT8', share: 0.9, label: 'FT8 5 W' }) }).filter(
      ({ code }) => code === 'more-than-every-slot',
    );
    expect(slots.sentence).toBe(
      'FT8 5 W transmits 90 % of the time, more than every slot; FT8 can be on the air 84 % at the most.',
    );
    expect(slots.severity).toBe('look');
  });

  it('say what of the sun nothing takes, from a tenth of what is planned on', () => {
    const offered = (offeredA: number) =>
      found({ offeredA: () => offeredA }).find(({ code }) => code === 'sun-to-spare');
    // A full battery and 1 A for ten hours: 1.2 A offer two ampere hours that nothing takes.
    expect(offered(1.2)!.sentence).toContain('The sun offers 2.00 Ah that nothing takes');
    expect(offered(1.05)).toBeUndefined();
  });

  it('say of a battery that nothing wakes, and what would', () => {
    const label = { chemistry: 'lifepo4', cellsInSeries: 4, ratedAh: 2, health: 1 } as const;
    const restart = (reconnectV: number) =>
      found({ pack: { label }, restart: { reconnectV, targetUp: 0.9, hours: null } as never }).filter(
        ({ code }) => code === 'wake-up',
      );
    const [asleep] = restart(Infinity);
    expect(asleep.severity).toBe('look');
    expect(asleep.sentence).toContain('nothing switches the loads on again');
    expect(restart(13)).toEqual([]);
    const named = found({
      pack: { label },
      sun: sunPlan(),
      controller: { name: 'Weir', wakesBattery: false },
    });
    expect(named.find(({ code }) => code === 'wake-up')!.sentence).toContain('Weir cannot wake it');
  });

  it('look at key-down under the cut-off of a pack that gives all else', () => {
    const radio = { ...whiteboardPlan().radio, figures: measuredRadio(0.2, [10, 25]), dropoutV: 5 };
    const label = {
      chemistry: 'lifepo4',
      cellsInSeries: 4,
      ratedAh: 20,
      health: 1,
      ohmicOhm: 0.15,
    } as const;
    const change: WhiteboardChange = { radio, pack: { label }, blocks: blocks({ share: 0.01 }) };
    const dip = found(change).find(({ code }) => code === 'key-down-cutoff')!;
    expect(dip.severity).toBe('look');
    expect(dip.sentence).toMatch(/^Key-down pulls the pack to (9|10)\.\d\d V, under its cut-off of 10\.00 V/);
    expect(codes({ ...change, pack: {} })).not.toContain('key-down-cutoff');
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
