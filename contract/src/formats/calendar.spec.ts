import { kitShelf, kitTrip } from '../testing/kit.js';
import { trip, shelf } from '../testing/documents.js';
import { outingCalendar, outingDates } from './calendar.js';

const NOW_MS = Date.UTC(2027, 0, 1);

describe('an outing in a calendar', () => {
  it('begins with the charging and ends with the outing, its blocks between, in order', () => {
    const [block] = kitTrip().blocks;
    const charging = kitTrip({ rehearsal: { charging: [{ gear: 'shale', soc: 0.3, from: 'mains' }] } });
    const dates = outingDates(charging, kitShelf, NOW_MS);
    expect(dates.map(({ key }) => key)).toEqual(['charge', 'leave', `block.${block.id}`, 'end']);
    expect(dates.every(({ startMs, endMs }) => endMs > startMs)).toBeTrue();
    expect(dates[0].startMs).toBeLessThan(dates[1].startMs);
    expect(dates[0].description).toContain('Shale: on ');
    expect([dates[2].startMs, dates[2].endMs]).toEqual([Date.parse(block.start), Date.parse(block.end)]);
    expect(dates[3].startMs).toBe(Date.parse(kitTrip().end));
  });

  it('says the departure that was typed, and no charging where all is full', () => {
    const departure = new Date(Date.parse(kitTrip().start) - 7_200_000).toISOString();
    const full = kitTrip({ rehearsal: { departure, charging: [{ gear: 'shale', from: 'none' }] } });
    const [leave] = outingDates(full, kitShelf, NOW_MS);
    expect([leave.key, leave.startMs]).toEqual(['leave', Date.parse(departure)]);
  });

  it('names the radio of a block only where there are several', () => {
    const [block] = kitTrip().blocks;
    const bag = (...ids: string[]) => ['shale', ...ids].map((gear) => ({ gear, count: 1 }));
    const summary = (radios: readonly string[], station: number) =>
      outingDates(
        kitTrip({ loadout: bag(...radios), blocks: [{ ...block, station }] }),
        kitShelf,
        NOW_MS,
      ).find(({ key }) => key === `block.${block.id}`)!.summary;
    expect(summary(['curlew', 'dunlin'], 2)).toBe('Dunlin CW 10 W');
    expect(summary(['curlew', 'dunlin'], 1)).toBe('Curlew CW 10 W');
    expect(summary(['curlew', 'dunlin'], 3)).toBe('CW 10 W');
    expect(summary(['curlew'], 1)).toBe('CW 10 W');
  });

  it('keeps a date’s name as it moves, and gives each repeat one of its own', () => {
    const [block] = trip().blocks;
    const hourly = trip({
      blocks: [{ ...block, end: new Date(Date.parse(block.start) + 600_000).toISOString(), repeat: 'hour' }],
    });
    const keys = outingDates(hourly, shelf, NOW_MS).map(({ key }) => key);
    expect(new Set(keys).size).toBe(keys.length);
    expect(keys.slice(1, 4)).toEqual([`block.${block.id}`, `block.${block.id}.1`, `block.${block.id}.2`]);
    const later = new Date(Date.parse(block.start) + 60_000).toISOString();
    const moved = outingDates(trip({ blocks: [{ ...block, start: later }] }), shelf, NOW_MS);
    expect(moved.map(({ key }) => key)).toContain(`block.${block.id}`);
  });

  it('is written by RFC 5545: lines of 75 octets at the most, CRLF, text escaped, times in UTC', () => {
    const name = 'Rock; cliff, and ünïcode '.repeat(4);
    const text = outingCalendar(trip({ name }), shelf, NOW_MS, 7);
    const lines = text.split('\r\n');
    expect(text).not.toMatch(/[^\r]\n/);
    expect(lines[0]).toBe('BEGIN:VCALENDAR');
    expect(lines.every((line) => Buffer.byteLength(line) <= 75)).toBeTrue();
    expect(text.replaceAll('\r\n ', '')).toContain('Rock\\; cliff\\, and ünïcode');
    expect(text).toContain('DTSTAMP:20270101T000000Z');
    expect(text).toContain('SEQUENCE:7');
    expect(
      lines.filter((line) => line.startsWith('DTSTART')).every((line) => /^DTSTART:\d{8}T\d{6}Z$/.test(line)),
    ).toBeTrue();
  });
});
