import { forecast, assumedCurrents } from '@knapsack/core';
import type { Accessory, Gear, Cable } from '../documents/gear.js';
import { cobble, curlew, relay, shale, shelf, trip } from '../testing/documents.js';
import type { Trip } from '../documents/trip.js';
import { resolve } from './resolve.js';
import { ASSUMED_CABLE_OHM } from '../harness/wiring-of.js';

const sentencesOf = (...args: Parameters<typeof resolve>) => {
  const plan = resolve(...args);
  return plan.ok ? [] : plan.problems.map(({ sentence }) => sentence);
};

const planOf = (...args: Parameters<typeof resolve>) => {
  const plan = resolve(...args);
  if (!plan.ok) throw new Error(plan.problems[0].sentence);
  return plan.value;
};

describe('resolving a trip', () => {
  it('looks gear up, takes the measured figure, fills defaults in and says what it assumed', () => {
    const plan = planOf(trip(), shelf);
    const { points } = assumedCurrents(plan.radio.figures, plan.assumption);
    expect(points.map(({ amps }) => amps)).toEqual([1.9]);
    expect(plan.packs[0].reserveSoc).toBe(0.1);
    expect(plan.wiring.radio!.ohm).toBe(ASSUMED_CABLE_OHM);
    expect(plan.assumed).toEqual(['the cable from battery to radio (25 mΩ)']);
    expect(forecast(plan).verdict.lasts).toBeTrue();
  });

  it('adds parallel packs up and divides their resistance', () => {
    const battery = {
      ...shale,
      resistanceOhm: { value: 0.06, source: 'measured' },
      peakA: { value: 20, source: 'datasheet' },
    } as const;
    const loadout = [
      { gear: 'curlew', count: 1 },
      { gear: 'shale', count: 2 },
    ];
    const { packs } = planOf(trip({ loadout }), [curlew, battery]);
    expect(packs.length).toBe(1);
    expect(packs[0]).toEqual(
      jasmine.objectContaining({
        name: '2 × Shale',
        peakA: 40,
        label: jasmine.objectContaining({ ratedAh: 20, ohmicOhm: 0.03 }),
      }),
    );
  });

  it('doubles the resistance of a data sheet, which was measured at 1 kHz, and takes a measured one as it is', () => {
    const ohmicOf = (source: 'measured' | 'datasheet') =>
      planOf(trip(), [curlew, { ...shale, resistanceOhm: { value: 0.012, source } }, relay]).packs[0].label
        .ohmicOhm;
    expect(ohmicOf('measured')).toBe(0.012);
    expect(ohmicOf('datasheet')).toBe(0.024);
  });

  it('knows where the trip goes, so that sunrise and sunset are among its events', () => {
    const there = { name: 'Gannet Rock', latitudeDeg: 59, longitudeDeg: 5.3, timeZone: 'Europe/Oslo' };
    const kindsAt = (place: Trip['place']) => {
      const night = { start: '2027-09-04T10:00:00Z', end: '2027-09-05T10:00:00Z' };
      const plan = resolve(trip({ place, ...night, blocks: [] }), shelf);
      if (!plan.ok) throw new Error(plan.problems[0].sentence);
      return forecast(plan.value).verdict.events.map(({ kind }) => kind);
    };
    expect(kindsAt(there)).toContain('sunset');
    expect(kindsAt({ name: 'somewhere', timeZone: 'UTC' })).not.toContain('sunset');
  });

  it('uses a measured capacity instead of rating x health, never both', () => {
    const battery = {
      ...shale,
      health: { value: 0.8, source: 'assumed' },
      measuredAh: { value: 9, source: 'measured' },
    } as const;
    expect(planOf(trip(), [curlew, battery, relay]).packs[0].label.health).toBe(0.9);
  });

  it('turns accessories on by their rule, and by the trip’s own rule before', () => {
    const hoursOn = (loadout: ReturnType<typeof trip>['loadout']) =>
      planOf(trip({ loadout }), shelf).accessories[0].pieces.map(
        ({ startMs, endMs }) => (endMs - startMs) / 3_600_000,
      );
    const [radio, battery] = trip().loadout;
    expect(hoursOn(trip().loadout)).toEqual([6]);
    expect(hoursOn([radio, battery, { gear: 'relay', count: 1, rule: { when: 'operating' } }])).toEqual([2]);
    expect(
      hoursOn([radio, battery, { gear: 'relay', count: 1, rule: { when: 'operating', modes: ['FT8'] } }]),
    ).toEqual([]);
  });

  it('prefers the shelf to what travels with the trip', () => {
    const old = { ...shale, ratedAh: { value: 5, source: 'datasheet' } } as const;
    expect(planOf(trip({ gear: [old] }), shelf).packs[0].label.ratedAh).toBe(10);
    expect(planOf(trip({ gear: [old, curlew, relay] }), []).packs[0].label.ratedAh).toBe(5);
  });

  it('says what is missing in the bag', () => {
    const [radio, battery] = trip().loadout;
    expect(sentencesOf(trip({ loadout: [battery] }), shelf)[0]).toContain('Put a radio in the bag');
    expect(sentencesOf(trip({ loadout: [radio] }), shelf)[0]).toContain('Put a battery in the bag');
    expect(sentencesOf(trip(), [curlew, shale])[0]).toContain('“relay”, which is neither on the shelf');
  });

  it('does not mix kinds of batteries', () => {
    const loadout = [...trip().loadout, { gear: cobble.id, count: 1 }];
    expect(sentencesOf(trip({ loadout }), shelf)[0]).toContain('or take one kind');
  });

  it('keeps batteries apart for use in turn, of any kind, each with its chemistry’s reserve', () => {
    const [radio] = trip().loadout;
    const loadout = [radio, { gear: 'shale', count: 2 }, { gear: 'cobble', count: 1 }];
    expect(sentencesOf(trip({ loadout }), shelf)[0]).toContain('one after the other');
    const { packs } = planOf(trip({ loadout, batteryUse: 'turns' }), shelf);
    expect(packs.map(({ name, reserveSoc }) => [name, reserveSoc])).toEqual([
      ['Shale no. 1', 0.1],
      ['Shale no. 2', 0.1],
      ['Cobble', 0.5],
    ]);
  });

  it('takes off before the start what leaks away in store', () => {
    expect(planOf(trip({ storedDays: 30 }), shelf).packs[0].startSoc).toBeCloseTo(0.97, 12);
  });

  it('makes cells behind a socket of a power station', () => {
    const box: Gear = {
      schema: 'knapsack.gear',
      version: 8,
      id: 'box',
      kind: 'station',
      name: 'Tarn 256',
      chemistry: 'lifepo4',
      cellsInSeries: 8,
      wattHours: { value: 256, source: 'datasheet' },
      socketA: { value: 10, source: 'datasheet' },
    };
    const [radio] = trip().loadout;
    const plan = planOf(trip({ loadout: [radio, { gear: 'box', count: 1 }] }), [...shelf, box]);
    // 256 Wh / 25.6 V
    expect(plan.packs[0].label.ratedAh).toBeCloseTo(10, 12);
    expect(plan.packs[0].label.socket).toEqual({ volts: 13, efficiency: 0.9, idleW: 2 });
    const { verdict } = forecast(plan);
    expect(verdict.consumers.at(-1)!.name).toBe('the power station itself');
    // 2 W for six hours
    expect(verdict.consumers.at(-1)!.wattHours).toBeCloseTo(12, 6);
    expect(verdict.findings.map(({ code }) => code)).toContain('box-noise');
    const two = trip({ loadout: [radio, { gear: 'box', count: 2 }] });
    expect(sentencesOf(two, [...shelf, box])[0]).toContain('cannot be put in parallel');
  });

  it('calculates converters, amplifiers and hours of an accessory’s own', () => {
    const [radio, battery] = trip().loadout;
    const accessory = (change: Partial<Accessory>): Gear => {
      const { drawA, ...rest } = relay as Accessory;
      return { ...rest, id: 'thing', name: 'thing', ...change };
    };
    const ahOf = (change: Partial<Accessory>) => {
      const plan = planOf(trip({ loadout: [radio, battery, { gear: 'thing', count: 1 }] }), [
        ...shelf,
        accessory(change),
      ]);
      return forecast(plan).verdict.consumers[1];
    };
    const watts = { value: 8.8, source: 'datasheet' } as const;
    // 10 W at the battery for 6 h
    expect(ahOf({ drawW: watts, via: 'usb' }).wattHours).toBeCloseTo(60, 6);
    // half of the two hours' block at 5 A, the rest at 1 A
    const amplifier = {
      drawA: { value: 1, source: 'datasheet' },
      transmitDraw: { value: 5, source: 'datasheet' },
      rule: { when: 'transmitting' },
    } as const;
    expect(ahOf(amplifier).ampereHours).toBeCloseTo(6, 9);
    const one = { value: 1, source: 'datasheet' } as const;
    const hours = [{ start: '2027-09-04T11:30:00Z', end: '2027-09-04T12:00:00Z' }];
    expect(ahOf({ drawA: one, rule: { when: 'hours', hours } }).ampereHours).toBeCloseTo(0.5, 9);
    expect(ahOf({ drawA: one, rule: { when: 'minutes', anHour: 10 } }).ampereHours).toBeCloseTo(1, 9);
  });

  it('asks for a place where something is on in the dark, and then finds the night', () => {
    const loadout = trip().loadout.map((item) =>
      item.gear === 'relay' ? { ...item, rule: { when: 'dark' } as const } : item,
    );
    const night = { start: '2027-09-04T12:00:00Z', end: '2027-09-05T12:00:00Z', blocks: [] };
    expect(sentencesOf(trip({ loadout, ...night }), shelf)[0]).toContain('is on in the dark');
    const place = { name: 'islet', timeZone: 'Europe/Oslo', latitudeDeg: 59, longitudeDeg: 5 };
    const [dark] = planOf(trip({ loadout, place, ...night }), shelf).accessories[0].pieces;
    expect((dark.endMs - dark.startMs) / 3_600_000).toBeGreaterThan(8);
    expect((dark.endMs - dark.startMs) / 3_600_000).toBeLessThan(10);
  });

  it('adds the cables of each run and refuses two for one', () => {
    const lead = (id: string, change: Partial<Cable>): Gear => ({
      schema: 'knapsack.gear',
      version: 8,
      id,
      kind: 'lead',
      name: id,
      ...change,
    });
    const wire = { areaMm2: 2.5, lengthM: 1, contactPairs: 2, connectorA: 30, fusesA: [15] };
    const gear = [
      ...shelf,
      lead('short', { wire }),
      lead('trunk', { run: 'distribution', loopOhm: { value: 0.01, source: 'measured' } }),
    ];
    const bag = (...ids: string[]) => [...trip().loadout, ...ids.map((id) => ({ gear: id, count: 1 }))];
    const plan = planOf(trip({ loadout: bag('short', 'trunk') }), gear);
    // 2 m of 2.5 mm2 copper at 12 C, two contact pairs and a 15 A fuse
    expect(plan.wiring.radio!.ohm).toBeCloseTo(
      (1.724e-8 * (1 + 0.00393 * -8) * 2) / 2.5e-6 + 0.002 + 0.12 / 15,
      9,
    );
    expect(plan.wiring.distribution!.ohm).toBe(0.01);
    const twice = [...bag('short'), { gear: 'trunk', count: 1, run: 'radio' as const }];
    expect(sentencesOf(trip({ loadout: twice }), gear)[0]).toContain(
      'are the cable from distribution to radio',
    );
  });

  it('takes the bench’s average of a mode, unless the block has its own', () => {
    const radio = { ...curlew, overs: [{ mode: 'CW', factor: 0.4, source: 'measured' }] } as const;
    const [block] = trip().blocks;
    const factorOf = (change: Partial<typeof block>) =>
      planOf(trip({ blocks: [{ ...block, ...change }] }), [...shelf, radio]).blocks[0].measuredFactor;
    expect(factorOf({})).toBe(0.4);
    expect(factorOf({ modeFactor: 0.5 })).toBeUndefined();
    const processed = planOf(trip({ blocks: [{ ...block, mode: 'SSB', processed: true }] }), shelf);
    expect(processed.blocks[0].modeFactor).toBe(0.6);
  });
});
