import type { Trip } from '../documents/trip.js';
import { kitShelf, kitTrip } from '../testing/kit.js';
import { chargeUp, NONE, OWN, withCharging } from './charge-up.js';

const HOUR_MS = 3_600_000;

describe('what is said about charging a thing', () => {
  const start = Date.parse(kitTrip().start);
  const lineOf = (trip: Trip, id: string) =>
    chargeUp(trip, kitShelf, 6, start - 10 * 24 * HOUR_MS).lines.find((line) => line.id === id);

  it('adds to what was said of it before, and leaves what was said of others', () => {
    const first = withCharging(withCharging(kitTrip(), 'dunlin', { from: OWN }), 'shale', { soc: 0.4 });
    const then = withCharging(first, 'shale', { from: NONE });
    expect(then.rehearsal?.charging).toEqual([
      { gear: 'dunlin', from: OWN },
      { gear: 'shale', soc: 0.4, from: NONE },
    ]);
    expect(withCharging(then, 'shale', { soc: 0.7 }).rehearsal?.charging).toHaveSize(2);
  });

  it('is told as typed where it was', () => {
    expect(lineOf(kitTrip(), 'shale')!.socTyped).toBeFalse();
    expect(lineOf(withCharging(kitTrip(), 'shale', { soc: 0.4 }), 'shale')).toEqual(
      jasmine.objectContaining({ soc: 0.4, socTyped: true }),
    );
  });

  it('needs no hour from 99.5 % on', () => {
    const hours = (soc: number) => lineOf(withCharging(kitTrip(), 'shale', { soc }), 'shale')!.startMs;
    expect(hours(0.995)).toBeNull();
    expect(hours(0.99)).not.toBeNull();
    const left = lineOf(withCharging(kitTrip(), 'shale', { soc: 0.995, from: NONE }), 'shale')!;
    expect(left.note).not.toContain('It leaves as it is');
  });

  it('is nothing of a thing that has no battery', () => {
    for (const id of ['relay', 'frond', 'rill', 'curlew']) expect(lineOf(kitTrip(), id)).toBeUndefined();
  });
});
