import type { ContactsEntry, Trip } from '@knapsack/contract';
import { entriesOfContacts, sayOthers } from '@knapsack/contract/debrief';
import { readAdif } from '@knapsack/contract/formats';
import type { Work } from './work';

/** A contact log to be read for an outing. */
export interface ContactsQuestion {
  readonly trip: Trip;
  readonly text: string;
}

export type ContactsAnswer =
  | { readonly is: 'reading'; readonly count: number }
  | { readonly is: 'read'; readonly entries: readonly ContactsEntry[]; readonly notes: readonly string[] }
  | { readonly is: 'refused'; readonly why: string };

/** Contacts that are left out are told by so many of their reasons. */
const MOST_TOLD = 3;

/** Reads a contact log, however long; who asked hears now and then how far it is. */
export const contactsWork: Work<ContactsQuestion, ContactsAnswer> = ({ trip, text }, { say }) => {
  const read = readAdif(text, (count) => {
    say({ is: 'reading', count }, true);
    return true;
  });
  if (!read.ok) return say({ is: 'refused', why: read.problems[0].sentence });
  const { contacts, leftOut } = read.value;
  const found = entriesOfContacts(trip, contacts);
  if (!found.ok) return say({ is: 'refused', why: found.problems[0].sentence });
  const { entries, others } = found.value;
  const told = leftOut.slice(0, MOST_TOLD).map(({ contact, why }) => `Contact ${contact} ${why}: left out.`);
  const more = leftOut.length - told.length;
  say({
    is: 'read',
    entries,
    notes: [
      ...(others > 0 ? [sayOthers(others)] : []),
      ...told,
      ...(more > 0 ? [`${more} more are left out.`] : []),
    ],
  });
};
