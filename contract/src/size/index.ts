export * from './ideal-figures.js';
export * from './kit-hunt.js';
export * from './kit-worker.js';
export * from './shelf-parts.js';
export * from './size-options.js';
export * from './size-space.js';
export * from './ration-trip.js';
export * from './size-answer.js';
