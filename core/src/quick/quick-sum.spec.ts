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
  });
});
