import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Trip } from '@knapsack/contract';
import { blockAt, shelf, trip } from '@knapsack/contract/testing/outing';
import { FocusKeeper } from '../shell/focus-keeper.service';
import { NoticesService, type Notice } from '../shell/notices.service';
import { BagStore } from './bag.store';
import { PlanSpeech } from './plan-speech';
import { SelectionStore } from './selection.store';
import { TripStore } from './trip.store';
import { undoByKey, UndoService } from './undo.service';

describe('undo and redo', () => {
  const present = signal<Trip | null>(trip());
  /** What the next turn makes of the trip; nothing where there is none. */
  let next: Trip | null;
  let said: [Notice, string][];
  let spoken: string[];
  let selected: (string | null)[];
  let going: (() => HTMLElement | null)[];
  let undo: UndoService;
  let shown: HTMLElement;

  beforeEach(() => {
    present.set(trip());
    [next, said, spoken, selected, going] = [null, [], [], [], []];
    shown = document.createElement('div');
    document.body.append(shown);
    const turn = () => next && present.set(next);
    TestBed.configureTestingModule({
      providers: [
        UndoService,
        { provide: TripStore, useValue: { trip: present, undo: turn, redo: turn } },
        { provide: BagStore, useValue: { gear: signal(new Map(shelf.map((item) => [item.id, item]))) } },
        { provide: SelectionStore, useValue: { select: (id: string | null) => selected.push(id) } },
        { provide: PlanSpeech, useValue: { begin: (word: string) => spoken.push(word) } },
        {
          provide: NoticesService,
          useValue: { show: (notice: Notice, how = 'spoken') => said.push([notice, how]) },
        },
        { provide: FocusKeeper, useValue: { go: (to: () => HTMLElement | null) => going.push(to) } },
      ],
    });
    undo = TestBed.inject(UndoService);
  });
  afterEach(() => shown.remove());

  it('say what they did, once in sight and once aloud, and go to the block that it was of', () => {
    next = trip({ blocks: [{ ...blockAt('one', 8, 10), powerW: 5 }, blockAt('two', 12, 15)] });
    shown.innerHTML = '<div data-block="one"></div>';
    undo.undo();
    expect(said).toEqual([[{ text: jasmine.stringMatching(/^Undone: .*5 W/) }, 'unspoken']]);
    expect([spoken, selected]).toEqual([['Undone'], ['one']]);
    expect(going[0]()).toBe(shown.firstElementChild as HTMLElement);
  });

  it('let go of a block that is no more, and choose one that came back', () => {
    next = trip({ blocks: [blockAt('two', 12, 15)] });
    undo.redo();
    expect(selected).toEqual([null]);
    expect(said[0][0].text).toMatch(/^Redone: /);
    next = trip();
    undo.undo();
    expect(selected).toEqual([null, 'one']);
  });

  it('go to the item of the bag that it was of, and choose no block', () => {
    const [radio, battery] = trip().loadout;
    next = trip({ loadout: [radio, { ...battery, count: 3 }] });
    shown.innerHTML = '<div data-gear="shale"><button></button></div>';
    undo.undo();
    expect(selected).toEqual([]);
    expect(going[0]()?.tagName).toBe('BUTTON');
    expect(said[0][0].text).toContain('Shale');
  });

  it('leave the focus on a button that is pressed again and again', () => {
    next = trip({ startSoc: 0.5 });
    shown.innerHTML = '<button></button>';
    (shown.firstElementChild as HTMLElement).focus();
    undo.undo();
    expect(going).toEqual([]);
    expect(spoken).toEqual(['Undone']);
  });

  it('say that nothing is left, aloud too, and do nothing without a trip', () => {
    undo.undo();
    undo.redo();
    expect(said).toEqual([
      [{ text: 'Nothing is left to undo.' }, 'spoken'],
      [{ text: 'Nothing is left to redo.' }, 'spoken'],
    ]);
    expect([spoken, selected, going]).toEqual([[], [], []]);
    present.set(null);
    undo.undo();
    expect(said.length).toBe(2);
  });

  it('are known by their keys, the letters alone and those of the system', () => {
    const NONE = Array<string | null>(4).fill(null);
    const turned: string[] = [];
    const hands = { undo: () => turned.push('undo'), redo: () => turned.push('redo') };
    const press = (key: string, held: KeyboardEventInit = {}) => {
      turned.length = 0;
      const was = undoByKey(hands, new KeyboardEvent('keydown', { key, ...held }));
      expect(was).toBe(turned.length === 1);
      return turned[0] ?? null;
    };
    expect([press('u'), press('U', { shiftKey: true })]).toEqual(['undo', 'redo']);
    for (const held of [{ ctrlKey: true }, { metaKey: true }]) {
      expect([press('z', held), press('Z', { ...held, shiftKey: true }), press('y', held)]).toEqual([
        ...['undo', 'redo', 'redo'],
      ]);
      expect(press('u', held)).toBeNull();
    }
    expect<readonly (string | null)[]>([
      press('z'),
      press('y'),
      press('x'),
      press('u', { altKey: true }),
    ]).toEqual(NONE);
  });
});
