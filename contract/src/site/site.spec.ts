import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { curlew, shale, trip } from '../testing/outing.js';
import { rainyOuting, rated, sheet } from '../testing/rainy-outing.js';
import { rainOf, sayRain } from './rain-of.js';
import { siteCareOf } from './site-care-of.js';

const common = { schema: 'knapsack.gear', version: 8 } as const;

describe('the rain of an outing', () => {
  it('is told from when and how long, or that there is none', () => {
    expect(sayRain(rainOf(rainyOuting([3, 4])), 'UTC')).toMatch(/^Rain from .*, 2 h 00 in all\.$/);
    expect(sayRain(rainOf(rainyOuting([])), 'UTC')).toBe('No rain is forecast.');
  });

  it('is told as simulated where its weather is', () => {
    const simulated = (wet: readonly number[]) => {
      const of = rainyOuting(wet);
      return sayRain(rainOf({ ...of, weather: { ...of.weather!, source: 'simulated' } }), 'UTC');
    };
    expect(simulated([3])).toMatch(/^Rain in the simulated weather from /);
    expect(simulated([])).toBe('No rain in the simulated weather.');
  });

  it('is that of the climate where no hours are known', () => {
    const place = { name: 'islet', timeZone: 'UTC', latitudeDeg: 59, longitudeDeg: 5 };
    const weather = { air: 'clean', windMS: 3, climate: 'maritime' } as const;
    // Autumn on a cool coast: three of ten days wet.
    const september = rainOf(trip({ place, weather }));
    expect(september.wetDays).toBe(3);
    expect(sayRain(september, 'UTC')).toBe(
      'No forecast of rain. 3 of 10 days are wet there at this time of year.',
    );
    expect(sayRain(rainOf(trip()), 'UTC')).toBe('No forecast of rain.');
  });
});

describe('what the site of a trip asks for', () => {
  const whip: Gear = { ...common, id: 'whip', kind: 'antenna', name: 'Whip' };
  const care = (of: Trip, shelf: readonly Gear[] = [...rated, whip]) =>
    new Map(siteCareOf(of, shelf).map(({ id, sentence }) => [id, sentence]));

  it('comes from the bag, the work and the forecast', () => {
    const of = rainyOuting([3], {
      loadout: [...rainyOuting([]).loadout, { gear: 'whip', count: 1 }],
      knows: 'the keeper',
    });
    const said = care(of);
    expect([...said.keys()]).toEqual(
      jasmine.arrayContaining(['knows', 'lines', 'guys', 'paths', 'exposure', 'rain', 'thunder', 'dry']),
    );
    expect(said.get('knows')).toContain('Tell the keeper');
    expect(care(rainyOuting([])).has('rain')).toBeFalse();
    expect(care(rainyOuting([])).has('lines')).toBeFalse();
    expect(siteCareOf(trip({ loadout: [] }), rated)).toEqual([]);
  });

  it('keeps people away by the block that needs the most, wherever it stands, and lifts the heaviest thing', () => {
    const [block] = trip().blocks;
    const at = (powerW: number, from: number) => ({
      ...{ ...block, id: `b${from}`, mode: 'FM' as const, powerW, share: 0.5 },
      start: new Date(Date.parse(trip().start) + from * 3_600_000).toISOString(),
      end: new Date(Date.parse(trip().start) + (from + 1) * 3_600_000).toISOString(),
    });
    for (const blocks of [
      [at(20, 0), at(100, 1), at(30, 2)],
      [at(100, 0), at(20, 1)],
      [at(20, 0), at(100, 1)],
    ])
      expect(care(rainyOuting([], { blocks })).get('exposure')).toContain('while you send FM 100 W');
    const heavy = (id: string, grams: number): Gear => ({
      ...common,
      id,
      kind: 'other',
      name: id,
      weightG: sheet(grams),
    });
    const bag = rainyOuting([], {
      loadout: [...trip().loadout, ...['box', 'crate', 'chest'].map((gear) => ({ gear, count: 1 }))],
    });
    const shelf = [...rated, heavy('box', 16_000), heavy('crate', 21_000), heavy('chest', 17_000)];
    expect(care(bag, shelf).get('heavy')).toContain('crate, 21.00 kg');
  });

  it('asks for a second source where one battery feeds the only radio', () => {
    const [radio, pack] = trip().loadout;
    const withPacks = (count: number) => rainyOuting([], { loadout: [radio, { ...pack, count }] });
    expect(care(withPacks(1)).get('help')).toContain('take a second battery, or another way to call');
    expect(care(withPacks(2)).has('help')).toBeFalse();
    const two = rainyOuting([], {
      loadout: [
        { ...radio, count: 2 },
        { ...pack, count: 1 },
      ],
    });
    expect(care(two).has('help')).toBeFalse();
  });

  it('keeps people away by the block that sends the most on average', () => {
    const [block] = trip().blocks;
    const fm = { ...block, mode: 'FM' as const, powerW: 100, share: 0.5 };
    // 1.5 x 1.6 sqrt(30 x 50 x 1.64) / 27.7.
    expect(care(rainyOuting([], { blocks: [fm] })).get('exposure')).toContain(
      '4.3 m from the antenna while you send',
    );
    const gain: Gear = { ...whip, gainDbi: sheet(12.15) } as Gear;
    const beam = rainyOuting([], { blocks: [fm], loadout: [...trip().loadout, { gear: 'whip', count: 1 }] });
    // Ten decibels more: the root of ten farther.
    expect(care(beam, [...rated, gain]).get('exposure')).toContain('14 m');
    // Small powers keep the least distance.
    expect(care(rainyOuting([], { blocks: [{ ...fm, powerW: 1 }] })).get('exposure')).toContain('1.0 m');
    expect(care(rainyOuting([], { blocks: [] })).has('exposure')).toBeFalse();
  });

  it('counts the output of an amplifier, and tells no distance if it is not entered', () => {
    const [block] = trip().blocks;
    const fm = { ...block, mode: 'FM' as const, powerW: 5, share: 0.5 };
    const of = rainyOuting([], {
      blocks: [fm],
      loadout: [...trip().loadout, { gear: 'boost', count: 1 }],
    });
    const boost = (outputW?: number): Gear =>
      ({
        ...{ ...common, id: 'boost', kind: 'amplifier', name: 'Boost' },
        ...{ standbyA: sheet(0.3), transmitA: sheet(60) },
        ...(outputW !== undefined && { outputW: sheet(outputW) }),
      }) as Gear;
    expect(care(of, [...rated, boost()]).get('exposure')).toContain('is not known');
    // The same 100 W as straight from a radio.
    expect(care(of, [...rated, boost(100)]).get('exposure')).toContain('4.3 m from the antenna');
  });

  it('knows a generator by its name or a tag, and mains voltage by what is fed with it', () => {
    const box: Gear = { ...common, id: 'whip', kind: 'other', name: 'Box' };
    const of = rainyOuting([], { loadout: [...trip().loadout, { gear: 'whip', count: 1 }] });
    expect(care(of, [...rated, box]).has('fuel')).toBeFalse();
    expect(care(of, [...rated, { ...box, name: 'Small generator' }]).has('fuel')).toBeTrue();
    expect(care(of, [...rated, { ...box, tags: ['fuel'] }]).has('fuel')).toBeTrue();
    const laptop: Gear = {
      ...{ ...common, id: 'whip', kind: 'accessory', name: 'Laptop', via: 'mains' },
      ...{ drawW: sheet(40), rule: { when: 'always' } },
    };
    expect(care(of, [...rated, laptop]).has('mains')).toBeTrue();
    expect(care(of, [...rated, { ...laptop, via: 'laptop' }]).has('mains')).toBeFalse();
  });

  it('has a controller taken off that would empty the battery, and none that takes years', () => {
    const rill = (amps: number): Gear => ({
      ...{ ...common, id: 'rill', kind: 'controller', name: 'Rill', type: 'mppt', maxA: sheet(8) },
      selfUseA: sheet(amps),
    });
    const of = trip({ loadout: [...trip().loadout, { gear: 'rill', count: 1 }] });
    // 10 Ah at 8 mA, less what leaks away: under 52 days.
    expect(care(of, [...rated, rill(0.008)]).get('standby')).toMatch(
      /Take Rill off Shale.* in (49|50|51) days\./,
    );
    expect(care(of, [...rated, rill(1e-300)]).has('standby')).toBeFalse();
    expect(care(of, [...rated, rill(0)]).has('standby')).toBeFalse();
  });

  it('has two people lift what is over 15 kg, one piece or a bag', () => {
    const heavy: readonly Gear[] = [curlew, { ...shale, weightG: sheet(15_500) }];
    expect(care(trip(), heavy).get('heavy')).toContain('Shale, 15.50 kg');
  });
});

describe('mains and fuel at a site', () => {
  const whip: Gear = { ...common, id: 'whip', kind: 'antenna', name: 'Whip' };
  const ids = (shelf: readonly Gear[], change: Partial<Trip> = {}) =>
    siteCareOf(
      rainyOuting([], { loadout: [...trip().loadout, { gear: 'whip', count: 1 }], ...change }),
      shelf,
    ).map(({ id }) => id);

  it('are both a generator’s, whatever it is called', () => {
    const generator = { ...whip, kind: 'generator', name: 'Puffer', ratedW: sheet(1000) } as unknown as Gear;
    expect(ids([...rated, generator])).toEqual(jasmine.arrayContaining(['fuel', 'mains']));
  });

  it('are mains alone of an inverter in the harness, and neither of an antenna, or a lead that is fed with mains', () => {
    const harness = {
      parts: [{ id: 'i', kind: 'inverter', from: 'shale' }],
      runs: [],
    } as unknown as NonNullable<Trip['harness']>;
    expect(ids([...rated, whip], { harness })).toContain('mains');
    expect(ids([...rated, whip], { harness })).not.toContain('fuel');
    const strip = {
      ...harness,
      parts: [{ id: 's', kind: 'strip', from: 'shale' }],
    } as unknown as typeof harness;
    for (const shelf of [
      [...rated, whip],
      [...rated, { ...whip, kind: 'other', via: 'mains' } as unknown as Gear],
    ]) {
      expect(ids(shelf)).not.toContain('mains');
      expect(ids(shelf, { harness: strip })).not.toContain('mains');
    }
  });
});

describe('several antennas', () => {
  const antenna = (id: string, dbi?: number): Gear =>
    ({ ...common, id, kind: 'antenna', name: id, ...(dbi !== undefined && { gainDbi: sheet(dbi) }) }) as Gear;
  const farM = (...antennas: Gear[]) => {
    const [block] = trip().blocks;
    const fm = { ...block, mode: 'FM' as const, powerW: 100, share: 0.5 };
    const loadout = [...trip().loadout, ...antennas.map(({ id }) => ({ gear: id, count: 1 }))];
    const all = siteCareOf(rainyOuting([], { blocks: [fm], loadout }), [...rated, ...antennas]);
    return Number(/([\d.]+) m from the antenna/.exec(all.find(({ id }) => id === 'exposure')!.sentence)![1]);
  };

  it('keep people away by the one that sends the most one way', () => {
    expect(farM(antenna('beam', 12.15), antenna('whip', 2.15))).toBe(14);
    expect(farM(antenna('whip', 2.15), antenna('beam', 12.15))).toBe(14);
    expect(farM(antenna('wire'))).toBeCloseTo(4.3, 1);
  });

  it('stand as far from power lines as the tallest of them', () => {
    const tall = (id: string, tallM: number) => ({ ...antenna(id), tallM: sheet(tallM) }) as Gear;
    const masts = [tall('short', 4), tall('long', 9), antenna('flat')];
    const loadout = [...trip().loadout, ...masts.map(({ id }) => ({ gear: id, count: 1 }))];
    const [lines] = siteCareOf(rainyOuting([], { loadout }), [...rated, ...masts]).filter(
      ({ id }) => id === 'lines',
    );
    expect(lines.sentence).toContain('at least 14 m from power lines');
  });
});
