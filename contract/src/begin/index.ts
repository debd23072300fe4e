export * from './templates.js';
