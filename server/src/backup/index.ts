export { Database } from '../database/database.js';
export { readBackup, writeBackup, type Backup } from './backup.js';
export { everythingIn, lookAtRestore, restoreInto, takeInto } from './data-folder.js';
export { StartProblem } from '../database/start-problem.js';
export { readSettings } from '../settings.js';
