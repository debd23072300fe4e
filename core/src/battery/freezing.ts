import { interpolate } from '../interpolate.js';

/** State of charge of lead, and where its acid freezes, C. Source: usual figures for acid of 1.28 kg/l when full. */
const SOC = [0, 0.5, 0.75, 1] as const;
const FREEZES_AT_C = [-8, -22, -38, -60] as const;

/** Temperature at which a lead battery freezes at a state of charge (0 to 1), C: the emptier, the sooner. */
export const leadFreezesAt = (soc: number): number => interpolate(SOC, FREEZES_AT_C, soc);
