// The terminal tool, set up and built first where needed.
import { ensureTool } from './builds.mjs';
import { load } from './process.mjs';

process.stdout.on('error', (error) => process.exit(error.code === 'EPIPE' ? 0 : 1));
await ensureTool();
const { main } = await load('cli/dist/main.js');
process.exitCode = await main(process.argv.slice(2));
