import type { AimChoice } from '../documents/sun.js';
import type { LoadoutItem, Trip } from '../documents/trip.js';
import { readTrip } from '../schemas/read.js';
import { kitShelf, kitTrip } from '../testing/kit.js';
import { panelCablesOhm } from './panel-losses.js';
import { resolve } from './resolve.js';

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
