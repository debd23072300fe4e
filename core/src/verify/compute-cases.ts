import { acceptance, hoursToFull } from '../battery/charge.js';
import type { ChemistryName } from '../battery/chemistry.js';
import { batteryPackAt, peukertFactor, type PackLabel } from '../battery/battery-pack.js';
import { steadyRun } from '../battery/steady-run.js';
import { chargingVolts } from '../battery/terminal-volts.js';
import { accessoryCurrent, type ConverterName } from '../load/accessory.js';
import { radioCurrent } from '../load/radio-current.js';
import { bestPoints } from '../load/transmit-points.js';
import { controllerOutput, type ControllerKind } from '../panel/controller.js';
import {
  cellTemperature,
  coldOpenCircuitVolts,
  currentAt,
  greatestPower,
  panelCurve,
  panelShape,
  type Mount,
  type PanelLabel,
  type Technology,
} from '../panel/panel.js';
import type { Source } from '../source.js';
import { airMass, clearSky, extraterrestrialNormal, underCloud } from '../sun/clear-sky.js';
import { cosIncidence, lightOnPanel, totalOf } from '../sun/plane-of-panel.js';
import { sunPosition } from '../sun/position.js';
import { controllerCableAmps, panelCableAmps } from '../wire/source-cables.js';
import { fuseFor } from '../wire/fuses.js';
import { ampacity, areaOfAwg, copperOhm, loopOhm } from '../wire/wire.js';
import { holdAgainst, type Computed, type ReferenceFile, type VerifiedFile } from './reference-file.js';

type Numbers<Names extends string> = Readonly<Record<Names, number>>;

function sun(given: Numbers<'latitude_deg' | 'longitude_deg'> & { readonly time_utc: string }): Computed {
  const { altitudeDeg, azimuthDeg } = sunPosition(
    Date.parse(given.time_utc),
    given.latitude_deg,
    given.longitude_deg,
  );
  return { altitude_deg: altitudeDeg, azimuth_deg: azimuthDeg };
}

function sky(
  given: Numbers<'sun_altitude_deg' | 'height_m' | 'linke_turbidity' | 'day_of_year' | 'cloud_amount'> & {
    readonly rain: boolean;
  },
): Computed {
  const { sun_altitude_deg: altitude, height_m: height, day_of_year: day } = given;
  const clear = clearSky(altitude, height, given.linke_turbidity, day);
  const cloudy = underCloud(clear, altitude, {
    cloud: given.cloud_amount,
    rainShare: given.rain ? 1 : 0,
    fog: false,
  });
  return {
    extraterrestrial_normal_w_m2: extraterrestrialNormal(day),
    air_mass_absolute: airMass(altitude, height),
    ghi_w_m2: clear.ghi,
    dni_w_m2: clear.dni,
    dhi_w_m2: clear.dhi,
    cloudy_ghi_w_m2: cloudy.ghi,
    cloudy_dni_w_m2: cloudy.dni,
    cloudy_dhi_w_m2: cloudy.dhi,
  };
}

function planeOfPanel(
  given: Numbers<
    | 'sun_altitude_deg'
    | 'sun_azimuth_deg'
    | 'tilt_deg'
    | 'panel_azimuth_deg'
    | 'ghi_w_m2'
    | 'dni_w_m2'
    | 'dhi_w_m2'
    | 'day_of_year'
    | 'albedo'
  >,
): Computed {
  const position = { altitudeDeg: given.sun_altitude_deg, azimuthDeg: given.sun_azimuth_deg };
  const aim = { tiltDeg: given.tilt_deg, azimuthDeg: given.panel_azimuth_deg };
  const irradiance = { ghi: given.ghi_w_m2, dni: given.dni_w_m2, dhi: given.dhi_w_m2 };
  const light = lightOnPanel(irradiance, position, aim, given.day_of_year, given.albedo);
  return {
    cos_incidence: cosIncidence(position, aim),
    beam_w_m2: light.beam,
    circumsolar_w_m2: light.circumsolar,
    isotropic_w_m2: light.isotropic,
    sky_diffuse_w_m2: light.circumsolar + light.isotropic,
    ground_w_m2: light.ground,
    poa_global_w_m2: totalOf(light),
  };
}

type LabelFields = Numbers<'label_w' | 'label_vmp_v' | 'label_voc_v' | 'label_imp_a' | 'label_isc_a'> & {
  readonly technology: Technology;
};

const labelOf = (given: LabelFields): PanelLabel => ({
  technology: given.technology,
  watts: given.label_w,
  vmpV: given.label_vmp_v,
  vocV: given.label_voc_v,
  impA: given.label_imp_a,
  iscA: given.label_isc_a,
});

function panel(
  given: LabelFields &
    Numbers<'poa_w_m2' | 'air_c' | 'wind_m_s' | 'lowest_cell_c'> & { readonly mount: Mount },
): Computed {
  const label = labelOf(given);
  const cellC = cellTemperature(given.mount, given.air_c, given.poa_w_m2, given.wind_m_s);
  const curve = panelCurve(panelShape(label), given.poa_w_m2, cellC);
  const best = greatestPower(curve);
  return {
    cell_c: cellC,
    isc_a: curve.iscA,
    pmp_w: best.watts,
    vmp_v: best.volts,
    current_at_12_0_v_a: currentAt(curve, 12),
    current_at_13_2_v_a: currentAt(curve, 13.2),
    current_at_14_4_v_a: currentAt(curve, 14.4),
    cold_voc_v: coldOpenCircuitVolts(label, given.lowest_cell_c),
  };
}

function controller(
  given: LabelFields &
    Numbers<'poa_w_m2' | 'cell_c' | 'battery_v' | 'max_a' | 'wake_share' | 'wire_loop_ohm'> & {
      readonly controller: ControllerKind;
    },
): Computed {
  const { batteryA, state } = controllerOutput(
    {
      kind: given.controller,
      maxA: given.max_a,
      limitsCurrent: true,
      wakeShare: given.wake_share,
      // The reference has the panel's cable in the way of a plain switch only.
      panelCableOhm: given.controller === 'pwm' ? given.wire_loop_ohm : 0,
    },
    panelCurve(panelShape(labelOf(given)), given.poa_w_m2, given.cell_c),
    given.battery_v,
  );
  return { battery_a: batteryA, battery_w: batteryA * given.battery_v, state };
}

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

function discharge(
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

function charge(
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

function chargeVolts(
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

function sourceRuns(
  given: Numbers<'label_w' | 'label_isc_a' | 'panels_in_series' | 'strings' | 'max_a'> & {
    readonly controller: ControllerKind;
    readonly limits_current: boolean;
    readonly chemistry: string;
  },
): Computed {
  const label = {
    watts: given.label_w * given.panels_in_series * given.strings,
    iscA: given.label_isc_a * given.strings,
  };
  const controller = { kind: given.controller, maxA: given.max_a, limitsCurrent: given.limits_current };
  const panelA = panelCableAmps(label);
  const controllerA = controllerCableAmps(
    controller,
    label,
    batteryPackAt(packLabel(given.chemistry, 1, 1), 25),
  );
  const fuse = (amps: number) => fuseFor(amps, Infinity, Infinity, REFERENCE_FUSES_A);
  return {
    panel_run_a: panelA,
    controller_run_a: controllerA,
    panel_run_fuse_a: fuse(panelA),
    controller_run_fuse_a: fuse(controllerA),
  };
}

interface AccessoryCase {
  readonly kind: ConverterName | 'direct';
  readonly draw_a?: number;
  readonly draw_w?: number;
  readonly on_share: number;
}

function load(
  given: Numbers<'receive_a' | 'rf_w' | 'mode_factor' | 'transmit_share' | 'bus_v'> & {
    readonly transmit_points: readonly { rf_w: number; amps: number; basis: Source }[];
    readonly key_up_at_receive: boolean;
    readonly accessories: readonly AccessoryCase[];
  },
): Computed {
  const points = bestPoints(
    given.transmit_points.map(({ rf_w: rfW, amps, basis }) => ({ rfW, amps, source: basis })),
  );
  const current = radioCurrent(
    { receiveA: given.receive_a, points },
    {
      powerW: given.rf_w,
      modeFactor: given.mode_factor,
      keyUpAtReceive: given.key_up_at_receive,
      share: given.transmit_share,
    },
  );
  const accessories = given.accessories.reduce(
    (sum, { kind, draw_a: amps = 0, draw_w: watts = 0, on_share: share }) =>
      sum + share * (kind === 'direct' ? amps : accessoryCurrent(kind, watts, given.bus_v)),
    0,
  );
  return {
    key_down_a: current.keyDownA,
    key_up_a: current.keyUpA,
    over_a: current.overA,
    mean_radio_a: current.meanA,
    total_mean_a: current.meanA + accessories,
    estimated: points.length === 1,
  };
}

function wire(
  given: Numbers<'run_m' | 'temperature_c' | 'current_a' | 'contact_pairs' | 'connector_rating_a'> & {
    readonly awg: number | null;
    readonly area_mm2: number;
    readonly bundled: boolean;
    readonly fuses_in_loop_rated_a: readonly number[];
  },
): Computed {
  const { awg, temperature_c: temperatureC, current_a: amps } = given;
  const areaMm2 = awg === null ? given.area_mm2 : areaOfAwg(awg);
  const run = {
    areaMm2,
    runM: given.run_m,
    temperatureC,
    contactPairs: given.contact_pairs,
    fusesA: given.fuses_in_loop_rated_a,
  };
  const wireA = ampacity({ awg, areaMm2 }, temperatureC, given.bundled);
  return {
    area_mm2: areaMm2,
    wire_loop_ohm: copperOhm(run),
    wire_drop_v: copperOhm(run) * amps,
    total_loop_ohm: loopOhm(run),
    total_drop_v: loopOhm(run) * amps,
    wire_ampacity_a: wireA,
    fuse_a: fuseFor(amps, wireA, given.connector_rating_a, REFERENCE_FUSES_A),
  };
}

/** The reference files use the short list of blades. */
const REFERENCE_FUSES_A = [1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 40];

/** The kinds of file that are known, each by a field that only its cases have. */
const KINDS: readonly {
  readonly name: string;
  readonly field: string;
  readonly compute: (given: never) => Computed;
}[] = [
  { name: 'sun', field: 'time_utc', compute: sun },
  { name: 'clear sky', field: 'linke_turbidity', compute: sky },
  { name: 'plane of panel', field: 'panel_azimuth_deg', compute: planeOfPanel },
  { name: 'panel', field: 'mount', compute: panel },
  { name: 'controller', field: 'wake_share', compute: controller },
  { name: 'discharge', field: 'mean_load_a', compute: discharge },
  { name: 'charge', field: 'available_a', compute: charge },
  { name: 'volts while charging', field: 'charge_a', compute: chargeVolts },
  { name: 'runs of the charging side', field: 'strings', compute: sourceRuns },
  { name: 'load', field: 'transmit_points', compute: load },
  { name: 'wire', field: 'run_m', compute: wire },
];

/** Runs every case of a file through the core; null where the file is of no known kind. */
export function verifyFile(file: ReferenceFile): (VerifiedFile & { readonly kind: string }) | null {
  const [first] = file.cases;
  const kind = first && KINDS.find(({ field }) => Object.hasOwn(first, field));
  return kind ? { kind: kind.name, ...holdAgainst(file, kind.compute) } : null;
}
