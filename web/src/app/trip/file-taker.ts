import { inject, Injectable, signal, type OnDestroy } from '@angular/core';
import type { LogEntry, Trip } from '@knapsack/contract';
import { withoutEarlierContacts } from '@knapsack/contract/debrief';
import { entriesOfRecord } from '@knapsack/contract/field';
import { newKey } from '../data/new-id';
import type { ContactsAnswer, ContactsQuestion } from '../work/contacts-work';
import { hireWorker } from '../work/hire';
import { NewestWorker } from '../work/newest-worker';
import { OutingLog } from './outing-log';
import { TripStore } from './trip.store';

/** Contact logs of a lifetime are smaller. */
const LARGEST_FILE = 50_000_000;
const IS_CONTACT_LOG = /<\s*(eor|eoh)\s*>/i;

/** What came of a file, in sentences. */
export type Said = readonly string[];

/** "12 entries more in the log of Skua Head" */
export const sayMore = (count: number, trip: string): string =>
  `${count === 1 ? '1 entry more' : `${count} entries more`} in the log of ${trip}.`;

/** Takes a file into the log of the outing in hand: a contact log, read beside the page, or what an instrument recorded. */
@Injectable()
export class FileTaker implements OnDestroy {
  private readonly log = inject(OutingLog);
  private readonly trips = inject(TripStore);
  /** Contacts that were read so far; null while none are. */
  readonly count = signal<number | null>(null);
  /** Stops reading; nothing is taken in then. */
  stop: () => void = () => undefined;

  ngOnDestroy(): void {
    this.stop();
  }

  /** @param nowMs when an instrument was read off whose file does not say when it begins, UTC epoch ms */
  async take(file: File, nowMs: number): Promise<Said> {
    const trip = this.trips.trip();
    if (!trip) return [];
    if (file.size > LARGEST_FILE) return [`${file.name} is larger than 50 MB. Nothing was taken in.`];
    const text = await file.text();
    if (IS_CONTACT_LOG.test(text)) return this.readContacts(trip, text, file.name);
    const found = entriesOfRecord(text, trip, nowMs);
    if (!found.ok) return [found.problems[0].sentence];
    return this.add(trip, file.name, found.value.entries, found.value.notes);
  }

  private async readContacts(trip: Trip, text: string, name: string): Promise<Said> {
    this.stop();
    const answer = await new Promise<ContactsAnswer | null>((answered) => {
      const worker = new NewestWorker<ContactsQuestion, ContactsAnswer>(() => hireWorker('contacts'), {
        answered: (one) => (one.is === 'reading' ? this.count.set(one.count) : end(one)),
        failed: () => end(null),
      });
      const end = (one: ContactsAnswer | null) => {
        worker.dismiss();
        this.stop = () => undefined;
        this.count.set(null);
        answered(one);
      };
      this.stop = () => end({ is: 'refused', why: 'Stopped. Nothing was taken in.' });
      this.count.set(0);
      worker.ask({ trip, text });
    });
    if (answer?.is !== 'read') {
      return [
        answer?.is === 'refused'
          ? answer.why
          : `${name} could not be read, by a fault in Knapsack. Nothing was taken in.`,
      ];
    }
    const gone = withoutEarlierContacts(this.log.standing(), answer.entries, () => `e${newKey()}${newKey()}`);
    return this.add(trip, name, [...answer.entries, ...gone], answer.notes);
  }

  /** Adds what is new of the entries of a file. */
  add(trip: Trip, name: string, entries: readonly LogEntry[], notes: Said): Said {
    const there = new Set(this.log.log()?.entries.map(({ id }) => id));
    const more = entries.filter(({ id }) => !there.has(id));
    if (more.length === 0) return [`${name} was taken in before: nothing of it is new.`, ...notes];
    this.log.add(...more);
    return [`${name}: ${sayMore(more.filter((entry) => !entry.void).length, trip.name)}`, ...notes];
  }
}
