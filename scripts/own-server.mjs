// A server of its own process on a data folder, for what kills it, fills its disk or asks it nonsense. Nothing is built.
import { spawn } from 'node:child_process';
import { at } from './process.mjs';

/**
 * Starts one and waits until it answers.
 *
 * @returns its address, what it said on standard error, how it ended (null while it runs), and a way to end it
 */
export async function ownServer(dataFolder) {
  const child = spawn(process.execPath, [at('scripts/serve-built.mjs')], {
    env: { ...process.env, KNAPSACK_DATA: dataFolder, PORT: '0' },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  const state = { noise: '', ended: null };
  child.stderr.on('data', (chunk) => (state.noise = (state.noise + chunk).slice(-20_000)));
  const gone = new Promise((done) =>
    child.on('exit', (code, signal) => {
      state.ended = `${signal ?? code}`;
      done();
    }),
  );
  const address = await new Promise((done, failed) => {
    child.stdout.on('data', (chunk) => {
      const found = /http:\/\/\S+/.exec(String(chunk));
      if (found) done(found[0]);
    });
    void gone.then(() => failed(new Error(`The server did not start: ${state.noise}`)));
  });
  return {
    address,
    state,
    pid: child.pid,
    end: async (signal) => {
      child.kill(signal);
      await gone;
    },
  };
}
