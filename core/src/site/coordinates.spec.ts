import { readCoordinates, sayCoordinates } from './coordinates.js';
import { timeZoneAt } from './time-zone.js';

describe('coordinates', () => {
  const read = (text: string) => {
    const result = readCoordinates(text);
    return result.ok ? [result.value.latitudeDeg, result.value.longitudeDeg] : result.problems[0].sentence;
  };

  it('are read as people write them', () => {
    expect(read('59.02 N 5.31 E')).toEqual([59.02, 5.31]);
    expect(read('59,02 5,31')).toEqual([59.02, 5.31]);
    expect(read('-33.9, 151.2')).toEqual([-33.9, 151.2]);
    expect(read('33.9S;70.6W')).toEqual([-33.9, -70.6]);
    expect(read('59.02° 5.31°')).toEqual([59.02, 5.31]);
  });

  it('are read in degrees, minutes and seconds, the letter before or behind', () => {
    const close = (text: string, latitude: number, longitude: number) => {
      const found = read(text) as number[];
      expect(found[0]).withContext(text).toBeCloseTo(latitude, 6);
      expect(found[1]).withContext(text).toBeCloseTo(longitude, 6);
    };
    close("55°54'N 3°12'W", 55.9, -3.2);
    close('55°54′N, 3°12′W', 55.9, -3.2);
    close('N 55 54.5 W 3 12.3', 55 + 54.5 / 60, -3 - 12.3 / 60);
    close('S 33 52 E 151 12', -33 - 52 / 60, 151.2);
    close('55° 54′ 30″ N, 3° 12′ 6″ W', 55 + 54.5 / 60, -3 - 12.1 / 60);
    close("55°54'30''N 3°12'W", 55 + 54.5 / 60, -3.2);
    close("-0°30' 0°15'W", -0.5, -0.25);
  });

  it('are not guessed where they could be several things', () => {
    for (const text of ['55 54 30', '55 54 3 12', "55°61'N 3°12'W", 'N55S 3E', '3 E 55 N', '55.9'])
      expect(read(text)).withContext(text).toContain('Write a place as');
  });

  it('may be a locator', () => {
    expect((read('JO29pa') as number[])[0]).toBeCloseTo(59.02, 2);
    expect(read('JO29zz')).toContain('is not one');
  });

  it('off the globe or unreadable get a sentence', () => {
    expect(read('95 N 5 E')).toContain('off the globe');
    expect(read('behind the barn')).toContain('is none of these');
  });

  it('are said as they are read', () => {
    const words = sayCoordinates({ latitudeDeg: -54.6, longitudeDeg: -5.4 });
    expect(words).toBe('54.60 S 5.40 W');
    expect(read(words)).toEqual([-54.6, -5.4]);
  });

  it('tell their time zone without a network', () => {
    expect(timeZoneAt({ latitudeDeg: 59.02, longitudeDeg: 5.9 })).toBe('Europe/Oslo');
    expect(timeZoneAt({ latitudeDeg: 40.4, longitudeDeg: -3.7 })).toBe('Europe/Madrid');
  });
});
