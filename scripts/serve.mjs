// Serves what stands in this clone; what start.mjs and demo.mjs share.
import { ensureServed } from './builds.mjs';
import { at, load } from './process.mjs';

/** @param data 'own' for the user's folder, 'demo' for the demo trips on a fresh file */
export async function serveHere(data) {
  await ensureServed();
  const { serve } = await load('server/dist/index.js');
  await serve(data, { webFolder: at('web/dist/browser'), demoFolder: at('demo') });
}
