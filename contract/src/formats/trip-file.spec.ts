import fc from 'fast-check';
import { keepVariant } from '../documents/variants.js';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { harnessReport } from '../harness/harness-report.js';
import { rehearsalSteps } from '../rehearse/steps.js';
import { standAlone } from '../resolve/stand-alone.js';
import { readTrip } from '../schemas/read.js';
import { bags } from '../testing/any-gear.js';
import { shale, shelf, trip } from '../testing/documents.js';
import { kitShelf, kitTrip } from '../testing/kit.js';
import {
  lookAtTripFile,
  takeTripFile,
  USUAL_TRIP_FILE_CHOICE,
  withGearRenamed,
  type TripFileChoice,
} from './trip-file.js';

const file = standAlone(trip(), shelf);
const keys = () => {
  let count = 0;
  return () => `key${++count}`;
};
const take = (here: Trip | null, there: readonly Gear[], choice: Partial<TripFileChoice> = {}) =>
  takeTripFile(file, here, there, { ...USUAL_TRIP_FILE_CHOICE, ...choice }, keys());

describe('a trip out of a file', () => {
  it('is new, the same or different, whatever the order of its fields; its gear is looked at by itself', () => {
    const turned = Object.fromEntries(Object.entries(trip()).reverse()) as unknown as Trip;
    expect(lookAtTripFile(file, null, shelf)).toEqual({
      trip: 'new',
      newGear: [],
      differentGear: [],
      missingGear: [],
    });
    expect(lookAtTripFile(file, turned, shelf).trip).toBe('same');
    expect(lookAtTripFile(file, { ...trip(), note: 'other' }, shelf).trip).toBe('different');
    const others = [{ ...shale, ratedAh: { value: 99, source: 'measured' as const } }];
    expect(lookAtTripFile(file, trip(), others)).toEqual({
      trip: 'same',
      newGear: ['Curlew', 'relay'],
      differentGear: ['Shale'],
      missingGear: [],
    });
    expect(lookAtTripFile(trip(), null, [shale]).missingGear).toEqual(['curlew', 'relay']);
  });

  it('brings its gear onto the shelf, or carries along what is not there', () => {
    const onShelf = take(null, []);
    expect(onShelf.gear.map(({ id }) => id).sort()).toEqual(['curlew', 'relay', 'shale']);
    expect(onShelf.trip).toEqual(trip());
    const along = take(null, [shale], { newGear: 'trip' });
    expect(along.gear).toEqual([]);
    expect(along.trip.gear?.map(({ id }) => id).sort()).toEqual(['curlew', 'relay']);
    for (const one of [onShelf, along]) expect(readTrip(one.trip).ok).toBeTrue();
  });

  it('takes nothing from a trip here whose own gear neither the file nor the shelf has', () => {
    const here = trip({ gear: shelf });
    const bare = trip();
    expect(lookAtTripFile(bare, here, []).missingGear).toEqual([]);
    const again = takeTripFile(bare, here, [], USUAL_TRIP_FILE_CHOICE, keys());
    expect(again.trip.id).toBe(here.id);
    expect(again.trip.gear?.map(({ id }) => id).sort()).toEqual(['curlew', 'relay', 'shale']);
    const changed = { ...bare, note: 'x' };
    for (const how of ['both', 'replace'] as const) {
      const choice = { ...USUAL_TRIP_FILE_CHOICE, trip: how };
      expect(takeTripFile(changed, here, [], choice, keys()).trip.gear?.length).toBe(3);
    }
  });

  it('stands beside the one that is here, or in its place', () => {
    const here = trip({ note: 'other' });
    expect(take(trip(), shelf).trip).toEqual(trip());
    expect(take(here, shelf, { trip: 'replace' }).trip).toEqual(trip());
    const both = take(here, shelf).trip;
    expect([both.id, both.name]).toEqual(['trip-key1', `${trip().name}, from a file`]);
    const long = takeTripFile(
      { ...file, name: 'x'.repeat(120) },
      here,
      shelf,
      USUAL_TRIP_FILE_CHOICE,
      keys(),
    );
    expect(readTrip(long.trip).ok).toBeTrue();
  });

  it('is calculated with its own gear where the shelf’s differs and that is wanted; the shelf stays as it is', () => {
    const mine = { ...shale, ratedAh: { value: 99, source: 'measured' as const } };
    const { trip: taken, gear } = take(null, [mine], { differentGear: 'file' });
    const beside = gear.find(({ kind }) => kind === 'battery')!;
    expect([beside.id, beside.name]).toEqual(['battery-key1', 'Shale, from a file']);
    expect(taken.loadout.map(({ gear: id }) => id)).toContain('battery-key1');
    expect(gear.some(({ id }) => id === 'shale')).toBeFalse();
    const shelfOfMine = take(null, [mine]).trip.loadout.map(({ gear: id }) => id);
    expect(shelfOfMine).toContain('shale');
  });

  it('whose gear is called otherwise is wired and rehearsed as before', () => {
    const wired = kitTrip({
      loadout: kitTrip().loadout.map((item) => (item.gear === 'shale' ? { ...item, count: 2 } : item)),
      harness: {
        parts: [{ id: 'split', kind: 'splitter', from: 'shale.2' }],
        runs: [{ to: 'curlew', from: 'split', lengthM: 2, awg: 14 }],
      },
      rehearsal: {
        charging: [{ gear: 'shale', soc: 0.4, from: 'mains' }],
      },
      results: [{ step: 'volts curlew', outcome: 'ok', at: '2027-09-01T10:00:00Z' }],
      packed: [{ gear: 'shale' }],
    });
    const names = new Map(kitShelf.map(({ id }) => [id, `zz${id}`]));
    const renamed = withGearRenamed(wired, names);
    const there = kitShelf.map((item) => ({ ...item, id: `zz${item.id}` }));
    const before = harnessReport(wired, kitShelf);
    const after = harnessReport(renamed, there);
    const plain = (value: unknown) => JSON.parse(JSON.stringify(value).replaceAll('zz', '')) as unknown;
    expect(plain(after)).toEqual(plain(before));
    expect(plain(rehearsalSteps(renamed, there, after))).toEqual(
      plain(rehearsalSteps(wired, kitShelf, before)),
    );
    expect(renamed.results?.[0].step).toBe('volts zzcurlew');
    expect(renamed.packed).toEqual([{ gear: 'zzshale' }]);
    expect(renamed.rehearsal?.charging?.[0]).toEqual({ gear: 'zzshale', soc: 0.4, from: 'zzmains' });
    expect(JSON.stringify(renamed)).toContain('"from":"zzshale.2"');
  });

  it('whose gear is called otherwise has it called so in its variants too; with nothing called otherwise it is the same', () => {
    const two = keepVariant(kitTrip(), 'v1', 'as it was');
    const renamed = withGearRenamed(two, new Map([['shale', 'zz']]));
    const bag = (of: { loadout: readonly { gear: string }[] }) => of.loadout.map(({ gear }) => gear);
    const wanted = bag(kitTrip()).map((gear) => (gear === 'shale' ? 'zz' : gear));
    expect(bag(renamed)).toEqual(wanted);
    expect(renamed.variants!.map(bag)).toEqual([wanted]);
    expect(renamed.variants![0]).toEqual(jasmine.objectContaining({ id: 'v1', name: 'as it was' }));
    expect(withGearRenamed(two, new Map())).toBe(two);
    const from = kitTrip({ harness: { runs: [{ to: 'curlew', lengthM: 2 }] } });
    expect(Object.keys(withGearRenamed(from, new Map([['curlew', 'zz']])).harness!.runs![0])).not.toContain(
      'from',
    );
  });

  it('leaves nothing of the file behind: every piece is on the shelf or with the trip', () => {
    const choices = fc.record({
      trip: fc.constantFrom('both' as const, 'replace' as const),
      newGear: fc.constantFrom('shelf' as const, 'trip' as const),
      differentGear: fc.constantFrom('file' as const, 'shelf' as const),
    });
    fc.assert(
      fc.property(bags, fc.integer({ min: 0, max: 7 }), choices, (gear, mask, choice) => {
        const loadout = gear.map(({ id }) => ({ gear: id, count: 1 }));
        const own = { ...trip({ loadout }), gear };
        const there = gear
          .filter((_, index) => mask & (1 << (index % 3)))
          .map((item, index) => (index % 2 ? item : { ...item, name: 'other' }));
        const taken = takeTripFile(own, trip(), there, choice, keys());
        const known = new Set([...there, ...taken.gear, ...(taken.trip.gear ?? [])].map(({ id }) => id));
        expect(taken.trip.loadout.every((item) => known.has(item.gear))).toBeTrue();
        expect(taken.gear.every(({ id }) => !there.some((item) => item.id === id))).toBeTrue();
      }),
    );
  });
});
