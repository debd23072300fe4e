export { bags } from './any-gear.js';
export { trips } from './any-trip.js';
