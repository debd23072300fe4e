import { provideZonelessChangeDetection, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { LogDocument, LogEntry, Trip } from '@knapsack/contract';
import { trip } from '@knapsack/contract/testing/outing';
import { SlowWorker } from '../testing/slow-worker';
import { FileTaker } from './file-taker';
import { OutingLog } from './outing-log';
import { TripStore } from './trip.store';

const ADIF = '<CALL:5>Q1ABC <QSO_DATE:8>20270904 <TIME_ON:4>0910 <EOR>';
const entry = (id: string) =>
  ({ id, at: trip().start, kind: 'contacts', until: trip().start, count: 1 }) as LogEntry;

describe('a file that is taken into the log', () => {
  const planned = signal<Trip | null>(trip());
  const log = signal<LogDocument | null>(null);
  const add = jasmine.createSpy('add');
  const real = globalThis.Worker;
  let taker: FileTaker;
  const file = (text: string, name = 'contacts.adi') => new File([text], name);
  /** Lets the file's text be read. */
  const asked = async () => {
    for (let turns = 0; turns < 50 && !SlowWorker.last; turns++)
      await new Promise((done) => setTimeout(done, 5));
    return SlowWorker.lastOf<{ text: string }>();
  };

  beforeEach(() => {
    globalThis.Worker = SlowWorker as unknown as typeof Worker;
    SlowWorker.last = null;
    planned.set(trip());
    log.set(null);
    add.calls.reset();
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        FileTaker,
        { provide: TripStore, useValue: { trip: planned } },
        { provide: OutingLog, useValue: { log, standing: signal([]), add } },
      ],
    });
    taker = TestBed.inject(FileTaker);
  });
  afterEach(() => (globalThis.Worker = real));

  it('is a contact log, counted while it is read, of which what is new is added', async () => {
    log.set({ entries: [entry('a')] } as unknown as LogDocument);
    const told = taker.take(file(ADIF), 0);
    const worker = await asked();
    expect(worker.sent[0].question.text).toBe(ADIF);
    expect(taker.count()).toBe(0);
    worker.answer(1, { is: 'reading', count: 70 }, true);
    expect(taker.count()).toBe(70);
    worker.answer(1, { is: 'read', entries: [entry('a'), entry('b')], notes: ['One was left out.'] });
    expect(await told).toEqual([
      `contacts.adi: 1 entry more in the log of ${trip().name}.`,
      'One was left out.',
    ]);
    expect(add).toHaveBeenCalledOnceWith(entry('b'));
    expect(taker.count()).toBeNull();
  });

  it('says where nothing of it is new, and why it is refused', async () => {
    log.set({ entries: [entry('a')] } as unknown as LogDocument);
    expect(taker.add(trip(), 'x.adi', [entry('a')], ['A note.'])).toEqual([
      'x.adi was taken in before: nothing of it is new.',
      'A note.',
    ]);
    const told = taker.take(file(ADIF), 0);
    (await asked()).answer(1, { is: 'refused', why: 'No contact lies in this outing.' });
    expect(await told).toEqual(['No contact lies in this outing.']);
    expect(add).not.toHaveBeenCalled();
  });

  it('is let go of where it is stopped, or where the reading fails twice', async () => {
    const told = taker.take(file(ADIF), 0);
    await asked();
    taker.stop();
    expect(await told).toEqual(['Stopped. Nothing was taken in.']);
    SlowWorker.last = null;
    const failed = taker.take(file(ADIF), 0);
    (await asked()).die();
    SlowWorker.lastOf().die();
    expect((await failed)[0]).toContain('could not be read, by a fault in Knapsack');
    expect(taker.count()).toBeNull();
    expect(add).not.toHaveBeenCalled();
  });

  it('is refused where it is huge, or where no trip is open, or it is nothing that is known', async () => {
    const huge = { name: 'huge.adi', size: 50_000_001, text: () => Promise.resolve(ADIF) } as unknown as File;
    expect(await taker.take(huge, 0)).toEqual(['huge.adi is larger than 50 MB. Nothing was taken in.']);
    expect(await taker.take(file('hello', 'a.txt'), 0)).toHaveSize(1);
    planned.set(null);
    expect(await taker.take(file(ADIF), 0)).toEqual([]);
    expect(add).not.toHaveBeenCalled();
  });
});
