import { forecast } from '@knapsack/core';
import type { Trip } from '../documents/trip.js';
import { readTrip } from '../schemas/read.js';
import { kitShelf, kitTrip, rill } from '../testing/kit.js';
import { fixes } from '../what-if/fixes.js';
import { resolve } from './resolve.js';

const sheet = (value: number) => ({ value, source: 'datasheet' as const });
const wakes = kitShelf.map((gear) => (gear.id === 'rill' ? { ...rill, wakesBattery: true } : gear));
const relay = (change: Partial<Trip> = {}) => kitTrip({ unattended: true, restart: true, ...change });
const planOf = (trip: Trip, shelf = wakes) => {
  const plan = resolve(trip, shelf);
  if (!plan.ok) throw new Error(plan.problems[0].sentence);
  return plan.value;
};

describe('gear that nobody reaches', () => {
  it('comes back at the chemistry’s volts where the controller wakes the battery, else never', () => {
    expect(planOf(relay()).restart).toEqual({ reconnectV: 13, targetUp: 0.95 });
    expect(planOf(relay({ targetAvailability: 0.8 })).restart!.targetUp).toBe(0.8);
    // The shelf's own controller does not say that it can.
    expect(planOf(relay(), [...kitShelf]).restart!.reconnectV).toBe(Infinity);
  });

  it('does not where somebody is there, where it is not asked to, or where batteries have to be changed', () => {
    expect(planOf(kitTrip({ restart: true })).restart).toBeUndefined();
    expect(planOf(kitTrip({ unattended: true })).restart).toBeUndefined();
    expect(planOf(relay({ batteryUse: 'turns' })).restart).toBeUndefined();
  });

  it('is taken off and brought back by the disconnect that it hangs behind', () => {
    const parts = [
      { id: 'd', kind: 'disconnect' as const, from: 'shale', disconnectV: 11.5, reconnectV: 13.3 },
    ];
    const behind = relay({ harness: { parts, runs: [{ to: 'curlew', from: 'd' }] } });
    const plan = planOf(behind, [...kitShelf]);
    expect(plan.restart!.reconnectV).toBe(13.3);
    expect(forecast(plan).packs[0].cutoffV).toBe(11.5);
    const beside = relay({ harness: { parts } });
    expect(forecast(planOf(beside)).packs[0].cutoffV).toBe(10);
  });

  it('is taken off by the load terminals that it hangs on', () => {
    const terminals = {
      ...rill,
      loadA: sheet(10),
      disconnectV: sheet(11.8),
      reconnectV: sheet(13.1),
    };
    const shelf = kitShelf.map((gear) => (gear.id === 'rill' ? terminals : gear));
    const plan = planOf(relay({ radioOn: 'terminals' }), shelf);
    expect(plan.restart!.reconnectV).toBe(13.1);
    expect(forecast(plan).packs[0].cutoffV).toBe(11.8);
    // Its disconnect works for those who are there as well.
    expect(forecast(planOf(kitTrip({ radioOn: 'terminals' }), shelf)).packs[0].cutoffV).toBe(11.8);
    expect(forecast(planOf(kitTrip(), shelf)).packs[0].cutoffV).toBe(10);
  });

  it('is never mended by a knob or by finishing earlier', () => {
    const blocks = kitTrip().blocks.map((block) => ({ ...block, share: 0.8 }));
    const loadout = kitTrip().loadout.filter(({ gear }) => gear !== 'frond' && gear !== 'rill');
    const weak = (change: Partial<Trip>) =>
      fixes(kitTrip({ startSoc: 0.2, blocks, loadout, ...change }), wakes).map(({ words }) => words);
    const knobs = /^(run|cut the duty cycle|finish)/;
    expect(weak({}).some((words) => knobs.test(words))).toBeTrue();
    expect(weak({ unattended: true }).length).toBeGreaterThan(0);
    expect(weak({ unattended: true }).some((words) => knobs.test(words))).toBeFalse();
  });

  it('is read from a document, within its bounds', () => {
    const read = (change: object) => readTrip({ ...relay(), ...change }).ok;
    expect(read({ targetAvailability: 0.99 })).toBeTrue();
    expect(read({ targetAvailability: 1.01 })).toBeFalse();
    expect(read({ restart: 'yes' })).toBeFalse();
  });
});
