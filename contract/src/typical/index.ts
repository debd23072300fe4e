export * from './typical-gear.js';
