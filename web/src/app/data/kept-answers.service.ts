import { Injectable } from '@angular/core';
import { upToDate, type Stored, type Trip } from '@knapsack/contract';
import { DeviceStore } from './device-store';

/** What the server answered last, as it stands on this device. */
export interface KeptAnswer {
  /** When the server said so, UTC epoch ms. */
  readonly atMs: number;
  readonly etag: string | null;
  readonly body: unknown;
}

/** A trip on this device, and when the server had it so, UTC epoch ms. */
export interface KeptTrip {
  readonly trip: Trip;
  readonly atMs: number;
}

/** Trips that stay on a device: those that were opened last. */
const MOST_TRIPS = 40;
const TRIPS = '/api/trips';
const BESIDE = ['packings', 'rehearsals', 'logs', 'debriefs'];
export const GEAR = '/api/gear';
const DOCUMENT = /^\/api\/(trips|packings|rehearsals|logs|debriefs)\/[^/?]+$/;

/** Whether an address is that of a document that is kept: a trip, or what stands beside one. */
export const isKeptDocument = (url: string): boolean => DOCUMENT.test(url);

/** An earlier release may have kept it: documents are brought to the version of this one, as the server does. */
const ofToday = (body: unknown): unknown =>
  Array.isArray(body)
    ? body.map(({ document, ...rest }: Stored<unknown>) => ({ ...rest, document: upToDate(document) }))
    : upToDate(body);

/** The trips that were opened on this device, with their gear and what stands beside them, so that they open while the server is away. */
@Injectable({ providedIn: 'root' })
export class KeptAnswers {
  private readonly store = new DeviceStore<KeptAnswer>('knapsack-kept', 'answers');

  async find(url: string): Promise<KeptAnswer | null> {
    const kept = await this.store.get(url);
    return kept && { ...kept, body: ofToday(kept.body) };
  }

  async keep(url: string, etag: string | null, body: unknown): Promise<void> {
    const isNewTrip = url.startsWith(`${TRIPS}/`) && (await this.store.get(url)) === null;
    await this.store.put(url, { atMs: Date.now(), etag, body });
    if (isNewTrip) await this.letOldestGo();
  }

  /** The server says that there is no such thing. */
  async drop(url: string): Promise<void> {
    await this.store.drop(url);
  }

  /** The trips that open from here, the newest first. */
  async trips(): Promise<readonly KeptTrip[]> {
    return (await this.tripsByAge()).map(({ answer: { body, atMs } }) => ({
      trip: ofToday(body) as Trip,
      atMs,
    }));
  }

  async clear(): Promise<void> {
    await this.store.clear();
  }

  /** The newest first. */
  private async tripsByAge() {
    return (await this.store.all())
      .filter(([url]) => url.startsWith(`${TRIPS}/`))
      .map(([url, answer]) => ({ url, answer }))
      .sort((a, b) => b.answer.atMs - a.answer.atMs);
  }

  private async letOldestGo(): Promise<void> {
    const old = (await this.tripsByAge()).slice(MOST_TRIPS).map(({ url }) => url.slice(TRIPS.length + 1));
    if (old.length === 0) return;
    await this.store.drop(
      ...old.flatMap((id) => [`${TRIPS}/${id}`, ...BESIDE.map((kind) => `/api/${kind}/${id}`)]),
    );
  }
}
