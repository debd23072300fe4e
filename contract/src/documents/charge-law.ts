/** How a charger charges, in the words of its label. */
export const CHARGE_LAWS = {
  stages: 'in stages, then float',
  cv: 'at constant voltage, no float',
  cc: 'at constant current, no end of its own',
  trickle: 'a trickle, to stay connected',
} as const;

export type ChargeLaw = keyof typeof CHARGE_LAWS;
