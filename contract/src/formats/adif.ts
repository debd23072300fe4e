import { fail, HOUR_MS, MODES, succeed, type Contact, type Mode, type Result } from '@knapsack/core';
import { bandOfMHz } from './amateur-bands.js';

/** Contacts that are read of a file at the most. */
export const MOST_CONTACTS = 100_000;
/** A field longer than this is broken. */
const LONGEST_FIELD = 100_000;
/** Who writes down a longer contact wrote the wrong hour. */
const LONGEST_CONTACT_MS = 12 * HOUR_MS;

/** A contact that was left out, by its number in the file, from 1. */
export interface LeftOut {
  readonly contact: number;
  /** Why, the rest of a sentence: "has no time". */
  readonly why: string;
}

/** What was read of a contact log. */
export interface AdifRead {
  /** In the order of the file. */
  readonly contacts: readonly Contact[];
  readonly leftOut: readonly LeftOut[];
}

/** A record as it stands: by field, in capitals; null where a field's length is wrong. */
export type AdifRecord = ReadonlyMap<string, string> | null;

const TAG = String.raw`<\s*([A-Za-z]\w*)\s*(?::\s*(\w*)\s*(?::[^<>]{0,20})?)?>`;
const utf8 = new TextEncoder();

/**
 * The records of an ADIF file, one after the other: fields in any order and case, remarks between them, with or without a header, lengths in characters
 * or, as some programs count, in bytes. Source: the Amateur Data Interchange Format, read tolerantly.
 */
export function* adifRecords(text: string): Generator<AdifRecord> {
  const head = /<\s*eoh\s*>/i.exec(text);
  const tags = new RegExp(TAG, 'g');
  tags.lastIndex = head ? head.index + head[0].length : 0;
  let fields = new Map<string, string>();
  let isBroken = false;
  for (let tag = tags.exec(text); tag; tag = tags.exec(text)) {
    const [, name, length] = tag;
    const upper = name.toUpperCase();
    if (upper === 'EOR') {
      if (isBroken || fields.size > 0) yield isBroken ? null : fields;
      [fields, isBroken] = [new Map(), false];
      continue;
    }
    if (length === undefined) continue;
    const from = tags.lastIndex;
    const data = /^\d{1,6}$/.test(length) ? dataOf(text, from, Number(length)) : null;
    if (data === null) isBroken = true;
    else {
      fields.set(upper, data);
      tags.lastIndex = from + data.length;
    }
  }
  if (isBroken || fields.size > 0) yield isBroken ? null : fields;
}

/** The text of a field; null where its length is wrong: it would run over the end of its record. */
function dataOf(text: string, from: number, length: number): string | null {
  if (length > LONGEST_FIELD || from + length > text.length) {
    const rest = bytesOf(text, from, length);
    return rest.length < length && utf8.encode(rest).length === length ? rest : null;
  }
  const data = text.slice(from, from + length);
  if (/<\s*eor\s*>/i.test(data)) return null;
  if (endsAField(text, from + length)) return data;
  const inBytes = bytesOf(text, from, length);
  return inBytes.length < length && endsAField(text, from + inBytes.length) ? inBytes : data;
}

/** Whether nothing but space stands before the next tag, or the end. */
const endsAField = (text: string, at: number): boolean => /^\s*(<|$)/.test(text.slice(at, at + 200));

/** So much of a text as has a number of bytes in UTF-8. */
function bytesOf(text: string, from: number, bytes: number): string {
  let count = 0;
  let end = from;
  for (const letter of text.slice(from, from + Math.min(bytes, LONGEST_FIELD))) {
    count += utf8.encode(letter).length;
    if (count > bytes) break;
    end += letter.length;
  }
  return text.slice(from, end);
}

/**
 * Reads the contacts of an ADIF file, those that cannot be read left out and told.
 *
 * @param onRead told now and then how many were read; false stops it
 */
export function readAdif(text: string, onRead: (count: number) => boolean = () => true): Result<AdifRead> {
  const contacts: Contact[] = [];
  const leftOut: LeftOut[] = [];
  const seen = new Set<string>();
  let number = 0;
  for (const record of adifRecords(text)) {
    number += 1;
    if (number > MOST_CONTACTS) {
      return refuse(`This file has more than ${MOST_CONTACTS} contacts. Nothing was taken.`);
    }
    if (number % TOLD_EVERY === 0 && !onRead(number))
      return refuse('Reading was stopped. Nothing was taken.');
    const read = contactOf(record, seen);
    if (typeof read === 'string') leftOut.push({ contact: number, why: read });
    else contacts.push(read);
  }
  if (number === 0) {
    return refuse(
      'There is no contact in this file: in an ADIF file one looks like “<QSO_DATE:8>20270904 <TIME_ON:4>0910 <MODE:2>CW <EOR>”. Nothing was taken.',
    );
  }
  return succeed({ contacts, leftOut });
}

const TOLD_EVERY = 1000;

/** A contact, or why it is left out. */
function contactOf(record: AdifRecord, seen: Set<string>): Contact | string {
  if (record === null) return 'has a field of the wrong length';
  const word = (name: string) => (record.get(name) ?? '').trim();
  if (word('QSO_DATE') === '') return 'has no date';
  if (word('TIME_ON') === '') return 'has no time';
  const timeMs = instantOf(word('QSO_DATE'), word('TIME_ON'));
  if (timeMs === null) return `has no such time: ${word('QSO_DATE')} ${word('TIME_ON')}`.slice(0, 80);
  const modeName = (word('SUBMODE') || word('MODE')).toUpperCase().slice(0, 20);
  const mode = modeOf(word('SUBMODE')) ?? modeOf(word('MODE'));
  const band = word('BAND').toLowerCase().slice(0, 20) || bandOfMHz(Number(word('FREQ'))) || '';
  const key = [timeMs, word('CALL').toUpperCase(), mode ?? modeName, band].join(' ');
  if (seen.has(key)) return 'stands in the file twice';
  seen.add(key);
  const endMs = endOf(timeMs, word('QSO_DATE_OFF') || word('QSO_DATE'), word('TIME_OFF'));
  return { timeMs, mode, modeName, band, ...(endMs !== null && { endMs }) };
}

/** Null where there is no end, or none that can be. */
function endOf(timeMs: number, date: string, time: string): number | null {
  const atMs = instantOf(date, time);
  if (atMs === null) return null;
  // A contact over midnight often has the day of its beginning.
  const endMs = atMs < timeMs ? atMs + 24 * HOUR_MS : atMs;
  return endMs - timeMs <= LONGEST_CONTACT_MS ? endMs : null;
}

/** YYYYMMDD and HHMM or HHMMSS in UTC; null where that is no time. */
function instantOf(date: string, time: string): number | null {
  const day = /^(\d{4})(\d{2})(\d{2})$/.exec(date);
  const clock = /^(\d{2})(\d{2})(\d{2})?$/.exec(time);
  if (!day || !clock) return null;
  const [year, month, ofMonth] = day.slice(1).map(Number);
  const [hour, minute, second] = clock.slice(1).map((part = '0') => Number(part));
  if (hour > 23 || minute > 59 || second > 59) return null;
  const timeMs = Date.UTC(year, month - 1, ofMonth, hour, minute, second);
  return new Date(timeMs).getUTCDate() === ofMonth && month >= 1 && month <= 12 ? timeMs : null;
}

/** Names of modes in logs that stand for one of ours. */
const OTHER_NAMES: ReadonlyMap<string, Mode> = new Map<string, Mode>([
  ['USB', 'SSB'],
  ['LSB', 'SSB'],
  ['PHONE', 'SSB'],
  ['PH', 'SSB'],
  ['PSK', 'PSK31'],
  ['C4FM', 'DIGITALVOICE'],
  ['DSTAR', 'DIGITALVOICE'],
  ['CONTESTIA', 'CONTESTI'],
]);

function modeOf(name: string): Mode | null {
  const upper = name.toUpperCase();
  if (Object.hasOwn(MODES, upper)) return upper as Mode;
  return OTHER_NAMES.get(upper) ?? null;
}

const refuse = (sentence: string): Result<never> => fail({ code: 'adif', sentence });
