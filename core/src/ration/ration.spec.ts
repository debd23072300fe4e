import { chanceOf } from '../chance/chance.js';
import { forecast } from '../forecast/forecast.js';
import { HOUR_MS } from '../span.js';
import { START_MS, even, outing, plan } from '../testing/ration-plans.js';
import { sunPlan } from '../testing/sun-plans.js';
import { ration } from './ration.js';
import { singleSetting } from './single-setting.js';

describe('the ration', () => {
  it('changes the power first: the share is cut at the least power only', () => {
    const { hours } = ration(plan(5), even, 0.9);
    const choices = hours.flatMap(({ rules }) => rules.flatMap(({ choice }) => (choice ? [choice] : [])));
    const cut = choices.filter(({ share }) => share < 0.4);
    expect(cut.length).toBeGreaterThan(0);
    expect(cut.every(({ powerW }) => powerW === 2)).toBeTrue();
    expect(choices.some(({ powerW, share }) => powerW > 2 && share === 0.4)).toBeTrue();
  });

  it('begins with what all packs hold together, also where one is full and the other nearly empty', () => {
    const input = plan(6);
    const [pack] = input.packs;
    const packs = [
      { ...pack, name: 'first', startSoc: 0.2 },
      { ...pack, name: 'second', startSoc: 1 },
    ];
    expect(ration({ ...input, packs }, even, 0.9).socs[0]).toBeCloseTo(0.6, 6);
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
