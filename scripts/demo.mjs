// npm run demo: Knapsack on a fresh file with the demo trips. Nothing of the user's own is touched.
import { serveHere } from './serve.mjs';

await serveHere('demo');
