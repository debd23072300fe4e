export * from './charge-up.js';
export * from './readiness.js';
export * from './steps.js';
