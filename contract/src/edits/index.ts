export * from './beside.js';
export * from './blocks.js';
export * from './loadout.js';
export * from './merge-trips.js';
export * from './new-work.js';
export * from './packing.js';
export * from './panel-place.js';
export * from './weather.js';
