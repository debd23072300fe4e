import { meaningOf } from './weather-columns.js';

describe('the headings of a weather table', () => {
  const reads = (heading: string, value: number): string => {
    const meaning = meaningOf(heading);
    return meaning ? `${meaning.column} ${Number(meaning.read(value).toPrecision(6))}` : 'nothing';
  };

  it('are understood with their unit: figures by hand', () => {
    expect(reads('Cloud cover (oktas)', 6)).toBe('cloud 0.75');
    expect(reads('cloud_cover (%)', 30)).toBe('cloud 0.3');
    expect(reads('sky', 0.3)).toBe('cloud 0.3');
    expect(reads('Air temp °F', 50)).toBe('temperatureC 10');
    expect(reads('t2m', 10)).toBe('temperatureC 10');
    expect(reads('wind km/h', 36)).toBe('windMS 10');
    // 10 knots of 1,852 m in an hour.
    expect(reads('Wind kn', 10)).toBe('windMS 5.14444');
    // 10 miles of 1,609.344 m in an hour.
    expect(reads('wind (mph)', 10)).toBe('windMS 4.4704');
    expect(reads('Wind speed m/s', 7)).toBe('windMS 7');
  });

  it('say rain from half a millimetre in the hour on', () => {
    expect(reads('Precipitation mm', 0.5)).toBe('rain 1');
    expect(reads('Precipitation mm', 0.4)).toBe('rain 0');
    expect(reads('rain', 1)).toBe('rain 1');
  });

  it('are nothing where they are of something else', () => {
    for (const heading of ['wind direction', 'wind gust m/s', 'pressure', ''])
      expect(reads(heading, 1)).toBe('nothing');
    expect(meaningOf('Valid from')?.column).toBe('time');
    expect(meaningOf('air')?.column).toBe('air');
  });
});
