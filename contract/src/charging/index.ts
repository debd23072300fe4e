export * from './charging-of.js';
export * from './say-charging.js';
