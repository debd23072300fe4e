import { forecast } from '../forecast/forecast.js';
import type { PlanInput } from '../forecast/plan-input.js';
import { HOUR_MS } from '../span.js';
import { measuredRadio, whiteboardPlan } from '../testing/plans.js';
import { sunPlan } from '../testing/sun-plans.js';
import { ration } from './ration.js';

const START_MS = Date.UTC(2027, 5, 1, 8);
const outing = { startMs: START_MS, endMs: START_MS + 14 * HOUR_MS };
const even = { worthAt: () => 1, doubling: 0.3, leastShare: 0 };

const plan = (ratedAh: number, change: Partial<PlanInput> = {}): PlanInput =>
  whiteboardPlan({
    outing,
    stepMs: HOUR_MS / 4,
    radio: { name: 'Curlew', figures: measuredRadio(0.2, [2, 0.9], [5, 1.4], [10, 2]), dropoutV: 9 },
    blocks: [{ ...outing, label: 'CW 10 W', powerW: 10, modeFactor: 0.44, keyUpAtReceive: true, share: 0.4 }],
    pack: { label: { chemistry: 'lifepo4', cellsInSeries: 4, ratedAh, health: 1 } },
    ...change,
  });

describe('the ration', () => {
  it('keeps above the reserve in the asked share of fresh draws, where the plan does not', () => {
    for (const [ratedAh, chance] of [
      [7, 0.9],
      [7, 0.7],
      [6, 0.95],
    ] as const) {
      const { odds, plannedOdds } = ration(plan(ratedAh), even, chance);
      expect(plannedOdds.chance).toBeLessThan(chance);
      expect(odds.chance).toBeGreaterThanOrEqual(chance - 2 * odds.standardError);
    }
  });

  it('spends what would be left over, and no more than is asked for where little is left', () => {
    const rich = ration(plan(14), even, 0.9);
    expect(rich.worth).toBeGreaterThan(1.2 * rich.plannedWorth);
    const poor = ration(plan(6), even, 0.9);
    const meanW = ({ hours }: typeof rich) =>
      hours.reduce((sum, { proposed }) => sum + (proposed?.powerW ?? 0) * (proposed?.share ?? 0), 0) /
      hours.length;
    expect(meanW(poor)).toBeLessThan(meanW(rich));
  });

  it('puts the power into the hours that count', () => {
    const evening = START_MS + 10 * HOUR_MS;
    const worth = { ...even, worthAt: (timeMs: number) => (timeMs >= evening ? 4 : 1) };
    const { hours } = ration(plan(6.5), worth, 0.9);
    const energy = (from: number, to: number) =>
      hours
        .filter(({ startMs }) => startMs >= from && startMs < to)
        .reduce((sum, { proposed }) => sum + (proposed?.powerW ?? 0) * (proposed?.share ?? 0), 0) /
      ((to - from) / HOUR_MS);
    expect(energy(evening, outing.endMs)).toBeGreaterThan(energy(START_MS, evening));
  });

  it('never takes a relay under its least share while the charge lasts, and asks for less with less charge', () => {
    const { hours } = ration(plan(9), { ...even, leastShare: 0.1 }, 0.9);
    for (const { proposed, rules } of hours) {
      expect(proposed!.share).toBeGreaterThanOrEqual(0.1);
      const spent = rules.map(({ choice }) => (choice ? choice.powerW * choice.share : 0));
      expect(rules[0].fromSoc).toBe(0);
      expect(spent.at(-1)).toBeGreaterThanOrEqual(spent[0]);
    }
  });

  it('proposes hours that the forecast agrees with', () => {
    const input = plan(8, { sun: sunPlan() });
    const { hours, socs } = ration(input, even, 0.9);
    const [block] = input.blocks;
    const blocks = hours.flatMap(({ startMs, endMs, proposed }) =>
      proposed ? [{ ...block, startMs, endMs, ...proposed }] : [],
    );
    const { march, verdict } = forecast({ ...input, blocks });
    expect(verdict.lasts).toBeTrue();
    expect(Math.abs(march.soc[march.soc.length - 1] - socs[socs.length - 1])).toBeLessThan(0.03);
  });
});
