export * from './marks.js';
export * from './propose-marks.js';
