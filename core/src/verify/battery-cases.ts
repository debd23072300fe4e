import { acceptance, hoursToFull } from '../battery/charge.js';
import type { ChemistryName } from '../battery/chemistry.js';
import { batteryPackAt, peukertFactor, type PackLabel } from '../battery/battery-pack.js';
import { steadyRun } from '../battery/steady-run.js';
import { chargingVolts } from '../battery/terminal-volts.js';
import type { Computed, Numbers } from './reference-file.js';

/** Reads "lifepo4_4s", "liion_3s", "agm" ...; the count of cells comes from the name where the case has none. */
export function packLabel(chemistry: string, ratedAh: number, health: number, cells?: number): PackLabel {
  const [name, series] = chemistry.split('_') as [ChemistryName, string | undefined];
  return {
    chemistry: name,
    cellsInSeries: cells ?? (series ? Number.parseInt(series, 10) : 6),
    ratedAh,
    health,
  };
}

export function discharge(
  given: Numbers<
    | 'cells_in_series'
    | 'rated_ah'
    | 'health'
    | 'start_soc'
    | 'temperature_c'
    | 'mean_load_a'
    | 'key_down_pack_a'
    | 'key_down_radio_a'
    | 'lead_loop_ohm'
    | 'radio_dropout_v'
    | 'floor_soc'
  > & { readonly chemistry: string },
): Computed {
  const label = packLabel(given.chemistry, given.rated_ah, given.health, given.cells_in_series);
  const pack = batteryPackAt(label, given.temperature_c);
  const ends = steadyRun(pack, {
    startSoc: given.start_soc,
    reserveSoc: given.floor_soc,
    meanA: given.mean_load_a,
    keyDownPackA: given.key_down_pack_a,
    keyDownRadioA: given.key_down_radio_a,
    cableOhm: given.lead_loop_ohm,
    radioDropoutV: given.radio_dropout_v,
  });
  return {
    capacity_ah: pack.deliverableAh,
    ohmic_ohm: pack.ohmicOhm,
    polarisation_ohm: pack.polarisationOhm,
    peukert_factor: peukertFactor(pack, given.mean_load_a),
    hours_to_floor: ends.toReserve,
    hours_to_radio_dropout: ends.toRadioDropout,
    hours_to_cutoff_at_mean_current: ends.toCutoff,
    hours_to_end: ends.toEnd,
  };
}

export function charge(
  given: Numbers<'rated_ah' | 'available_a' | 'start_soc' | 'temperature_c'> & {
    readonly chemistry: string;
    readonly max_charge_c: number | null;
  },
): Computed {
  const label = packLabel(given.chemistry, given.rated_ah, 1);
  const { max_charge_c: maxC } = given;
  const pack = batteryPackAt(
    maxC === null ? label : { ...label, maxChargeA: maxC * given.rated_ah },
    given.temperature_c,
  );
  return {
    hours_to_full: pack.charge && hoursToFull(pack, pack.charge, given.start_soc, given.available_a),
    naive_hours: pack.charge && ((1 - given.start_soc) * given.rated_ah) / given.available_a,
  };
}

export function chargeVolts(
  given: Numbers<'cells_in_series' | 'rated_ah' | 'soc' | 'charge_a' | 'temperature_c'> & {
    readonly chemistry: string;
  },
): Computed {
  const { soc } = given;
  const pack = batteryPackAt(
    packLabel(given.chemistry, given.rated_ah, 1, given.cells_in_series),
    given.temperature_c,
  );
  return {
    acceptance_a: pack.charge && acceptance(pack.charge, soc),
    terminal_v: pack.charge && chargingVolts(pack, pack.charge, soc, given.charge_a),
  };
}
