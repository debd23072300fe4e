import type { Forecast } from '../forecast/forecast.js';
import { RUNS } from '../wire/runs.js';
import { q, type Sum, type SumLine } from './sum.js';

/** Volts lost on each lead, at the mean and at the most, what it may carry and the fuse that it wants. */
export function runsSum({ verdict }: Forecast): Sum {
  const lines = verdict.runs.flatMap((lead): SumLine[] => {
    const { run, name, ohm, meanA, mostA, meanDropV, mostDropV, safeForA, ampacityA, fuseA } = lead;
    const rows: SumLine[] = [
      {
        label: `${RUNS[run].label}: ${name}, on average`,
        terms: [q(meanA, 'A'), ' × ', q(ohm, 'ohm')],
        result: q(meanDropV, 'V'),
      },
      {
        label: run === 'panel' || run === 'controller' ? 'in the best sun' : 'key down',
        terms: [q(mostA, 'A'), ' × ', q(ohm, 'ohm')],
        result: q(mostDropV, 'V'),
      },
    ];
    if (ampacityA !== null) {
      rows.push({
        label: 'must be safe for, and may carry',
        terms: [q(safeForA, 'A'), ' of ', q(ampacityA, 'A')],
        result: fuseA ? `fuse ${fuseA} A` : 'no fuse fits',
      });
    }
    return rows;
  });
  return {
    title: 'What the leads lose',
    lines,
    remark:
      'Fuse each battery in its positive lead, within 20 cm of the terminal. Keep to local codes; they go before this sum.',
  };
}
