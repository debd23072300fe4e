export * from './build-bar.js';
export * from './held-against.js';
export * from './kits.js';
export * from './measures.js';
