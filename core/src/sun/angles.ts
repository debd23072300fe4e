const RADIANS = Math.PI / 180;

/** Trigonometry in degrees, so that no formula carries conversions. */
export const sinDeg = (degrees: number): number => Math.sin(degrees * RADIANS);
export const cosDeg = (degrees: number): number => Math.cos(degrees * RADIANS);
