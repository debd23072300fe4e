import { HttpErrorResponse } from '@angular/common/http';
import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import {
  emptyLog,
  noNotes,
  type DebriefNotes,
  type Gear,
  type LogDocument,
  type Trip,
} from '@knapsack/contract';
import { correctionId, withCorrection, type Correction } from '@knapsack/contract/debrief';
import { curlew, hour, shelf, trip } from '@knapsack/contract/testing/outing';
import { of, throwError } from 'rxjs';
import { ApiService } from '../data/api.service';
import { ShelfService } from '../data/shelf.service';
import { NoticesService, type Notice } from '../shell/notices.service';
import { SlowWorker } from '../testing/slow-worker';
import { withSlowWorkers } from '../testing/slow-workers';
import { OutingLog } from '../trip/outing-log';
import { TicksStore } from '../trip/ticks.store';
import { TripStore } from '../trip/trip.store';
import type { CorrectionView, DebriefQuestion } from '../work/debrief-protocol';
import type { NextPlansQuestion } from '../work/next-plans-work';
import { DebriefStore } from './debrief.store';

const correction: Correction = {
  ...{ gear: 'curlew', place: { at: 'receiveA' } },
  ...{ before: { mean: 0.14, sd: 0.01 }, after: { mean: 0.17, sd: 0.005 } },
};
const row = (of = correction): CorrectionView => ({
  ...{ id: correctionId(of), correction: of, sentence: '', sure: '', effect: '' },
});
const capacity: Correction = { ...correction, gear: 'shale', place: { at: 'measuredAh' } };
const accepted = (gear: Gear, what = correction): Gear => {
  const changed = withCorrection(gear, what, trip());
  if (!changed.ok) throw new Error(changed.problems[0].sentence);
  return changed.value;
};

describe('what really happened in an outing', () => {
  const present = signal<Trip | null>(trip());
  const log = signal<LogDocument | null>(emptyLog('islet'));
  const gear = signal<readonly Gear[]>(shelf);
  const notes = signal<DebriefNotes | null>(null);
  const rest = withSlowWorkers();
  let store: DebriefStore;
  let debrief: SlowWorker<DebriefQuestion>;
  let next: SlowWorker<NextPlansQuestion>;
  let said: Notice[];
  let saved: Gear[];
  let opened: string[];
  let answers: number | null;
  let summaries: { id: string; start: string; archived?: true }[];
  const turns = async () => {
    for (let count = 0; count < 8; count++) await Promise.resolve();
  };
  const fail = () => throwError(() => new HttpErrorResponse({ status: answers ?? 0 }));
  const show = (...corrections: readonly CorrectionView[]) => {
    rest();
    debrief.answer(debrief.sent.at(-1)!.number, { ok: true, view: { corrections } });
    rest();
  };

  beforeEach(async () => {
    present.set(trip());
    log.set(emptyLog('islet'));
    gear.set(shelf);
    notes.set(null);
    [said, saved, opened, answers] = [[], [], [], null];
    summaries = [
      { id: 'before', start: new Date(hour(1)).toISOString() },
      { id: 'put-away', start: new Date(hour(40)).toISOString(), archived: true },
      { id: 'later', start: new Date(hour(18)).toISOString() },
    ];
    const workers: SlowWorker<never>[] = [];
    class Hired extends SlowWorker<never> {
      constructor() {
        super();
        workers.push(this);
      }
    }
    globalThis.Worker = Hired as unknown as typeof Worker;
    TestBed.configureTestingModule({
      providers: [
        DebriefStore,
        { provide: TripStore, useValue: { trip: present, calculated: present } },
        { provide: OutingLog, useValue: { log } },
        { provide: NoticesService, useValue: { show: (notice: Notice) => said.push(notice) } },
        {
          provide: ShelfService,
          useValue: {
            gear,
            byId: () => new Map(gear().map((item) => [item.id, item])),
            load: () => of((gear.set(shelf), [])),
            replace: (changed: Gear) => {
              if (answers !== null) return fail();
              saved.push(changed);
              gear.update((all) => all.map((item) => (item.id === changed.id ? changed : item)));
              return of({ revision: 2, document: changed });
            },
          },
        },
        {
          provide: TicksStore,
          useValue: {
            debrief: {
              document: notes,
              open: (id: string) => Promise.resolve((opened.push(id), notes.set(noNotes(id)))),
              change: (change: (notes: DebriefNotes) => DebriefNotes) => notes.update((now) => change(now!)),
            },
          },
        },
        {
          provide: ApiService,
          useValue: {
            trips: () => (answers === null ? of(summaries) : fail()),
            tripInPassing: (id: string) => of({ revision: 1, document: trip({ id }) }),
          },
        },
      ],
    });
    store = TestBed.inject(DebriefStore);
    [debrief, next] = workers as unknown as [typeof debrief, typeof next];
    rest();
    await turns();
  });

  it('is asked once its notes are there, with what is set aside and sent otherwise', () => {
    expect(opened).toEqual(['islet']);
    rest();
    expect(debrief.sent.map(({ question }) => question)).toEqual([
      { trip: trip(), log: emptyLog('islet'), shelf, aside: [], seconds: [] },
    ]);
    store.change((now) => ({
      ...now,
      ...{ aside: [{ source: 'contacts' }], seconds: [{ mode: 'CW', seconds: 20 }] },
    }));
    debrief.answer(1, { ok: false, problems: ['Nothing was entered.'] });
    expect([store.view(), store.problems()]).toEqual([null, ['Nothing was entered.']]);
    rest();
    const { aside, seconds } = debrief.sent[1].question;
    expect([aside, seconds]).toEqual([[{ source: 'contacts' }], [{ mode: 'CW', seconds: 20 }]]);
  });

  it('has no notes of another outing, and asks nothing before its own are there', () => {
    rest();
    const before = debrief.sent.length;
    debrief.answer(1, { ok: false, problems: [] });
    notes.set(noNotes('skerry'));
    log.set({ ...emptyLog('islet') });
    expect([store.notes(), store.aside(), store.seconds()]).toEqual([null, [], []]);
    rest();
    expect(debrief.sent.length).toBe(before);
  });

  it('says where it stopped by a fault', () => {
    rest();
    debrief.die();
    debrief.die();
    expect(store.problems()).toEqual([jasmine.stringContaining('stopped by a fault')]);
  });

  it('is accepted as a figure of the gear, and taken back again', async () => {
    show(row());
    expect(store.accepted().size).toBe(0);
    store.change((now) => ({ ...now, left: [{ correction: row().id }, { correction: 'other' }] }));
    await store.accept(row());
    expect(saved).toEqual([accepted(curlew)]);
    expect([...store.accepted()]).toEqual([row().id]);
    // What was left is left no more; the others are.
    expect([...store.left()]).toEqual(['other']);
    await store.accept(row());
    expect(saved[1]).toEqual(curlew);
    expect(store.accepted().size).toBe(0);
  });

  it('is not kept of gear that travels with the trip alone, and that is said', async () => {
    show(row({ ...correction, gear: 'gone' }));
    await store.accept(row({ ...correction, gear: 'gone' }));
    expect(saved).toEqual([]);
    expect(said).toEqual([{ text: jasmine.stringContaining('add it to the shelf') }]);
    present.set(null);
    await store.accept(row());
    expect(saved).toEqual([]);
  });

  it('is not accepted twice, as where another tab has', async () => {
    show();
    gear.set([accepted(curlew), ...shelf.slice(1)]);
    await store.accept(row());
    expect(saved).toEqual([]);
    expect(said).toEqual([{ text: jasmine.stringContaining('was accepted already') }]);
  });

  it('says why it could not be saved, and shows what stands there now', async () => {
    show(row());
    answers = 412;
    gear.set([{ ...curlew, name: 'old' }, ...shelf.slice(1)]);
    await store.accept(row());
    await turns();
    expect(said.length).toBe(1);
    expect(gear()).toEqual(shelf);
  });

  it('can be left: what was accepted is taken back then, and the mark taken away again', async () => {
    show(row());
    await store.accept(row());
    await store.toggleLeft(row());
    expect([...store.left()]).toEqual([row().id]);
    expect(gear()[0]).toEqual(curlew);
    await store.toggleLeft(row());
    expect(store.left().size).toBe(0);
    expect(gear()[0]).toEqual(curlew);
  });

  it('is told for this plan and those to come, with all of it where nothing is accepted', () => {
    show(row(), row(capacity));
    const [{ question }] = next.sent;
    expect(question.trips.map(({ id }) => id)).toEqual(['islet', 'later']);
    expect(question.shelf).toEqual(shelf);
    expect(question.taught.map((item) => item === shelf.find(({ id }) => id === item.id))).toEqual([
      false,
      false,
    ]);
    next.answer(1, [{ id: 'islet' }]);
    expect(store.nextPlans()).toEqual([{ id: 'islet' }] as never);
    next.die();
    expect(store.nextPlans().length).toBe(1);
  });

  it('is told with what is accepted alone, against the shelf without it', async () => {
    show(row(), row(capacity));
    next.answer(1, []);
    await store.accept(row());
    rest();
    const { question } = next.sent.at(-1)!;
    expect(question.shelf).toEqual(shelf);
    expect(question.taught).toEqual([accepted(curlew), ...shelf.slice(1)]);
  });

  it('has no next plans where it has taught nothing', () => {
    show(row());
    next.answer(1, [{ id: 'islet' }]);
    log.set({ ...emptyLog('islet') });
    show();
    expect(store.nextPlans()).toEqual([]);
    expect(next.sent.length).toBe(1);
  });

  it('is told for this plan alone where the server is away', async () => {
    answers = 0;
    present.set(trip({ id: 'skerry' }));
    rest();
    await turns();
    expect(opened).toEqual(['islet', 'skerry']);
    show(row());
    expect(next.sent.at(-1)!.question.trips.map(({ id }) => id)).toContain('skerry');
  });

  it('looks at eight plans to come at the most', async () => {
    summaries = Array.from({ length: 12 }, (_, place) => ({
      ...{ id: `later-${place}`, start: new Date(hour(30 + place)).toISOString() },
    }));
    present.set(trip({ id: 'skerry' }));
    rest();
    await turns();
    show(row());
    expect(next.sent.at(-1)!.question.trips.length).toBe(9);
  });
});
