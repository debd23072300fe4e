import { toLocalField } from '@knapsack/core';
import { csvOf } from '../formats/csv.js';
import type { OutingRow } from './outing-row.js';

const HEADINGS = [
  ...['id', 'name', 'place', 'start', 'end', 'way in', 'radios', 'battery', 'modes'],
  ...['hours on the air', 'contacts', 'planned Ah', 'used Ah', 'Ah an hour', 'Wh a contact'],
  ...['lowest state of charge %', 'carried by the sun %', 'chance told %', 'came', 'ended early h'],
] as const;

const CAME = {
  lasted: 'lasted',
  endedEarly: 'ended early',
  leftEarly: 'left early',
  notKnown: 'not known',
} as const;

/** Digits that say something. */
const tidy = (value: number, digits: number): number => Number(value.toFixed(digits));

/** Ah an hour on the air; null where nobody was. */
export const ahAnHour = ({ usedAh, onAirHours }: Pick<OutingRow, 'usedAh' | 'onAirHours'>): number | null =>
  onAirHours > 0 ? usedAh / onAirHours : null;

/** Wh a contact; null where nobody counted. */
export const whAContact = ({ usedWh, contacts }: Pick<OutingRow, 'usedWh' | 'contacts'>): number | null =>
  contacts ? usedWh / contacts : null;

/** The logbook as a table that spreadsheets read (RFC 4180), times of the places. */
export const logbookCsv = (rows: readonly OutingRow[]): string =>
  csvOf(
    HEADINGS,
    rows.map((row) => {
      const [hour, contact] = [ahAnHour(row), whAContact(row)];
      return [
        ...[row.id, row.name, row.place],
        ...[toLocalField(row.startMs, row.timeZone), toLocalField(row.endMs, row.timeZone)],
        ...[row.kind, row.radios.join(', '), row.battery, row.modes.join(', ')],
        ...[tidy(row.onAirHours, 2), row.contacts, tidy(row.plannedAh, 2), tidy(row.usedAh, 2)],
        ...[hour === null ? null : tidy(hour, 3), contact === null ? null : tidy(contact, 2)],
        ...[tidy(100 * row.lowestSoc, 0), row.sunShare === null ? null : tidy(100 * row.sunShare, 0)],
        ...[tidy(100 * row.told, 0), CAME[row.came], tidy(row.earlyHours, 2)],
      ];
    }),
  );
