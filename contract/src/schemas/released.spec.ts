import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { along, apart } from '../documents/beside.js';
import type { Trip } from '../documents/trip.js';
import { assessTrip } from '../resolve/assess-trip.js';
import { readShelf, readTrip } from './read.js';

const fixture = (name: string): unknown =>
  JSON.parse(readFileSync(fileURLToPath(new URL(`../../fixtures/${name}`, import.meta.url)), 'utf8'));

/** Documents as earlier releases wrote them, with their gear and variants inside. */
const tripOf = (version: number): Trip => {
  const read = readTrip(fixture(`trip-${version}.json`));
  if (!read.ok) throw new Error(read.problems.map(({ sentence }) => sentence).join(' '));
  return read.value;
};

describe('what earlier releases wrote', () => {
  for (const version of [1, 3, 4, 5, 6, 7, 8]) {
    it(`is a trip of today, gear and variants in it: version ${version}`, () => {
      const trip = tripOf(version);
      expect(trip.version).toBe(9);
      expect(trip.gear!.every((gear) => gear.version === 8)).toBeTrue();
      expect(trip.variants?.length ?? 0).toBe(version >= 3 ? 1 : 0);
      const { missing, found, problems } = assessTrip(trip, []);
      expect(problems).toEqual([]);
      expect(missing).toEqual([]);
      expect(found!.run.verdict.plannedAh).toBeGreaterThan(0.5);
      // Read again it is what it has become.
      expect(readTrip(trip)).toEqual({ ok: true, value: trip });
    });
  }

  it('keeps a usual cloud that its user gave, and drops the one that came with the climate', () => {
    // 30 % was typed by hand; 66 % is what a cool coast has in autumn, which version 4 wrote down when it was chosen.
    expect(tripOf(1).weather!.cloud).toBe(0.3);
    expect(tripOf(3).weather!.cloud).toBe(0.3);
    expect(tripOf(4).weather!.cloud).toBeUndefined();
  });

  it('has what was ticked and read along with it, out of the bags and the rehearsal in which it stood before', () => {
    const was = fixture('trip-5.json') as { loadout: { gear: string; packed?: boolean }[] };
    const ticked = was.loadout.filter(({ packed }) => packed).map(({ gear }) => gear);
    const { trip, packing, rehearsal } = apart(tripOf(5));
    // The second piece was ticked in a variant alone.
    expect(packing!.packed.map(({ gear }) => gear)).toEqual([...ticked, was.loadout[1].gear]);
    expect(rehearsal!.results).toEqual([
      { step: 'load', outcome: 'ok', value: 0.4, at: '2027-09-01T18:00:00Z' },
    ]);
    expect(trip.rehearsal).toEqual({ roomC: 12 });
    expect(JSON.stringify(trip)).not.toMatch(/packed":true|results/);
    expect(apart(along({ trip, packing, rehearsal }))).toEqual({ trip, packing, rehearsal });
    const unticked = { ...packing!, packed: [] };
    expect(apart(along({ trip, packing: unticked, rehearsal: null }))).toEqual({
      ...{ trip, packing: unticked, rehearsal: null },
    });
    expect(apart(tripOf(1))).toEqual(jasmine.objectContaining({ packing: null, rehearsal: null }));
  });

  it('is not taken for a document of ours by a word that every object has', () => {
    const read = readTrip({ ...tripOf(5), gear: [{ schema: 'constructor', version: 1 }] });
    expect(read.ok).toBeFalse();
  });

  for (const version of [1, 2, 3]) {
    it(`is a shelf of today: gear of version ${version}`, () => {
      const read = readShelf(fixture(`shelf-${version}.json`));
      expect(read.ok ? '' : read.problems[0].sentence).toBe('');
      if (read.ok) expect(read.value.gear.every((gear) => gear.version === 8)).toBeTrue();
    });
  }
});
