import { readFileSync } from 'node:fs';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';

const demo = (name: string): unknown =>
  JSON.parse(readFileSync(new URL(`../../../demo/${name}`, import.meta.url), 'utf8'));

/** A trip of the demo, by its id. */
export const demoTrip = (id: string): Trip => demo(`trips/${id}.json`) as Trip;

/** The demo's lighthouse outing, and the demo's shelf. */
export const gannetRock = demoTrip('gannet-rock-light');
export const gannetShelf = (demo('gear.json') as { gear: readonly Gear[] }).gear;
