import { HttpErrorResponse } from '@angular/common/http';
import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { emptyLog, type LogDocument, type LogEntry } from '@knapsack/contract';
import { mergeLogs } from '@knapsack/contract/field';
import { from, of, switchMap, throwError, type Observable } from 'rxjs';
import { ApiService } from '../data/api.service';
import { LogStore } from './log.store';
import { ServerWatch } from '../data/server-watch.service';
import { PendingEntries } from './pending-entries';
import { TripStore } from './trip.store';

const note = (id: string): LogEntry => ({ id, at: '2027-09-04T20:00:00Z', kind: 'note', note: id });
const ids = (log: { readonly entries: readonly LogEntry[] } | null) => log?.entries.map(({ id }) => id);

/** The server's part, in memory. */
class Server {
  log = emptyLog('islet');
  reachable = true;
  failsWith: number | null = null;
  posts = 0;

  readonly api = {
    log: (): Observable<LogDocument> => this.answer(() => this.log),
    addToLog: (_trip: string, sent: unknown): Observable<LogDocument> =>
      this.answer(() => {
        this.posts += 1;
        return (this.log = mergeLogs(this.log, sent as LogDocument));
      }),
  };

  private answer(make: () => LogDocument): Observable<LogDocument> {
    if (!this.reachable) return throwError(() => new HttpErrorResponse({ status: 0 }));
    if (this.failsWith !== null) return throwError(() => new HttpErrorResponse({ status: this.failsWith! }));
    return of(make());
  }
}

describe('the log of the trip in hand', () => {
  let server: Server;
  const rested = () => new Promise((done) => setTimeout(done, 10));

  async function open(): Promise<LogStore> {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [
        LogStore,
        { provide: ApiService, useValue: server.api },
        { provide: TripStore, useValue: { trip: signal({ id: 'islet' }) } },
      ],
    });
    const store = TestBed.inject(LogStore);
    TestBed.tick();
    await rested();
    return store;
  }

  beforeEach(() => {
    localStorage.clear();
    server = new Server();
  });
  afterEach(() => localStorage.clear());

  it('goes in parts where it is long, and all of it', async () => {
    const store = await open();
    store.add(...Array.from({ length: 9000 }, (_, place) => note(`n${place}`)));
    while (server.log.entries.length < 9000) await rested();
    expect(server.posts).toBe(3);
    await rested();
    expect(store.state()).toEqual({ is: 'server' });
  });

  it('stands here at once, and is on the server a moment later', async () => {
    const store = await open();
    expect(store.state()).toEqual({ is: 'server' });
    store.add(note('a'));
    expect(ids(store.log())).toEqual(['a']);
    await rested();
    expect(ids(server.log)).toEqual(['a']);
    expect(store.state()).toEqual({ is: 'server' });
    expect(new PendingEntries('islet').all()).toEqual([]);
  });

  it('is kept by this browser while the server is away, and goes when it is back', async () => {
    const store = await open();
    server.reachable = false;
    store.add(note('a'), note('b'));
    await rested();
    expect(store.state()).toEqual({ is: 'here', count: 2 });
    expect([...store.pendingIds()]).toEqual(['a', 'b']);
    server.reachable = true;
    const watch = TestBed.inject(ServerWatch);
    watch.missed();
    watch.heard();
    await rested();
    expect(ids(server.log)).toEqual(['a', 'b']);
    expect(store.state()).toEqual({ is: 'server' });
  });

  it('is there after a reload without a server, and is sent by whoever opens the trip next', async () => {
    const first = await open();
    server.reachable = false;
    first.add(note('a'));
    await rested();
    new PendingEntries('islet', 'another-tab').keep([note('b')]);
    const second = await open();
    expect(ids(second.log())).toEqual(['a', 'b']);
    server.reachable = true;
    await second.refresh();
    expect(ids(server.log)).toEqual(['a', 'b']);
    expect(Object.keys(localStorage).filter((key) => key.includes('log-pending'))).toEqual([]);
  });

  it('is joined with what another device has written', async () => {
    const store = await open();
    server.log = mergeLogs(server.log, { ...emptyLog('islet'), entries: [note('b')] });
    store.add(note('a'));
    await rested();
    expect(ids(store.log())).toEqual(['a', 'b']);
    server.log = mergeLogs(server.log, { ...emptyLog('islet'), entries: [note('c')] });
    await store.refresh();
    expect(ids(store.log())).toEqual(['a', 'b', 'c']);
  });

  it('says why the server does not take it, and keeps it', async () => {
    const store = await open();
    server.failsWith = 507;
    store.add(note('a'));
    await rested();
    const state = store.state();
    expect(state.is).toBe('refused');
    expect(ids(store.log())).toEqual(['a']);
    expect(new PendingEntries('islet').all().map(({ id }) => id)).toEqual(['a']);
  });

  it('is not told before it is there, and keeps what was added meanwhile', async () => {
    server.log = mergeLogs(server.log, { ...emptyLog('islet'), entries: [note('b')] });
    const answer = server.api.log;
    let come: () => void = () => undefined;
    const late = new Promise<void>((done) => (come = done));
    server.api.log = () => from(late).pipe(switchMap(() => answer()));
    const store = await open();
    expect(store.log()).toBeNull();
    store.add(note('a'));
    expect(new PendingEntries('islet').all().map(({ id }) => id)).toEqual(['a']);
    come();
    await rested();
    expect(ids(store.log())).toEqual(['a', 'b']);
    expect(ids(server.log)).toEqual(['a', 'b']);
  });

  it('takes in a file of another device, and says why not', async () => {
    const store = await open();
    store.add(note('a'));
    await rested();
    const file = JSON.stringify({ ...emptyLog('islet'), entries: [note('a'), note('b')] });
    expect(await store.takeIn(file)).toBeNull();
    expect(ids(store.log())).toEqual(['a', 'b']);
    expect(await store.takeIn('volts: 13')).toContain('it is not JSON');
    server.failsWith = 422;
    expect(await store.takeIn('{}')).toMatch(/\.$/);
    expect(ids(store.log())).toEqual(['a', 'b']);
  });

  it('sends nothing where nothing was added', async () => {
    const store = await open();
    await store.refresh();
    expect(server.posts).toBe(0);
  });

  it('says that leaving would lose something only where this browser keeps nothing', async () => {
    const store = await open();
    server.reachable = false;
    store.add(note('a'));
    expect(store.wouldBeLost()).toBeFalse();
    spyOn(Storage.prototype, 'setItem').and.throwError('full');
    store.add(note('b'));
    expect(store.wouldBeLost()).toBeTrue();
  });
});
