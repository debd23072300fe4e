import { readFileSync } from 'node:fs';
import { loadSeries } from '../load/load-series.js';
import { march } from '../march/march.js';
import { timeGrid } from '../time-grid.js';
import { HOUR_MS, MINUTE_MS } from '../span.js';
import { packLabel } from '../verify/battery-cases.js';
import { verifyFile } from '../verify/verify-file.js';
import { holdAgainst, type ReferenceFile } from '../verify/reference-file.js';
import { batteryPackAt } from './battery-pack.js';

interface DischargeCase {
  readonly chemistry: string;
  readonly cells_in_series: number;
  readonly rated_ah: number;
  readonly health: number;
  readonly start_soc: number;
  readonly temperature_c: number;
  readonly mean_load_a: number;
  readonly key_down_pack_a: number;
  readonly key_down_radio_a: number;
  readonly lead_loop_ohm: number;
  readonly radio_dropout_v: number;
  readonly floor_soc: number;
  readonly hours_to_cutoff_at_mean_current: number;
}

/** The march's own answer to a case, at 5 minutes. */
function marched(given: DischargeCase) {
  const lastHour = Math.ceil(given.hours_to_cutoff_at_mean_current + 1);
  const edgesMs = timeGrid({ startMs: 0, endMs: lastHour * HOUR_MS }, 5 * MINUTE_MS, []);
  const steady = (amps: number) => new Float64Array(edgesMs.length - 1).fill(amps);
  const nobody = {
    radioName: 'radio',
    radio: { receiveA: 0, points: [{ rfW: 1, amps: 1 }] },
    blocks: [],
    accessories: [],
  };
  const { ends } = march({
    bank: [
      {
        pack: batteryPackAt(
          {
            ...packLabel(given.chemistry, given.rated_ah, given.health, given.cells_in_series),
            leaksAMonth: 0,
          },
          given.temperature_c,
        ),
        startSoc: given.start_soc,
        reserveSoc: given.floor_soc,
      },
    ],
    load: {
      ...loadSeries(nobody, edgesMs),
      mean: { amps: steady(given.mean_load_a), watts: steady(0) },
      keyDown: { amps: steady(given.key_down_pack_a), watts: steady(0) },
      keyDownRadioA: steady(given.key_down_radio_a),
    },
    radioDropoutV: given.radio_dropout_v,
    cableOhm: given.lead_loop_ohm,
  });
  const first = Math.min(...Object.values(ends).map((timeMs) => timeMs ?? Infinity));
  return { hours_to_end: first / HOUR_MS, hours_to_cutoff_at_mean_current: (ends.cutoffMs ?? NaN) / HOUR_MS };
}

describe('steady run', () => {
  const file = JSON.parse(
    readFileSync(new URL('../../reference/discharge.json', import.meta.url), 'utf8'),
  ) as ReferenceFile;
  const toAThousandth = (...figures: string[]): ReferenceFile => ({
    ...file,
    tolerance: Object.fromEntries(figures.map((figure) => [figure, { absolute: 2e-5, relative: 0.001 }])),
  });

  it('meets the independent figures of every chemistry to 0.1 %, as a closed form should', () => {
    const strict = verifyFile(toAThousandth(...Object.keys(file.tolerance)))!;
    expect(strict.failures).withContext(JSON.stringify(strict.worst)).toBe(0);
  });

  it('is what the 5-minute march finds, since it crosses inside its step', () => {
    const strict = holdAgainst(toAThousandth('hours_to_end', 'hours_to_cutoff_at_mean_current'), marched);
    expect(strict.failures).withContext(JSON.stringify(strict.worst)).toBe(0);
  });
});
