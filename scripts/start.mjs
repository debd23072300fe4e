// npm start: Knapsack on the user's own data folder.
import { serveHere } from './serve.mjs';

await serveHere('own');
