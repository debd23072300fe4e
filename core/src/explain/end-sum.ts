import { openCircuitVolts } from '../battery/battery-pack.js';
import { dischargingVolts } from '../battery/terminal-volts.js';
import { socketCurrent } from '../battery/pack-current.js';
import type { Forecast } from '../forecast/forecast.js';
import { loadCables } from '../forecast/plan-input.js';
import { stepBefore, valueAt } from '../time-grid.js';
import { sayQuantity } from '../say/quantity.js';
import { shareQuantity, q, type Sum, type SumLine, type Term } from './sum.js';

/** Why the first end point is where it is; where the plan lasts, how far the volts are from it. */
export function endSum(run: Forecast): Sum {
  const { plan, packs, load, march, verdict } = run;
  const atMs = verdict.endMs ?? plan.outing.endMs;
  const step = stepBefore(march.edgesMs, atMs);
  const inUse = march.inUse[step];
  const pack = packs[inUse];
  const planned = plan.packs[inUse];
  const soc = valueAt(march.edgesMs, march.socInUse, atMs);
  const openV = openCircuitVolts(pack, soc);
  const meanA = march.wantedA[step];
  const lines: SumLine[] = [
    { label: `at rest with ${sayQuantity(q(soc, 'share'))} left`, terms: [], result: q(openV, 'V') },
    {
      label: 'at the terminals, mean current',
      terms: [
        q(openV, 'V'),
        ' − ',
        q(meanA, 'A'),
        ' × (',
        q(pack.ohmicOhm, 'ohm'),
        ' + ',
        q(pack.polarisationOhm, 'ohm'),
        ')',
      ],
      result: q(dischargingVolts(pack, soc, meanA), 'V'),
    },
  ];
  const heaviest = heaviestStep(load.keyDown.amps, march.edgesMs, plan.outing.startMs, atMs);
  const keyStep = load.keyDownRadioA[step] > 0 ? step : heaviest;
  const radioA = load.keyDownRadioA[keyStep];
  if (radioA > 0) {
    const { amps, watts } = load.keyDown;
    const outA = socketCurrent(pack, amps[keyStep], watts[keyStep], march.cellsV[keyStep]);
    const { sharedOhm, radioOhm } = loadCables(plan);
    const fromV = pack.socket?.volts ?? openV;
    const drops: [number, number][] = [[radioA, radioOhm]];
    if (sharedOhm > 0) drops.unshift([outA, sharedOhm]);
    if (!pack.socket) drops.unshift([meanA, pack.polarisationOhm], [outA, pack.ohmicOhm]);
    const terms: Term[] = [q(fromV, 'V')];
    for (const [a, ohm] of drops) terms.push(' − ', q(a, 'A'), ' × ', q(ohm, 'ohm'));
    lines.push({
      label: 'at the radio, key down',
      terms,
      result: q(
        drops.reduce((volts, [a, ohm]) => volts - a * ohm, fromV),
        'V',
      ),
    });
  }
  const { availability } = verdict;
  if (availability) {
    const { share, wantedHours, outages, longestH } = availability;
    lines.push(
      {
        label: 'up, of the hours wanted',
        terms: [q(share * wantedHours, 'h'), ' / ', q(wantedHours, 'h')],
        result: shareQuantity(share),
      },
      { label: 'outages', terms: ['the longest ', q(longestH, 'duration')], result: String(outages) },
      { label: 'the loads come back at', terms: [], result: backAt(plan.restart!.reconnectV) },
    );
  }
  lines.push(
    { label: 'reserve of the plan', terms: [], result: q(planned.reserveSoc, 'share') },
    { label: `${plan.radio.name} drops out`, terms: [], result: q(plan.radio.dropoutV, 'V') },
    { label: `${planned.name} cuts off`, terms: [], result: q(pack.cutoffV, 'V') },
  );
  return { title: 'The three end points: reserve, drop-out, cut-off', lines };
}

const backAt = (reconnectV: number): Term =>
  Number.isFinite(reconnectV) ? q(reconnectV, 'V') : 'never by themselves';

function heaviestStep(amps: Float64Array, edgesMs: Float64Array, fromMs: number, toMs: number): number {
  let at = 0;
  for (let step = 0; step < amps.length; step++) {
    if (edgesMs[step] >= fromMs && edgesMs[step] < toMs && amps[step] > amps[at]) at = step;
  }
  return at;
}
