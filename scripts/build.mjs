// npm run build: everything that npm start would build.
import { ensureServed } from './builds.mjs';

await ensureServed();
