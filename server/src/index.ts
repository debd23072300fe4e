export { createApp } from './api/app.js';
export { Database } from './database/database.js';
export { StartProblem } from './database/start-problem.js';
export { seed } from './documents/seed.js';
export { storesOf, type Stores } from './documents/stores.js';
export { serve, type Installation } from './serve.js';
export { start, type Running, type StartOptions } from './start.js';
