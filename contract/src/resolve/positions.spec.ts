import { forecast } from '@knapsack/core';
import type { Radio } from '../documents/gear.js';
import type { Block } from '../documents/trip.js';
import { curlew, relay, shale, shelf, trip } from '../testing/documents.js';
import { expandBlocks } from './expand-blocks.js';
import { resolve } from './resolve.js';

const [block] = trip().blocks;
const at = (id: string, from: number, to: number, change: Partial<Block> = {}): Block => ({
  ...block,
  id,
  start: new Date(Date.UTC(2027, 8, 4, 0, from * 60)).toISOString(),
  end: new Date(Date.UTC(2027, 8, 4, 0, to * 60)).toISOString(),
  ...change,
});
const hoursOf = (...args: Parameters<typeof expandBlocks>) =>
  expandBlocks(...args).map(({ startMs, endMs, block: of }) => [
    of.id,
    (startMs - Date.UTC(2027, 8, 4)) / 3_600_000,
    (endMs - Date.UTC(2027, 8, 4)) / 3_600_000,
  ]);

describe('a block that is done again', () => {
  it('is worked every hour until the outing ends, but not where something else was drawn', () => {
    const blocks = [at('beacon', 10, 10 + 1 / 6, { repeat: 'hour' }), at('talk', 12, 13.5)];
    expect(hoursOf(trip({ blocks })).map(([id, from]) => [id, from])).toEqual([
      ['beacon', 10],
      ['beacon', 11],
      ['talk', 12],
      ['beacon', 14],
      ['beacon', 15],
    ]);
  });

  it('is worked at the same local hour each day, also over the change of the clocks', () => {
    const times = expandBlocks({
      place: { name: 'x', timeZone: 'Europe/Oslo' },
      blocks: [
        at('sked', 0, 0, { start: '2027-10-29T18:00:00Z', end: '2027-10-29T19:00:00Z', repeat: 'day' }),
      ],
      end: '2027-11-01T12:00:00Z',
    });
    // 20:00 of summer time is 18:00 UTC, of winter time 19:00
    expect(times.map(({ startMs }) => new Date(startMs).getUTCHours())).toEqual([18, 18, 19]);
  });

  it('must be shorter than the time until it is done again', () => {
    const long = resolve(trip({ blocks: [at('beacon', 10, 11.5, { repeat: 'hour' })] }), shelf);
    expect(long.ok ? '' : long.problems[0].sentence).toContain('every hour must be no longer than an hour');
  });

  it('draws as often as it is worked', () => {
    const once = [at('beacon', 10, 10.25)];
    const wanted = (blocks: readonly Block[]) => {
      const plan = resolve(trip({ blocks, loadout: trip().loadout.slice(0, 2) }), shelf);
      return plan.ok ? forecast(plan.value).verdict.plannedAh : NaN;
    };
    const [first] = once;
    expect(wanted([{ ...first, repeat: 'hour' }])).toBeCloseTo(6 * wanted(once), 9);
  });
});

describe('a block that is rated otherwise than its trip', () => {
  it('takes the sheet’s currents and a key held down, the others the bench’s', () => {
    const blocks = [at('one', 11, 12), at('two', 12, 13, { rating: 'cautious' })];
    const plan = resolve(trip({ blocks, loadout: trip().loadout.slice(0, 2) }), shelf);
    if (!plan.ok) throw new Error(plan.problems[0].sentence);
    const { load } = forecast(plan.value);
    const at11 = load.edgesMs.indexOf(Date.UTC(2027, 8, 4, 11));
    const at12 = load.edgesMs.indexOf(Date.UTC(2027, 8, 4, 12));
    // 0.5 x (0.14 + 0.44 (1.9 - 0.14)) + 0.5 x 0.14, against 0.5 x 2.3 of the sheet + 0.5 x 0.14
    expect(load.mean.amps[at11]).toBeCloseTo(0.5272, 9);
    expect(load.mean.amps[at12]).toBeCloseTo(1.22, 9);
  });
});

describe('two operating positions on one battery', () => {
  const dunlin: Radio = {
    ...curlew,
    id: 'dunlin',
    name: 'Dunlin',
    receiveA: { value: 0.3, source: 'measured' },
    transmit: [{ rfW: 50, amps: 9, source: 'measured' }],
    dropoutV: { value: 12, source: 'datasheet' },
  };
  const mine = [...shelf, dunlin];
  const bag = ['curlew', 'dunlin', 'shale', 'relay'].map((gear) => ({ gear, count: 1 }));
  const both = trip({
    loadout: bag,
    blocks: [at('one', 11, 13), at('two', 12, 14, { station: 2, powerW: 50, mode: 'FM', share: 1 })],
  });

  it('may be worked at once, each draws, and both keys may be down together', () => {
    const plan = resolve(both, mine);
    if (!plan.ok) throw new Error(plan.problems[0].sentence);
    const run = forecast(plan.value);
    const noon = run.march.edgesMs.indexOf(Date.UTC(2027, 8, 4, 12));
    expect(run.load.consumers).toEqual(['Curlew', 'Dunlin', 'relay']);
    expect(run.load.byConsumer[1].amps[noon]).toBeCloseTo(9, 9);
    expect(run.load.keyDown.amps[noon]).toBeCloseTo(1.9 + 9 + 0.06, 9);
    // The one that needs the most volts decides: 12 V and 9 A through its cable.
    expect(run.load.dropoutV![noon]).toBe(12);
    expect(run.load.keyDownRadioA[noon]).toBeCloseTo(9, 9);
    expect(run.load.dropoutV![noon - 1]).toBe(10.5);
    expect(run.verdict.radioDropoutMs).toBeGreaterThan(Date.UTC(2027, 8, 4, 12));
    const alone = resolve({ ...both, blocks: both.blocks.slice(0, 1) }, mine);
    expect(alone.ok && forecast(alone.value).verdict.radioDropoutMs).toBeNull();
  });

  it('count what is on while operating once, however many operate', () => {
    const light = { ...relay, id: 'light', name: 'light', rule: { when: 'operating' } as const };
    const loadout = [...bag, { gear: 'light', count: 1 }];
    const plan = resolve({ ...both, loadout }, [...mine, light]);
    if (!plan.ok) throw new Error(plan.problems[0].sentence);
    const { consumers } = forecast(plan.value).verdict;
    // 11 to 14 o'clock at 60 mA
    expect(consumers.find(({ name }) => name === 'light')!.ampereHours).toBeCloseTo(0.18, 9);
  });

  it('want a radio each, and one block at a time each', () => {
    const alone = resolve({ ...both, loadout: trip().loadout }, mine);
    expect(alone.ok ? '' : alone.problems[0].sentence).toContain(
      'planned for operating position 2, and one radio is',
    );
    const twice = resolve({ ...both, blocks: [...both.blocks, at('three', 13, 15, { station: 2 })] }, mine);
    expect(twice.ok ? '' : twice.problems[0].sentence).toContain('Two blocks overlap');
    const pair = resolve({ ...both, loadout: [{ gear: 'curlew', count: 2 }, ...bag.slice(2)] }, [
      ...shelf,
      shale,
    ]);
    expect(pair.ok).toBeTrue();
  });
});
