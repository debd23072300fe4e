export * from './contact-blocks.js';
export * from './debrief.js';
export * from './entries-of-contacts.js';
export * from './say-waterfall.js';
export * from './say-debrief.js';
