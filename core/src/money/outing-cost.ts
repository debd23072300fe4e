import { chemistryOf, isPrimary, type ChemistryName } from '../battery/chemistry.js';

/** How long a battery lasts: full cycles until four fifths are left, and years on the shelf. */
export interface BatteryLife {
  readonly cycles: number;
  readonly years: number;
}

/**
 * What batteries of a kind usually stand where the card does not say. Source: convention of this project, from what makers of
 * cells usually state; a primary cell is used up once.
 */
const LIFE_BY_FAMILY = {
  lithiumIron: { cycles: 2000, years: 10 },
  lithiumIon: { cycles: 500, years: 6 },
  lead: { cycles: 300, years: 5 },
  nickel: { cycles: 500, years: 5 },
  primary: { cycles: 1, years: 10 },
} as const satisfies Record<string, BatteryLife>;

/** The usual life of a chemistry. */
export function usualLife(chemistry: ChemistryName): BatteryLife {
  if (isPrimary(chemistry)) return LIFE_BY_FAMILY.primary;
  const { belongsTo } = chemistryOf(chemistry);
  if (belongsTo === 'lead') return LIFE_BY_FAMILY.lead;
  if (belongsTo === 'nickel') return LIFE_BY_FAMILY.nickel;
  return chemistry === 'lifepo4' ? LIFE_BY_FAMILY.lithiumIron : LIFE_BY_FAMILY.lithiumIon;
}

/** Years that what is no battery is used. Source: convention of this project. */
export const GEAR_YEARS = 10;

/** What a thing costs an outing, and which of its two lives ends first. */
export interface OutingCost {
  readonly cost: number;
  /** Outings until it is worn out. */
  readonly outings: number;
  readonly ends: 'cycles' | 'years';
}

/**
 * Price shared among the outings of a thing's life: min(cycles / full cycles an outing, years x outings a year).
 * Source: convention of this project; straight-line depreciation by use or by age, whichever is sooner.
 *
 * @param price in the user's own money, at least 0
 * @param cyclesAnOuting charge drawn over the rating, at least 0; 0 for what has no cycles
 * @param outingsAYear above 0
 */
export function outingCost(
  price: number,
  { cycles, years }: BatteryLife,
  cyclesAnOuting: number,
  outingsAYear: number,
): OutingCost {
  const byUse = cyclesAnOuting > 0 ? cycles / cyclesAnOuting : Infinity;
  const byAge = years * outingsAYear;
  const outings = Math.min(byUse, byAge);
  return { cost: price / outings, outings, ends: byUse <= byAge ? 'cycles' : 'years' };
}

/** What a kit weighs and costs. */
interface Weighed {
  readonly grams: number;
  readonly price: number | null;
}

/** What each kilogram less costs between a cheap and heavy kit and a light and dear one; null where there is no such trade. Source: convention of this project. */
export function costPerKiloLess(cheap: Weighed, light: Weighed): number | null {
  const less = (cheap.grams - light.grams) / 1000;
  if (cheap.price === null || light.price === null || less <= 0 || light.price <= cheap.price) return null;
  return (light.price - cheap.price) / less;
}
