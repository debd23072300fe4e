import { shelf, shale, trip } from '../testing/documents.js';
import { readGear, readShelf, readTrip } from './read.js';

const problemsOf = (data: unknown) => {
  const read = readTrip(data);
  return read.ok ? [] : read.problems.map(({ pointer, sentence }) => `${pointer} ${sentence}`);
};

describe('reading documents', () => {
  it('takes a whole trip and every kind of gear as they are', () => {
    const whole = trip({ note: 'n', carryLimitG: 9000, floorSoc: 0.2, gear: shelf });
    const read = readTrip(whole);
    expect(read).toEqual({ ok: true, value: whole });
    for (const gear of shelf) expect(readGear(gear).ok).withContext(gear.id).toBeTrue();
  });

  it('refuses an unknown newer version with a sentence, before anything else', () => {
    const read = readTrip({ schema: 'knapsack.trip', version: 10, anything: true });
    expect(read.ok).toBeFalse();
    if (read.ok) return;
    expect(read.problems.map(({ code }) => code)).toEqual(['newer-version']);
    expect(read.problems[0].sentence).toContain('version 10');
  });

  it('brings a document of version 1 up to date, with the gear that travels in it', () => {
    const old = { ...trip(), version: 1, gear: shelf.map((gear) => ({ ...gear, version: 1 })) };
    expect(readTrip(old)).toEqual({ ok: true, value: trip({ gear: shelf }) });
    const gear = readGear({ ...shale, version: 1 });
    expect(gear.ok && gear.value.version).toBe(8);
  });

  it('takes a usual cloud that nobody has typed out of a trip of version 4, and leaves the user’s own', () => {
    const place = { name: 'coast', timeZone: 'UTC', latitudeDeg: 52, longitudeDeg: 5 };
    const cloudOf = (cloud: number, change: object = {}) => {
      const weather = { air: 'clean', cloud, windMS: 3, climate: 'maritime', ...change };
      const read = readTrip({ ...trip({ place }), version: 4, weather });
      return read.ok ? read.value.weather!.cloud : 'refused';
    };
    // Autumn on a cool coast: 0.656, which version 4 stored in whole per cent.
    expect([0, 0.66, 0.65, 0.7].map((cloud) => cloudOf(cloud))).toEqual([undefined, undefined, 0.65, 0.7]);
    expect(cloudOf(0, { climate: undefined })).toBeUndefined();
    expect(cloudOf(0.66, { climate: 'desert' })).toBe(0.66);
    const unknown = readTrip({
      ...trip(),
      version: 4,
      weather: { air: 'clean', cloud: 0.5, windMS: 3, climate: 'constructor' },
    });
    expect(unknown.ok).toBeFalse();
  });

  it('knows which fields go together', () => {
    const sentence = (change: object) => {
      const read = readGear({ ...shelf[3], ...change });
      return read.ok ? 'read' : read.problems[0].sentence;
    };
    const watts = { value: 5, source: 'datasheet' };
    expect(sentence({ drawW: watts })).toContain('give one of drawA and drawW');
    expect(sentence({ via: 'usb' })).toContain('goes with watts');
    expect(sentence({ transmitDraw: watts })).toContain('goes with the rule “transmitting”');
    expect(sentence({ rule: { when: 'minutes' } })).toContain('“rule.anHour” is missing');
    expect(sentence({ rule: { when: 'dark', modes: ['CW'] } })).toContain('no field “rule.modes”');
    expect(sentence({ rule: { when: 'transmitting', modes: ['CW'] }, transmitDraw: watts })).toBe('read');
    const hours = [{ start: '2027-09-04T12:00:00Z', end: '2027-09-04T11:00:00Z' }];
    expect(sentence({ rule: { when: 'hours', hours } })).toBe('Hours must end after they start.');
    const lead = { schema: 'knapsack.gear', version: 8, id: 'l', kind: 'lead', name: 'l' };
    const wire = { lengthM: 1, contactPairs: 2, connectorA: 30, awg: 12 };
    expect(readGear({ ...lead, wire }).ok).toBeTrue();
    expect(readGear(lead).ok).toBeFalse();
    expect(readGear({ ...lead, wire: { ...wire, areaMm2: 4 } }).ok).toBeFalse();
  });

  it('wants panels in whole strings', () => {
    const loadout = [...trip().loadout, { gear: 'frond', count: 3, inSeries: 2 }];
    expect(problemsOf(trip({ loadout }))).toEqual([
      '/loadout/3/inSeries 3 panels cannot be laid out in strings of 2: the count must be a multiple of it.',
    ]);
  });

  it('refuses what is no trip at all', () => {
    for (const data of [null, 3, 'trip', [], {}, { schema: 'knapsack.gear', version: 1 }]) {
      expect(problemsOf(data).length).withContext(JSON.stringify(data)).toBe(1);
    }
    expect(problemsOf({ schema: 'knapsack.trip', version: 0 })).toEqual([
      '/version The version of a trip must be a whole number from 1 to 9.',
    ]);
  });

  it('names the field and says what would be right', () => {
    const blocks = [{ ...trip().blocks[0], powerW: -5, share: 50 }];
    expect(problemsOf(trip({ blocks }))).toEqual([
      '/blocks/0/powerW The power must be above 0 and at most 2000 W; -5 W is not.',
      '/blocks/0/share The transmit duty cycle must be between 0 and 100 %; 5000 % is not.',
    ]);
  });

  it('knows no field beyond its own', () => {
    expect(problemsOf({ ...trip(), colour: 'red' })).toEqual(['/colour There is no field “colour” here.']);
  });

  it('wants times with their offset and a time zone that exists', () => {
    const place = { name: 'islet', timeZone: 'Gannet/Rock' };
    expect(problemsOf(trip({ start: '2027-09-04 10:00', place }))).toEqual([
      '/place/timeZone The time zone must be a name like Europe/Oslo; “Gannet/Rock” is not known.',
      '/start A time must be written like 2027-09-04T10:00:00Z, in the years 2000 to 2099.',
    ]);
  });

  it('holds the fields of a trip against each other', () => {
    const [block] = trip().blocks;
    expect(problemsOf(trip({ end: '2027-09-04T09:00:00Z' }))).toEqual([
      '/end The outing must end after it starts.',
    ]);
    expect(problemsOf(trip({ end: '2027-11-04T09:00:00Z' }))).toEqual([
      '/end The outing must last 30 days at the most.',
    ]);
    expect(problemsOf(trip({ blocks: [block, { ...block, id: 'b2' }] }))).toEqual([
      '/blocks/1/start Two blocks overlap; one radio can do one thing at a time.',
    ]);
    expect(problemsOf(trip({ blocks: [{ ...block, end: block.start }] }))).toEqual([
      '/blocks/0/end A block must end after it starts.',
    ]);
    expect(problemsOf(trip({ blocks: [{ ...block, end: '2027-09-04T17:00:00Z' }] }))).toEqual([
      '/blocks/0 A block must lie within the outing.',
    ]);
  });

  it('checks gear by its kind', () => {
    const read = readGear({ ...shale, ratedAh: { value: 12000, source: 'guessed' }, chemistry: 'plutonium' });
    expect(read.ok).toBeFalse();
    if (read.ok) return;
    expect(read.problems.map(({ pointer }) => pointer)).toEqual([
      '/chemistry',
      '/ratedAh/value',
      '/ratedAh/source',
    ]);
  });

  it('wants each id of a shelf once', () => {
    const twice = readShelf({ schema: 'knapsack.shelf', version: 1, gear: [shale, shale] });
    expect(twice.ok ? '' : twice.problems[0].sentence).toContain('Two gear items are called “shale”');
  });
});
