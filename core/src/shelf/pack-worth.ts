import { chemistryOf } from '../battery/chemistry.js';
import { coldCapacityFactor, type PackLabel } from '../battery/battery-pack.js';

/** What a battery is worth to carry and to buy. */
export interface PackWorth {
  /** Energy between full and the planning reserve at a temperature, Wh. */
  readonly usableWh: number;
  /** Usable Wh a kilogram; null where nobody has weighed it. */
  readonly whPerKg: number | null;
  /** Money a usable Wh; null without a price. */
  readonly moneyPerWh: number | null;
  /** Hours of a steady load; no Peukert, no volts: for comparing, not for planning. */
  readonly hours: number;
}

/**
 * Compares batteries of any chemistry on one footing: rating x health x cold, less the chemistry's reserve, at its nominal
 * volts. Source of reserve, cold and nominal volts: convention of this project, docs/model.md
 *
 * @param loadA the user's own typical load, A at the battery, above 0
 * @param given weight in g and price in the user's own money, where known
 */
export function packWorth(
  label: PackLabel,
  temperatureC: number,
  loadA: number,
  given: { readonly weightG?: number; readonly price?: number },
): PackWorth {
  const { reserveSoc, nominalV, tableCells } = chemistryOf(label.chemistry);
  const usableAh =
    label.ratedAh * label.health * coldCapacityFactor(label.chemistry, temperatureC) * (1 - reserveSoc);
  const volts = (nominalV * label.cellsInSeries) / tableCells;
  const usableWh = usableAh * volts * (label.socket?.efficiency ?? 1);
  const { weightG, price } = given;
  const supplyV = label.socket?.volts ?? volts;
  return {
    usableWh,
    whPerKg: weightG ? (usableWh * 1000) / weightG : null,
    moneyPerWh: price !== undefined && usableWh > 0 ? price / usableWh : null,
    hours: usableWh / supplyV / loadA,
  };
}
