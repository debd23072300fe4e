import fc from 'fast-check';
import { HOUR_MS, MINUTE_MS } from '../span.js';
import type { Contact } from './contact.js';
import { dutyOfContacts, secondsSent } from './duty-of-contacts.js';
import { onAir } from './on-air.js';
import { stretchesOf } from './stretches.js';

const START = Date.UTC(2027, 8, 4, 9);
const contact = (minute: number, change: Partial<Contact> = {}): Contact => ({
  ...{ timeMs: START + minute * MINUTE_MS, mode: 'CW', modeName: 'CW', band: '40m' },
  ...change,
});
const worked = (contacts: readonly Contact[]) => onAir(stretchesOf(contacts));
const minutesOf = (spans: ReturnType<typeof worked>['runs']) =>
  spans.map(({ startMs, endMs }) => [startMs, endMs].map((ms) => (ms - START) / MINUTE_MS));

describe('contacts of a log', () => {
  it('tell the hours on the air: from contact to contact, a gap of more than 20 minutes is a pause', () => {
    const told = worked([0, 10, 30, 51, 60].map((minute) => contact(minute)));
    expect(minutesOf(told.runs)).toEqual([
      [0, 30],
      [51, 60],
    ]);
    expect(minutesOf(told.pauses)).toEqual([[30, 51]]);
    expect(told.hours).toBeCloseTo(39 / 60, 12);
    expect(told.contacts).toBe(5);
  });

  it('end where the log says so; one within another changes nothing', () => {
    const told = worked([
      contact(0, { endMs: START + 25 * MINUTE_MS }),
      contact(5, { endMs: START + 6 * MINUTE_MS }),
      contact(40),
    ]);
    expect(minutesOf(told.runs)).toEqual([[0, 40]]);
    expect(told.hours).toBeCloseTo(40 / 60, 12);
  });

  it('count by mode and band the time up to each; one alone tells no rate', () => {
    const told = worked([
      contact(0),
      contact(6),
      contact(18, { mode: 'SSB', modeName: 'USB', band: '20m' }),
      contact(100, { mode: null, modeName: 'ODD' }),
    ]);
    expect(told.byMode.get('CW')).toEqual({ contacts: 2, hours: 0.1, perHour: 20 });
    expect(told.byMode.get('SSB')).toEqual({ contacts: 1, hours: 0.2, perHour: 5 });
    expect(told.byMode.get('ODD')).toEqual({ contacts: 1, hours: 0, perHour: null });
    expect(told.byBand.get('20m')!.hours).toBe(0.2);
    expect(worked([])).toEqual({
      ...{ contacts: 0, hours: 0, runs: [], pauses: [] },
      ...{ byMode: new Map(), byBand: new Map() },
    });
  });

  it('fill runs and pauses without a gap, in any order; the modes share the hours', () => {
    const anyContacts = fc.array(
      fc.record({
        minute: fc.nat(600),
        lasts: fc.nat(30),
        mode: fc.constantFrom('CW' as const, 'SSB' as const),
      }),
      { minLength: 1, maxLength: 40 },
    );
    fc.assert(
      fc.property(anyContacts, (drawn) => {
        const contacts = drawn.map(({ minute, lasts, mode }) =>
          contact(minute, { mode, modeName: mode, endMs: START + (minute + lasts) * MINUTE_MS }),
        );
        const told = worked(contacts);
        expect(worked(contacts.toReversed()).hours).toBe(told.hours);
        const whole = told.runs.at(-1)!.endMs - told.runs[0].startMs;
        const pauses = told.pauses.reduce((sum, { startMs, endMs }) => sum + endMs - startMs, 0);
        expect(told.hours * HOUR_MS + pauses).toBeCloseTo(whole, 3);
        const shared = [...told.byMode.values()].reduce((sum, { hours }) => sum + hours, 0);
        expect(shared).toBeCloseTo(told.hours, 9);
        expect(told.pauses.every(({ startMs, endMs }) => endMs - startMs > 20 * MINUTE_MS)).toBeTrue();
      }),
    );
  });
});

describe('stretches of contacts', () => {
  it('are of one mode on one band, each from the contact before it', () => {
    const told = stretchesOf([
      contact(20, { band: '20m' }),
      contact(0),
      contact(5),
      contact(50, { mode: null, modeName: 'ODD' }),
      contact(52, { mode: null, modeName: 'EVEN' }),
    ]);
    expect(
      told.map(({ startMs, endMs, mode, modeName, band, contacts }) => [
        (startMs - START) / MINUTE_MS,
        (endMs - START) / MINUTE_MS,
        mode ?? modeName,
        band,
        contacts,
      ]),
    ).toEqual([
      [0, 5, 'CW', '40m', 2],
      [5, 20, 'CW', '20m', 1],
      [50, 50, 'ODD', '40m', 1],
      [50, 52, 'EVEN', '40m', 1],
    ]);
    expect(stretchesOf([])).toEqual([]);
  });
});

describe('the duty cycle that contacts tell', () => {
  it('is contacts an hour times seconds sent, with a spread of a fifth', () => {
    // 40 contacts an hour of 18 s are 720 s of 3,600.
    const { mean, sd } = dutyOfContacts(40, 18);
    expect(mean).toBeCloseTo(0.2, 12);
    expect(sd).toBeCloseTo(0.04, 12);
    expect(dutyOfContacts(1000, 18).mean).toBe(1);
  });

  it('of who calls between them is more: 0.35 of what is left', () => {
    expect(dutyOfContacts(40, 18, 0.35).mean).toBeCloseTo(0.2 + 0.35 * 0.8, 12);
    expect(dutyOfContacts(0, 18, 0.35).mean).toBe(0.35);
  });

  it('knows the seconds of the common modes, and says where it does not', () => {
    expect([secondsSent('CW'), secondsSent('SSB'), secondsSent('FM')]).toEqual([18, 12, 12]);
    expect(secondsSent('FT8')).toBeCloseTo(2.5 * 12.64, 9);
    expect(secondsSent('FT4')).toBeCloseTo(2.5 * 5.04, 9);
    expect(secondsSent('SSTV')).toBeNull();
  });
});
