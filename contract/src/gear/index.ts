export * from './comparison.js';
export * from './gear-fields.js';
export * from './kind-words.js';
export * from './kit-for-outing.js';
export * from './say-figure.js';
export * from './shelf-order.js';
export * from './shelf-search.js';
export * from './telling.js';
