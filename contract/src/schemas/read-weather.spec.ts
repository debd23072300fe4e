import { simulatedDocument } from '../weather/simulated-document.js';
import { takeWeather } from '../weather/take-weather.js';
import { trip } from '../testing/documents.js';
import { readWeather } from './read-weather.js';

const read = (content: string, zone = 'UTC') => {
  const result = readWeather(content, zone);
  if (!result.ok) throw new Error(result.problems[0].sentence);
  return result.value;
};
const refused = (content: string): string => {
  const result = readWeather(content, 'UTC');
  return result.ok ? 'read' : result.problems[0].sentence;
};

describe('reading weather', () => {
  it('takes tables as they come: separators, units, columns in any order', () => {
    const english = read(
      'time,cloud cover (%),wind (km/h),temperature_f,rain_mm\n2027-09-04T10:00Z,50,36,50,1.2\n',
    );
    expect(english.document.hours).toEqual([
      { start: '2027-09-04T10:00:00.000Z', cloud: 0.5, windMS: 10, temperatureC: 10, rain: true },
    ]);
    const continental = read(
      'Wind kn;Temp C;Date;Cloud oktas;Rain\n10;12,5;2027-09-04 12:00;4;no',
      'Europe/Oslo',
    );
    const [hour] = continental.document.hours;
    expect(hour.start).toBe('2027-09-04T10:00:00.000Z');
    expect([hour.cloud, hour.temperatureC, hour.rain]).toEqual([0.5, 12.5, false]);
    expect(hour.windMS).toBeCloseTo(5.144, 3);
  });

  it('takes a word for the air, and refuses one that is none', () => {
    const { document, notes } = read('time,cloud,air\n2027-09-04T10:00Z,0,Hazy\n2027-09-04T11:00Z,0,foul\n');
    expect(document.hours).toEqual([{ start: '2027-09-04T10:00:00.000Z', cloud: 0, air: 'hazy' }]);
    expect(notes[0]).toContain('“foul” is no word for the air');
  });

  it('leaves out bad rows and unknown columns, says which, and keeps the rest in order', () => {
    const { document, notes } = read(
      'time,cloud,mood\n2027-09-04T11:00Z,0.2,good\nsoon,0.3,bad\n2027-09-04T10:00Z,0.1,\n2027-09-04T12:00Z,7,\n2027-09-04T13:00Z,,\n',
    );
    expect(document.hours.map(({ cloud }) => cloud)).toEqual([0.1, 0.2]);
    expect(notes[0]).toBe('Not understood and left out: mood.');
    expect(notes[1]).toContain('row 3: “soon” is not a time');
    expect(notes[1]).toContain('row 5: The cloud amount must be between 0 and 100 %');
    expect(notes[1]).toContain('row 6: no cloud amount');
  });

  it('reads back what the simulated service writes', () => {
    const span = { startMs: Date.parse('2027-09-04T10:00Z'), endMs: Date.parse('2027-09-05T10:00Z') };
    const made = simulatedDocument({ latitudeDeg: 59, longitudeDeg: 5, heightM: 0 }, span, 'maritime');
    expect(read(JSON.stringify(made)).document).toEqual(made);
    expect(made.hours.length).toBe(24);
  });

  it('says what is wrong with a file that is none', () => {
    expect(refused('')).toContain('empty');
    expect(refused('{"schema": ')).toContain('JSON');
    expect(refused('{"schema": "knapsack.trip", "version": 1}')).toContain('knapsack.weather');
    expect(refused('{"schema": "knapsack.weather", "version": 9}')).toContain('version 9');
    expect(refused('{"schema": "knapsack.weather", "version": 1, "source": "forecast"}')).toContain('hours');
    expect(refused('a,b\n1,2')).toContain('needs headings');
    expect(refused('time,cloud\nnever,1')).toContain('No row');
    expect(refused('time,cloud')).toContain('No row');
    expect(refused('PNG\u0000\u0001"')).not.toBe('read');
  });
});

describe('taking weather into a trip', () => {
  it('fills what a file leaves out from the climate word, and says so', () => {
    const { document } = read('time,cloud\n2027-09-04T11:00Z,0.2\n2027-09-04T12:00Z,0.2\n');
    const { weather, notes } = takeWeather({ ...document, climate: 'maritime' }, trip());
    expect(weather.hours?.length).toBe(6);
    expect(weather.source).toBe('forecast');
    expect(notes).toEqual([
      'It says nothing of Sat 12:00 to Sat 13:00, Sat 15:00 to Sat 18:00; filled with what is usual: maritime, cool coasts, autumn.',
    ]);
    // Of ten days of a maritime autumn: 1 clear, 3 fair, 3 cloudy, 3 wet
    const usual = (0.08 + 3 * 0.38 + 3 * 0.82 + 3 * 0.96) / 10;
    expect(weather.hours?.map(({ cloud }) => cloud)).toEqual([
      Math.round(usual * 100) / 100,
      0.2,
      0.2,
      ...Array<number>(3).fill(Math.round(usual * 100) / 100),
    ]);
  });

  it('takes a forecast that covers the outing without a word', () => {
    const span = { startMs: Date.parse(trip().start), endMs: Date.parse(trip().end) };
    const made = simulatedDocument({ latitudeDeg: 59, longitudeDeg: 5, heightM: 0 }, span, 'maritime');
    const { weather, notes } = takeWeather(made, trip());
    expect(notes).toEqual([]);
    expect(weather.air).toBe('clean');
    expect(weather.hours).toEqual(made.hours);
  });
});
