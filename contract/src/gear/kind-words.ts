import type { GearKind } from '../documents/gear.js';

/** The kinds of gear, as headings. */
export const KIND_WORDS: Record<GearKind, string> = {
  radio: 'Radios',
  battery: 'Batteries',
  station: 'Power stations',
  amplifier: 'Amplifiers',
  accessory: 'Accessories',
  lead: 'Cables',
  panel: 'Panels',
  controller: 'Controllers',
  charger: 'Chargers',
  generator: 'Generators',
  distribution: 'Fuses and distribution',
  antenna: 'Masts and antennas',
  other: 'Other things carried',
};
