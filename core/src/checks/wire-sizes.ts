/** Cross sections that leads are sold in, mm2, ascending. */
export const WIRE_SIZES_MM2 = [0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10, 16, 25, 35] as const;

export const sizeWords = (areaMm2: number): string => `${areaMm2} mm² wire`;
