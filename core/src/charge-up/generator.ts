/** Of the fuel at its rated load, a small four-stroke generator burns this much with nothing connected. Source: convention of this project, from what makers' sheets state at a quarter of the load and at all of it. */
const IDLE_SHARE = 0.3;

/**
 * Fuel that a generator burns, litres: straight from its idle to its rated load. Source: convention of this project.
 *
 * @param hours at least 0
 * @param loadShare what is drawn of its rated power, 0 to 1
 * @param litresAnHour at rated load, above 0
 */
export const fuelLitres = (hours: number, loadShare: number, litresAnHour: number): number =>
  hours * litresAnHour * (IDLE_SHARE + (1 - IDLE_SHARE) * Math.min(1, loadShare));

/** Weight of a litre of petrol, g. */
export const PETROL_G = 745;

/** Sound that is no bother at night, dB(A). Source: WHO, Guidelines for community noise (1999), outside bedrooms by night, as remembered. */
export const QUIET_DB = 45;
/** Distance at which makers state the sound of a generator, m. */
const STATED_AT_M = 7;

/**
 * Distance at which a generator is no louder than a limit, m: its sound falls by 6 dB with each doubling, over open ground. Source:
 * inverse square law; behind a bank or a vehicle it is less.
 *
 * @param db at 7 m, dB(A)
 */
export const quietDistanceM = (db: number, limitDb = QUIET_DB): number =>
  STATED_AT_M * 10 ** ((db - limitDb) / 20);

/** Share of mains power that a charger passes on to the battery. Source: convention of this project. */
const CHARGER_EFFICIENCY = 0.85;

/** What a charger takes from the mains, W. @param outA into the battery at outV, A and V */
export const takenFromMains = (outA: number, outV: number): number => (outA * outV) / CHARGER_EFFICIENCY;

/** Hours of the day in which most sites want quiet: from, and until, of the next day. Source: convention of this project. */
export const QUIET_HOURS = { from: 22, until: 7 } as const;

/** Whether an hour of the day lies in the usual quiet hours. @param hour of the place's own time, 0 to below 24 */
export const isQuietHour = (hour: number): boolean => hour >= QUIET_HOURS.from || hour < QUIET_HOURS.until;
