import { connectionOrder, CONVERTERS, forecast, type Forecast } from '@knapsack/core';
import type { Charger } from '../documents/charging-gear.js';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { lookUp } from '../resolve/look-up.js';
import { resolve } from '../resolve/resolve.js';
import { kitShelf, kitTrip, mains, rill } from '../testing/kit.js';
import { fedBy, station } from '../testing/sample-gear.js';
import { harnessFacts } from './harness-facts.js';
import { harnessOf } from './harness-of.js';
import { orderFacts } from './harness-report.js';

describe('what the rules hold a harness against', () => {
  const tablet = fedBy('tablet', 20, 'mains');
  const inVehicle: Charger = { ...mains, id: 'socket', from: 'vehicle' };
  const shelf: readonly Gear[] = [
    ...kitShelf,
    tablet,
    inVehicle,
    { ...rill, id: 'other', selfUseA: { value: 0.02, source: 'datasheet' } },
  ];
  const bag = (...ids: string[]) => ['curlew', 'shale', ...ids].map((gear) => ({ gear, count: 1 }));
  const facts = (trip: Trip, run: Forecast | null = null) => {
    const { carried } = lookUp(trip, shelf);
    return harnessFacts(trip, carried, harnessOf(trip, carried), run);
  };
  const marched = (trip: Trip): Forecast => {
    const plan = resolve(trip, shelf);
    if (!plan.ok) throw new Error(plan.problems[0].sentence);
    return forecast(plan.value);
  };

  it('count a charger only where something on the way feeds it', () => {
    const has = (wayIn: 'vehicle' | 'foot', ...ids: string[]) =>
      facts(kitTrip({ loadout: bag(...ids), packing: { wayIn } })).hasCharger;
    expect(has('vehicle', 'socket')).toBeTrue();
    expect(has('foot', 'socket')).toBeFalse();
    expect(has('vehicle', 'mains')).toBeFalse();
    expect(has('vehicle', 'mains', 'socket')).toBeTrue();
    expect(has('vehicle')).toBeFalse();
  });

  it('know an inverter by what hangs behind it, and how long that is on', () => {
    const trip = kitTrip({ loadout: bag('tablet') });
    const [inverter, ...rest] = facts(trip).inverters;
    expect(rest).toEqual([]);
    // Six hours of outing, as long as nobody knows better.
    expect(inverter).toEqual(
      jasmine.objectContaining({ part: 'tablet.via', standingW: CONVERTERS.mains.standingW, hours: 6 }),
    );
    expect(inverter.name).not.toBe('');
    const short = shelf.map((gear) =>
      gear.id === 'tablet' && gear.kind === 'accessory'
        ? { ...gear, rule: { when: 'operating', modes: ['CW'] } as const }
        : gear,
    );
    const { carried } = lookUp(trip, short);
    const plan = resolve(trip, short);
    if (!plan.ok) throw new Error(plan.problems[0].sentence);
    // On for the two hours of CW.
    expect(
      harnessFacts(trip, carried, harnessOf(trip, carried), forecast(plan.value)).inverters[0].hours,
    ).toBe(2);
    expect(facts(kitTrip()).inverters).toEqual([]);
  });

  it('take what is said of a disconnect, and leave out what is not', () => {
    const trip = kitTrip({
      harness: {
        parts: [
          { id: 'cut', kind: 'disconnect', from: 'shale', disconnectV: 12, reconnectV: 13, maxA: 20 },
          { id: 'box', kind: 'fusebox', from: 'shale', maxA: 30 },
          { id: 'bare', kind: 'disconnect', from: 'shale', name: 'old cut-out' },
        ] as NonNullable<Trip['harness']>['parts'] & object,
      },
    });
    const { disconnects } = facts(trip);
    expect(disconnects.map(({ part }) => part)).toEqual(['cut', 'bare']);
    expect(disconnects[0]).toEqual(jasmine.objectContaining({ disconnectV: 12, reconnectV: 13, maxA: 20 }));
    expect(disconnects[1]).toEqual({ part: 'bare', name: 'old cut-out' });
    expect(facts(kitTrip()).disconnects).toEqual([]);
  });

  it('tell from the march whether the radio drops out', () => {
    const trip = kitTrip();
    const run = marched(trip);
    const ends = (radioDropoutMs: number | null) => ({
      ...run,
      march: { ...run.march, ends: { ...run.march.ends, radioDropoutMs } },
    });
    expect(facts(trip, ends(5)).getsToDropout).toBeTrue();
    expect(facts(trip, ends(null)).getsToDropout).toBeFalse();
    expect(facts(trip, null).getsToDropout).toBeNull();
  });

  it('add up what controllers draw by themselves', () => {
    expect(facts(kitTrip()).standingA).toBeCloseTo(0.008, 9);
    expect(facts(kitTrip({ loadout: bag('frond', 'rill', 'other') })).standingA).toBeCloseTo(0.028, 9);
    expect(facts(kitTrip({ loadout: bag() })).standingA).toBe(0);
  });

  it('know the outing: by air, unattended, in store, at which temperatures', () => {
    expect(facts(kitTrip({ packing: { wayIn: 'air' } })).byAir).toBeTrue();
    expect(facts(kitTrip({ packing: { wayIn: 'foot' } })).byAir).toBeFalse();
    expect(facts(kitTrip({ unattended: true, storedDays: 12 }))).toEqual(
      jasmine.objectContaining({ isUnattended: true, storedDays: 12, temperatureC: 12 }),
    );
    expect(facts(kitTrip())).toEqual(
      jasmine.objectContaining({ isUnattended: false, storedDays: 0, suspended: null }),
    );
  });

  it('know the current of each battery: all of it where one is used after another, its part of it side by side', () => {
    const amps = (batteryUse: 'parallel' | 'turns') => {
      const loadout = [
        { gear: 'curlew', count: 1 },
        { gear: 'shale', count: 2 },
      ];
      const trip = kitTrip({ loadout, batteryUse, harness: { changeover: {} } });
      const { flow, packs } = facts(trip, marched(trip));
      return { share: flow.inParallel, pack: packs[0].keyDownA, lowV: flow.lowV };
    };
    const [side, turns] = [amps('parallel'), amps('turns')];
    expect([side.share, turns.share]).toEqual([true, false]);
    expect(turns.pack).toBeCloseTo(1.9, 6);
    expect(side.pack).toBeCloseTo(0.95, 6);
    // Two side by side dip by half as much, and neither gets as low.
    expect(side.lowV.keyDown).toBeGreaterThan(turns.lowV.keyDown + 0.02);
  });

  it('take the weakest of those used one after the other, the volts of a full name without any', () => {
    const low = (loadout: Trip['loadout'], change: Partial<Trip> = {}) => {
      const trip = kitTrip({ loadout, batteryUse: 'turns', harness: { changeover: {} }, ...change });
      return facts(trip).flow.lowV.receive;
    };
    const one = (...ids: string[]) => ['curlew', ...ids].map((gear) => ({ gear, count: 1 }));
    const alone = ['shale', 'cobble'].map((id) => low(one(id)));
    // Lead at its reserve stands lower than LiFePO4.
    expect(alone[1]).toBeLessThan(alone[0] - 0.3);
    expect(low(one('shale', 'cobble'))).toBeCloseTo(alone[1], 2);
    expect(low(one('cobble', 'shale'))).toBeCloseTo(alone[1], 2);
    expect(low(one())).toBe(12.8);
  });

  it('say whether the charge that a battery takes was entered or is the usual one', () => {
    const entered = (maxChargeA: object) => {
      const trip = kitTrip();
      const gear = kitShelf.map((one) => (one.id === 'shale' ? ({ ...one, ...maxChargeA } as Gear) : one));
      const { carried } = lookUp(trip, gear);
      return harnessFacts(trip, carried, harnessOf(trip, carried), null).packs[0].chargeEntered;
    };
    expect(entered({})).toBeFalse();
    expect(entered({ maxChargeA: { value: 4, source: 'datasheet' } })).toBeTrue();
  });

  it('know what a short circuit finds in each battery, and nothing of a power station', () => {
    const sources = (trip: Trip) => facts(trip).flow.sources;
    expect([...sources(kitTrip()).keys()]).toEqual(['shale']);
    expect(sources(kitTrip()).get('shale')!.ohmicOhm).toBeGreaterThan(0.01);
    const trip = kitTrip({ loadout: [{ gear: 'station', count: 1 }] });
    const { carried } = lookUp(trip, [...shelf, station(300)]);
    expect(harnessFacts(trip, carried, harnessOf(trip, carried), null).flow.sources.size).toBe(0);
  });

  describe('for the order of connecting', () => {
    const joining = (batteryUse: 'parallel' | 'turns', ...batteries: string[]) => {
      const counts = new Map<string, number>();
      for (const id of batteries) counts.set(id, (counts.get(id) ?? 0) + 1);
      const loadout = ['curlew', ...counts.keys()].map((gear) => ({ gear, count: counts.get(gear) ?? 1 }));
      const trip = kitTrip({ loadout, batteryUse });
      const parts = harnessOf(trip, lookUp(trip, kitShelf).carried);
      return connectionOrder(parts, orderFacts(facts(trip)))
        .map(({ words }) => words)
        .join(' ');
    };
    const OTHER = 'set the controller to the other chemistry first';
    const CHARGER = 'until its charger says so';

    it('say that the chemistry changes only where it does', () => {
      expect(joining('turns', 'shale', 'cobble')).toContain(OTHER);
      expect(joining('turns', 'shale', 'shale')).not.toContain(OTHER);
      expect(joining('turns', 'shale', 'shale')).toContain('only one battery at a time');
    });

    it('have LiFePO4 called full by its charger, the others by their volts', () => {
      expect(joining('parallel', 'shale', 'shale')).toContain(CHARGER);
      expect(joining('parallel', 'cobble', 'cobble')).not.toContain(CHARGER);
      expect(joining('parallel', 'cobble', 'cobble')).toContain('within 0.1 V of each other');
      expect(joining('parallel', 'shale', 'cobble')).toContain(CHARGER);
    });

    it('have nothing to say of one battery', () => {
      expect(joining('parallel', 'shale')).not.toContain('0.1 V');
      expect(joining('turns', 'shale')).not.toContain('one battery at a time');
    });
  });
});

describe('what the rules know of a piece', () => {
  const of = (change: object, id = 'rill') => {
    const trip = kitTrip();
    const gear = kitShelf.map((one) => (one.id === id ? ({ ...one, ...change } as Gear) : one));
    const { carried } = lookUp(trip, gear);
    return harnessFacts(trip, carried, harnessOf(trip, carried), null);
  };

  it('is of a controller what its maker says, and nothing that nobody has said', () => {
    const [plain] = of({}).controllers;
    for (const name of ['compensates', 'equalises', 'chargesToV', 'profiles', 'wakesBattery'])
      expect(name in plain).toBeFalse();
    for (const compensates of [true, false])
      expect(of({ compensates }).controllers[0].compensates).toBe(compensates);
    for (const equalises of [true, false]) expect(of({ equalises }).controllers[0].equalises).toBe(equalises);
  });

  it('is of a radio from which volts on it gives full power, where that is known', () => {
    const { fullPowerV: _none, ...radio } = kitShelf.find(({ id }) => id === 'curlew') as Extract<
      Gear,
      { kind: 'radio' }
    >;
    expect('fullPowerV' in of({ ...radio, fullPowerV: undefined }, 'curlew').radios[0]).toBeFalse();
    const known = of({ fullPowerV: { value: 12.4, source: 'datasheet' } }, 'curlew').radios[0];
    expect(known.fullPowerV).toBe(12.4);
  });
});
