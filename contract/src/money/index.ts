export * from './still-to-buy.js';
export * from './trip-money.js';
