import type { Accessory, Gear } from '../documents/gear.js';
import type { OwnCellsUse, Trip } from '../documents/trip.js';
import { chargeUp } from '../rehearse/charge-up.js';
import { readTrip } from '../schemas/read.js';
import { kitShelf, kitTrip } from '../testing/kit.js';
import { curlew, shale, trip } from '../testing/outing.js';
import { ownCellsSaved, sayOwnCells } from './own-cells-saved.js';
import { resolve } from './resolve.js';

const sheet = (value: number) => ({ value, source: 'datasheet' as const });
/** 6 W at its plug, a third of the time: 2.27 W at the battery. */
const tablet: Accessory = {
  ...{ schema: 'knapsack.gear', version: 8, id: 'tablet', kind: 'accessory', name: 'Tablet' },
  ...{ drawW: sheet(6), via: 'usb', rule: { when: 'minutes', anHour: 20 } },
  internal: { wattHours: sheet(10), chargeW: sheet(12) },
};
const shelf: readonly Gear[] = [curlew, shale, tablet];
const withTablet = (ownCells?: OwnCellsUse, of: Trip = trip()): Trip => ({
  ...of,
  loadout: [...of.loadout, { gear: 'tablet', count: 1, ...(ownCells && { ownCells }) }],
});
const saved = (use?: OwnCellsUse) => ownCellsSaved(withTablet(use), shelf, 2)!;

describe('a device with cells of its own in a trip', () => {
  it('takes from the battery what it always took where nothing is said', () => {
    const { aloneAh, takenAh } = saved();
    expect(takenAh).toBe(aloneAh);
    // Twelve hours of 6 W a third of the time, through 0.88, at 13 V.
    expect(aloneAh).toBeCloseTo((12 * 6) / 3 / 0.88 / 13, 6);
    expect(sayOwnCells(saved())).toContain('nothing saved');
  });

  it('runs by itself first: 10 of its 24 Wh need not come from the battery', () => {
    const found = saved({ feed: 'alone' });
    expect(found.aloneAh - found.takenAh).toBeCloseTo(10 / 0.88 / 13, 3);
    expect(found.runsH).toBeCloseTo(5, 9);
    expect(sayOwnCells(found)).toBe('Runs 5 h 00 by itself; 0.87 Ah of the battery saved.');
    expect(saved({ feed: 'alone', soc: 0 }).takenAh).toBeCloseTo(found.aloneAh, 9);
  });

  it('is charged in chosen hours, and then takes more than it saves', () => {
    const hours = [{ start: '2027-09-04T08:00:00Z', end: '2027-09-04T18:00:00Z' }];
    const found = saved({ feed: 'hours', soc: 0, hours });
    expect(found.takenAh).toBeGreaterThan(found.aloneAh);
    expect(sayOwnCells(found)).toContain('more than on the bus alone');
  });

  it('is charged where the sun has more than the rest needs, and never in the dark', () => {
    const sunny = withTablet({ feed: 'sun', soc: 0.1 }, kitTrip());
    const plan = resolve(sunny, [...kitShelf, tablet]);
    if (!plan.ok) throw new Error(plan.problems[0].sentence);
    const { pieces } = plan.value.accessories.find(({ id }) => id === 'tablet')!;
    const charging = pieces.filter(({ mean }) => mean.watts === 12);
    expect(charging.length).toBeGreaterThan(0);
    const dark = withTablet({ feed: 'sun', soc: 0.1 });
    const unlit = resolve(dark, shelf);
    if (!unlit.ok) throw new Error(unlit.problems[0].sentence);
    const alone = unlit.value.accessories.find(({ id }) => id === 'tablet')!.pieces;
    expect(alone.some(({ mean }) => mean.watts === 12)).toBeFalse();
  });

  it('has a line of its own in the charge-up timetable', () => {
    const { lines } = chargeUp(withTablet(), shelf, 0, 0);
    expect(lines.find(({ id }) => id === 'tablet')!.name).toBe('Tablet’s own battery');
  });

  it('is read, and hours that end before they start are refused', () => {
    const hours = [{ start: '2027-09-04T08:00:00Z', end: '2027-09-04T10:00:00Z' }];
    const good = withTablet({ feed: 'hours', hours });
    expect(readTrip(good)).toEqual({ ok: true, value: good });
    const wrong = readTrip(
      withTablet({ feed: 'hours', hours: [{ start: hours[0].end, end: hours[0].start }] }),
    );
    expect(wrong.ok ? '' : wrong.problems[0].pointer).toBe('/loadout/2/ownCells/hours/0');
    expect(ownCellsSaved(trip(), shelf, 0)).toBeNull();
    expect(ownCellsSaved(trip(), shelf, 9)).toBeNull();
  });
});
