export * from './adif.js';
export { csvOf } from './csv.js';
export * from './calendar.js';
export * from './site-file.js';
export * from './trip-file.js';
