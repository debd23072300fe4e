// Serves what is built, on the data folder of KNAPSACK_DATA; see own-server.mjs.
import { at, load } from './process.mjs';

const { serve } = await load('server/dist/index.js');
await serve('own', { webFolder: at('web/dist/browser'), demoFolder: at('demo') });
