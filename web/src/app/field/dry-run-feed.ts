import type { LinesMoment } from '@knapsack/contract/field';
import type { PlayedTruth } from '@knapsack/core';

/** What comes of a dry run, in the order of time. */
export interface FeedListener {
  moment(moment: LinesMoment): void;
  ended(): void;
  failed(): void;
}

/** From when on a dry run is heard. */
export interface FeedSpan {
  /** Where its clock stands, UTC epoch ms: what was sent up to then comes at once. */
  readonly fromMs: number;
  /** What was sent up to then is known already, UTC epoch ms. */
  readonly afterMs: number;
  /** How much faster its clock runs; 0 where it stands still. */
  readonly faster: number;
}

/** Something that sends; it is closed once nobody listens. */
export interface Feed {
  close(): void;
}

const TICK_MS = 200;
const SLOW = 1;

/** The server's stand-ins of the instruments, over its stream. */
export function serverFeed(run: string, { fromMs, afterMs, faster }: FeedSpan, listener: FeedListener): Feed {
  // A stream is no answer that a service worker could keep.
  const query = `from=${fromMs}&after=${afterMs}&faster=${faster || SLOW}&ngsw-bypass`;
  const source = new EventSource(`/api/dry-runs/${run}?${query}`);
  const close = () => source.close();
  let lines: string[] = [];
  source.onmessage = ({ data }: MessageEvent<string>) => void lines.push(data);
  source.addEventListener('truth', ({ data }: MessageEvent<string>) => {
    const truth = JSON.parse(data) as PlayedTruth;
    const { timeMs } = truth;
    // One that stands still hears what was, and no more.
    if (faster === 0 && timeMs > fromMs) return close();
    listener.moment({ timeMs, lines, truth });
    lines = [];
  });
  source.addEventListener('end', () => {
    close();
    listener.ended();
  });
  source.onerror = () => {
    close();
    listener.failed();
  };
  return { close };
}

/** A file of lines, played again. */
export function fileFeed(
  moments: readonly LinesMoment[],
  { fromMs, afterMs, faster }: FeedSpan,
  listener: FeedListener,
): Feed {
  const begun = performance.now();
  const rest = moments.filter(({ timeMs }) => timeMs > afterMs);
  let next = 0;
  const send = () => {
    const untilMs = fromMs + (performance.now() - begun) * faster;
    for (; next < rest.length && rest[next].timeMs <= untilMs; next++) listener.moment(rest[next]);
    if (next < rest.length) return;
    clearInterval(timer);
    listener.ended();
  };
  const timer = setInterval(send, TICK_MS);
  return { close: () => clearInterval(timer) };
}
