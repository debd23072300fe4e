import type { Weather } from '@knapsack/contract';
import { hour } from '@knapsack/contract/testing/outing';
import { skyDrawing, WIDTH } from './sky-drawing';
import { skyView } from './sky-view';

describe('the drawing of the sky', () => {
  const place = { name: 'islet', timeZone: 'Europe/Oslo', latitudeDeg: 59, longitudeDeg: 5.3 };
  const outing = { startMs: hour(0), endMs: hour(24) };
  const iso = (of: number) => new Date(hour(of)).toISOString();
  const drawn = (hours: readonly object[]) => {
    const weather = { air: 'clean', cloud: 0.3, windMS: 2, hours } as Weather;
    return skyDrawing(skyView({ place, weather, start: iso(0), temperatureC: 12 }, outing)!, outing, [
      { start: iso(14), end: iso(16), fraction: 1, label: 'tower' },
    ]);
  };

  it('has night where the sun is down, and shade with its name where it lies', () => {
    const { night, shade, labels } = drawn([]);
    expect(night[0].x).toBe(0);
    expect(night.some(({ x, width }) => x < WIDTH / 2 && x + width > WIDTH / 2)).toBeFalse();
    expect(shade.length).toBe(1);
    expect(shade[0].x).toBeCloseTo((WIDTH * 14) / 24, 6);
    expect(shade[0].width).toBeCloseTo((WIDTH * 2) / 24, 6);
    expect(labels).toEqual([{ text: 'tower', left: (100 * 14) / 24 }]);
  });

  it('marks where the sun rises and sets', () => {
    const [rise, set] = drawn([]).nightEdges.map((x) => (24 * x) / WIDTH);
    // 4 September, sun 7.2 degrees north: cos h = -tan 59 tan 7.2, h = 102 degrees or 6.81 h about noon at 11.63 UTC.
    expect(Math.abs(rise - 4.82)).toBeLessThan(0.1);
    expect(Math.abs(set - 18.44)).toBeLessThan(0.1);
  });

  it('says where fog and rain begin', () => {
    const hours = [
      { start: iso(4), cloud: 1, fog: true },
      { start: iso(5), cloud: 0.2 },
      { start: iso(20), cloud: 1, rain: true },
    ];
    expect(drawn(hours).labels.map(({ text }) => text)).toEqual(['tower', 'fog', 'rain']);
  });

  it('draws air and wind only where they change', () => {
    expect(drawn([{ start: iso(4), cloud: 1 }]).lines).toEqual([]);
    const hours = [
      { start: iso(0), cloud: 1, temperatureC: 6, windMS: 2 },
      { start: iso(12), cloud: 1, temperatureC: 15, windMS: 2 },
    ];
    const { lines } = drawn(hours);
    expect(lines.map(({ name }) => name)).toEqual(['air']);
    expect(lines[0].words).toMatch(/^air 6 to 15 °C$/);
  });
});
