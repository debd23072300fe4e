export * from './adif.js';
export * from './csv.js';
export * from './calendar.js';
export * from './site-file.js';
export * from './trip-file.js';
