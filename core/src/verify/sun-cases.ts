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
import { airMass, clearSky, extraterrestrialNormal, underCloud } from '../sun/clear-sky.js';
import { cosIncidence, lightOnPanel, totalOf } from '../sun/plane-of-panel.js';
import { sunPosition } from '../sun/position.js';
import type { Computed, Numbers } from './reference-file.js';

export function sun(
  given: Numbers<'latitude_deg' | 'longitude_deg'> & { readonly time_utc: string },
): Computed {
  const { altitudeDeg, azimuthDeg } = sunPosition(
    Date.parse(given.time_utc),
    given.latitude_deg,
    given.longitude_deg,
  );
  return { altitude_deg: altitudeDeg, azimuth_deg: azimuthDeg };
}

export function sky(
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

export function planeOfPanel(
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

export function panel(
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

export function controller(
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
