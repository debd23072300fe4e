import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
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
  for (const version of [1, 3, 4]) {
    it(`is a trip of today, gear and variants in it: version ${version}`, () => {
      const trip = tripOf(version);
      expect(trip.version).toBe(5);
      expect(trip.gear!.every((gear) => gear.version === 4)).toBeTrue();
      expect(trip.variants?.length ?? 0).toBe(version >= 3 ? 1 : 0);
      const { missing, found, problems } = assessTrip(trip, []);
      expect(problems).toEqual([]);
      expect(missing).toEqual([]);
      expect(found!.run.verdict.plannedAh).toBeGreaterThan(5);
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

  for (const version of [1, 2, 3]) {
    it(`is a shelf of today: gear of version ${version}`, () => {
      const read = readShelf(fixture(`shelf-${version}.json`));
      expect(read.ok ? '' : read.problems[0].sentence).toBe('');
      if (read.ok) expect(read.value.gear.every((gear) => gear.version === 4)).toBeTrue();
    });
  }
});
