export * from './field-card.js';
export * from './volts-table.js';
