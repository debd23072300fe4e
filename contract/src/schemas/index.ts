export { readGear, readShelf, readTrip } from './read.js';
