export * from './templates.js';
export * from './begin-trip.js';
export * from './lightest-lasting.js';
