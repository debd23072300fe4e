import { inHabits, METRIC } from '@knapsack/core';
import fc from 'fast-check';
import { FIELDS } from './fields.js';
import { numberProblem, readNumber, shownNumber, unitOf, type NumberField } from './number-field.js';

describe('number field', () => {
  it('takes what lies within, the ends by their rule', () => {
    expect(numberProblem(FIELDS.share, 0)).toBeNull();
    expect(numberProblem(FIELDS.share, 1)).toBeNull();
    expect(numberProblem(FIELDS.ratedAh, 0)).toBe(
      'The capacity must be above 0 and at most 2000 Ah; 0 Ah is not.',
    );
    expect(numberProblem(FIELDS.count, 1.5)).toBe('The count must be a whole number between 1 and 50.');
  });

  it('says percent where percent are typed', () => {
    expect(numberProblem(FIELDS.share, 1.2)).toBe(
      'The transmit duty cycle must be between 0 and 100 %; 120 % is not.',
    );
  });

  it('refuses everything that is no number', () => {
    for (const value of [NaN, Infinity, '3', null, undefined, {}]) {
      expect(numberProblem(FIELDS.receiveA, value)).toContain('must be a number');
    }
  });

  it('reads what people type', () => {
    expect(readNumber(FIELDS.receiveA, '0,14')).toEqual({ value: 0.14, understood: null });
    expect(readNumber(FIELDS.receiveA, ' .14 A ')).toEqual({ value: 0.14, understood: null });
    expect(readNumber(FIELDS.temperatureC, '−12')).toEqual({ value: -12, understood: null });
    expect(readNumber(FIELDS.share, '50 %')).toEqual({ value: 0.5, understood: null });
    expect(readNumber(FIELDS.ratedAh, '12.')).toEqual({ value: 12, understood: null });
  });

  it('takes thousandths where people have them, and asks what was meant where it could be those', () => {
    expect(readNumber(FIELDS.ratedAh, '12000 mAh')).toEqual({ value: 12, understood: '12000 mAh = 12 Ah' });
    expect(readNumber(FIELDS.receiveA, '140mA')).toEqual({ value: 0.14, understood: '140mA = 0.14 A' });
    expect(readNumber(FIELDS.ratedAh, '12000')).toEqual({
      problem:
        'The capacity must be above 0 and at most 2000 Ah; 12000 Ah is not. If mAh were meant: 12000 mAh are 12 Ah.',
    });
    expect(readNumber(FIELDS.ratedAh, '1200')).toEqual({
      problem: '1200 Ah is more than anyone carries. Write 1200 mAh or 1200 Ah, whichever is meant.',
    });
    expect(readNumber(FIELDS.ratedAh, '1200 Ah')).toEqual({ value: 1200, understood: null });
    expect(readNumber(FIELDS.dropoutV, '10500 mV')).toEqual({ value: 10.5, understood: '10500 mV = 10.5 V' });
  });

  it('does not guess: another unit or stray letters are told, not read', () => {
    for (const text of ['12 Wh', '12 V', 'twelve', '', '1.2.3', '0x10', '1e999']) {
      expect(Object.keys(readNumber(FIELDS.ratedAh, text)))
        .withContext(text)
        .toEqual(['problem']);
    }
  });

  it('reads weights, lengths, winds and temperatures in what people measure them in', () => {
    const read = (field: keyof typeof FIELDS, text: string) => readNumber(FIELDS[field], text);
    expect(read('weightG', '1.2 kg')).toEqual({ value: 1200, understood: '1.2 kg = 1200 g' });
    expect(read('weightG', '18 oz')).toEqual({ value: 510.2914, understood: '18 oz = 510.29 g' });
    expect(read('carryLimitG', '20 lb')).toEqual({ value: 9071.847, understood: '20 lb = 9.0718 kg' });
    expect(read('carryLimitG', '9')).toEqual({ value: 9000, understood: null });
    expect(read('temperatureC', '59 F')).toEqual({ value: 15, understood: '59 F = 15 °C' });
    expect(read('windMS', '10 mph')).toEqual({ value: 4.4704, understood: '10 mph = 4.4704 m/s' });
    expect(read('lengthM', '5 ft 6 in')).toEqual({ value: 1.6764, understood: '5 ft 6 in = 1.6764 m' });
    expect(read('fuseAtM', '8 in')).toEqual({ value: 0.2032, understood: '8 in = 20.32 cm' });
    expect(read('rfW', '60 W')).toEqual({ value: 60, understood: null });
    expect(read('resistanceOhm', '0.03 ohm')).toEqual({ value: 0.03, understood: '0.03 ohm = 30 mΩ' });
  });

  it('reads hours as a clock shows them', () => {
    for (const text of ['4:30', '4h30', '4 h 30', '4 h 30 min', '270 min', '4,5', '4.5 hours']) {
      const read = readNumber(FIELDS.wantedHours, text);
      expect('value' in read && read.value)
        .withContext(text)
        .toBe(4.5);
    }
    expect(readNumber(FIELDS.wantedHours, '2d 4h')).toEqual({ value: 52, understood: '2d 4h = 52 h' });
    for (const text of ['4:75', '4 h 30 kg', '4:30 A', '4 h h', 'constructor'])
      expect(Object.keys(readNumber(FIELDS.wantedHours, text)))
        .withContext(text)
        .toEqual(['problem']);
  });

  describe('in US customary units', () => {
    const inUs = <Answer>(work: () => Answer) => inHabits({ ...METRIC, units: 'us' }, work);

    it('a bare number is in the unit that stands behind the field, and its range is told in it', () => {
      inUs(() => {
        expect(unitOf(FIELDS.weightG)).toBe('oz');
        expect(readNumber(FIELDS.weightG, '18')).toEqual({ value: 510.2914, understood: null });
        expect(readNumber(FIELDS.weightG, '510.2914 g')).toEqual({
          value: 510.2914,
          understood: '510.2914 g = 18 oz',
        });
        expect(readNumber(FIELDS.temperatureC, '59')).toEqual({ value: 15, understood: null });
        expect(readNumber(FIELDS.temperatureC, '200')).toEqual({
          problem: 'The temperature must be between -40 and 140 °F; 200 °F is not.',
        });
      });
    });

    it('what is shown and typed again is what was stored, in both', () => {
      fc.assert(
        fc.property(
          fc.constantFrom(
            'weightG',
            'carryLimitG',
            'temperatureC',
            'windMS',
            'lengthM',
            'heightM',
            'ratedAh',
          ),
          fc.double({ min: 0.001, max: 0.999, noNaN: true }),
          fc.boolean(),
          (name, share, us) => {
            const field: NumberField = FIELDS[name];
            const stored = field.min + (field.max - field.min) * share;
            inHabits({ ...METRIC, units: us ? 'us' : 'metric' }, () => {
              const read = readNumber({ ...field, askAbove: Infinity }, shownNumber(field, stored, 7));
              expect('value' in read && Math.abs(read.value - stored) <= 1e-5 * Math.max(1, Math.abs(stored)))
                .withContext(`${name} ${stored}`)
                .toBeTrue();
            });
          },
        ),
      );
    });
  });
});
