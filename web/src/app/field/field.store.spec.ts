import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { emptyLog, type Gear, type LogDocument, type LogEntry, type Trip } from '@knapsack/contract';
import { withEntries } from '@knapsack/contract/field';
import { hour, shelf, trip } from '@knapsack/contract/testing/outing';
import type { ReadingOutcome } from '@knapsack/core';
import { ShelfService } from '../data/shelf.service';
import { SlowWorker } from '../testing/slow-worker';
import { withSlowWorkers } from '../testing/slow-workers';
import { OutingLog } from '../trip/outing-log';
import { TripStore } from '../trip/trip.store';
import type { FieldQuestion } from '../work/field-protocol';
import { FieldStore } from './field.store';
import { MeaningStore } from './meaning.store';
import { OutingClock } from './outing-clock';

const MINUTE_MS = 60_000;
const note = (id: string, atMs: number): LogEntry => ({
  ...{ id, at: new Date(atMs).toISOString(), kind: 'note', note: id },
});
const view = (more: object = {}) => ({ ok: true, view: { isRough: false, wouldDo: [], ...more } });

describe('where an outing stands', () => {
  const present = signal<Trip | null>(trip());
  const log = signal<LogDocument | null>(emptyLog('islet'));
  const gear = signal<readonly Gear[]>(shelf);
  const minuteMs = signal(hour(9));
  const seen = withSlowWorkers();
  let refreshed: number;
  let store: FieldStore;
  const worker = () => SlowWorker.lastOf<FieldQuestion>();
  const asked = () => worker().sent.map(({ question }) => question);
  const answer = (is: unknown, more = false) => worker().answer(worker().sent.at(-1)!.number, is, more);
  const enter = (...entries: readonly LogEntry[]) => log.update((now) => withEntries(now!, ...entries));

  beforeEach(() => {
    present.set(trip());
    log.set(emptyLog('islet'));
    gear.set(shelf);
    minuteMs.set(hour(9));
    refreshed = 0;
    const standing = () => log()?.entries ?? [];
    TestBed.configureTestingModule({
      providers: [
        FieldStore,
        MeaningStore,
        { provide: TripStore, useValue: { trip: present, calculated: present } },
        { provide: ShelfService, useValue: { gear } },
        { provide: OutingClock, useValue: { minuteMs, now: () => minuteMs() } },
        {
          provide: OutingLog,
          useValue: { log, standing, refresh: () => Promise.resolve((refreshed += 1)) },
        },
      ],
    });
    store = TestBed.inject(FieldStore);
  });

  it('is told of the clock’s minute during the outing', () => {
    expect([store.isUnderWay(), store.momentMs()]).toEqual([true, hour(9)]);
    seen();
    expect(asked()).toEqual([{ trip: trip(), log: emptyLog('islet'), shelf, nowMs: hour(9) }]);
  });

  it('is told of its start before it, and of the last entry after it', () => {
    minuteMs.set(hour(3));
    expect([store.isUnderWay(), store.momentMs()]).toEqual([false, hour(6)]);
    minuteMs.set(hour(30));
    enter(note('a', hour(11)));
    expect(store.momentMs()).toBe(hour(11));
  });

  it('is told of the moment that was chosen, within the outing', () => {
    store.asIfMs.set(hour(14));
    expect(store.momentMs()).toBe(hour(14));
    store.asIfMs.set(hour(25));
    expect(store.momentMs()).toBe(hour(18));
  });

  it('has what was entered within the minute at hand', () => {
    enter(note('a', hour(9) + 40_000));
    expect(store.nowMs()).toBe(hour(9) + 40_000);
    enter(note('b', hour(9) + MINUTE_MS));
    expect(store.nowMs()).toBe(hour(9) + 40_000);
  });

  it('is not asked for without a trip or its log', () => {
    log.set(null);
    seen();
    log.set(emptyLog('islet'));
    present.set(null);
    seen();
    expect(asked()).toEqual([]);
    expect(store.momentMs()).toBe(minuteMs());
    expect(store.isUnderWay()).toBeFalse();
  });

  it('takes up what other devices sent with each minute', () => {
    seen();
    expect(refreshed).toBe(0);
    minuteMs.set(hour(9) + MINUTE_MS);
    seen();
    expect(refreshed).toBe(1);
    enter(note('a', hour(9)));
    seen();
    expect(refreshed).toBe(1);
  });

  it('shows nothing before the first estimate, then the last one marked as estimating until the next is there', () => {
    seen();
    expect([store.view(), store.isEstimating()]).toEqual([null, true]);
    const full = view({ hours: 1 });
    answer(full);
    expect([store.view(), store.isEstimating()]).toEqual([full.view as never, false]);
    minuteMs.set(hour(9) + MINUTE_MS);
    seen();
    expect([store.view(), store.isEstimating()]).toEqual([full.view as never, true]);
    answer(full);
    expect(store.isEstimating()).toBeFalse();
    const later = view({ hours: 2 });
    minuteMs.set(hour(9) + 2 * MINUTE_MS);
    seen();
    answer(later);
    expect(store.view()).toEqual(later.view as never);
    enter(note('a', hour(9)));
    seen();
    answer({ ok: true, view: { isRough: false, wouldDo: null } });
    expect(store.view()).toEqual({ isRough: false, wouldDo: null } as never);
  });

  it('says why it cannot be told, and where it stopped by a fault', () => {
    seen();
    expect([store.view(), store.problems()]).toEqual([null, []]);
    answer({ ok: false, problems: ['There is no radio.'] });
    expect([store.view(), store.problems()]).toEqual([null, ['There is no radio.']]);
    minuteMs.set(hour(10));
    seen();
    worker().die();
    worker().die();
    expect(store.problems()).toEqual([jasmine.stringContaining('stopped by a fault')]);
  });

  describe('and what a reading that is being typed would mean', () => {
    const reading = { kind: 'reading', state: 'off', outAh: 3.4 } as const;
    const alone = { p10: 0.52, p50: 0.6, p90: 0.71 };
    const outcome = { id: 'tried', alone, fits: true } as unknown as ReadingOutcome;
    let meaning: MeaningStore;
    beforeEach(() => {
      seen();
      answer(view());
      meaning = TestBed.inject(MeaningStore);
    });

    it('is asked once the hand rests, of the newest, in a worker of its own, for a first look', () => {
      meaning.ask({ ...reading, outAh: 3 });
      seen(249);
      expect(SlowWorker.hired).toBe(1);
      meaning.ask(reading);
      seen(249);
      expect(SlowWorker.hired).toBe(1);
      seen(1);
      expect(SlowWorker.hired).toBe(2);
      const [{ log: tried, ...rest }] = asked();
      expect(rest).toEqual({ trip: trip(), shelf, nowMs: hour(9), onlyRough: true });
      expect(tried.entries).toEqual([{ ...reading, id: 'tried', at: new Date(hour(9)).toISOString() }]);
      meaning.ask({ ...reading, outAh: 5 });
      seen(250);
      expect(SlowWorker.hired).toBe(2);
    });

    it('is not asked for of no reading, nor of an outing without its log', () => {
      meaning.ask(reading);
      meaning.ask(null);
      seen(1000);
      log.set(null);
      meaning.ask(reading);
      seen(1000);
      expect(SlowWorker.hired).toBe(1);
    });

    it('is told in words', () => {
      meaning.ask(reading);
      seen(250);
      expect(meaning.meaning()).toBeNull();
      answer(view({ readings: [{ ...outcome, id: 'other' }, outcome] }));
      expect(meaning.meaning()).toBe('would mean 52 to 71 %; it fits');
      meaning.ask(reading);
      expect(meaning.meaning()).toBeNull();
      seen(250);
      answer({ ok: false, problems: [] });
      expect(meaning.meaning()).toBeNull();
    });

    it('is no longer told once something else is typed, and nothing late is', () => {
      meaning.ask(reading);
      seen(250);
      answer(view({ readings: [{ ...outcome, id: 'other' }] }));
      expect(meaning.meaning()).toBeNull();
      meaning.ask(reading);
      seen(250);
      meaning.ask(null);
      answer(view({ readings: [outcome] }));
      expect(meaning.meaning()).toBeNull();
      worker().die();
      worker().die();
      expect(meaning.meaning()).toBeNull();
    });
  });
});
