export { csvOf } from './csv.js';
export * from './calendar.js';
export * from './place-file.js';
export * from './trip-file.js';
