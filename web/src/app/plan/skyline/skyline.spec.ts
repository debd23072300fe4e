import { hour } from '@knapsack/contract/testing/outing';
import { changePoint, readCourse } from '@knapsack/contract/edits';
import { sunPath } from './sun-path';

describe('the sun’s path behind the skyline', () => {
  it('goes from east by south to west in the north, highest near noon', () => {
    const path = sunPath(hour(9), { latitudeDeg: 59, longitudeDeg: 5.3, timeZone: 'Europe/Oslo' });
    const top = path.reduce((best, mark) => (mark.altitudeDeg > best.altitudeDeg ? mark : best));
    expect(path[0].azimuthDeg).toBeLessThan(90);
    expect(path.at(-1)!.azimuthDeg).toBeGreaterThan(270);
    expect(Math.abs(top.azimuthDeg - 180)).toBeLessThan(3);
    // 90 - 59 and 7 degrees of early September
    expect(top.altitudeDeg).toBeGreaterThan(37);
    expect(top.altitudeDeg).toBeLessThan(40);
    expect(path.filter(({ hour: word }) => word === '12').length).toBe(1);
  });
});

describe('a point of the skyline', () => {
  const skyline = [
    { azimuthDeg: 90, elevationDeg: 10 },
    { azimuthDeg: 180, elevationDeg: 25 },
  ];

  it('is put in, moved and taken out, in order round the circle', () => {
    expect(changePoint(skyline, null, { azimuthDeg: 120.4, elevationDeg: 5 })[1]).toEqual({
      azimuthDeg: 120,
      elevationDeg: 5,
    });
    expect(changePoint(skyline, 0, { azimuthDeg: 200, elevationDeg: 95 })).toEqual([
      { azimuthDeg: 180, elevationDeg: 25 },
      { azimuthDeg: 200, elevationDeg: 90 },
    ]);
    expect(changePoint(skyline, 1, null)).toEqual([skyline[0]]);
  });

  it('never stands where another does', () => {
    expect(changePoint(skyline, 0, { azimuthDeg: 180, elevationDeg: 3 })).toBe(skyline);
  });

  it('is one of 720 at the most', () => {
    const many = Array.from({ length: 10_000 }, (_, at) => `${(at * 360) / 10_000} at 5`).join(', ');
    const read = readCourse(many);
    expect(read.ok ? '' : read.problems[0].sentence).toBe(
      'A skyline has 720 points at the most, two for each degree; these are 10000.',
    );
  });
});
