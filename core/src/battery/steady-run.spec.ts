import { march } from '../march/march.js';
import { timeGrid } from '../march/time-grid.js';
import { loadSeries } from '../load/load-series.js';
import { HOUR_MS, MINUTE_MS } from '../span.js';
import { referenceLabel } from '../testing/packs.js';
import { expectMet, readReference } from '../testing/reference.js';
import { packAt, peukertFactor } from './pack.js';
import { steadyRun } from './steady-run.js';

interface DischargeCase {
  chemistry: string;
  cells_in_series: number;
  rated_ah: number;
  health: number;
  start_soc: number;
  temperature_c: number;
  mean_load_a: number;
  key_down_pack_a: number;
  key_down_radio_a: number;
  lead_loop_ohm: number;
  radio_dropout_v: number;
  floor_soc: number;
  capacity_ah: number;
  pack_ohm: number;
  peukert_factor: number;
  hours_to_floor: number;
  hours_to_radio_dropout: number | null;
  hours_to_cutoff_at_mean_current: number;
  hours_to_end: number;
  binds: string;
}

const WITHIN_A_THOUSANDTH = { absolute: 2e-5, relative: 0.001 };

describe('steady run', () => {
  const file = readReference<DischargeCase>('discharge');
  const closedForm = {
    ...file,
    tolerance: Object.fromEntries(Object.keys(file.tolerance).map((key) => [key, WITHIN_A_THOUSANDTH])),
  };
  const packOf = (given: DischargeCase) =>
    packAt(
      referenceLabel(given.chemistry, given.rated_ah, given.health, given.cells_in_series),
      given.temperature_c,
    );

  it('meets the independent figures of every chemistry to 0.1 %', () => {
    expect(file.cases.length).toBeGreaterThan(0);
    for (const given of file.cases) {
      const pack = packOf(given);
      expectMet(closedForm, given, 'capacity_ah', pack.deliverableAh);
      expectMet(closedForm, given, 'pack_ohm', pack.resistanceOhm);
      expectMet(closedForm, given, 'peukert_factor', peukertFactor(pack, given.mean_load_a));
      const got = steadyRun(pack, {
        startSoc: given.start_soc,
        floorSoc: given.floor_soc,
        meanA: given.mean_load_a,
        keyDownPackA: given.key_down_pack_a,
        keyDownRadioA: given.key_down_radio_a,
        leadOhm: given.lead_loop_ohm,
        radioDropoutV: given.radio_dropout_v,
      });
      expectMet(closedForm, given, 'hours_to_floor', got.toFloor);
      expectMet(closedForm, given, 'hours_to_radio_dropout', got.toRadioDropout);
      expectMet(closedForm, given, 'hours_to_cutoff_at_mean_current', got.toCutoff);
      expectMet(closedForm, given, 'hours_to_end', got.toEnd);
    }
  });

  it('is what the 5-minute march finds, crossing inside the step', () => {
    for (const given of file.cases) {
      const pack = packOf(given);
      const outing = { startMs: 0, endMs: Math.ceil(given.hours_to_cutoff_at_mean_current + 1) * HOUR_MS };
      const edgesMs = timeGrid(outing, 5 * MINUTE_MS, []);
      const steps = edgesMs.length - 1;
      const run = march({
        pack,
        load: {
          ...loadSeries(
            { radioName: 'r', radio: { receiveA: 0, points: [{ rfW: 1, amps: 1 }] }, blocks: [], steady: [] },
            edgesMs,
          ),
          meanA: new Float64Array(steps).fill(given.mean_load_a),
          keyDownPackA: new Float64Array(steps).fill(given.key_down_pack_a),
          keyDownRadioA: new Float64Array(steps).fill(given.key_down_radio_a),
        },
        startSoc: given.start_soc,
        floorSoc: given.floor_soc,
        radioDropoutV: given.radio_dropout_v,
        leadOhm: given.lead_loop_ohm,
      });
      const hours = (timeMs: number | null) => (timeMs === null ? null : timeMs / HOUR_MS);
      const { floorMs, radioDropoutMs, cutoffMs } = run.ends;
      expectMet(closedForm, given, 'hours_to_cutoff_at_mean_current', hours(cutoffMs));
      const first = Math.min(floorMs ?? Infinity, radioDropoutMs ?? Infinity, cutoffMs ?? Infinity);
      expectMet(closedForm, given, 'hours_to_end', hours(first));
    }
  });
});
