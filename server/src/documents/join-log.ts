import { MOST_LOG_ENTRIES, type LogDocument, type Stored } from '@knapsack/contract';
import { mergeLogs } from '@knapsack/contract/field';
import type { DocumentStore, Refusal } from './document-store.js';

/** A log with what was sent in it, and how many of its entries were not there before; or why it was left as it is. */
export type Joined =
  | { readonly ok: true; readonly stored: Stored<LogDocument>; readonly more: number }
  | { readonly ok: false; readonly refusal: Refusal };

/** Joins entries with those that stand in the log of their trip, so that whoever writes adds; refused (unfit) where it would hold too many. */
export async function joinLog(logs: DocumentStore<LogDocument>, sent: LogDocument): Promise<Joined> {
  let before = 0;
  const written = await logs.change(sent.trip, (known) => {
    before = known?.entries.length ?? 0;
    const merged = mergeLogs(known ?? sent, sent);
    return merged.entries.length > MOST_LOG_ENTRIES ? null : merged;
  });
  return written.ok ? { ...written, more: written.stored.document.entries.length - before } : written;
}
