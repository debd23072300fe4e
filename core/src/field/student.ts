/**
 * Student's law with four degrees of freedom: near its middle like the normal law, with tails so long that one slip of the finger
 * does not rule. Source: Student (1908), Biometrika 6, 1; the closed form for four degrees is standard.
 */
const DEGREES = 4;

/** Logarithm of its density at a distance in scales, less a constant. */
export const studentLogDensity = (distance: number): number =>
  (-(DEGREES + 1) / 2) * Math.log1p(distance ** 2 / DEGREES);

/** Share of the law below a distance in scales, 0 to 1. */
export function studentBelow(distance: number): number {
  if (!Number.isFinite(distance)) return distance > 0 ? 1 : 0;
  const squared = 1 + distance ** 2 / DEGREES;
  const sine = distance / Math.sqrt(DEGREES * squared);
  return 0.5 + 0.75 * sine * (1 - sine ** 2 / 3);
}

/** A number by that law around 0, in scales. */
export const studentNumber = (normal: () => number): number => {
  let sum = 0;
  for (let degree = 0; degree < DEGREES; degree++) sum += normal() ** 2;
  return normal() / Math.sqrt(sum / DEGREES);
};
