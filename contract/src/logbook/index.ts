export * from './figures-over-time.js';
export * from './forecasts-of-places.js';
export * from './logbook-csv.js';
export * from './never-used.js';
export * from './outing-row.js';
export * from './season-totals.js';
export * from './told-and-came.js';
