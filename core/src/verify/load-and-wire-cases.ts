import { accessoryCurrent, type ConverterName } from '../load/accessory.js';
import { radioCurrent } from '../load/radio-current.js';
import { bestPoints } from '../load/transmit-points.js';
import { batteryPackAt } from '../battery/battery-pack.js';
import type { ControllerKind } from '../panel/controller.js';
import type { Source } from '../source.js';
import { packLabel } from './battery-cases.js';
import { controllerCableAmps, panelCableAmps } from '../wire/source-cables.js';
import { fuseFor } from '../wire/fuses.js';
import { areaOfAwg, copperOhm, loopOhm } from '../wire/wire.js';
import type { Computed, Numbers } from './reference-file.js';

export function load(
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

export function sourceRuns(
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

export function wire(
  given: Numbers<
    'run_m' | 'temperature_c' | 'current_a' | 'contact_pairs' | 'connector_rating_a' | 'wire_ampacity_a'
  > & {
    readonly awg: number | null;
    readonly area_mm2: number;
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
  return {
    area_mm2: areaMm2,
    wire_loop_ohm: copperOhm(run),
    wire_drop_v: copperOhm(run) * amps,
    total_loop_ohm: loopOhm(run),
    total_drop_v: loopOhm(run) * amps,
    // The reference's own ampacity: the product takes a published table instead (decision 46).
    fuse_a: fuseFor(amps, given.wire_ampacity_a, given.connector_rating_a, REFERENCE_FUSES_A),
  };
}

/** The reference files use the short list of blades. */
const REFERENCE_FUSES_A = [1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 40];
