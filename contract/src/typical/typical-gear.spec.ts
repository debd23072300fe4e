import { bestPoints, CHEMISTRIES } from '@knapsack/core';
import type { Battery, Gear, Panel, Radio } from '../documents/gear.js';
import { readGear } from '../schemas/index.js';
import { isTypical, typicalGear } from './typical-gear.js';

const of = <Kind extends Gear['kind']>(kind: Kind, gear = typicalGear('EUR')) =>
  gear.filter((item): item is Extract<Gear, { kind: Kind }> => item.kind === kind);
const grams = (gear: Gear): number => gear.weightG!.value;

describe('typical gear', () => {
  it('is gear that the schemas admit, each with an id of its own, with prices or without', () => {
    for (const currency of ['', 'EUR', 'constructor']) {
      const all = typicalGear(currency);
      for (const gear of all) expect(readGear(gear)).toEqual({ ok: true, value: gear });
      expect(new Set(all.map(({ id }) => id)).size).toBe(all.length);
      expect(new Set(all.map(({ name }) => name)).size).toBe(all.length);
      expect(all.every(isTypical)).toBeTrue();
    }
  });

  it('has no price where nobody knows what money is worth, and the same price in other money elsewhere', () => {
    expect(typicalGear('').some(({ price }) => price)).toBeFalse();
    expect(typicalGear('XXX').some(({ price }) => price)).toBeFalse();
    const [euro, krone] = ['EUR', 'NOK'].map((code) => of('battery', typicalGear(code))[0].price!.value);
    expect(krone / euro).toBeCloseTo(11.5, 0);
  });

  it('marks every figure that was not read off a label as assumed, those of a rule with their spread', () => {
    for (const radio of of('radio')) {
      expect(radio.receiveA.source).toBe('assumed');
      expect(radio.receiveA.spread! / radio.receiveA.value).toBeGreaterThan(0.2);
      for (const { source, spread } of radio.transmit) {
        expect(source).toBe('assumed');
        expect(spread).toBeGreaterThan(0);
      }
    }
    for (const gear of typicalGear('EUR'))
      if (gear.weightG) expect([gear.name, gear.weightG.source]).toEqual([gear.name, 'assumed']);
  });

  it('takes 0.2 A a watt and listens, by hand: 10 W at 0.3 A + 2 A, and half of that at a quarter of the power', () => {
    const radio = of('radio').find(({ id }) => id === 'typical-radio-10w')!;
    expect(bestPoints(radio.transmit).map(({ rfW, amps }) => [rfW, amps])).toEqual([
      [2.5, 1.15],
      [10, 2.3],
    ]);
  });

  it('weighs what its watt hours weigh, by hand: 20 Ah of LiFePO4 are 256 Wh and 2.5 kg', () => {
    const battery = of('battery').find(({ id }) => id === 'typical-lifepo4-20ah')!;
    expect(grams(battery)).toBe(2500);
    const lead = of('battery').find(({ id }) => id === 'typical-agm-18ah')!;
    expect(grams(lead)).toBe(6500);
    expect(of('panel').find(({ id }) => id === 'typical-folding-20w')!.weightG!.value).toBe(720);
  });

  it('is heavier, dearer and stronger the larger it is', () => {
    const rising = (items: readonly Gear[], size: (gear: never) => number) => {
      const sorted = [...items].sort((a, b) => size(a as never) - size(b as never));
      for (const [index, gear] of sorted.entries()) {
        if (index === 0) continue;
        expect(grams(gear))
          .withContext(gear.name)
          .toBeGreaterThan(grams(sorted[index - 1]));
      }
    };
    rising(of('radio'), (radio: Radio) => radio.transmit.at(-1)!.rfW);
    for (const chemistry of Object.keys(CHEMISTRIES))
      rising(
        of('battery').filter((battery) => battery.chemistry === chemistry),
        (battery: Battery) => battery.ratedAh.value,
      );
    rising(
      of('panel').filter(({ id }) => id.includes('folding')),
      (panel: Panel) => panel.watts.value,
    );
  });
});
