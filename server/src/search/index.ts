export * from './search-threads.js';
export type { ChanceFound } from './search-worker.js';
export * from './thread.js';
export * from './waiting-room.js';
