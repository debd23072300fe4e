export { readTripFileChoice } from './trip-file-schema.js';
export { MOST_BACKED_UP, readDifferentChoice, readManifest } from './backup-schema.js';
export { unboundedProblem } from './bounded.js';
export {
  readDebrief,
  readGear,
  readLog,
  readPacking,
  readRehearsal,
  readRequirements,
  readShelf,
  readTrip,
} from './read.js';
export { readWeather } from './read-weather.js';
export { gearTable, readShelfFile, type ShelfReading } from './gear-table.js';
export { readHabits, readRationOptions, readSizeOptions } from './size-schema.js';
export { isInstant } from './joi.js';
