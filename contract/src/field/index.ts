export * from './field-log.js';
export * from './merge-logs.js';
export * from './odd-reading.js';
export * from './standing.js';
export * from './what-now.js';
export * from './worked-blocks.js';
export * from './worked-plan.js';
