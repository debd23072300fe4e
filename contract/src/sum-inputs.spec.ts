import fc from 'fast-check';
import { forecast } from '@knapsack/core';
import type { Trip } from './documents/trip.js';
import { dropVariant, keepVariant, nameVariant, takeInHand } from './documents/variants.js';
import { setWayIn } from './edits/packing.js';
import { harnessReport } from './harness/harness-report.js';
import { resolve } from './resolve/resolve.js';
import { sameSum, sumInputs, withPlanOf } from './sum-inputs.js';
import { bags } from './testing/any-gear.js';
import { trips } from './testing/any-trip.js';
import { kitShelf, kitTrip } from './testing/kit.js';

/** A trip after somebody has named, noted, ticked, packed and rehearsed it. */
const handled = (trip: Trip): Trip => ({
  ...trip,
  name: 'Another name',
  note: 'a note',
  variantName: 'A',
  archived: true,
  carryLimitG: 1234,
  place: { ...trip.place, name: 'elsewhere' },
  loadout: trip.loadout.map((item) => ({ ...item, bag: 'b', module: 'night' })),
  packing: { ...trip.packing, operators: 3, bags: [{ id: 'b', name: 'bag' }] },
  rehearsal: { ...trip.rehearsal, loadMinutes: 7, charging: [{ gear: 'shale', from: 'none' }] },
  packed: trip.loadout.map(({ gear }) => ({ gear })),
  results: [{ step: 'volts curlew', outcome: 'ok', at: '2027-09-01T10:00:00Z' }],
});

describe('what the calculation depends on', () => {
  it('is not what is named, noted, ticked, packed or rehearsed: nothing comes out otherwise', () => {
    let [asked, calculated] = [0, 0];
    fc.assert(
      fc.property(trips, bags, (trip, gear) => {
        asked += 1;
        const other = handled(trip);
        expect(sameSum(trip, other)).toBeTrue();
        const [one, two] = [resolve(trip, gear), resolve(other, gear)];
        expect(two.ok).toBe(one.ok);
        if (!one.ok || !two.ok) return;
        calculated += 1;
        expect(forecast(two.value).verdict).toEqual(forecast(one.value).verdict);
        expect(harnessReport(other, gear)).toEqual(harnessReport(trip, gear));
      }),
    );
    expect(calculated).toBeGreaterThan(asked / 20);
  });

  it('is everything else', () => {
    const trip = kitTrip({ weather: { air: 'ordinary', windMS: 1 } });
    const changes: Partial<Trip>[] = [
      { startSoc: 0.5 },
      { blocks: [] },
      { loadout: trip.loadout.slice(1) },
      { loadout: trip.loadout.map((item) => ({ ...item, count: item.count + 1 })) },
      { weather: { air: 'hazy', windMS: 1 } },
      { place: { ...trip.place, heightM: 7 } },
      { harness: { runs: [{ to: 'curlew', lengthM: 3 }] } },
      { packing: { wayIn: 'air' } },
      { rehearsal: { roomC: 3 } },
      { rehearsal: { departure: '2027-09-01T10:00:00Z' } },
      { gear: kitShelf },
      { variants: [{ ...trip, id: 'v', name: 'v', startSoc: 0.3 }] },
    ];
    for (const change of changes) {
      expect(sameSum(trip, { ...trip, ...change }))
        .withContext(JSON.stringify(change))
        .toBeFalse();
    }
    expect(harnessReport(setWayIn(trip, 'air'), kitShelf)).not.toEqual(harnessReport(trip, kitShelf));
  });

  it('is taken from a remedy, while the rest stays as it is now', () => {
    const asked = kitTrip();
    const remedy = { ...asked, startSoc: 0.5, loadout: [...asked.loadout].reverse() };
    const now = handled(asked);
    const mended = withPlanOf(now, remedy);
    expect(sumInputs(mended)).toEqual(sumInputs(remedy));
    expect([mended.name, mended.note, mended.carryLimitG, mended.place.name]).toEqual([
      ...['Another name', 'a note', 1234, 'elsewhere'],
    ]);
    expect(mended.rehearsal).toEqual(now.rehearsal!);
    for (const item of now.loadout) {
      expect(mended.loadout.find(({ gear }) => gear === item.gear)).toEqual(item);
    }
  });

  it('loses nothing that is said of a line of the bag', () => {
    fc.assert(
      fc.property(trips, (trip) => {
        expect(withPlanOf(trip, trip).loadout).toEqual(trip.loadout);
      }),
    );
  });
});

describe('a plan that is taken over', () => {
  const start = kitTrip();
  const two = keepVariant({ ...start, startSoc: 0.8 }, 'v-1', 'B');
  const changes: readonly (readonly [string, (trip: Trip) => Trip])[] = [
    ['a variant taken in hand', (trip) => takeInHand(trip, 'v-1')],
    ['a variant dropped', (trip) => dropVariant(trip, 'v-1')],
    ['a variant kept', (trip) => keepVariant(trip, 'v-2', 'C')],
    ['another way in', (trip) => setWayIn(trip, 'air')],
    ['another room', (trip) => ({ ...trip, rehearsal: { roomC: 3 } })],
    ['another departure', (trip) => ({ ...trip, rehearsal: { departure: '2027-09-01T10:00:00Z' } })],
    ['a piece taken out', (trip) => ({ ...trip, loadout: trip.loadout.slice(1) })],
  ];

  for (const [what, change] of changes) {
    it(`is that plan entire, after ${what} as before it`, () => {
      const before = { ...two, startSoc: 0.3, variantName: 'A' };
      const after = change(before);
      for (const [now, planned] of [
        [after, before],
        [before, after],
        [handled(after), before],
      ]) {
        expect(sumInputs(withPlanOf(now, planned))).toEqual(sumInputs(planned));
      }
      expect(withPlanOf(after, before).variants).toEqual(before.variants);
      expect(withPlanOf(after, before).variantName).toBe('A');
    });
  }

  it('leaves the names of the same variants as they are now', () => {
    const renamed = nameVariant(nameVariant(two, 'v-1', 'Lead'), null, 'Lithium');
    const mended = withPlanOf(renamed, { ...two, startSoc: 0.2 });
    expect([mended.startSoc, mended.variantName, mended.variants?.[0].name]).toEqual([
      0.2,
      'Lithium',
      'Lead',
    ]);
  });
});
