// The terminal tool, set up and built first where needed.
import { ensureInstalled, ensureLibraries, ROOT } from './setup.mjs';

process.stdout.on('error', (error) => process.exit(error.code === 'EPIPE' ? 0 : 1));
ensureInstalled();
ensureLibraries();
const { main } = await import(`${ROOT}/cli/dist/main.js`);
process.exitCode = await main(process.argv.slice(2));
