import { HOUR_MS } from '../span.js';
import { measuredRadio, whiteboardPlan, type WhiteboardChange } from '../testing/plans.js';
import { sunPlan } from '../testing/sun-plans.js';
import { forecast } from './forecast.js';

const span = (from: number, to: number) => ({ startMs: from * HOUR_MS, endMs: to * HOUR_MS });
const eventsOf = (change: WhiteboardChange) =>
  forecast(whiteboardPlan(change)).verdict.events.map(({ kind, timeMs }) => [kind, timeMs / HOUR_MS]);
const kindsOf = (change: WhiteboardChange) => eventsOf(change).map(([kind]) => kind);

describe('events', () => {
  it('tell when the pack is down to its reserve and empty, inside their step', () => {
    const label = { chemistry: 'lifepo4', cellsInSeries: 4, ratedAh: 5, health: 1, leaksAMonth: 0 } as const;
    const events = eventsOf({ pack: { label } });
    expect(events.map(([kind]) => kind)).toEqual(['reserve', 'cutoff']);
    expect(events[0][1]).toBeCloseTo(4.5, 9);
    expect(events[1][1]).toBeLessThan(5);
  });

  it('tell the radio’s drop-out from the battery’s end', () => {
    const radio = { name: 'Curlew', figures: measuredRadio(1, [10, 3]), dropoutV: 13.05 };
    const [first] = eventsOf({ radio });
    expect(first[0]).toBe('radioDropout');
    // 13.05 V + 1 A x (0.0225 + 0.02) ohm = 13.0925 V: between 13.06 V at 50 % and 13.12 V at 60 %
    expect(first[1]).toBeCloseTo((1 - (0.5 + (0.0325 / 0.06) * 0.1)) * 20, 6);
  });

  it('tell when a source begins and ceases to carry the load, and when the pack is full', () => {
    const offeredA = (timeMs: number) => (timeMs > 2 * HOUR_MS && timeMs < 6 * HOUR_MS ? 3 : 0.5);
    const events = eventsOf({ pack: { startSoc: 0.8 }, offeredA });
    expect(events.map(([kind]) => kind)).toEqual(['balanceGained', 'full', 'balanceLost']);
    expect([events[0][1], events[2][1]]).toEqual([2, 6]);
  });

  it('tell that it is too cold to charge, or that the controller is at its limit', () => {
    const offeredA = () => 2;
    expect(kindsOf({ temperatureC: -5, pack: { startSoc: 0.5 }, offeredA })).toContain('coldBlock');
    const noon = { startMs: Date.UTC(2027, 5, 21, 10), endMs: Date.UTC(2027, 5, 21, 14) };
    const blocks = [{ ...whiteboardPlan().blocks[0], ...noon }];
    const sun = sunPlan({ controller: { kind: 'mppt', maxA: 1, wakeShare: 0.01, panelCableOhm: 0 } });
    const limited = { outing: noon, blocks, sun, pack: { startSoc: 0.5 } };
    expect(kindsOf(limited)).toContain('controllerLimit');
    expect(kindsOf({ ...limited, sun: sunPlan() })).not.toContain('controllerLimit');
  });

  it('tell when a charger goes on and off, inside the outing', () => {
    const feed = (from: number, to: number) => ({ ...span(from, to), name: 'c', amps: 0.5 });
    expect(eventsOf({ feeds: [feed(2, 4)] })).toEqual([
      ['chargerOn', 2],
      ['chargerOff', 4],
    ]);
    expect(eventsOf({ feeds: [feed(-1, 30)] })).toEqual([['chargerOn', 0]]);
  });

  it('tell sunrise and sunset where the place is known, and the next battery', () => {
    const outing = { startMs: Date.UTC(2027, 2, 20), endMs: Date.UTC(2027, 2, 21) };
    const blocks = [{ ...whiteboardPlan().blocks[0], ...outing }];
    const place = { latitudeDeg: 0, longitudeDeg: 0 };
    const label = { chemistry: 'lifepo4', cellsInSeries: 4, ratedAh: 60, health: 1, leaksAMonth: 0 } as const;
    expect(kindsOf({ outing, blocks, site: place, pack: { label } })).toEqual(['sunrise', 'sunset']);
    const [pack] = whiteboardPlan().packs;
    const { verdict } = forecast(
      whiteboardPlan({
        packs: [
          { ...pack, label: { ...pack.label, ratedAh: 5 } },
          { ...pack, name: 'spare' },
        ],
      }),
    );
    expect(verdict.events).toEqual([
      { kind: 'swap', timeMs: jasmine.any(Number) as unknown as number, pack: 'spare' },
    ]);
  });
});
