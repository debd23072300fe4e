import { chanceOf } from '../chance/chance.js';
import { forecast } from '../forecast/forecast.js';
import type { PlanInput } from '../forecast/plan-input.js';
import { HOUR_MS } from '../span.js';
import { measuredRadio, whiteboardPlan } from '../testing/plans.js';
import { sunPlan } from '../testing/sun-plans.js';
import { ration } from './ration.js';
import { singleSetting } from './single-setting.js';

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
  it('meets its target within two points over 2,000 fresh draws, where the plan does not', () => {
    for (const [ratedAh, target] of [
      [7, 0.9],
      [7, 0.7],
      [6, 0.95],
      [6, 0.8],
    ] as const) {
      const { odds, blindOdds, plannedOdds, binds } = ration(plan(ratedAh), even, target);
      expect(odds.draws).toBe(2000);
      expect(plannedOdds.chance).toBeLessThan(target);
      expect(odds.chance).toBeGreaterThan(target - 0.02);
      if (binds === null) expect(odds.chance).toBeLessThanOrEqual(target + 0.02);
      // Who never looks at the battery cannot save when it is low.
      expect(blindOdds.chance).toBeLessThan(odds.chance);
    }
  });

  it('asks for no more than was planned, and says so, unless more is allowed', () => {
    const rich = ration(plan(14), even, 0.9);
    expect(rich.binds).toBe('ceilings');
    expect(rich.worth).toBeLessThanOrEqual(rich.plannedWorth + 1e-9);
    for (const { rules, planned } of rich.hours) {
      for (const { choice } of rules) {
        expect(choice?.powerW ?? 0).toBeLessThanOrEqual(planned!.powerW);
        expect(choice?.share ?? 0).toBeLessThanOrEqual(planned!.share);
      }
    }
    const more = ration(plan(14), { ...even, moreShare: true }, 0.9);
    expect(more.worth).toBeGreaterThan(1.2 * more.plannedWorth);
    expect(Math.max(...more.hours.map(({ proposed }) => proposed?.share ?? 0))).toBeGreaterThan(0.4);
    const low = plan(14, { blocks: [{ ...plan(14).blocks[0], powerW: 5 }] });
    const louder = ration(low, { ...even, morePower: true }, 0.9);
    expect(Math.max(...louder.hours.map(({ proposed }) => proposed?.powerW ?? 0))).toBe(10);
  });

  it('changes the power first: the share is cut at the least power only', () => {
    const { hours } = ration(plan(5), even, 0.9);
    const choices = hours.flatMap(({ rules }) => rules.flatMap(({ choice }) => (choice ? [choice] : [])));
    const cut = choices.filter(({ share }) => share < 0.4);
    expect(cut.length).toBeGreaterThan(0);
    expect(cut.every(({ powerW }) => powerW === 2)).toBeTrue();
    expect(choices.some(({ powerW, share }) => powerW > 2 && share === 0.4)).toBeTrue();
  });

  it('says where nothing reaches the target', () => {
    const { binds, odds } = ration(plan(2), { ...even, leastShare: 0.3 }, 0.9);
    expect(binds).toBe('nothing');
    expect(odds.chance).toBeLessThan(0.9);
  });

  it('spends less where little is left', () => {
    const meanW = ({ hours }: ReturnType<typeof ration>) =>
      hours.reduce((sum, { proposed }) => sum + (proposed?.powerW ?? 0) * (proposed?.share ?? 0), 0) /
      hours.length;
    expect(meanW(ration(plan(6), even, 0.9))).toBeLessThan(meanW(ration(plan(14), even, 0.9)));
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

describe('one setting for a station where nobody is', () => {
  it('is the same in all hours, and the best that reaches the target', () => {
    const { hours, odds, blindOdds, binds } = singleSetting(plan(6), even, 0.9);
    expect(new Set(hours.map(({ proposed }) => JSON.stringify(proposed))).size).toBe(1);
    expect(odds.chance).toBeGreaterThan(0.87);
    expect(blindOdds).toEqual(odds);
    expect(binds).toBe('single');
    const { proposed } = hours[0];
    // A rung higher would be too much.
    const higher = [2, 5, 10].find((watts) => watts > proposed!.powerW)!;
    const [block] = plan(6).blocks;
    const louder = { ...plan(6), blocks: [{ ...block, powerW: higher }] };
    expect(chanceOf(louder).chance).toBeLessThan(0.9);
  });

  it('is what was planned where there is enough, and none where nothing helps', () => {
    const rich = singleSetting(plan(20), even, 0.9);
    expect(rich.binds).toBe('ceilings');
    expect(rich.hours[0].proposed).toEqual({ powerW: 10, share: 0.4 });
    expect(singleSetting(plan(2), even, 0.9).binds).toBe('nothing');
  });
});
