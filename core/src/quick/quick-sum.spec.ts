import { quickSum } from './quick-sum.js';

const example = {
  capacityAh: 12,
  usable: 1,
  receiveA: 0.4,
  transmitA: 3,
  share: 0.25,
  alwaysA: 0.2,
  sunA: 0,
};

describe('quick sum', () => {
  it('is whiteboard arithmetic: 12 Ah / (0.25 x 3 + 0.75 x 0.4 + 0.2) A', () => {
    const sum = quickSum(example);
    expect(sum.meanA).toBeCloseTo(1.25, 12);
    expect(sum.usableAh).toBe(12);
    expect(sum.hours).toBeCloseTo(9.6, 12);
    expect(sum.reaches).toBeNull();
  });

  it('has no end where the sun carries the load, to the last rounding', () => {
    expect(quickSum({ ...example, sunA: 1.25 }).hours).toBeNull();
    expect(quickSum({ ...example, sunA: 1.25, wantedHours: 1000 }).reaches).toBeTrue();
  });

  it('compares with the hours wished for', () => {
    const sum = quickSum({ ...example, wantedHours: 10 });
    expect(sum.reaches).toBeFalse();
    expect(sum.spareHours).toBeCloseTo(-0.4, 12);
    // 10 Ah ÷ 1 A are ten hours to the minute.
    const even = { ...example, capacityAh: 10, receiveA: 1, transmitA: 1, alwaysA: 0 };
    expect(quickSum({ ...even, wantedHours: 10 })).toEqual(
      jasmine.objectContaining({ reaches: true, spareHours: 0 }),
    );
  });

  it('has nothing to compare with where nobody wished, or nothing ends', () => {
    expect(quickSum(example).spareHours).toBeNull();
    expect(quickSum({ ...example, sunA: 2, wantedHours: 10 }).spareHours).toBeNull();
  });
});
