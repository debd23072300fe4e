import { HttpErrorResponse } from '@angular/common/http';
import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { LogEntry } from '@knapsack/contract';
import { dryRunStartMs, type DryRunSetup } from '@knapsack/contract/field';
import { hour, trip } from '@knapsack/contract/testing/outing';
import { of, Subject, throwError, type Observable } from 'rxjs';
import { ApiService } from '../data/api.service';
import { HeardStream, withHeardStreams } from '../testing/heard-stream';
import { withSlowWorkers } from '../testing/slow-workers';
import { TripStore } from '../trip/trip.store';
import { DryRunLog } from './dry-run-log';
import { DryRunMemory } from './dry-run-memory';
import { DryRunStore } from './dry-run.store';

const START_MS = dryRunStartMs(trip());
const MINUTE_MS = 60_000;
const after = (minutes: number) => START_MS + minutes * MINUTE_MS;
const monitor = (minutes: number, percent = 87) =>
  `B ${minutes * MINUTE_MS} 13.12 -0.84 ${percent} -2.31 640`;
const note = (id: string): LogEntry => ({
  ...{ id, at: new Date(hour(9)).toISOString(), kind: 'note' },
  note: id,
});
const work: LogEntry = {
  ...{ id: 'w', at: new Date(hour(9)).toISOString(), kind: 'work' },
} as unknown as LogEntry;

describe('a dry run of the outing in hand', () => {
  const rest = withSlowWorkers();
  const stream = withHeardStreams();
  let begun: (DryRunSetup & { entries: readonly LogEntry[] })[];
  let made: () => Observable<{ id: string }>;
  const turns = () =>
    Promise.resolve()
      .then(() => Promise.resolve())
      .then(() => undefined);

  beforeEach(() => {
    sessionStorage.clear();
    begun = [];
    made = () => of({ id: `run-${begun.length}` });
    TestBed.configureTestingModule({
      providers: [
        DryRunStore,
        DryRunLog,
        DryRunMemory,
        { provide: TripStore, useValue: { trip: signal(trip()) } },
        {
          provide: ApiService,
          useValue: {
            beginDryRun: (_id: string, run: DryRunSetup & { entries: readonly LogEntry[] }) => {
              begun.push(run);
              return made();
            },
          },
        },
      ],
    });
  });
  afterEach(() => sessionStorage.clear());

  async function open(): Promise<DryRunStore> {
    const store = TestBed.inject(DryRunStore);
    rest();
    await turns();
    return store;
  }
  const sent = (...minutes: readonly number[]) => {
    for (const minute of minutes) {
      stream().line(monitor(minute));
      stream().tell('truth', { timeMs: after(minute), soc: 0.87, sky: null });
    }
    rest(200);
  };

  it('begins by itself where the outing does, three hours a minute, and is heard from there on', async () => {
    const store = await open();
    expect([store.isGoing(), store.now(), store.isOver()]).toEqual([true, START_MS, false]);
    expect(stream().address).toContain('/api/dry-runs/run-1?');
    expect([stream().asked('from'), stream().asked('faster')]).toEqual([`${START_MS}`, '180']);
    sent(1, 2);
    expect(store.now()).toBe(after(2));
    expect(store.truth().map(({ timeMs }) => timeMs)).toEqual([after(1), after(2)]);
    expect([...store.displays().keys()]).toEqual(['monitor']);
  });

  it('takes in at once what came in a fifth of a second', async () => {
    const store = await open();
    stream().line(monitor(1));
    stream().tell('truth', { timeMs: after(1), soc: 0.87, sky: null });
    rest(199);
    expect(store.now()).toBe(START_MS);
    rest(1);
    expect(store.now()).toBe(after(1));
  });

  it('enters what instruments send that may, and shows the others all the same', async () => {
    const store = await open();
    const log = TestBed.inject(DryRunLog);
    store.toggle('monitor');
    sent(1);
    expect(log.log().entries).toEqual([]);
    expect(store.displays().get('monitor')).toEqual(jasmine.objectContaining({ percent: 87 }));
    store.toggle('monitor');
    sent(2);
    expect(log.log().entries.map(({ source }) => source)).toEqual(['monitor']);
    expect(log.byHand()).toEqual([]);
  });

  it('passes over what is no line of an instrument, and knows the others by their own', async () => {
    const store = await open();
    store.toggle('controller');
    for (const line of ['noise', monitor(1), `C ${MINUTE_MS} 17.90 1.20 13.30 1.52 0.02 22 bulk`])
      stream().line(line);
    stream().tell('truth', { timeMs: after(1), soc: 0.87, sky: null });
    rest(200);
    expect([...store.displays().keys()]).toEqual(['monitor', 'controller']);
    const entries = TestBed.inject(DryRunLog).log().entries;
    expect(new Set(entries.map(({ source }) => source))).toEqual(new Set(['monitor']));
  });

  it('stands still when told to, and goes on from there, hearing nothing twice', async () => {
    const store = await open();
    sent(1, 2);
    const first = stream();
    store.pause();
    expect([store.isGoing(), first.isClosed]).toEqual([false, true]);
    store.goOn();
    await turns();
    expect(stream()).not.toBe(first);
    expect([stream().asked('from'), stream().asked('after')]).toEqual([`${after(2)}`, `${after(2)}`]);
  });

  it('hears what was, and no more, while it stands still', async () => {
    const store = await open();
    store.pause();
    store.skipTo(after(30));
    await turns();
    expect(store.isGoing()).toBeFalse();
    expect(stream().asked('faster')).toBe('1');
    sent(1, 30);
    expect(store.now()).toBe(after(30));
    stream().tell('truth', { timeMs: after(31), soc: 0.8, sky: null });
    expect(stream().isClosed).toBeTrue();
    rest(200);
    expect(store.now()).toBe(after(30));
  });

  it('is heard faster at once where it goes, and from the next time on where it stands', async () => {
    const store = await open();
    store.goFaster(600);
    await turns();
    expect([HeardStream.opened, stream().asked('faster')]).toEqual([2, '600']);
    store.pause();
    store.goFaster(60);
    await turns();
    expect(HeardStream.opened).toBe(2);
    store.goOn();
    await turns();
    expect(stream().asked('faster')).toBe('60');
  });

  it('is played anew from where it is once somebody enters what changes it, and not for a note', async () => {
    await open();
    const log = TestBed.inject(DryRunLog);
    log.add(note('n'));
    rest();
    await turns();
    expect(begun.length).toBe(1);
    log.add(work);
    rest();
    await turns();
    expect(begun.map(({ entries }) => entries.map(({ id }) => id).sort())).toEqual([[], ['n', 'w']]);
  });

  it('is over when its hours are', async () => {
    const store = await open();
    stream().tell('end');
    expect([store.isGoing(), store.isOver(), store.now()]).toEqual([false, true, hour(18)]);
    expect(stream().isClosed).toBeTrue();
  });

  it('stands still, and says so, where the server does not answer', async () => {
    const store = await open();
    stream().fail();
    expect(store.isGoing()).toBeFalse();
    expect(store.said()).toContain('Go on when it is back');
    made = () => throwError(() => new HttpErrorResponse({ status: 0 }));
    store.goOn();
    await turns();
    expect(store.isGoing()).toBeFalse();
    expect(store.said()).toContain('does not answer');
    made = () => of({ id: 'again' });
    store.goOn();
    await turns();
    expect([store.isGoing(), store.said()]).toEqual([true, '']);
  });

  it('does not hear a beginning that came too late', async () => {
    const late = new Subject<{ id: string }>();
    made = () => late;
    const store = await open();
    store.pause();
    late.next({ id: 'late' });
    late.complete();
    await turns();
    expect([HeardStream.opened, store.isGoing()]).toEqual([0, false]);
  });

  it('begins anew under another sky, with nothing of what was', async () => {
    const store = await open();
    TestBed.inject(DryRunLog).add(note('n'));
    sent(1);
    const { seed } = store.setup();
    store.begin('worse' as DryRunSetup['sky']);
    await turns();
    expect(store.setup().sky).toBe('worse' as DryRunSetup['sky']);
    expect(store.setup().seed).not.toBe(seed);
    expect([store.now(), store.truth(), store.displays().size]).toEqual([START_MS, [], 0]);
    expect(TestBed.inject(DryRunLog).log().entries).toEqual([]);
    expect(stream().asked('after')).toBe('0');
    store.begin();
    expect(store.setup().sky).toBe('worse' as DryRunSetup['sky']);
  });

  it('is taken up after a reload as it was left, standing still, unless it was ended', async () => {
    const store = await open();
    TestBed.inject(DryRunLog).add(note('n'));
    store.goFaster(600);
    await turns();
    store.toggle('monitor');
    sent(5);
    const { seed } = store.setup();
    rest();
    const memory = TestBed.inject(DryRunMemory);
    expect(memory.read('islet')).toEqual({
      ...{ trip: 'islet', setup: { seed, sky: 'asForecast' }, faster: 600, atMs: after(5) },
      ...{ enters: ['controller'], entries: [note('n')] },
    });
    expect(memory.read('another')).toBeNull();
    store.end();
    rest();
    expect([memory.holds('islet'), store.isGoing()]).toEqual([false, false]);
  });

  it('stands where it was left when it is opened again', async () => {
    TestBed.inject(DryRunMemory).keep({
      ...{ trip: 'islet', setup: { seed: 7, sky: 'asForecast' }, faster: 60, atMs: after(9) },
      ...{ enters: ['meter'], entries: [note('n')] },
    });
    const store = await open();
    expect([store.isGoing(), store.now(), store.faster(), store.setup().seed]).toEqual([
      ...[false, after(9), 60, 7],
    ]);
    expect([...store.enters()]).toEqual(['meter']);
    expect(begun[0].entries).toEqual([note('n')]);
  });

  describe('of a file of lines', () => {
    const file = (...lines: readonly string[]) => lines.join('\n');
    const startOf = (ms: number) => `# start ${new Date(ms).toISOString()}`;

    it('is played in the place of the stand-ins, from its own beginning', async () => {
      const store = await open();
      expect(store.replay('a.txt', file(startOf(hour(7)), monitor(1), monitor(2, 85)))).toBeNull();
      expect(store.replayed()?.name).toBe('a.txt');
      expect(store.now()).toBe(hour(7) + MINUTE_MS);
      expect(begun.length).toBe(1);
      store.goFaster(100_000);
      await new Promise((done) => {
        const wait = performance.now();
        const look = () => (performance.now() - wait > 5 ? done(null) : queueMicrotask(look));
        look();
      });
      rest(200);
      expect(store.displays().get('monitor')).toEqual(jasmine.objectContaining({ percent: 85 }));
      expect([store.isOver(), store.isGoing()]).toEqual([true, false]);
      rest();
      expect(TestBed.inject(DryRunMemory).holds('islet')).toBeFalse();
    });

    it('begins with the outing where it does not say when', async () => {
      const store = await open();
      expect(store.replay('a.txt', file(monitor(3), monitor(4)))).toBeNull();
      expect(store.replayed()?.moments.map(({ timeMs }) => timeMs)).toEqual([hour(6), hour(6) + MINUTE_MS]);
    });

    it('is refused where it is none, or of another day, and the run goes on', async () => {
      const store = await open();
      expect(store.replay('a.txt', 'nothing')).toContain('no line of an instrument');
      expect(store.replay('a.txt', file(startOf(hour(19)), monitor(1)))).toBe(
        'a.txt is of Sat 4 September 2027, not of this outing. Nothing was played.',
      );
      expect([store.replayed(), store.isGoing()]).toEqual([null, true]);
    });
  });
});
