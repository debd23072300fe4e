export * from './search-threads.js';
export type { ChanceFound } from './search-worker.js';
