import type { Panel } from '../documents/gear.js';
import type { AimChoice } from '../documents/sun.js';
import type { LoadoutItem, Trip } from '../documents/trip.js';
import { readTrip } from '../schemas/read.js';
import { kitShelf, kitTrip } from '../testing/kit.js';
import { panelCablesOhm, sayAim } from './panel-losses.js';
import { resolve } from './resolve.js';

const FLAT = { aim: { how: 'flat' as const }, mount: 'flat' as const, ground: 'grass' as const };
const planOf = (trip: Trip) => {
  const plan = resolve(trip, kitShelf);
  if (!plan.ok) throw new Error(plan.problems[0].sentence);
  return plan.value;
};
const led = (cabling: LoadoutItem['cabling'], count = 2): Trip =>
  kitTrip({
    loadout: kitTrip().loadout.map((item) =>
      item.gear === 'frond' ? { ...item, count, ...(cabling && { cabling }) } : item,
    ),
  });
const thin = { how: 'chain', lengthM: 5, areaMm2: 0.5 } as const;

describe('panels that are led by thin cables', () => {
  it('lose by hand what the way to the controller has more of', () => {
    const bare = planOf(led(undefined)).sun!;
    const chained = planOf(led(thin)).sun!;
    // Copper at 40 °C: 1.724e-8 x 1.0786 x 10 m / 0.5 mm2 = 0.372 ohm, and two pairs of contacts; 5/4 of it chained.
    const cableOhm = (1.724e-8 * (1 + 0.00393 * 20) * 10) / 0.5e-6 + 0.002;
    expect(chained.controller.panelCableOhm - bare.controller.panelCableOhm).toBeCloseTo(1.25 * cableOhm, 9);
    expect(panelCablesOhm({ gear: 'x', count: 2, cabling: { ...thin, how: 'each' } })).toBeCloseTo(
      cableOhm / 2,
      9,
    );
    expect(panelCablesOhm({ gear: 'x', count: 2 })).toBe(0);
  });

  it('say how many watts in full sun, and what shorter ones bring back', () => {
    const { remarks, sun } = planOf(led(thin));
    const said = remarks!.find((sentence) => sentence.includes('own cables'))!;
    const lost = sun!.panel.impA ** 2 * panelCablesOhm(led(thin).loadout.find(({ cabling }) => cabling)!);
    expect(said).toContain(`lose ${lost.toFixed(1)} W`);
    expect(said).toContain('shorten each to 0.6 m for ');
    const short = planOf(led({ ...thin, lengthM: 0.6, areaMm2: 2.5 })).remarks!;
    expect(short.some((sentence) => sentence.includes('own cables'))).toBeFalse();
  });
});

describe('a panel that lies partly in shade', () => {
  const { start, end } = kitTrip();
  const shaded = (fraction: number, change: Partial<Panel> = {}) => {
    const shelf = kitShelf.map((gear) => (gear.id === 'frond' ? ({ ...gear, ...change } as Panel) : gear));
    const panelPlace = { ...FLAT, shade: [{ start, end, fraction }] };
    const plan = resolve(kitTrip({ panelPlace }), shelf);
    if (!plan.ok) throw new Error(plan.problems[0].sentence);
    return plan.value.remarks!.filter((sentence) => sentence.startsWith('Shade on'));
  };

  it('loses more than its share, less with a diode to each leaf; folding brings the rest back', () => {
    // 42 W at 0.9 of its label: 38 W; a fifth in shade takes half of it, with diodes 0.3, folded away 0.2.
    expect(shaded(0.2)).toEqual([
      'Shade on 20 % of Frond takes 19 W of 38 W in full sun, 11 W with a diode to each leaf. Fold the shaded part away for 11 W more, or move it.',
    ]);
    expect(shaded(0.2, { diodes: true })).toEqual([
      'Shade on 20 % of Frond takes 11 W of 38 W in full sun. Fold the shaded part away for 4 W more, or move it.',
    ]);
  });

  it('is no word where all of it is in shade, or it is of thin film', () => {
    expect(shaded(1)).toEqual([]);
    expect(shaded(0.2, { technology: 'thin_film' })).toEqual([]);
    expect(shaded(0)).toEqual([]);
  });
});

describe('a stand that cannot tilt as far as the sun asks', () => {
  const on = (aim: AimChoice, stand?: { leastDeg: number; mostDeg: number }): Trip =>
    kitTrip({ panelPlace: { aim, mount: 'propped', ground: 'grass', ...(stand && { stand }) } });
  const turned: AimChoice = { how: 'every', minutes: 60 };
  const said = (trip: Trip) => planOf(trip).remarks!.filter((sentence) => sentence.includes('The stand'));

  it('costs watts on average, more the less it tilts', () => {
    const watts = (mostDeg: number) => {
      const [sentence] = said(on(turned, { leastDeg: 0, mostDeg }));
      return sentence ? Number(/([\d.]+) W less/.exec(sentence)![1]) : 0;
    };
    expect(watts(90)).toBe(0);
    expect(watts(10)).toBeGreaterThan(0);
    expect(watts(10)).toBeGreaterThanOrEqual(watts(40));
    expect(said(on(turned))).toEqual([]);
  });

  it('is nothing to a panel that lies flat', () => {
    expect(said(on({ how: 'flat' }, { leastDeg: 30, mostDeg: 40 }))).toEqual([]);
    expect(planOf(on({ how: 'flat' }, { leastDeg: 30, mostDeg: 40 })).sun!.aim).toEqual({ how: 'flat' });
  });

  it('must end above where it begins', () => {
    const wrong = readTrip(on(turned, { leastDeg: 60, mostDeg: 20 }));
    expect(wrong.ok ? '' : wrong.problems[0].pointer).toBe('/panelPlace/stand/mostDeg');
    expect(readTrip(on(turned, { leastDeg: 20, mostDeg: 60 })).ok).toBeTrue();
  });
});

describe('a panel that is not turned every hour', () => {
  const said = (aim: AimChoice) =>
    planOf(kitTrip({ panelPlace: { ...FLAT, aim, mount: 'propped' } })).remarks!.filter((sentence) =>
      sentence.includes('turned every hour'),
    );
  const hourly = Array.from({ length: 12 }, (_, hour) =>
    new Date(Date.parse(kitTrip().start) + hour * 3_600_000).toISOString(),
  );
  const watts = (aim: AimChoice) => Number(/([\d.]+) W less/.exec(said(aim)[0] ?? '0.0 W less')![1]);

  it('says in watts what that costs, less the more often it is turned', () => {
    const once = watts({ how: 'at', times: [hourly[6]] });
    expect(once).toBeGreaterThan(0);
    expect(watts({ how: 'at', times: [hourly[2], hourly[6]] })).toBeLessThanOrEqual(once);
    expect(said({ how: 'at', times: hourly })).toEqual([]);
    expect(said({ how: 'hung' })[0]).toContain('lay it out when you rest');
    expect(said({ how: 'every', minutes: 60 })).toEqual([]);
    expect(said({ how: 'flat' })).toEqual([]);
  });
});

describe('a panel that is seldom turned', () => {
  const outing = { startMs: Date.parse(kitTrip().start), endMs: Date.parse(kitTrip().end) };
  const sun = (change: object) =>
    ({ ...planOf(kitTrip({ panelPlace: FLAT })).sun!, ...change }) as Parameters<typeof sayAim>[0];
  const once = { how: 'at', timesMs: [outing.startMs] } as const;
  const said = (change: object) =>
    Number(/([\d.]+) W less/.exec(sayAim(sun(change), outing)[0] ?? '')?.[1] ?? 0);

  it('gets less by the mean light that it misses: by its watts and by what of them is true', () => {
    const plain = said({ aim: once });
    expect(plain).toBeGreaterThan(1);
    expect(plain).toBeLessThan(planOf(kitTrip()).sun!.panel.watts / 2);
    const { panel, truth } = sun({});
    expect(said({ aim: once, panel: { ...panel, watts: 2 * panel.watts } }) / plain).toBeCloseTo(2, 1);
    expect(said({ aim: once, truth: truth / 2 }) / plain).toBeCloseTo(0.5, 1);
  });

  it('loses no more in two days than in one, since it is said on average while the sun is up', () => {
    const days = (count: number) => ({ ...outing, endMs: outing.startMs + count * 86_400_000 });
    const over = (count: number) =>
      Number(/([\d.]+) W less/.exec(sayAim(sun({ aim: { how: 'hung' } }), days(count))[0] ?? '')?.[1]);
    expect(over(2) / over(1)).toBeCloseTo(1, 1);
  });

  it('is not worth a word where it lies flat or is turned every hour, nor in the dark', () => {
    for (const aim of [{ how: 'flat' }, { how: 'every', minutes: 60 }])
      expect(sayAim(sun({ aim }), outing)).toEqual([]);
    const night = { startMs: Date.parse('2027-12-21T20:00:00Z'), endMs: Date.parse('2027-12-22T02:00:00Z') };
    expect(sayAim(sun({ aim: once }), night)).toEqual([]);
  });
});
