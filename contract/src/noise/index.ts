export * from './noise.js';
