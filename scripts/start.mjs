// npm start: Knapsack on the user's own data folder.
import { serve } from './serve.mjs';

await serve((settings) => ({ ...settings, withDemo: false }));
