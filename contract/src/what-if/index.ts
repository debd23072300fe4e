export * from './ending.js';
export * from './failures.js';
export * from './fixes.js';
export * from './left-alone.js';
export * from './left-behind.js';
export * from './what-if.js';
export * from './what-if-sums.js';
