export * from './rain-of.js';
export * from './site-care-of.js';
export * from './wet-pack.js';
