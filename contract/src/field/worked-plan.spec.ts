import type { LogEntry } from '../documents/log.js';
import { hour, shale, trip } from '../testing/outing.js';
import { readTrip } from '../schemas/read.js';
import { demoTrip, gannetShelf } from '../testing/gannet-rock.js';
import { workedPlan, workedTrip } from './worked-plan.js';

const at = (of: number) => new Date(hour(of)).toISOString();
const battery = (of: number, what: 'swap' | 'charge' | 'full', gear = 'shale'): LogEntry =>
  ({ id: `at-${of}`, at: at(of), kind: 'battery', do: what, gear }) as LogEntry;
const sky: LogEntry = { id: 'sky', at: at(9), kind: 'sky', cloud: 1 } as LogEntry;
const after = (...entries: LogEntry[]) => workedTrip(trip(), entries, [shale]);

describe('the trip as it was worked', () => {
  it('charges what is idle where the log says that a battery was charged, and nowhere else', () => {
    expect(after(battery(9, 'charge')).chargeIdle).toBeTrue();
    for (const entries of [[], [sky], [battery(9, 'swap')], [battery(9, 'full')]])
      expect('chargeIdle' in after(...entries)).toBeFalse();
  });

  it('uses batteries in turns where one was swapped or charged, not where one was found full', () => {
    expect(after(battery(9, 'swap')).batteryUse).toBe('turns');
    expect(after(battery(9, 'full')).batteryUse).toBe(trip().batteryUse);
  });

  it('has a borrowed battery that the shelf knows, once, and none that nobody knows', () => {
    const borrowed = workedTrip(
      trip(),
      [battery(9, 'swap', 'cobble'), battery(10, 'swap', 'cobble')],
      [{ ...shale, id: 'cobble' }],
    );
    expect(borrowed.loadout.map(({ gear }) => gear)).toEqual(['curlew', 'shale', 'cobble']);
    expect(after(battery(9, 'swap', 'unknown')).loadout).toEqual(trip().loadout);
  });

  it('can be ended early in every trip of the demo, variants or not', () => {
    for (const name of ['gannet-rock-light', 'headland-contest-camp', 'winter-bothy']) {
      const demo = demoTrip(name);
      const middle = (Date.parse(demo.start) + Date.parse(demo.end)) / 2;
      const end = { id: 'end', at: new Date(middle).toISOString(), kind: 'end' } as LogEntry;
      const ended = workedTrip(demo, [end], gannetShelf);
      expect(Date.parse(ended.end)).withContext(name).toBe(middle);
      expect(readTrip(ended).ok).withContext(name).toBeTrue();
      expect(workedPlan(demo, [end], gannetShelf).ok)
        .withContext(name)
        .toBeTrue();
    }
    expect(demoTrip('headland-contest-camp').variants!.length).toBeGreaterThan(0);
  });

  it('ends where it was called off, its blocks too', () => {
    const ended = after({ id: 'end', at: at(13), kind: 'end' } as LogEntry);
    expect(Date.parse(ended.end)).toBe(hour(13));
    expect(ended.blocks.map(({ end }) => Date.parse(end))).toEqual([hour(10), hour(13)]);
    const late = after({ id: 'end', at: at(30), kind: 'end' } as LogEntry);
    expect(Date.parse(late.end)).toBe(Date.parse(trip().end));
  });
});
