import { today } from './today';

describe('today', () => {
  it('is the person’s own day, half an hour into it and half an hour before its end', () => {
    expect(today(new Date(2027, 8, 4, 0, 30))).toBe('2027-09-04');
    expect(today(new Date(2027, 8, 4, 23, 30))).toBe('2027-09-04');
    expect(today(new Date(2027, 0, 1, 0, 0))).toBe('2027-01-01');
  });
});
