import type { Trip } from '../documents/trip.js';
import { lookUp } from '../resolve/look-up.js';
import { readTrip } from '../schemas/read.js';
import { kitShelf, kitTrip } from '../testing/kit.js';
import { changedCableRuns } from '../documents/harness-notes.js';
import { applyRemedy, changeCableRun, insertBefore, tryCableRun, withoutPart } from './change-harness.js';
import { harnessOf } from './harness-of.js';
import { harnessReport } from './harness-report.js';

const partsOf = (trip: Trip) => harnessOf(trip, lookUp(trip, kitShelf).carried);
const from = (trip: Trip, id: string) => partsOf(trip).find((part) => part.id === id)?.from;
const sentence = (said: Parameters<typeof tryCableRun>[3]) => {
  const changed = tryCableRun(kitTrip(), kitShelf, 'curlew', said);
  return changed.ok ? null : changed.problems[0].sentence;
};

describe('a change to a harness', () => {
  it('says one thing of a run and keeps the rest', () => {
    const once = changeCableRun(kitTrip(), 'curlew', { lengthM: 2 });
    expect(changeCableRun(once, 'curlew', { fuseA: 5 }).harness!.runs).toEqual([
      { to: 'curlew', lengthM: 2, fuseA: 5 },
    ]);
  });

  it('takes a word back, and the note with its last one', () => {
    const once = changeCableRun(kitTrip(), 'curlew', { near: { family: 'ring', end: 'plug' } });
    expect(changeCableRun(once, 'curlew', { near: undefined }).harness!.runs).toEqual([]);
  });

  it('never has a gauge and a cross section at once', () => {
    const metric = changeCableRun(changeCableRun(kitTrip(), 'curlew', { awg: 14 }), 'curlew', { areaMm2: 4 });
    expect(metric.harness!.runs).toEqual([{ to: 'curlew', areaMm2: 4 }]);
    expect(readTrip(metric).ok).toBe(true);
  });

  it('answers what cannot be with a sentence', () => {
    expect(sentence({ lengthM: 0 })).toContain('A run of no length joins nothing');
    expect(sentence({ fuseA: 11 })).toContain('No one sells a fuse of 11 A');
    expect(sentence({ fuseA: 0 })).toBeNull();
    expect(sentence({ from: 'relay' })).toBeNull();
  });

  it('refuses a loop, by its names', () => {
    const added = insertBefore(kitTrip(), 'splitter', 'curlew', 'shale', 'split');
    const looped = tryCableRun(added, kitShelf, 'split', { from: 'curlew' });
    expect(looped.ok).toBe(false);
    if (!looped.ok)
      expect(looped.problems[0].sentence).toContain(
        'That would close a loop: Curlew feeds splitter feeds Curlew.',
      );
  });

  it('puts a part in between and takes it out again', () => {
    const added = insertBefore(kitTrip(), 'disconnect', 'curlew', 'shale', 'lvd');
    expect([from(added, 'lvd'), from(added, 'curlew')]).toEqual(['shale', 'lvd']);
    const out = withoutPart(added, 'lvd');
    expect(partsOf(out).map(({ id }) => id)).not.toContain('lvd');
    expect(from(out, 'curlew')).toBe('shale');
  });
});

describe('the runs that changed', () => {
  it('are those of which something else is said, and those put in or taken out', () => {
    const once = changeCableRun(kitTrip(), 'curlew', { lengthM: 2 });
    const more = insertBefore(
      changeCableRun(once, 'rill', { fuseA: 5 }),
      'splitter',
      'relay',
      'shale',
      'split',
    );
    expect([...changedCableRuns(once.harness, more.harness)].sort()).toEqual(['relay', 'rill', 'split']);
    expect(changedCableRuns(once.harness, changeCableRun(once, 'curlew', { lengthM: 2 }).harness).size).toBe(
      0,
    );
    expect([...changedCableRuns(once.harness, undefined)]).toEqual(['curlew']);
  });
});

describe('a remedy', () => {
  /** A kit with one thing wrong; the remedy of that rule, put in, keeps the rule. */
  const mends = (trip: Trip, rule: string, shelf = kitShelf) => {
    const breach = harnessReport(trip, shelf).checks.find((check) => check.rule === rule)!;
    expect(breach?.remedy).withContext(rule).toBeDefined();
    const mended = applyRemedy(trip, shelf, breach.part!, breach.remedy!, 'new-part');
    expect(readTrip(mended).ok).withContext(rule).toBe(true);
    const left = harnessReport(mended, shelf).checks.filter(
      (check) => check.rule === rule && check.part === breach.part,
    );
    expect(left).withContext(rule).toEqual([]);
  };
  const said = (note: object) => kitTrip({ harness: { runs: [{ to: 'curlew', ...note }] } });

  it('keeps the rule that it is for', () => {
    mends(said({ fuseA: 0 }), 'fuse');
    mends(said({ fuseAtM: 0.6 }), 'reach');
    mends(said({ fuseA: 2 }), 'carries');
    mends(said({ fuseA: 40 }), 'guards');
    mends(said({ lengthM: 20 }), 'drop');
    mends(said({ far: { family: 'barrel21', end: 'plug' } }), 'mating');
    mends(kitTrip({ radioOn: 'terminals' }), 'terminals');
    mends(said({ from: 'rill' }), 'terminals');
  });

  it('keeps wire, connectors and fuse within a radio of 22 A', () => {
    const strong = kitShelf.map((gear) =>
      gear.id === 'curlew'
        ? { ...gear, transmit: [{ rfW: 10, amps: 22, source: 'measured' as const }] }
        : gear,
    ) as typeof kitShelf;
    const run = (note: object) =>
      kitTrip({
        loadout: ['curlew', 'shale'].map((gear) => ({ gear, count: 1 })),
        harness: { runs: [{ to: 'curlew', lengthM: 0.3, ...note }] },
      });
    mends(run({ areaMm2: 1, fuseA: 30 }), 'ampacity', strong);
    mends(run({ areaMm2: 6, far: { family: 'barrel25', end: 'plug' } }), 'rating', strong);
    // 1.25 x 22 A = 27.5 A, and 1.5 mm2 carries 24 A: no fuse is between.
    mends(run({ areaMm2: 1.5 }), 'sold', strong);
  });

  it('puts a disconnect before every load, and none before the controller', () => {
    const shelf = kitShelf.map((gear) => (gear.id === 'shale' ? { ...gear, protects: false } : gear));
    mends(kitTrip(), 'disconnect', shelf);
    const breach = harnessReport(kitTrip(), shelf).checks.find(({ rule }) => rule === 'disconnect')!;
    const mended = applyRemedy(kitTrip(), shelf, breach.part!, breach.remedy!, 'lvd');
    expect([from(mended, 'curlew'), from(mended, 'relay'), from(mended, 'rill')]).toEqual([
      'lvd',
      'lvd',
      'shale',
    ]);
  });
});
