import { HttpErrorResponse } from '@angular/common/http';
import type { Stored, Trip } from '@knapsack/contract';
import { of, Subject, type Observable } from 'rxjs';
import { trip } from '@knapsack/contract/testing/outing';
import { Autosave } from './autosave';
import { draftBox } from './draft-box';

/** A server that answers when it is told to. */
class SlowServer {
  readonly asked: { trip: Trip; revision: number; answer: Subject<Stored<Trip>> }[] = [];
  readonly save = (saved: Trip, revision: number): Observable<Stored<Trip>> => {
    const answer = new Subject<Stored<Trip>>();
    this.asked.push({ trip: saved, revision, answer });
    return answer;
  };
  /** What a reader finds. */
  stored: Stored<Trip> = { revision: 4, document: trip() };
  readonly read = (): Observable<Stored<Trip>> => of(this.stored);
  accept(index: number): void {
    const { trip: document, revision, answer } = this.asked[index];
    answer.next({ document, revision: revision + 1 });
    answer.complete();
  }
  fail(index: number, status: number): void {
    this.asked[index].answer.error(new HttpErrorResponse({ status }));
  }
}

const settle = () => new Promise((done) => setTimeout(done));

describe('autosave', () => {
  let server: SlowServer;
  let autosave: Autosave;
  beforeEach(() => {
    server = new SlowServer();
    autosave = new Autosave(4, trip(), {
      box: draftBox,
      save: server.save,
      read: server.read,
      bringTogether: () => null,
    });
  });
  afterEach(() => {
    autosave.stop();
    draftBox.drop('islet');
  });

  it('keeps what was typed in the browser until the server has it', async () => {
    autosave.changed(trip({ name: 'A' }));
    expect(draftBox.find('islet')).toEqual({ revision: 4, document: trip({ name: 'A' }), base: trip() });
    const saved = autosave.flush();
    server.accept(0);
    await saved;
    expect(draftBox.find('islet')).toBeNull();
    expect(autosave.state().is).toBe('saved');
    expect(autosave.knownRevision).toBe(5);
  });

  it('leaves alone what was typed after the page let go of it and opened it again', async () => {
    autosave.changed(trip({ name: 'A' }));
    const saved = autosave.flush();
    autosave.stop();
    draftBox.keep({ revision: 4, document: trip({ name: 'B' }) });
    server.accept(0);
    await saved;
    expect(draftBox.find('islet')?.document.name).toBe('B');
    void autosave.flush();
    expect(draftBox.find('islet')?.document.name).toBe('B');
  });

  it('saves what was typed during a save next, on the new revision', async () => {
    autosave.changed(trip({ name: 'A' }));
    const first = autosave.flush();
    autosave.changed(trip({ name: 'B' }));
    server.accept(0);
    await first;
    expect(draftBox.find('islet')).toEqual({
      revision: 5,
      document: trip({ name: 'B' }),
      base: trip({ name: 'A' }),
    });
    const second = autosave.flush();
    server.accept(1);
    await second;
    expect(server.asked.map(({ trip: { name }, revision }) => [name, revision])).toEqual([
      ['A', 4],
      ['B', 5],
    ]);
    expect(autosave.hasUnsaved).toBeFalse();
  });

  it('stops at a conflict, throws nothing away and overwrites nothing', async () => {
    autosave.changed(trip({ name: 'A' }));
    const saved = autosave.flush();
    server.fail(0, 412);
    await saved;
    expect(autosave.state().is).toBe('conflict');
    autosave.changed(trip({ name: 'B' }));
    await autosave.flush();
    expect(server.asked.length).toBe(1);
    expect(draftBox.find('islet')?.document.name).toBe('B');
  });

  it('goes on when the server is back', async () => {
    autosave.changed(trip({ name: 'A' }));
    const saved = autosave.flush();
    server.fail(0, 0);
    await saved;
    expect(autosave.state().is).toBe('offline');
    expect(draftBox.find('islet')?.document.name).toBe('A');
    void autosave.flush();
    server.accept(1);
    await settle();
    expect(autosave.state().is).toBe('saved');
  });

  it('tries again with growing pauses where the server could not save, and says so until it is through', async () => {
    jasmine.clock().install();
    try {
      autosave.changed(trip({ name: 'A' }));
      const answered = async (status: number) => {
        server.fail(server.asked.length - 1, status);
        await Promise.resolve();
        await Promise.resolve();
        await Promise.resolve();
      };
      jasmine.clock().tick(400);
      let asked = 1;
      for (const [status, pauseMs] of [
        [507, 2000],
        [503, 4000],
        [500, 8000],
      ]) {
        await answered(status);
        expect(autosave.state()).toEqual(jasmine.objectContaining({ is: 'refused', again: true }));
        // Typing on does not ask sooner.
        autosave.changed(trip({ name: `A${asked}` }));
        jasmine.clock().tick(pauseMs - 10);
        expect(server.asked.length).toBe(asked);
        jasmine.clock().tick(20);
        asked += 1;
        expect(server.asked.length).toBe(asked);
      }
      server.accept(asked - 1);
      await Promise.resolve();
      await Promise.resolve();
      await Promise.resolve();
      expect(server.asked.at(-1)!.trip.name).toBe('A3');
      expect(autosave.hasUnsaved).toBeFalse();
    } finally {
      jasmine.clock().uninstall();
    }
  });

  it('keeps what a hand moves a few times a second, and once it is told that the hand rests', () => {
    jasmine.clock().install();
    try {
      const kept = () => draftBox.find('islet')?.document.name;
      autosave.changed(trip({ name: 'A' }), true);
      autosave.changed(trip({ name: 'B' }), true);
      expect(kept()).toBeUndefined();
      jasmine.clock().tick(300);
      expect(kept()).toBe('B');
      autosave.changed(trip({ name: 'C' }), true);
      expect(kept()).toBe('B');
      autosave.keepNow();
      expect(kept()).toBe('C');
      autosave.changed(trip({ name: 'D' }), true);
      autosave.stop();
      expect(kept()).toBe('D');
    } finally {
      jasmine.clock().uninstall();
    }
  });

  it('knows its own writing again when only the answer was lost', async () => {
    autosave.changed(trip({ name: 'A' }));
    const lost = autosave.flush();
    expect(draftBox.find('islet')?.sent?.name).toBe('A');
    server.stored = { revision: 5, document: trip({ name: 'A' }) };
    server.fail(0, 0);
    await lost;
    autosave.changed(trip({ name: 'B' }));
    const again = autosave.flush();
    server.fail(1, 412);
    await again;
    expect(autosave.knownRevision).toBe(5);
    const third = autosave.flush();
    expect(server.asked[2].revision).toBe(5);
    server.accept(2);
    await third;
    expect(autosave.state().is).toBe('saved');
  });

  it('still asks where someone else has written after a lost answer', async () => {
    autosave.changed(trip({ name: 'A' }));
    const lost = autosave.flush();
    server.fail(0, 0);
    await lost;
    server.stored = { revision: 6, document: trip({ name: 'Another tab' }) };
    const again = autosave.flush();
    server.fail(1, 412);
    await again;
    expect(autosave.state().is).toBe('conflict');
  });
});
