import { chanceOf } from '../chance/chance.js';
import { forecast } from '../forecast/forecast.js';
import { HOUR_MS } from '../span.js';
import { START_MS, even, outing, plan } from '../testing/ration-plans.js';
import { sunPlan } from '../testing/sun-plans.js';
import { stepEdges } from '../forecast/forecast.js';
import { actionsOf, rationSlots } from './ration-slots.js';
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

  it('has ways to work an hour from the least current to the most, power before share, whatever power was planned', () => {
    const [block] = plan(8).blocks;
    const ways = (planned: number, more = {}) =>
      actionsOf(plan(8), { ...block, powerW: planned }, { ...even, ...more }).map(
        ({ powerW, share }) => `${powerW} W ${share}`,
      );
    // 3 W is none of the radio's own points of 2, 5 and 10 W.
    expect(ways(3)).toEqual(['2 W 0', '2 W 0.1', '2 W 0.2', '2 W 0.3', '2 W 0.4', '3 W 0.4']);
    expect(ways(3, { morePower: true }).slice(-4)).toEqual(['2 W 0.4', '3 W 0.4', '5 W 0.4', '10 W 0.4']);
    expect(ways(3, { moreShare: true }).slice(-2)).toEqual(['3 W 0.5', '3 W 0.6']);
    const amps = actionsOf(plan(8), block, { ...even, morePower: true, moreShare: true }).map(
      ({ meanA }) => meanA,
    );
    expect(amps).toEqual([...amps].sort((a, b) => a - b));
  });

  it('says beside each hour what was planned for it', () => {
    const { hours } = ration(plan(6), even, 0.9);
    expect(hours.map(({ planned }) => planned)).toEqual(hours.map(() => ({ powerW: 10, share: 0.4 })));
    expect(hours[0].startMs).toBe(outing.startMs);
    expect(hours.at(-1)!.endMs).toBe(outing.endMs);
    hours.slice(1).forEach(({ startMs }, index) => expect(startMs).toBe(hours[index].endMs));
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

  it('has nothing to propose and nothing planned in the hours between blocks', () => {
    const gap = plan(8);
    const [all] = gap.blocks;
    const blocks = [
      { ...all, endMs: START_MS + 4 * HOUR_MS },
      { ...all, startMs: START_MS + 6 * HOUR_MS },
    ];
    const slots = rationSlots({ ...gap, blocks }, stepEdges(gap), even);
    const free = slots.filter(({ block }) => block === -1);
    expect(free.map(({ startMs, endMs }) => [startMs, endMs])).toEqual([
      [START_MS + 4 * HOUR_MS, START_MS + 6 * HOUR_MS],
    ]);
    expect(free.map(({ actions, planned }) => [actions, planned])).toEqual([[[], null]]);
    for (const slot of slots.filter(({ block }) => block !== -1)) {
      expect(slot.planned).toEqual(jasmine.objectContaining({ powerW: 10, share: 0.4 }));
      expect(slot.actions.length).toBeGreaterThan(3);
    }
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

  it('goes to the most power and half as much again of the time where that is allowed, from whatever was planned', () => {
    const [block] = plan(30).blocks;
    const low = plan(30, { blocks: [{ ...block, powerW: 3 }] });
    const { hours, binds, worth, plannedWorth } = singleSetting(
      low,
      { ...even, morePower: true, moreShare: true },
      0.9,
    );
    expect(binds).toBe('ceilings');
    for (const { proposed, planned, rules } of hours) {
      expect(planned).toEqual({ powerW: 3, share: 0.4 });
      expect(proposed!.powerW).toBe(10);
      expect(proposed!.share).toBeCloseTo(0.6, 9);
      expect(rules).toEqual([{ fromSoc: 0, choice: proposed }]);
    }
    // 1 + 0.3 log2(10 / 2) for each hour of a share of 0.6, against 1 + 0.3 log2(3 / 2) for 0.4, over 14 hours
    expect(worth).toBeCloseTo(14 * 0.6 * (1 + 0.3 * Math.log2(5)), 6);
    expect(plannedWorth).toBeCloseTo(14 * 0.4 * (1 + 0.3 * Math.log2(1.5)), 6);
  });

  it('cuts the share at the least power only, and no lower than somebody asks', () => {
    const short = singleSetting(plan(3), even, 0.9).hours[0].proposed!;
    expect(short.powerW).toBe(2);
    expect(short.share).toBeLessThan(0.4);
    const asked = singleSetting(plan(3), { ...even, leastShare: 0.35 }, 0.9).hours[0].proposed!;
    expect(asked.share).toBeGreaterThanOrEqual(0.35);
  });

  it('leaves the hours between blocks free', () => {
    const gap = plan(20);
    const [all] = gap.blocks;
    const blocks = [
      { ...all, endMs: START_MS + 4 * HOUR_MS },
      { ...all, startMs: START_MS + 6 * HOUR_MS },
    ];
    const free = singleSetting({ ...gap, blocks }, even, 0.9).hours.filter(({ block }) => block === -1);
    expect(free.map(({ proposed, planned, rules }) => [proposed, planned, rules])).toEqual([
      [null, null, []],
    ]);
  });
});
