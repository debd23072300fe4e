import type { Contact } from '@knapsack/core';
import { emptyLog, type LogEntry } from '../documents/log.js';
import { blockAt, hour, shelf, trip } from '../testing/outing.js';
import { debriefOf, type DebriefOptions } from './debrief.js';
import { entriesOfContacts } from './entries-of-contacts.js';
import { learnedWords, sayHowFar, sayHowItWent, sayLearned, sayReason } from './say-debrief.js';
import { sayDifference, sayWaterfall } from './say-waterfall.js';

const at = (of: number) => new Date(hour(of)).toISOString();
const read = (of: number, outAh: number): LogEntry => ({
  ...{ id: `r${of}`, at: at(of), kind: 'reading', state: 'off' },
  outAh,
});
function debrief(entries: readonly LogEntry[], options?: DebriefOptions) {
  const found = debriefOf(trip(), { ...emptyLog('islet'), entries }, shelf, options);
  if (!found.ok) throw new Error(found.problems[0].sentence);
  return found.value;
}
/** A contact every so many minutes, from one hour to another. */
const every = (minutes: number, from: number, to: number): readonly LogEntry[] => {
  const contacts: Contact[] = [];
  for (let timeMs = hour(from); timeMs <= hour(to); timeMs += minutes * 60_000)
    contacts.push({ timeMs, mode: 'CW', modeName: 'CW', band: '40m' });
  const taken = entriesOfContacts(trip(), contacts);
  if (!taken.ok) throw new Error(taken.problems[0].sentence);
  return taken.value.entries;
};
const sum = ({ waterfall: { steps } }: ReturnType<typeof debrief>) =>
  steps.reduce((all, { ah }) => all + ah, 0);

describe('what really happened in an outing', () => {
  it('is what a meter counted, in steps that sum up to the difference', () => {
    const planned = debrief([{ id: 'n', at: at(7), kind: 'note', note: 'Fog.' }]).waterfall.plannedAh;
    const found = debrief([read(17.9, planned + 1)]);
    expect(found.waterfall.plannedAh).toBe(planned);
    expect(Math.abs(found.waterfall.actualAh - planned - 1)).toBeLessThan(0.25);
    expect(sum(found)).toBeCloseTo(found.waterfall.actualAh - planned, 9);
    expect(found.onAir).toBeNull();
    expect(found.notes).toEqual([]);
  });

  it('is the hours of the contact log where the log says nothing of work', () => {
    const contacts = every(3, 8, 9);
    const found = debrief(contacts);
    expect(found.notes).toEqual([
      'The hours worked are those of the contact log: the log of the outing says nothing of work.',
    ]);
    expect(found.lastKnownMs).toBe(hour(9));
    expect(found.onAir!.hours).toBeCloseTo(1, 9);
    expect(found.waterfall.steps.find(({ what }) => what === 'work')!.ah).toBeLessThan(-1);
    // 21 contacts in an hour of 18 s each; the plan says that stations are called and run.
    const sent = (21 * 18) / 3600;
    expect(found.duties.get('CW')!.mean).toBeCloseTo(sent + 0.35 * (1 - sent), 9);
    const answering = debrief(contacts, { calling: false });
    expect(answering.duties.get('CW')!.mean).toBeCloseTo(sent, 9);
    const { before, after } = answering.now.learned.get('dutyCycle.CW')!;
    expect(after.mean).toBeLessThan(before.mean - 0.05);
    expect(debrief(contacts, { calling: true }).duties).toEqual(found.duties);
  });

  it('takes calling for the hours in which the plan has it', () => {
    const half = (activity: 'answering' | 'calling') => {
      const blocks = [blockAt('one', 8, 10), { ...blockAt('two', 12, 14), activity }];
      const found = debriefOf(trip({ blocks }), { ...emptyLog('islet'), entries: every(3, 8, 14) }, shelf);
      if (!found.ok) throw new Error(found.problems[0].sentence);
      return found.value.duties.get('CW')!.mean;
    };
    expect(half('calling')).toBeGreaterThan(half('answering') + 0.05);
  });

  it('is the work of the log where there is some, and the contacts teach the duty cycle alone', () => {
    const start: LogEntry = { id: 'w', at: at(8.5), kind: 'work', do: 'start' };
    const found = debrief([start, ...every(3, 8, 9)]);
    expect(found.notes).toEqual([]);
    expect(found.now.plan.blocks[0].startMs).toBe(hour(8.5));
    expect(found.duties.size).toBe(1);
  });

  it('is refused where nothing is known of it', () => {
    const refused = debriefOf(trip(), emptyLog('islet'), shelf);
    expect(!refused.ok && refused.problems[0].sentence).toBe(
      'Nothing is known of what happened in Islet: its log is empty.',
    );
  });

  it('says how it went, how far it is known, and what cost most', () => {
    const found = debrief([read(12, 6), read(17.9, 9)]);
    expect(sayHowItWent(found)).toMatch(/^It lasted: \d+ % left/);
    expect(sayHowItWent(debrief([read(12, 6)]))).toMatch(/^It most likely lasted: /);
    expect(sayHowFar(found, 'UTC')).toBe('');
    expect(sayHowFar(debrief([read(12, 6)]), 'UTC')).toBe(
      'Nothing was entered after Sat 12:00: the rest is as planned.',
    );
    for (const [came, earlyHours, lasted, words] of [
      ['lasted', 0, 0.7, 'It most likely lasted'],
      ['endedEarly', 0, 0.3, 'It most likely ended too soon'],
      ['endedEarly', 0, 0.01, 'It ended too soon'],
      ['endedEarly', 4, 1, 'It ended 4 h 00 early'],
      ['leftEarly', 1.5, 1, 'It was left 1 h 30 early, by choice'],
      ['notKnown', 0, 0.2, 'It most likely ended too soon'],
    ] as const)
      expect(sayHowItWent({ ...found, lasted, ended: { came, earlyHours } })).toContain(`${words}: `);
    const told = (ah: number, sun: number) =>
      sayReason({
        plannedAh: 5,
        actualAh: 5 + ah + sun,
        steps: [
          { what: 'receive', ah },
          { what: 'sunOffered', ah: sun + 3 },
          { what: 'sunNotTaken', ah: -3 },
        ],
      });
    expect(told(0.2, 0.5)).toBe('the sun cost most, 0.5 Ah');
    expect(told(-0.6, 0.2)).toBe('the radio’s currents spared most, 0.6 Ah');
    expect(told(0.04, 0.04)).toBeNull();
    expect(found.now.followed.stood.length).toBeGreaterThan(11);
  });

  it('ended early where it was called off with too little left for the rest of the plan', () => {
    const end: LogEntry = { id: 'e', at: at(14), kind: 'end' };
    expect(debrief([read(13.9, 2), end]).ended).toEqual({ came: 'leftEarly', earlyHours: 4 });
    const empty = debriefOf(
      trip({ startSoc: 0.2 }),
      { ...emptyLog('islet'), entries: [read(13.9, 2.1), end] },
      shelf,
    );
    expect(empty.ok && empty.value.ended.came).toBe('endedEarly');
  });

  it('says what was learned', () => {
    expect(learnedWords('dutyCycle.CW')).toBe('Transmit duty cycle, CW');
    expect(learnedWords('sky')).toBe('Light, of what was forecast');
    expect(sayLearned({ before: { mean: 0.34, sd: 0.07 }, after: { mean: 0.3, sd: 0.04 } })).toBe(
      '34 ± 7 % before, 30 ± 4 % now',
    );
  });

  it('is told in words', () => {
    const told = {
      plannedAh: 6.2,
      actualAh: 7.4,
      steps: [
        { what: 'dutyCycle', ah: 1.3 },
        { what: 'receive', ah: -0.1 },
        { what: 'rest', ah: 0.001 },
      ],
    } as const;
    expect(sayDifference(told)).toBe('Planned 6.20 Ah out of the battery, actual 7.40 Ah: 1.20 Ah more.');
    expect(sayDifference({ ...told, actualAh: 6.2 })).toContain('as planned');
    expect(sayWaterfall(told)).toEqual([
      'transmit duty cycle: 1.30 Ah more',
      'receive current: 0.10 Ah less',
    ]);
  });
});
