import { TestBed } from '@angular/core/testing';
import { emptyLog, noNotes, summaryOf, type Gear, type LogbookLine, type LogEntry } from '@knapsack/contract';
import { hour, shelf, trip } from '@knapsack/contract/testing/outing';
import { of } from 'rxjs';
import { ApiService } from '../data/api.service';
import { DeviceStore } from '../data/device-store';
import { LogbookStore } from './logbook.store';

const read: LogEntry = {
  ...{ id: 'r', at: new Date(hour(17.9)).toISOString(), kind: 'reading', state: 'off' },
  outAh: 3.4,
};

/** The server's part, with how often an outing was asked for. */
class Server {
  readonly asked: string[] = [];
  logRevision = 1;
  gear: readonly Gear[] = shelf;
  gearRevision = 1;
  ids: readonly string[] = ['islet', 'skerry'];

  readonly api = {
    logbook: () => of(this.ids.map((id): LogbookLine => this.line(id))),
    gear: () => of(this.gear.map((document) => ({ document, revision: this.gearRevision }))),
    trips: () => of([]),
    outing: (id: string) => {
      this.asked.push(id);
      // Of the second nothing was entered that says anything.
      const entries = id === 'skerry' ? [] : [read];
      return of({ trip: { ...trip(), id }, log: { ...emptyLog(id), entries }, notes: noNotes(id) });
    },
  };

  private line(id: string): LogbookLine {
    return {
      trip: summaryOf({ ...trip(), id }, { revision: 1, savedAs: 6 }),
      gear: ['curlew', 'shale'],
      logRevision: this.logRevision,
      debriefRevision: 0,
      lessons: [],
    };
  }
}

describe('the logbook', () => {
  let server: Server;
  const kept = new DeviceStore<unknown>('knapsack-logbook', 'rows');
  const open = async () => {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [LogbookStore, { provide: ApiService, useValue: server.api }],
    });
    const store = TestBed.inject(LogbookStore);
    await store.load();
    return store;
  };

  beforeEach(async () => {
    await kept.clear();
    server = new Server();
  });
  afterAll(() => kept.clear());

  it('works every outing out once, says why one cannot be, and keeps the rows on this device', async () => {
    const store = await open();
    expect(store.waiting()).toBe(0);
    expect(store.known().map(({ id, came }) => [id, came])).toEqual([['islet', 'lasted']]);
    const [, skerry] = store.entries();
    expect(skerry.problem).toContain('Nothing is known of what happened');
    expect(server.asked).toEqual(['islet', 'skerry']);
    const again = await open();
    expect(again.known()).toEqual(store.known());
    // What could not be worked out is tried again.
    expect(server.asked).toEqual(['islet', 'skerry', 'skerry']);
  });

  it('works one out anew where its log or a figure of its gear is another, and forgets what is gone', async () => {
    await open();
    server.logRevision = 2;
    await open();
    server.gearRevision = 2;
    await open();
    expect(server.asked.filter((id) => id === 'islet').length).toBe(3);
    server.ids = [];
    await open();
    expect(await kept.all()).toEqual([]);
  });
});
