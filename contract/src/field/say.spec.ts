import { oddsOf, type Band, type ReadQuantity } from '@knapsack/core';
import type { LogEntry, ReadingEntry } from '../documents/log.js';
import { sayEntry, sayMeant, sayWouldMean } from './say-entry.js';
import { sayAdvice, sayLasts, sayLeft, sayNet, sayNow, type Standing } from './say-now.js';

const head = { id: 'a', at: '2027-09-04T20:10:00Z' };
const names = (gear: string) => ({ 'shale-18': 'Shale 18' })[gear] ?? gear;
const say = (entry: object) => sayEntry({ ...head, ...entry } as LogEntry, names);

describe('an entry in words', () => {
  const WORDS: readonly (readonly [object, string])[] = [
    [{ kind: 'reading', state: 'listening', volts: 13.02 }, '13.02 V listening'],
    [{ kind: 'reading', state: 'listening', outAh: 1.3, volts: 13.28 }, '13.28 V listening, 1.3 Ah out'],
    [{ kind: 'reading', state: 'keyDown', volts: 12.7, amps: 1.9 }, '12.7 V, 1.9 A key down'],
    [{ kind: 'reading', state: 'off', outAh: 3.4 }, '3.4 Ah out'],
    [{ kind: 'reading', volts: 13 }, '13 V'],
    [{ kind: 'reading', percent: 60, panelWatts: 20 }, '60 %, 20 W of the panel'],
    [
      { kind: 'reading', source: 'monitor', state: 'unknown', volts: 13, amps: 0.1, percent: 80 },
      'Battery monitor: 13 V, 0.1 A, 80 %',
    ],
    [{ kind: 'reading', source: 'meter', state: 'charging', volts: 13 }, 'Inline meter: 13 V charging'],
    [{ kind: 'reset' }, 'meter reset'],
    [{ kind: 'reset', source: 'controller' }, 'Charge controller: begins to count'],
    [{ kind: 'sky', cloud: 0.75 }, 'sky: broken'],
    [{ kind: 'sky', cloud: 1, rain: true }, 'sky: rain'],
    [{ kind: 'sky', cloud: 1, fog: true }, 'sky: fog'],
    [{ kind: 'work', do: 'start', block: 'b1' }, 'started as planned'],
    [{ kind: 'work', do: 'start', mode: 'CW', powerW: 10 }, 'started CW 10 W'],
    [{ kind: 'work', do: 'change', powerW: 2.5 }, 'changed to 2.5 W'],
    [{ kind: 'work', do: 'stop' }, 'stopped'],
    [{ kind: 'battery', do: 'swapIn', gear: 'shale-18' }, 'Shale 18 in use'],
    [{ kind: 'battery', do: 'full', gear: 'unknown' }, 'unknown full'],
    [{ kind: 'panel', aim: { how: 'sun' } }, 'panel turned to the sun'],
    [{ kind: 'panel', shade: 0.5 }, '50 % of the panel in shade'],
    [{ kind: 'panel', shade: 0 }, 'panel out of the shade'],
    [
      { kind: 'contacts', until: '2027-09-04T20:52:00Z', count: 14, mode: 'CW', band: '40m' },
      '14 contacts in 42 min, CW on 40m',
    ],
    [{ kind: 'contacts', until: '2027-09-04T20:10:00Z', count: 1 }, '1 contact in 0 min'],
    [{ kind: 'note', note: 'Wind.' }, 'Wind.'],
    [{ kind: 'end' }, 'outing ended'],
  ];
  for (const [entry, words] of WORDS) {
    it(words, () => {
      expect(say(entry)).toBe(words);
    });
  }
});

describe('what a reading meant', () => {
  const meant = (
    entry: Partial<ReadingEntry>,
    planned: readonly (readonly [ReadQuantity, number])[],
    change: { fits?: boolean; weighed?: boolean; alone?: Band | null } = {},
  ) => {
    const outcome = { fits: true, weighed: true, alone: null, planned: new Map(planned), ...change };
    return sayMeant({ ...head, kind: 'reading', ...entry }, outcome);
  };

  it('is what it says alone, and how it stands to the plan', () => {
    const alone = { p10: 0.55, p50: 0.6, p90: 0.7 };
    expect(meant({ volts: 13.02 }, [['volts', 13.1]], { alone })).toBe('alone 55 to 70 %');
    expect(meant({ outAh: 3.4 }, [['outAh', 3.1]])).toBe('0.3 Ah more than planned');
    expect(meant({ outAh: 2.8 }, [['outAh', 3.1]])).toBe('0.3 Ah less than planned');
    expect(meant({ outAh: 3.2 }, [['outAh', 3.1]])).toBe('as planned');
    expect(meant({ amps: 0.16 }, [['amps', 0.14]])).toBe('as planned');
  });

  it('says where it does not fit', () => {
    expect(meant({ percent: 3 }, [], { fits: false, weighed: false })).toBe('does not fit, left out');
    expect(meant({ percent: 3 }, [], { fits: false })).toBe('does not fit, counted all the same');
  });
});

describe('what a reading would mean', () => {
  const entry: ReadingEntry = { ...head, kind: 'reading', state: 'keyDown', volts: 12.71 };
  const outcome = {
    fits: true,
    weighed: true,
    alone: { p10: 0.52, p50: 0.6, p90: 0.71 },
    planned: new Map<ReadQuantity, number>(),
  };

  it('is told before it is kept', () => {
    expect(sayWouldMean(entry, outcome)).toBe('would mean 52 to 71 %; it fits');
    expect(sayWouldMean(entry, { ...outcome, fits: false })).toBe('would mean 52 to 71 %; it does not fit');
    const counted = { ...outcome, alone: null, planned: new Map<ReadQuantity, number>([['outAh', 3]]) };
    expect(sayWouldMean({ ...head, kind: 'reading', outAh: 3.4 }, counted)).toBe(
      '0.4 Ah more than planned; it fits',
    );
  });
});

describe('how an outing stands, in words', () => {
  const standing: Standing = {
    soc: { p10: 0.58, p50: 0.63, p90: 0.68 },
    netA: -0.5,
    odds: oddsOf(248, 400),
    target: 0.9,
    wouldDo: [
      { do: 'power', powerW: 5, odds: oddsOf(372, 400) },
      { do: 'duty', factor: 0.6, odds: oddsOf(320, 400) },
    ],
    zone: 'Europe/Oslo',
  };

  it('tells what is left, whether it lasts, and what to do', () => {
    expect(sayLeft(standing.soc)).toBe('63 % left, 58 to 68.');
    expect(sayLeft({ p10: 0.996, p50: 0.999, p90: 1 })).toBe('100 % left.');
    expect(sayLasts(oddsOf(248, 400))).toBe('Lasts in 62 of 100 simulated outings.');
    expect(sayLasts(oddsOf(400, 400))).toBe('Lasts in all of 400 simulated outings.');
    // As the Plan rounds it: never 100 of 100 where one does not last.
    expect(sayLasts(oddsOf(399, 400))).toBe('Lasts in 99 of 100 simulated outings.');
    expect(sayLasts(null)).toBe('The outing is over.');
    expect(sayAdvice(standing)).toBe('5 W from now on: lasts in 93 of 100.');
    expect(sayAdvice({ ...standing, wouldDo: [{ do: 'duty', factor: 0.6, odds: oddsOf(320, 400) }] })).toBe(
      'Transmitting 40 % less helps most: lasts in 80 of 100.',
    );
    expect(sayAdvice({ ...standing, wouldDo: [] })).toBe(
      'Nothing that is known here would do: save what you can.',
    );
    expect(sayAdvice({ ...standing, odds: oddsOf(380, 400) })).toBe('Go on as planned.');
    expect(sayAdvice({ ...standing, odds: null })).toBe('');
    const stop = { do: 'stop', endMs: Date.UTC(2027, 8, 5, 6, 40), odds: oddsOf(360, 400) } as const;
    expect(sayAdvice({ ...standing, wouldDo: [stop] })).toBe('Stopping at Sun 08:40: lasts in 90 of 100.');
    expect(sayAdvice({ ...standing, wouldDo: [{ do: 'turn', odds: oddsOf(380, 400) }] })).toContain(
      'Turning the panel to the sun every hour: lasts',
    );
  });

  it('tells what flows, and says nothing of next to nothing', () => {
    expect(sayNet(0.6)).toBe('0.60 A goes into the battery.');
    expect(sayNet(-0.5)).toBe('0.50 A comes out of the battery.');
    expect(sayNet(0.001)).toBe('Nothing goes in or out of the battery.');
  });

  it('is one saying when it is read aloud', () => {
    expect(sayNow({ ...standing, odds: null })).toBe(
      '63 % left, 58 to 68. The outing is over. 0.50 A comes out of the battery.',
    );
  });
});

describe('the edges of what is said', () => {
  it('is as planned where the chance is just the target', () => {
    const standing = {
      soc: { p10: 0.5, p50: 0.6, p90: 0.7 },
      netA: 0,
      target: 0.9,
      wouldDo: [],
      zone: 'UTC',
    };
    expect(sayAdvice({ ...standing, odds: oddsOf(360, 400) })).toBe('Go on as planned.');
    expect(sayAdvice({ ...standing, odds: oddsOf(359, 400) })).not.toBe('Go on as planned.');
    expect(sayAdvice({ ...standing, odds: oddsOf(100, 400), wouldDo: null })).toBe('');
  });

  it('says of volts and percent nothing against the plan, nor of what the plan does not say', () => {
    const meaning = { fits: true, weighed: true, alone: null };
    const says = (entry: object, planned: [ReadQuantity, number][]) =>
      sayMeant({ ...head, kind: 'reading', ...entry } as ReadingEntry, {
        ...meaning,
        planned: new Map(planned),
      });
    for (const [name, value] of [
      ['volts', 13],
      ['radioVolts', 12.5],
      ['percent', 40],
    ] as const)
      expect(says({ [name]: value }, [[name, value + 5]])).not.toContain('planned');
    expect(says({ outAh: 3 }, [])).not.toContain('planned');
  });

  it('says what goes into the battery, and what comes out', () => {
    expect(sayNet(0.6)).toBe('0.60 A goes into the battery.');
    expect(sayNet(-0.6)).toBe('0.60 A comes out of the battery.');
    expect(sayNet(0)).toBe('Nothing goes in or out of the battery.');
  });
});
