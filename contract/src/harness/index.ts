export * from './change-harness.js';
export * from './harness-checks.js';
export * from './harness-facts.js';
export * from './harness-of.js';
export * from './harness-report.js';
export * from './bill.js';
export * from './drawing.js';
export type { Box, Direction, Point } from './layout.js';
export * from './svg.js';
