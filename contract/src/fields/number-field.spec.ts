import { FIELDS } from './fields.js';
import { numberProblem, readNumber } from './number-field.js';

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
      'The share on transmit must be between 0 and 100 %; 120 % is not.',
    );
  });

  it('refuses everything that is no number', () => {
    for (const value of [NaN, Infinity, '3', null, undefined, {}]) {
      expect(numberProblem(FIELDS.receiveA, value)).toContain('must be a number');
    }
  });

  it('reads what people type', () => {
    expect(readNumber(FIELDS.receiveA, '0,14')).toEqual({ value: 0.14 });
    expect(readNumber(FIELDS.receiveA, ' .14 A ')).toEqual({ value: 0.14 });
    expect(readNumber(FIELDS.temperatureC, '−12')).toEqual({ value: -12 });
    expect(readNumber(FIELDS.share, '50 %')).toEqual({ value: 0.5 });
    expect(readNumber(FIELDS.ratedAh, '12.')).toEqual({ value: 12 });
  });

  it('takes thousandths where people have them, and asks what was meant where it could be those', () => {
    expect(readNumber(FIELDS.ratedAh, '12000 mAh')).toEqual({ value: 12 });
    expect(readNumber(FIELDS.receiveA, '140mA')).toEqual({ value: 0.14 });
    expect(readNumber(FIELDS.ratedAh, '12000')).toEqual({
      problem:
        'The capacity must be above 0 and at most 2000 Ah; 12000 Ah is not. If mAh were meant: 12000 mAh are 12 Ah.',
    });
    expect(readNumber(FIELDS.ratedAh, '1200')).toEqual({
      problem: '1200 Ah is more than anyone carries. Write 1200 mAh or 1200 Ah, whichever is meant.',
    });
    expect(readNumber(FIELDS.ratedAh, '1200 Ah')).toEqual({ value: 1200 });
    expect(readNumber(FIELDS.dropoutV, '10500 mV')).toEqual({ problem: jasmine.any(String) });
  });

  it('does not guess: another unit or stray letters are told, not read', () => {
    for (const text of ['12 Wh', '12 V', 'twelve', '', '1.2.3', '0x10', '1e999']) {
      expect(Object.keys(readNumber(FIELDS.ratedAh, text)))
        .withContext(text)
        .toEqual(['problem']);
    }
  });
});
