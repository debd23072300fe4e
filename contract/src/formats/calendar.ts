import { ACTIVITIES, sayDuration, sayHour, sayWork, sayQuantity, sayTime } from '@knapsack/core';
import ical, { ICalAlarmType, ICalCalendarMethod, ICalEventTransparency } from 'ical-generator';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { harnessReport } from '../harness/harness-report.js';
import { chargeUp, type ChargeUp } from '../rehearse/charge-up.js';
import { lookUp } from '../resolve/look-up.js';
import { expandBlocks, positionOf } from '../resolve/expand-blocks.js';
import { radiosByPosition } from '../resolve/resolve-positions.js';

/** A date of an outing, for a calendar. */
export interface OutingDate {
  /** What it is, for ever the same, so that a calendar that is read again changes instead of doubling. */
  readonly key: string;
  readonly startMs: number;
  readonly endMs: number;
  readonly summary: string;
  readonly description: string;
  /** Minutes before it at which a calendar may remind; absent for none. */
  readonly remindMinutes?: number;
}

/** How long a moment stands in a calendar. */
const MOMENT_MS = 15 * 60_000;
const REMIND_MINUTES = 30;
/** Times that blocks are worked, at the most; a block repeated by the hour for a month has some hundreds. */
const MOST_BLOCKS = 800;

/**
 * The dates of an outing in order: when the charging has to begin, when one leaves, what is worked when, and when it ends.
 *
 * @param nowMs UTC epoch ms: what should be charging by now is said
 */
export function outingDates(trip: Trip, shelf: readonly Gear[], nowMs: number): readonly OutingDate[] {
  const zone = trip.place.timeZone;
  const charging = chargeUp(trip, shelf, harnessReport(trip, shelf).expected.sunAhADay, nowMs);
  const radios = radiosByPosition(lookUp(trip, shelf).carried).map((radio) => radio.name);
  const endMs = Date.parse(trip.end);
  /** How often each block has come again, so that one that moves keeps its key. */
  const times = new Map<string, number>();
  const moment = (key: string, atMs: number, summary: string, description: string): OutingDate => ({
    ...{ key, startMs: atMs, endMs: atMs + MOMENT_MS, summary, description, remindMinutes: REMIND_MINUTES },
  });
  return [
    ...(charging.startNoLaterMs === null
      ? []
      : [
          moment(
            'charge',
            charging.startNoLaterMs,
            `Start charging no later than ${sayHour(charging.startNoLaterMs, zone)}`,
            chargeWords(charging, zone),
          ),
        ]),
    moment('leave', charging.departureMs, `Leave for ${trip.place.name}`, `${trip.name}. ${hours(trip)}`),
    ...expandBlocks(trip)
      .slice(0, MOST_BLOCKS)
      .map(({ block, startMs, endMs: blockEndMs, first }): OutingDate => {
        const time = first ? 0 : (times.get(block.id) ?? 0) + 1;
        times.set(block.id, time);
        const radio = radios.length > 1 ? `${radios[positionOf(block) - 1] ?? ''} `.trimStart() : '';
        return {
          key: time === 0 ? `block.${block.id}` : `block.${block.id}.${time}`,
          startMs,
          endMs: blockEndMs,
          summary: `${radio}${sayWork(block)}`,
          description: `${ACTIVITIES[block.activity].label}, transmit duty cycle ${sayQuantity({ value: block.share, unit: 'share' })}`,
        };
      }),
    moment('end', endMs, `End of the outing: ${trip.name}`, 'Tell the person at home that you are back.'),
  ];
}

/**
 * An outing as an iCalendar file (RFC 5545), in UTC, which every calendar tells in its own zone.
 *
 * @param nowMs UTC epoch ms: stamped on every date
 * @param revision of the trip: of two files a calendar believes the one with the higher
 */
export function outingCalendar(trip: Trip, shelf: readonly Gear[], nowMs: number, revision = 0): string {
  const { name, latitudeDeg: lat, longitudeDeg: lon } = trip.place;
  const calendar = ical({
    name: trip.name,
    prodId: { company: 'Knapsack', product: 'Knapsack', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const { key, startMs, endMs, summary, description, remindMinutes } of outingDates(
    trip,
    shelf,
    nowMs,
  )) {
    const event = calendar.createEvent({
      id: `${trip.id}.${key}@knapsack`,
      start: new Date(startMs),
      end: new Date(endMs),
      stamp: new Date(nowMs),
      sequence: revision,
      summary,
      description,
      transparency: ICalEventTransparency.OPAQUE,
      location: lat === undefined || lon === undefined ? { title: name } : { title: name, geo: { lat, lon } },
    });
    if (remindMinutes !== undefined) {
      event.createAlarm({ type: ICalAlarmType.display, trigger: 60 * remindMinutes, description: summary });
    }
  }
  return calendar.toString();
}

const hours = ({ start, end, place: { timeZone } }: Trip): string =>
  `${sayTime(Date.parse(start), timeZone)} to ${sayTime(Date.parse(end), timeZone)}, ${sayDuration((Date.parse(end) - Date.parse(start)) / 3_600_000)}`;

const chargeWords = ({ lines }: ChargeUp, zone: string): string =>
  lines
    .flatMap(({ name, source, sources, startMs, endMs }) => {
      if (startMs === null || endMs === null) return [];
      const on = sources.find(({ id }) => id === source)?.name ?? source;
      return [`${name}: on ${on}, ${sayTime(startMs, zone)} to ${sayTime(endMs, zone)}`];
    })
    .join('\n');
