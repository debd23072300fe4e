import { HOUR_MS } from '../span.js';
import { darkSpans, RISE_AND_SET_DEG, sunCrossings } from './twilight.js';

const day = (month: number, date: number) => ({
  startMs: Date.UTC(2027, month, date),
  endMs: Date.UTC(2027, month, date + 1),
});
const hoursOfDay = (span: { startMs: number }, timeMs: number) => (timeMs - span.startMs) / HOUR_MS;

describe('rise, set and dark', () => {
  it('are half a day apart on the equator at the equinox, the day a little the longer', () => {
    const span = day(2, 20);
    const [rise, set] = sunCrossings(span, { latitudeDeg: 0, longitudeDeg: 0 }, RISE_AND_SET_DEG);
    expect([rise.rising, set.rising]).toEqual([true, false]);
    const length = hoursOfDay(span, set.timeMs) - hoursOfDay(span, rise.timeMs);
    // refraction and the sun's radius: some 50 minutes of arc on each side, 3.5 minutes of time each
    expect(length).toBeGreaterThan(12 + 5 / 60);
    expect(length).toBeLessThan(12 + 9 / 60);
  });

  it('tell the dark hours of a night in one piece, cut to the outing', () => {
    const outing = { startMs: Date.UTC(2027, 8, 4, 8), endMs: Date.UTC(2027, 8, 5, 14) };
    const spans = darkSpans(outing, { latitudeDeg: 59, longitudeDeg: 5.3 });
    expect(spans.length).toBe(1);
    // sunset about 18:20 UTC, sunrise about 04:50 UTC; civil twilight is some 40 minutes there
    expect(hoursOfDay({ startMs: Date.UTC(2027, 8, 4) }, spans[0].startMs)).toBeCloseTo(19, 0);
    expect(hoursOfDay({ startMs: Date.UTC(2027, 8, 5) }, spans[0].endMs)).toBeCloseTo(4, 0);
    const dark = darkSpans(
      { ...outing, startMs: Date.UTC(2027, 8, 4, 22) },
      { latitudeDeg: 59, longitudeDeg: 5.3 },
    );
    expect(dark[0].startMs).toBe(Date.UTC(2027, 8, 4, 22));
  });
});
