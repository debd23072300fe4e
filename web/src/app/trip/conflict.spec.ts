import { HttpErrorResponse } from '@angular/common/http';
import { signal } from '@angular/core';
import type { Trip } from '@knapsack/contract';
import { trip } from '@knapsack/contract/testing/outing';
import { of, throwError, type Observable } from 'rxjs';
import type { Autosave } from './autosave';
import { Conflict } from './conflict';

const base = trip();
const mine = trip({ name: 'Mine' });
const theirs = trip({ temperatureC: 3 });

describe('two versions of the trip in hand', () => {
  const inHand = signal<Trip | null>(mine);
  const state = signal<unknown>({ is: 'conflict' });
  let stored: Observable<unknown>;
  let autosave: jasmine.SpyObj<Pick<Autosave, 'adopt' | 'changed'>>;
  let passed: (readonly Trip[])[];
  let shown: string[];
  let created: Trip[];
  let conflict: Conflict;

  beforeEach(() => {
    inHand.set(mine);
    state.set({ is: 'conflict' });
    stored = of({ revision: 7, document: theirs });
    autosave = jasmine.createSpyObj<Pick<Autosave, 'adopt' | 'changed'>>(['adopt', 'changed']);
    [passed, shown, created] = [[], [], []];
    const api = {
      trip: () => stored,
      createTrip: (document: Trip) => {
        created.push(document);
        return of({ revision: 1, document });
      },
    };
    const document = (kind: string) => ({ document: () => ({ schema: kind, id: base.id }) });
    const ticks = {
      packing: document('packing'),
      rehearsal: document('rehearsal'),
      refresh: () => Promise.resolve(),
    };
    const notices = { show: ({ text }: { text: string }) => shown.push(text) };
    conflict = new Conflict(api as never, ticks as never, notices as never, {
      trip: inHand,
      autosave: signal(Object.assign(autosave, { knownBase: base, state }) as unknown as Autosave),
      passBy: (...versions) => passed.push(versions),
    });
  });

  it('go together by themselves where they changed different things, theirs an undo away, and it is told', () => {
    const both = conflict.together(base, mine, theirs)!;
    expect([both.name, both.temperatureC]).toEqual(['Mine', 3]);
    expect(passed).toEqual([[theirs, both]]);
    expect(shown[0]).toContain('Both changes stand');
  });

  it('are mine without a word where the other changed nothing, and nobody’s where both changed the same', () => {
    expect(conflict.together(base, mine, base)).toEqual(mine);
    expect(conflict.together(base, mine, trip({ name: 'Theirs' }))).toBeNull();
    expect([passed, shown]).toEqual([[], []]);
  });

  it('are brought together when asked, mine standing where both changed the same, which is said', async () => {
    expect(await conflict.merge()).toBeNull();
    expect(autosave.adopt).toHaveBeenCalledOnceWith(7, theirs);
    expect(autosave.changed.calls.mostRecent().args[0].temperatureC).toBe(3);
    stored = of({ revision: 8, document: trip({ name: 'Theirs' }) });
    expect(await conflict.merge()).toBe('Both had changed the name: what you see here stands.');
    expect(passed.at(-1)!.map(({ name }) => name)).toEqual(['Theirs', 'Mine']);
    inHand.set(null);
    expect(await conflict.merge()).toBeNull();
  });

  it('end with mine over theirs, or put back where it was deleted', async () => {
    await conflict.keepMine();
    expect(autosave.adopt).toHaveBeenCalledOnceWith(7, theirs);
    expect(autosave.changed).toHaveBeenCalledOnceWith(mine);
    expect(created).toEqual([]);
    stored = throwError(() => new HttpErrorResponse({ status: 404 }));
    await conflict.keepMine();
    expect(created.map(({ name }) => name)).toEqual(['Mine']);
    expect(autosave.adopt.calls.mostRecent().args).toEqual([1, mine]);
  });

  it('end with theirs, mine an undo away', async () => {
    await conflict.takeTheirs();
    expect(autosave.adopt).toHaveBeenCalledOnceWith(7, theirs);
    expect(passed).toEqual([[theirs]]);
    expect(autosave.changed).not.toHaveBeenCalled();
  });

  it('say why where the server does not answer, or has deleted what one wanted to take', async () => {
    for (const settle of [() => conflict.takeTheirs(), () => conflict.merge(), () => conflict.keepMine()]) {
      state.set({ is: 'conflict' });
      stored = throwError(() => new HttpErrorResponse({ status: 0 }));
      await settle();
      expect(state()).toEqual(jasmine.objectContaining({ is: 'refused' }));
    }
    state.set({ is: 'conflict' });
    stored = throwError(() => new HttpErrorResponse({ status: 404 }));
    await conflict.takeTheirs();
    expect(state()).toEqual(jasmine.objectContaining({ is: 'refused' }));
    expect(created).toEqual([]);
  });
});
