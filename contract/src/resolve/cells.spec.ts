import { forecast } from '@knapsack/core';
import type { ControllerGear } from '../documents/charging-gear.js';
import type { Battery, Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { harnessReport } from '../harness/harness-report.js';
import { readGear } from '../schemas/read.js';
import { kitShelf, kitTrip } from '../testing/kit.js';
import { battery } from '../testing/sample-gear.js';
import { resolve } from './resolve.js';

const sheet = (value: number) => ({ value, source: 'datasheet' as const });
/** Ten AA cells of 2.4 Ah in a holder. */
const cells: Battery = { ...battery('cells', 'nimh', 10, 2.4), keepsCharge: true };
const rook: ControllerGear = {
  ...{ schema: 'knapsack.gear', version: 8, id: 'rook', kind: 'controller', name: 'Rook', type: 'usb' },
  ...{ maxA: sheet(1), slots: 2, endsV: sheet(1.45), profiles: ['nimh'] },
};
const trip = (change: Partial<Trip> = {}, sets = 3): Trip =>
  kitTrip({
    loadout: [
      { gear: 'curlew', count: 1 },
      { gear: 'cells', count: sets },
      ...['frond', 'rook', 'short-lead'].map((gear) => ({ gear, count: 1 })),
    ],
    ...{ batteryUse: 'turns', chargeIdle: true, startSoc: 0.5 },
    ...change,
  });
const shelfWith = (change: Partial<ControllerGear> = {}): readonly Gear[] => [
  ...kitShelf,
  cells,
  { ...rook, ...change },
];
const planOf = (of: Trip, shelf = shelfWith()) => {
  const plan = resolve(of, shelf);
  if (!plan.ok) throw new Error(plan.problems[0].sentence);
  return plan.value;
};
const rules = (of: Trip, shelf = shelfWith()) =>
  harnessReport(of, shelf)
    .checks.filter(({ part, severity }) => part === 'rook' && severity !== 'note')
    .map(({ severity, rule }) => `${severity} ${rule}`);

describe('cells that are charged one by one on the panel’s USB socket', () => {
  it('get what the charger gives to those in it, and no more than the socket has', () => {
    // Two slots of 1 A for ten cells: 0.2 A into the set; a socket of 1 W gives 0.7 W, 55 mA at 12.8 V.
    expect(planOf(trip()).sun!.controller.maxA).toBeCloseTo(0.2, 9);
    const most = (shelf: readonly Gear[]) => Math.max(...forecast(planOf(trip(), shelf)).march.offeredA);
    expect(most(shelfWith())).toBeCloseTo(0.2, 6);
    const weak = most(shelfWith({ socketW: sheet(1) }));
    expect(weak).toBeGreaterThan(0.7 / 15);
    expect(weak).toBeLessThan(0.7 / 11);
    expect(most(shelfWith({ slots: 20 }))).toBeGreaterThan(2 * most(shelfWith()));
  });

  it('carry on for longer with a set that waits than without the sun', () => {
    const ends = (of: Trip) => forecast(planOf(of)).verdict;
    const dark = trip({ loadout: trip().loadout.filter(({ gear }) => !['frond', 'rook'].includes(gear)) });
    expect(ends(trip()).endSoc).toBeGreaterThan(ends(dark).endSoc);
  });

  it('are held against where the charger ends, and that a set waits', () => {
    expect(rules(trip())).toEqual([]);
    expect(rules(trip(), shelfWith({ endsV: sheet(1.25) }))).toContain('stop cellEnd');
    expect(rules(trip({ chargeIdle: false }))).toContain('look cellsOut');
    const lead = trip({
      loadout: [...trip().loadout.filter(({ gear }) => gear !== 'cells'), { gear: 'shale', count: 1 }],
    });
    expect(rules(lead, shelfWith({ profiles: ['nimh', 'lifepo4'] }))).toContain('stop cellsOut');
  });

  it('are read from a document', () => {
    expect(readGear({ ...rook, socketW: sheet(10) }).ok).toBeTrue();
    expect(readGear({ ...rook, slots: 0 }).ok).toBeFalse();
  });
});
