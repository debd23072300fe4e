import type { Forecast } from '../forecast/forecast.js';
import { chargeBetween } from '../load/load-series.js';
import { drawLines } from './draw-lines.js';
import { shareQuantity, q, type Sum, type SumLine } from './sum.js';

/** Less than this is not worth a line, Ah. */
const NEXT_TO_NOTHING_AH = 0.005;

/** How the charge comes to its lowest point. */
export function lowestSum(run: Forecast): Sum {
  const { plan, packs, verdict, march } = run;
  const until = { startMs: plan.outing.startMs, endMs: verdict.lowestMs };
  const upTo = (amps: Float64Array) => chargeBetween(march.edgesMs, amps, until.startMs, until.endMs);
  const loadsAh = upTo(march.loadA);
  const sunAh = upTo(march.offeredA) - upTo(march.curtailedA);
  const chargersAh = upTo(march.fedTakenA);
  const storesAh = packs.reduce((sum, { storedAh }) => sum + storedAh, 0);
  const startSoc = march.soc[0];
  const lostAh = (startSoc - verdict.lowestSoc) * storesAh - loadsAh + sunAh + chargersAh;
  const lines: SumLine[] = [
    ...plan.packs.map(({ name, label }, index) => ({
      label: `${name} stores`,
      terms: [q(label.ratedAh, 'Ah'), ' × ', q(label.health, 'factor'), ' health'],
      result: q(packs[index].storedAh, 'Ah'),
    })),
    ...drawLines(run, until),
    { label: 'consumption until then', terms: [], result: q(loadsAh, 'Ah') },
  ];
  if (sunAh > 0) lines.push({ label: 'given by the sun until then', terms: [], result: q(sunAh, 'Ah') });
  if (chargersAh > 0)
    lines.push({ label: 'given by chargers until then', terms: [], result: q(chargersAh, 'Ah') });
  if (lostAh >= NEXT_TO_NOTHING_AH) {
    lines.push({ label: 'lost to the cold, high currents and charging', terms: [], result: q(lostAh, 'Ah') });
  }
  lines.push({
    label: packs.length > 1 ? 'left in all packs' : 'left in the pack',
    terms: [
      shareQuantity(startSoc),
      ' − (',
      q(loadsAh, 'Ah'),
      ...(sunAh > 0 ? [' − ', q(sunAh, 'Ah')] : []),
      ...(chargersAh > 0 ? [' − ', q(chargersAh, 'Ah')] : []),
      ...(lostAh >= NEXT_TO_NOTHING_AH ? [' + ', q(lostAh, 'Ah')] : []),
      ') ÷ ',
      q(storesAh, 'Ah'),
    ],
    result: shareQuantity(verdict.lowestSoc),
  });
  return { title: 'Lowest state of charge', lines };
}
