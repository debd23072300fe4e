import { trip } from '../testing/documents.js';
import { moveOuting, setOuting } from './outing-hours.js';

const [block] = trip().blocks;
const hours = (of: ReturnType<typeof trip>) =>
  of.blocks.map(({ start, end }) => [start.slice(8, 16), end.slice(8, 16)]);

describe('the hours of an outing', () => {
  const later = { ...block, id: 'b2', start: '2027-09-04T14:00:00Z', end: '2027-09-04T15:00:00Z' };
  const two = trip({ blocks: [block, later] });

  it('cut blocks when they change, and drop those outside', () => {
    const shorter = setOuting(two, {
      startMs: Date.parse('2027-09-04T12:00:00Z'),
      endMs: Date.parse('2027-09-04T14:00:00Z'),
    });
    expect(hours(shorter)).toEqual([['04T12:00', '04T13:00']]);
  });

  it('move with all that is in them, but for a forecast', () => {
    const weather = {
      air: 'clean' as const,
      cloud: 0.2,
      windMS: 3,
      hours: [{ start: '2027-09-04T10:00:00Z', cloud: 1 }],
    };
    const panelPlace = {
      aim: { how: 'at' as const, times: ['2027-09-04T12:00:00Z'] },
      mount: 'propped' as const,
      ground: 'grass' as const,
      shade: [{ start: '2027-09-04T13:00:00Z', end: '2027-09-04T14:00:00Z', fraction: 1 }],
    };
    const moved = moveOuting({ ...two, weather, panelPlace }, Date.parse('2027-09-05T10:00:00Z'));
    expect(hours(moved)).toEqual([
      ['05T11:00', '05T13:00'],
      ['05T14:00', '05T15:00'],
    ]);
    expect(moved.end).toBe('2027-09-05T16:00:00.000Z');
    expect(moved.weather!.hours![0].start).toBe('2027-09-05T10:00:00.000Z');
    expect(moved.panelPlace!.aim).toEqual({ how: 'at', times: ['2027-09-05T12:00:00.000Z'] });
    expect(moved.panelPlace!.shade![0].start).toBe('2027-09-05T13:00:00.000Z');
    const forecast = { ...weather, source: 'forecast' as const };
    const kept = moveOuting({ ...two, weather: forecast }, Date.parse('2027-09-05T10:00:00Z'));
    expect(kept.weather).toEqual(forecast);
  });

  it('moves the hours in which devices and chargers of the bag charge', () => {
    const span = [{ start: '2027-09-04T13:00:00Z', end: '2027-09-04T14:00:00Z' }];
    const loadout = [
      { gear: 'tablet', count: 1, ownCells: { feed: 'hours' as const, hours: span } },
      { gear: 'mains', count: 1, charging: { hours: span } },
    ];
    const [tablet, mains] = moveOuting({ ...two, loadout }, Date.parse('2027-09-05T10:00:00Z')).loadout;
    expect(tablet.ownCells!.hours![0].start).toBe('2027-09-05T13:00:00.000Z');
    expect(mains.charging!.hours[0].end).toBe('2027-09-05T14:00:00.000Z');
  });
});
