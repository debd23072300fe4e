export * from './battery-trade.js';
export * from './packing-of.js';
export * from './spares.js';
export * from './what-for.js';
