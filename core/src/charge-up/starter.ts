/** A starter battery as most small vehicles have one, Ah, and the share of it that may go before the engine may not start. Source: convention of this project. */
const STARTER_AH = 60;
const STARTER_SHARE = 0.2;
/** Volts of a vehicle with its engine off, V, and what a charger in it gives out of what it takes. */
const VEHICLE_V = 12.3;
const CHARGER_EFFICIENCY = 0.88;

/** What a charger takes from a vehicle, A. @param outA into the battery at outV, A and V */
export const takenFromVehicle = (outA: number, outV: number): number =>
  (outA * outV) / (CHARGER_EFFICIENCY * VEHICLE_V);

/** Hours that a charger may run with the engine off before it may not start: a fifth of a starter battery of 60 Ah. Source: convention of this project. */
export const starterHours = (takenA: number): number => (STARTER_SHARE * STARTER_AH) / takenA;
