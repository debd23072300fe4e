// The API on loopback, one request after the other.
import { median, p95 } from './times.mjs';
import { served } from './served.mjs';

const RUNS = 200;

async function timed(work) {
  const times = [];
  for (let run = 0; run < RUNS; run++) {
    const begun = performance.now();
    await work();
    times.push(performance.now() - begun);
  }
  return times;
}

export const measure = () =>
  served(async (address) => {
    const url = `${address}/api/trips/gannet-rock-light`;
    const trip = await (await fetch(url)).json();
    const reads = await timed(async () => (await fetch(url)).json());
    let etag = '"1"';
    const writes = await timed(async () => {
      const answer = await fetch(url, {
        method: 'PUT',
        headers: { 'Content-Type': 'application/json', 'If-Match': etag },
        body: JSON.stringify(trip),
      });
      if (!answer.ok) throw new Error(await answer.text());
      etag = answer.headers.get('etag');
    });
    return [
      { what: 'API, read a trip, median', value: median(reads), unit: 'ms' },
      { what: 'API, replace a trip, median', value: median(writes), unit: 'ms' },
      { what: 'API, replace a trip, p95', value: p95(writes), unit: 'ms' },
    ];
  });
