export * from './marks.js';
export * from './propose-marks.js';
export * from './read-power.js';
export * from './save-marks.js';
