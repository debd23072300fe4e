import { generator, normal } from '../random/generator.js';
import { studentBelow, studentLogDensity, studentNumber } from './student.js';

describe('Student’s law with four degrees of freedom', () => {
  it('has the quantiles of the printed tables', () => {
    for (const [distance, below] of [
      [0, 0.5],
      [1.533, 0.9],
      [2.132, 0.95],
      [2.776, 0.975],
      [7.173, 0.999],
      [-2.776, 0.025],
      [Infinity, 1],
      [-Infinity, 0],
    ]) {
      expect(studentBelow(distance)).withContext(`${distance}`).toBeCloseTo(below, 4);
    }
  });

  it('has a density that the share below it rises by', () => {
    const unit = 0.375;
    for (const distance of [-3, -0.4, 0, 1, 5]) {
      const slope = (studentBelow(distance + 1e-4) - studentBelow(distance - 1e-4)) / 2e-4;
      expect(unit * Math.exp(studentLogDensity(distance))).toBeCloseTo(slope, 5);
    }
  });

  it('gives numbers by that law', () => {
    const next = generator(3);
    const numbers = Array.from({ length: 20_000 }, () => studentNumber(() => normal(next)));
    for (const below of [-2.132, 0, 1.533]) {
      const share = numbers.filter((number) => number < below).length / numbers.length;
      expect(Math.abs(share - studentBelow(below))).toBeLessThan(0.01);
    }
  });
});
