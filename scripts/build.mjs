// npm run build: everything that npm start would build.
import { ensureInstalled, ensureLibraries, ensureWeb } from './setup.mjs';

ensureInstalled();
ensureLibraries();
ensureWeb();
