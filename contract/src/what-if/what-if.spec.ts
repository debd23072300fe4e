import { cobble, curlew, relay, shale, shelf, trip } from '../testing/documents.js';
import type { Gear } from '../documents/gear.js';
import { failures, survived } from './failures.js';
import { fixes } from './fixes.js';
import { whatIf } from './what-if.js';

const figure = (value: number) => ({ value, source: 'datasheet' }) as const;

const radio: Gear = {
  ...curlew,
  transmit: [
    { rfW: 10, amps: 1.9, source: 'measured' },
    { rfW: 5, amps: 1.2, source: 'measured' },
    { rfW: 1, amps: 0.5, source: 'measured' },
  ],
} as Gear;
const battery = (id: string, ah: number, grams: number): Gear => ({
  ...shale,
  id,
  name: id,
  ratedAh: figure(ah),
  weightG: figure(grams),
});
const panel: Gear = {
  schema: 'knapsack.gear',
  version: 8,
  id: 'frond',
  kind: 'panel',
  name: 'Frond',
  watts: figure(40),
  technology: 'good_mono',
} as Gear;
const controller: Gear = {
  schema: 'knapsack.gear',
  version: 8,
  id: 'rill',
  kind: 'controller',
  name: 'Rill',
  type: 'mppt',
  maxA: figure(8),
} as Gear;
const small = battery('small', 1.2, 300);
const mine = [radio, small, battery('middle', 4, 500), battery('large', 20, 2000), relay];
const item = (gear: string, count = 1) => ({ gear, count });

/** Six hours: two of them CW at 10 W half of the time, and a relay: 1.4 Ah, where 1.1 are above the reserve. */
const short = trip({ loadout: [item('curlew'), item('small'), item('relay')] });

describe('the cheapest changes that fix a plan', () => {
  it('cost nothing to carry first, each no further than it must', () => {
    const found = fixes(short, mine);
    expect(found.length).toBe(3);
    expect(found.every((fix) => fix.fixes && fix.chance.chance >= fix.chance.target)).toBeTrue();
    const [power, share, hours] = found;
    // At 5 W it would still take 1.1 Ah, all that there is.
    expect(power.words).toBe('run 1 W');
    expect(share.words).toMatch(/^cut the duty cycle by/);
    expect(hours.words).toMatch(/^finish . h 00 earlier$/);
    // One step less of each would not do.
    const tenths = Number(/\d+/.exec(share.words)![0]) / 10;
    if (tenths > 1) {
      const before = short.blocks.map((block) => ({ ...block, share: 0.5 * (1 - (tenths - 1) / 10) }));
      expect(fixes({ ...short, blocks: before }, mine).length).toBeGreaterThan(0);
    }
  });

  it('say how many of a battery there are instead', () => {
    const none = { ...short, blocks: [], unattended: true };
    const words = (count: number) =>
      fixes(
        {
          ...none,
          loadout: [item('curlew'), item('small', count), item('relay')],
          end: '2027-09-10T16:00:00Z',
        },
        [radio, small, relay],
      ).map((fix) => fix.words);
    expect(words(1)).toEqual(['2 × small instead of one']);
    expect(words(2)).toEqual(['3 × small instead of 2']);
  });

  it('prop a panel that lies flat, the best way for the sky of the outing', () => {
    const place = { name: 'islet', timeZone: 'UTC', latitudeDeg: 59, longitudeDeg: 5.3 };
    // Ten watts, four ampere hours: flat in February it is too little, propped it is enough.
    const gear = [
      radio,
      battery('middle', 4, 500),
      relay,
      { ...panel, watts: figure(10) } as Gear,
      controller,
    ];
    const flat = {
      ...trip({
        place,
        start: '2027-02-01T06:00:00Z',
        end: '2027-02-13T18:00:00Z',
        weather: { air: 'clean', cloud: 0, windMS: 2 },
        unattended: true,
        loadout: ['curlew', 'middle', 'relay', 'frond', 'rill'].map((gear) => item(gear)),
      }),
      blocks: [],
    };
    const found = fixes(flat, gear);
    const prop = found.find(({ words }) => words.startsWith('prop the panel'));
    // A low sun at 59 degrees north: steep, and to the south.
    const [, tilt, facing] = /^prop the panel at (\d+)°, facing (\d+)°$/.exec(prop?.words ?? '') ?? [];
    expect(prop?.fixes).toBeTrue();
    expect(Number(tilt)).toBeGreaterThan(60);
    expect(Number(tilt)).toBeLessThan(85);
    expect(Math.abs(Number(facing) - 180)).toBeLessThan(25);
    expect(prop?.trip.panelPlace?.mount).toBe('propped');
    expect(prop?.trip.panelPlace?.aim.how).toBe('fixed');
    const turned = {
      ...flat,
      panelPlace: { aim: { how: 'every', minutes: 120 }, mount: 'propped', ground: 'grass' } as const,
    };
    expect(
      fixes(turned, gear)
        .map(({ words }) => words)
        .join(),
    ).not.toContain('prop');
  });

  it('take the lightest battery of the shelf that is enough', () => {
    const blocks = short.blocks.map((block) => ({ ...block, powerW: 1, share: 0 }));
    const lasting = trip({
      loadout: short.loadout,
      blocks,
      end: '2027-09-05T16:00:00Z',
    });
    const words = fixes(lasting, mine).map((fix) => fix.words);
    expect(words).toContain('middle instead of small');
    expect(words.join()).not.toContain('large');
  });

  it('are those that help the most where none is enough, and none where the plan lasts', () => {
    const hopeless = trip({ loadout: short.loadout, end: '2027-09-14T16:00:00Z' });
    const found = fixes(hopeless, [radio, small, relay, battery('middle', 4, 500)]);
    expect(found.length).toBeGreaterThan(0);
    expect(found.every((fix) => !fix.fixes)).toBeTrue();
    expect(fixes(trip({ loadout: [item('curlew'), item('large')] }), mine)).toEqual([]);
  });
});

describe('what still works if one thing fails', () => {
  const byName = (found: ReturnType<typeof failures>) => new Map(found.map((one) => [one.name, one]));

  it('is nothing without the only radio or battery, and all without a relay', () => {
    const found = byName(failures(trip(), shelf));
    expect(found.get('Curlew')).toEqual(jasmine.objectContaining({ hours: 0, ofHours: 2 }));
    expect(found.get('Shale')!.hours).toBe(0);
    expect(found.get('relay')).toEqual(jasmine.objectContaining({ hours: 2, endMs: null }));
  });

  it('is shorter with one of two batteries, and as long with one of two radios for its blocks', () => {
    const two = trip({ loadout: [item('curlew', 2), item('small', 2), item('relay')] });
    const found = byName(failures(two, mine));
    const battery = found.get('one of 2 × small')!;
    expect(battery.hours).toBeGreaterThan(0);
    expect(battery.hours).toBeLessThan(2);
    expect(found.get('one of 2 × Curlew')!.hours).toBe(2);
  });

  it('is the other modes where what a mode needs fails, and no sun without its controller', () => {
    const computer: Gear = {
      ...relay,
      id: 'computer',
      name: 'computer',
      rule: { when: 'operating', modes: ['CW'] },
    } as Gear;
    const loadout = [item('curlew'), item('shale'), item('computer'), item('frond'), item('rill')];
    const place = { name: 'islet', timeZone: 'Europe/Oslo', latitudeDeg: 59, longitudeDeg: 5 };
    const found = byName(failures(trip({ loadout, place }), [...shelf, computer, panel, controller]));
    expect(found.get('computer')).toEqual(jasmine.objectContaining({ hours: 0, because: 'no CW' }));
    expect(found.get('Rill')).toEqual(jasmine.objectContaining({ hours: 2, because: 'no sun' }));
  });

  it('comes the worst first', () => {
    const hours = failures(trip({ loadout: [...trip().loadout, item('cobble')], batteryUse: 'turns' }), [
      ...shelf,
      cobble,
    ]).map((one) => one.hours);
    expect(hours).toEqual([...hours].sort((a, b) => a - b));
  });
});

describe('a trip left alone', () => {
  it('says how long without sun, and which months carry it', () => {
    const place = { name: 'islet', timeZone: 'Europe/Oslo', latitudeDeg: 59, longitudeDeg: 5 };
    const loadout = [item('curlew'), item('shale'), item('relay'), item('frond'), item('rill')];
    const blocks: [] = [];
    const { alone, sums } = whatIf(trip({ loadout, place, blocks }), [...shelf, panel, controller])!;
    // 9 Ah above the reserve at 60 mA and the controller's own draw
    expect(alone.darkDays).toBeGreaterThan(5);
    expect(alone.darkDays).toBeLessThan(6.5);
    expect(alone.months[5].lasts).toBeTrue();
    expect(alone.worst!.month).toBe(12);
    expect(sums.alone.lines.length).toBe(13);
    expect(sums.alone.lines[6].result).toBe('lasts under the usual sky');
  });

  it('is told by its availability alone, month by month, where it comes back by itself', () => {
    const place = { name: 'islet', timeZone: 'Europe/Oslo', latitudeDeg: 59, longitudeDeg: 5 };
    const weather = { air: 'clean', windMS: 3, climate: 'maritime' } as const;
    const loadout = [item('curlew'), item('shale'), item('relay'), item('frond'), item('rill')];
    const unattended = trip({ loadout, place, weather, unattended: true, restart: true });
    const waking = { ...controller, wakesBattery: true } as Gear;
    const { alone, sums } = whatIf(unattended, [...shelf, panel, waking])!;
    const [, ...months] = sums.alone.lines;
    expect(months.length).toBe(12);
    for (const { result } of months) expect(String(result)).toMatch(/^up \d+(\.\d)? %$/);
    const [june, december] = [alone.months[5].availability!, alone.months[11].availability!];
    expect(december.p50).toBeLessThanOrEqual(june.p50);
    expect(december.p10).toBeLessThanOrEqual(december.p50);
    expect(sums.alone.remark).toContain('simulated 60 times');
  });
});

describe('what would be if something were otherwise', () => {
  it('leaves the trip that it was asked about as it was', () => {
    const asked = JSON.stringify(short);
    whatIf(short, mine);
    expect(JSON.stringify(short)).toBe(asked);
  });

  it('is nothing for a trip that cannot be calculated', () => {
    expect(whatIf(trip({ loadout: [] }), mine)).toBeNull();
  });

  it('counts as survived what keeps every planned hour', () => {
    const lasting = trip({ loadout: [item('curlew', 2), item('large', 2), item('relay')] });
    const found = failures(lasting, mine);
    expect(survived(found)).toBe(found.length);
    // Alone, the radio and the battery are each the end of it; the relay is not.
    expect(survived(failures(trip(), shelf))).toBe(1);
  });
});

describe('what stands in the place of a battery', () => {
  const lasting = trip({
    loadout: short.loadout,
    blocks: short.blocks.map((block) => ({ ...block, powerW: 1, share: 0 })),
    end: '2027-09-05T16:00:00Z',
  });
  const offered = (...shelf: Gear[]) =>
    fixes(lasting, [radio, small, relay, ...shelf])
      .map(({ words }) => words)
      .filter((words) => words.startsWith('middle'));

  it('is a battery that one has and has not packed', () => {
    const middle = battery('middle', 4, 500);
    expect(offered(middle)).toEqual(['middle instead of small']);
    expect(offered({ ...middle, archived: true })).toEqual([]);
    expect(offered({ ...middle, wished: true } as Gear)).toEqual([]);
    expect(offered({ ...panel, id: 'middle', name: 'middle' } as Gear)).toEqual([]);
    expect(offered({ ...middle, id: 'small' })).toEqual([]);
  });

  it('is, where nothing is enough, what helps the most first, and nothing that does not help', () => {
    const hopeless = trip({ loadout: short.loadout, end: '2027-09-14T16:00:00Z' });
    const found = fixes(hopeless, [radio, small, relay, battery('middle', 4, 500), battery('less', 0.5, 90)]);
    const ends = found.map(({ endMs }) => endMs);
    const chances = found.map(({ chance }) => chance.chance);
    found.slice(1).forEach((_, index) => {
      expect(chances[index]).toBeGreaterThanOrEqual(chances[index + 1]);
      if (chances[index] === chances[index + 1]) expect(ends[index]).toBeGreaterThanOrEqual(ends[index + 1]);
    });
    expect(found.map(({ words }) => words).join()).not.toContain('less instead');
  });
});
