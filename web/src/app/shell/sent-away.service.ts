import { Injectable, signal } from '@angular/core';

const OURS = 'knapsack.';
/** Habits of reading tell nothing of a trip. */
const STAY = ['knapsack.settings', 'knapsack.theme'];

/** A device that was sent away holds nothing of Knapsack any more: no trip, no draft, no entry, not the application itself. */
@Injectable({ providedIn: 'root' })
export class SentAway {
  private readonly isTold = signal(false);
  private readonly isCleared = signal(false);
  /** The rooms close: nothing they hold is written down again. */
  readonly told = this.isTold.asReadonly();
  readonly cleared = this.isCleared.asReadonly();

  clear(): void {
    if (this.isTold()) return;
    this.isTold.set(true);
    // The rooms keep what is in hand as they close, which is a moment later.
    setTimeout(() => void clearDevice().finally(() => this.isCleared.set(true)), 300);
  }
}

async function clearDevice(): Promise<void> {
  for (const storage of [localStorage, sessionStorage]) {
    for (const key of Object.keys(storage))
      if (key.startsWith(OURS) && !STAY.includes(key)) storage.removeItem(key);
  }
  for (const { name } of await indexedDB.databases()) if (name?.startsWith('knapsack')) await deleted(name);
  if (!('serviceWorker' in navigator)) return;
  for (const registration of await navigator.serviceWorker.getRegistrations())
    await registration.unregister();
  for (const key of await caches.keys()) await caches.delete(key);
}

const deleted = (name: string): Promise<void> =>
  new Promise((done) => {
    const asked = indexedDB.deleteDatabase(name);
    asked.onsuccess = asked.onerror = asked.onblocked = () => done();
  });
