export * from './trip-money.js';
