import { evenGaugeFor, sayWireSize, sizeWords } from '../checks/wire-sizes.js';
import { areaOfAwg } from '../wire/wire.js';
import { habits, inHabits, METRIC, speakIn } from './habits.js';
import { sayMoney, sayQuantity } from './quantity.js';
import { sayDate, sayDay, sayFullHour, sayHour, sayTime, sayWeekday } from './time.js';
import { converted, here, roundHere, unitHere } from './units.js';

const US = { units: 'us', clock: 12, currency: 'USD' } as const;
const EVENING = Date.UTC(2027, 8, 4, 18, 40);
/** A blank that a line is never broken at. */
const NBSP = '\u00A0';

describe('habits', () => {
  afterEach(() => speakIn(METRIC));

  it('are metric, 24 hours and no currency until somebody chooses', () => {
    expect(habits()).toEqual({ units: 'metric', clock: 24, currency: '' });
  });

  it('are these three alone, whatever else is chosen with them: the server takes no more', () => {
    const more = { ...US, oneLetterKeys: false };
    speakIn(more);
    expect(habits()).toEqual(US);
  });

  it('hold for a piece of work, also where it fails, and are as before afterwards', () => {
    expect(inHabits(US, () => sayQuantity({ value: 0, unit: 'C' }))).toBe('32 °F');
    expect(sayQuantity({ value: 0, unit: 'C' })).toBe('0 °C');
    expect(() =>
      inHabits(US, () => {
        throw new Error('in the middle');
      }),
    ).toThrowError('in the middle');
    expect(habits()).toEqual(METRIC);
  });

  it('say weights, lengths, winds and temperatures in US customary units', () => {
    speakIn(US);
    const said = (value: number, unit: Parameters<typeof sayQuantity>[0]['unit']) =>
      sayQuantity({ value, unit });
    expect(said(2310, 'g')).toBe('5.09 lb');
    expect(said(210, 'g')).toBe('7.4 oz');
    expect(said(453.5, 'g')).toBe('16.0 oz');
    expect(said(453.6, 'g')).toBe('1.00 lb');
    expect(said(-210, 'g')).toBe('−7.4 oz');
    expect(said(-12, 'C')).toBe('10 °F');
    expect(said(2.5, 'm')).toBe('8.2 ft');
    expect(said(12, 'm')).toBe('39 ft');
    expect(said(20, 'cm')).toBe('8 in');
    expect(said(6, 'm/s')).toBe('13 mph');
    expect(said(5, 'A')).toBe('5.00 A');
  });

  it('say the same in metric units', () => {
    expect(sayQuantity({ value: 2.5, unit: 'm' })).toBe('2.5 m');
    expect(sayQuantity({ value: 12, unit: 'm' })).toBe('12 m');
    expect(sayQuantity({ value: 12, unit: 'm', digits: 1 })).toBe('12.0 m');
    expect(sayQuantity({ value: 20, unit: 'cm' })).toBe('20 cm');
    expect(sayQuantity({ value: 6, unit: 'm/s' })).toBe('6 m/s');
    expect(sayQuantity({ value: 2.25, unit: 'm/s', digits: 1 })).toBe('2.3 m/s');
  });

  it('say the time of day and the date', () => {
    const all = () => [
      sayTime(EVENING, 'UTC'),
      sayHour(EVENING, 'UTC'),
      sayFullHour(EVENING, 'UTC'),
      sayDay(EVENING, 'UTC'),
      sayDate(EVENING, 'UTC'),
      sayWeekday(EVENING, 'UTC'),
    ];
    expect(all()).toEqual(['Sat 18:40', '18:40', '18', 'Sat 4 Sep', 'Sat 4 September 2027', 'Sat 4']);
    speakIn(US);
    expect(all()).toEqual([
      `Sat 6:40${NBSP}PM`,
      `6:40${NBSP}PM`,
      `6${NBSP}PM`,
      'Sat Sep 4',
      'Sat September 4, 2027',
      'Sat 4',
    ]);
    expect(sayHour(Date.UTC(2027, 8, 4, 0, 5), 'UTC')).toBe(`12:05${NBSP}AM`);
  });

  it('put the currency to a price, and convert nothing', () => {
    expect(sayMoney(1234.5)).toBe('1235');
    expect(sayMoney(0.456, 2)).toBe('0.46');
    speakIn({ ...METRIC, currency: 'EUR' });
    expect(sayMoney(120)).toBe('€120');
    expect(sayMoney(-3)).toBe('−€3');
    speakIn({ ...METRIC, currency: 'NOK' });
    expect(sayMoney(1200).replace(NBSP, ' ')).toBe('kr 1,200');
  });

  it('convert within one dimension only', () => {
    expect(converted(1, 'lb', 'oz')).toBeCloseTo(16, 9);
    expect(converted(1, 'mi', 'ft')).toBeCloseTo(5280, 9);
    expect(converted(10, 'kn', 'km/h')).toBeCloseTo(18.52, 9);
    expect(converted(-40, 'F', '°C')).toBeCloseTo(-40, 9);
    expect(converted(10, 'Ah', 'A')).toBeNull();
    expect(converted(10, 'furlong', 'm')).toBeNull();
    expect(converted(10, 'constructor', 'm')).toBeNull();
    expect(converted(10, 'pieces', 'Pieces ')).toBe(10);
    expect([unitHere('kg'), here(2, 'kg')]).toEqual(['kg', 2]);
    expect(roundHere(9.6, 'kg')).toBe(10);
    speakIn(US);
    expect(unitHere('kg')).toBe('lb');
    expect(here(2, 'kg')).toBeCloseTo(4.409245, 6);
    expect([unitHere('W'), here(2, 'W')]).toEqual(['W', 2]);
    // Round where it is read: 22 lb and 54 °F, in kg and °C.
    expect(roundHere(10, 'kg')).toBeCloseTo(9.979032, 6);
    expect(roundHere(12, '°C')).toBeCloseTo(12.2222, 4);
  });

  it('name wires by gauge first, and never a thinner one than is needed', () => {
    expect([sizeWords(4), sayWireSize({ areaMm2: 1.5 }), sayWireSize({ awg: 12, areaMm2: 3.31 })]).toEqual([
      '4 mm² wire',
      '1.5 mm²',
      'AWG 12',
    ]);
    speakIn(US);
    expect(sizeWords(4)).toBe('AWG 10 wire (4 mm² or more)');
    expect(sayWireSize({ awg: null, areaMm2: 1.5 })).toBe('≈ AWG 16');
    expect(sayWireSize({ areaMm2: 2.5 })).toBe('≈ AWG 14');
    for (const needed of [0.1, 0.5, 0.75, 1.5, 2.5, 4, 6, 10, 16, 25, 35]) {
      const gauge = evenGaugeFor(needed);
      expect(areaOfAwg(gauge)).toBeGreaterThanOrEqual(needed);
      if (gauge < 30) expect(areaOfAwg(gauge + 2)).toBeLessThan(needed);
    }
  });
});
