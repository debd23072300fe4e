import fc from 'fast-check';
import { measuredRadio } from '../testing/plans.js';
import { packWorth } from './pack-worth.js';
import { RADIO_SCHOOLS, scoreRadio, type RadioThresholds, type RadioTraits } from './radio-score.js';

describe('what a battery is worth', () => {
  const label = { chemistry: 'lifepo4', cellsInSeries: 4, ratedAh: 10, health: 0.9 } as const;

  it('is its usable energy by weight, money and hours', () => {
    // 10 Ah x 0.9 x (1 - 0.1) x 12.8 V
    const worth = packWorth(label, 25, 0.5, { weightG: 1296, price: 51.84 });
    expect(worth.usableWh).toBeCloseTo(103.68, 9);
    expect(worth.whPerKg).toBeCloseTo(80, 9);
    expect(worth.moneyPerWh).toBeCloseTo(0.5, 9);
    expect(worth.hours).toBeCloseTo(16.2, 9);
    expect(packWorth(label, 25, 0.5, {}).whPerKg).toBeNull();
    expect(packWorth(label, 25, 0.5, {}).moneyPerWh).toBeNull();
  });

  it('shrinks in the cold, and in the converter of a power station', () => {
    expect(packWorth(label, 0, 1, {}).usableWh).toBeCloseTo(103.68 * 0.9, 9);
    const socket = { volts: 12.8, efficiency: 0.9, idleW: 2 };
    expect(packWorth({ ...label, socket }, 25, 1, {}).usableWh).toBeCloseTo(103.68 * 0.9, 9);
  });

  it('puts lead at half of its rating', () => {
    const lead = { chemistry: 'agm', cellsInSeries: 6, ratedAh: 10, health: 1 } as const;
    expect(packWorth(lead, 25, 1, {}).usableWh).toBeCloseTo(60, 9);
  });
});

describe('the radio shortlist', () => {
  const radio: RadioTraits = {
    figures: measuredRadio(0.14, [10, 1.92], [5, 1.36]),
    dropoutV: 10.5,
    maxV: 15,
    chargesWhileOperating: false,
  };
  const won = (of: RadioTraits, school: RadioThresholds = RADIO_SCHOOLS.voice) =>
    scoreRadio(of, school)
      .filter((point) => point.won)
      .map(({ criterion }) => criterion);

  it('gives a point for each threshold that is met, with the reason', () => {
    expect(won(radio)).toEqual(['receive', 'transmit', 'window']);
    expect(won(radio, RADIO_SCHOOLS.cw)).toEqual(['transmit', 'window']);
    const [receive] = scoreRadio(radio, RADIO_SCHOOLS.cw);
    expect(receive.why).toBe('receive current 0.14 A, needed 0.10 A or less');
  });

  it('gives none for what nobody knows', () => {
    const { maxV, ...unknown } = radio;
    expect(maxV).toBe(15);
    expect(won(unknown)).toEqual(['receive', 'transmit']);
    expect(scoreRadio(radio, RADIO_SCHOOLS.cw).at(-1)!.why).toBe('noise not checked');
    expect(won({ ...radio, quiet: true, chargesWhileOperating: true })).toContain('quiet');
  });

  it('judges a small radio at its own highest power', () => {
    const small = { ...radio, figures: measuredRadio(0.04, [3, 0.68]) };
    expect(scoreRadio(small, RADIO_SCHOOLS.cw)[1].why).toContain('0.68 A at 3 W');
  });

  it('takes no point from a radio that draws less, drops out later or stands more', () => {
    const share = fc.double({ min: 0.2, max: 1, noNaN: true });
    const asked = fc.constantFrom(...Object.values(RADIO_SCHOOLS));
    fc.assert(
      fc.property(asked, share, share, share, (school, receive, transmit, volts) => {
        const worse: RadioTraits = {
          ...radio,
          figures: measuredRadio(0.5, [10, 4], [5, 3]),
          dropoutV: 13,
          maxV: 14,
        };
        const better: RadioTraits = {
          ...worse,
          figures: measuredRadio(0.5 * receive, [10, 4 * transmit], [5, 3 * transmit]),
          dropoutV: 13 * volts,
          maxV: 14 / volts,
        };
        for (const point of won(worse, school)) expect(won(better, school)).toContain(point);
        expect(won({ ...worse, quiet: true }, school).length).toBe(won(worse, school).length + 1);
      }),
    );
  });
});
