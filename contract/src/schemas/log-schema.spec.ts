import { emptyLog, type LogEntry } from '../documents/log.js';
import { readLog } from './read.js';

const head = { id: 'a', at: '2027-09-04T20:10:00+02:00' };
const entries = (...all: object[]) => ({ ...emptyLog('islet'), entries: all });
const sentences = (...all: object[]) => {
  const read = readLog(entries(...all));
  return read.ok ? [] : read.problems.map(({ sentence }) => sentence);
};

const FINE: readonly LogEntry[] = [
  { ...head, kind: 'reading', state: 'keyDown', volts: 12.71, amps: 1.92, source: 'typed' },
  {
    ...head,
    kind: 'reading',
    outAh: 3.4,
    inAh: 2,
    percent: 60,
    panelAmps: 1,
    panelWatts: 20,
    radioVolts: 12.5,
    counts: true,
  },
  { ...head, kind: 'reset', source: 'monitor' },
  { ...head, kind: 'sky', cloud: 0.4, rain: true, fog: false },
  { ...head, kind: 'work', do: 'start', block: 'evening' },
  {
    ...head,
    kind: 'work',
    do: 'change',
    mode: 'SSB',
    powerW: 5,
    share: 0.2,
    activity: 'calling',
    station: 2,
  },
  { ...head, kind: 'battery', do: 'swapIn', gear: 'shale-18' },
  { ...head, kind: 'panel', aim: { how: 'fixed', tiltDeg: 30, azimuthDeg: 200 }, shade: 0.5 },
  { ...head, kind: 'panel', aim: { how: 'sun' } },
  { ...head, kind: 'contacts', until: '2027-09-04T21:00:00+02:00', count: 42, mode: 'CW', band: '40m' },
  { ...head, kind: 'contacts', until: head.at, count: 1 },
  { ...head, kind: 'note', note: 'wind' },
  { ...head, kind: 'end' },
  { ...head, kind: 'reading', replaces: 'b', void: true },
  { ...head, kind: 'battery', do: 'full', gear: 'shale-18', replaces: 'b' },
];

describe('a log', () => {
  for (const entry of FINE) {
    it(`takes ${JSON.stringify(entry)}`, () => {
      expect(sentences(entry)).toEqual([]);
    });
  }

  const WRONG: readonly (readonly [object, string])[] = [
    [{ kind: 'reading' }, 'A reading needs a figure: volts, amps, Ah, watts or per cent.'],
    [{ kind: 'reading', volts: 400 }, 'The volts must be between 0 and 100 V; 400 V is not.'],
    [{ kind: 'reading', percent: 101 }, 'The state of charge must be between 0 and 100 %; 101 % is not.'],
    [
      { kind: 'reading', volts: 13, state: 'on' },
      '“entries[0].state” must be one of [off, listening, keyDown, charging, unknown].',
    ],
    [{ kind: 'reading', volts: 13, gear: 'a' }, 'There is no field “entries[0].gear” here.'],
    [{ kind: 'sky' }, '“entries[0].cloud” is missing.'],
    [{ kind: 'sky', cloud: 2 }, 'The cloud amount must be between 0 and 100 %; 200 % is not.'],
    [{ kind: 'work' }, '“entries[0].do” is missing.'],
    [{ kind: 'battery', do: 'swapIn' }, '“entries[0].gear” is missing.'],
    [{ kind: 'panel' }, 'A change of the panel says how it lies or what of it is in shade.'],
    [{ kind: 'panel', aim: { how: 'fixed' } }, '“entries[0].aim.tiltDeg” is missing.'],
    [{ kind: 'contacts', until: '2027-09-04T20:00:00+02:00', count: 1 }, 'Contacts end after they begin.'],
    [
      { kind: 'contacts', until: '2027-09-04T21:00:00+02:00', count: -1 },
      'The number of contacts must be between 0 and 100000; -1 is not.',
    ],
    [{ kind: 'note' }, 'A note needs words.'],
    [
      { kind: 'note', note: 'a', void: true },
      'An entry that takes another back says in “replaces” which one it is.',
    ],
    [
      { kind: 'nap' },
      '“entries[0].kind” must be one of [reading, reset, sky, work, battery, panel, contacts, note, end].',
    ],
    [
      { kind: 'note', note: 'a', at: 'noon' },
      'A time must be written like 2027-09-04T10:00:00Z, in the years 2000 to 2099.',
    ],
  ];
  for (const [entry, sentence] of WRONG) {
    it(`refuses ${JSON.stringify(entry)} in a sentence`, () => {
      expect(sentences({ ...head, ...entry })).toContain(sentence);
    });
  }

  it('holds each entry once', () => {
    expect(sentences(FINE[8], FINE[9])).toEqual([
      'An entry stands in it twice; each “id” stands in it once.',
    ]);
  });

  it('holds 20,000 entries at the most', () => {
    const many = Array.from({ length: 20_001 }, (_, index) => ({ ...head, id: `e${index}`, kind: 'end' }));
    expect(sentences(...many)).toEqual(['“entries” may hold 20000 at the most.']);
  });

  it('of an earlier version is read, one of a newer is left alone', () => {
    expect(readLog({ ...emptyLog('islet'), version: 1 })).toEqual({ ok: true, value: emptyLog('islet') });
    const read = readLog({ ...emptyLog('islet'), version: 3 });
    expect(read.ok).toBeFalse();
    if (!read.ok) expect(read.problems[0].code).toBe('newer-version');
  });
});
