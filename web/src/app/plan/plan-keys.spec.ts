import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { moveBlock } from '@knapsack/contract/edits';
import { hour, hoursOfBlocks, trip } from '@knapsack/contract/testing/outing';
import { ApiService } from '../data/api.service';
import { handleBlockKey } from '../lanes/work/block-keys';
import { injectWorkHands, type WorkHands } from '../lanes/work/new-block';
import { NoticesService } from '../shell/notices.service';
import { SpeechService } from '../shell/speech.service';
import { BagStore } from '../trip/bag.store';
import { draftBox } from '../trip/draft-box';
import { ForecastStore } from '../trip/forecast.store';
import { GhostStore } from '../trip/ghost.store';
import { LanesStore } from '../trip/lanes.store';
import { PlanSpeech, RESTS_MS } from '../trip/plan-speech';
import { SelectionStore } from '../trip/selection.store';
import { TripInMemory } from '../trip/testing/trip-in-memory';
import { packingDrafts, rehearsalDrafts, TicksStore } from '../trip/ticks.store';
import { TripStore } from '../trip/trip.store';
import { UndoService } from '../trip/undo.service';
import { handlePlanKey } from './plan-keys';

describe('the keys of the Plan room, undo and what is said', () => {
  let hands: WorkHands;
  let lanes: LanesStore;
  let undo: UndoService;

  /** A key that is pressed on an element, as the browser tells it. */
  const pressed = (on: HTMLElement, key: string, init: KeyboardEventInit = {}) => {
    const event = new KeyboardEvent('keydown', { key, bubbles: true, ...init });
    on.dispatchEvent(event);
    return event;
  };
  const key = (name: string, init: KeyboardEventInit = {}, on = document.body) =>
    handlePlanKey({ ...hands, undo, ghost: TestBed.inject(GhostStore), lanes }, pressed(on, name, init));
  const inBlock = (id: string, name: string, init: KeyboardEventInit = {}) =>
    handleBlockKey(hands, id, new KeyboardEvent('keydown', { key: name, ...init }));
  const forget = () => {
    for (const box of [draftBox, packingDrafts, rehearsalDrafts]) box.drop('islet');
    localStorage.clear();
  };

  beforeEach(async () => {
    forget();
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        TripStore,
        TicksStore,
        BagStore,
        LanesStore,
        GhostStore,
        SelectionStore,
        ForecastStore,
        PlanSpeech,
        UndoService,
        { provide: ApiService, useValue: new TripInMemory() },
      ],
    });
    hands = TestBed.runInInjectionContext(injectWorkHands);
    lanes = TestBed.inject(LanesStore);
    undo = TestBed.inject(UndoService);
    await hands.store.open('islet');
  });
  afterEach(() => {
    TestBed.resetTestingModule();
    forget();
  });

  it('draw near and walk along', () => {
    key('+');
    const { startMs, endMs } = lanes.visible();
    expect(endMs - startMs).toBeCloseTo((12 * 3_600_000) / 1.6, 0);
    key('ArrowRight');
    expect(lanes.visible().startMs).toBeGreaterThan(startMs);
    key('-');
    expect(lanes.window()).toBeNull();
    key('v');
    expect(lanes.face()).toBe('volts');
  });

  it('leave the arrows to a slider or a link that has the focus', () => {
    key('+');
    const { startMs } = lanes.visible();
    for (const element of [document.createElement('a'), document.createElement('div')]) {
      element.tabIndex = 0;
      document.body.append(element);
      expect(key('ArrowRight', {}, element)).toBeFalse();
      element.remove();
    }
    expect(lanes.visible().startMs).toBe(startMs);
  });

  it('do everything about a block, in the block alone', () => {
    const { store, selection } = hands;
    selection.select('one');
    expect(['Delete', 'Backspace', 'ArrowUp', '['].map((name) => key(name))).not.toContain(true);
    expect(store.trip()).toEqual(trip());
    inBlock('one', 'ArrowRight');
    expect(hoursOfBlocks(store.trip()!)[0]).toEqual([8.25, 10.25]);
    inBlock('one', 'ArrowUp', { shiftKey: true });
    expect(hoursOfBlocks(store.trip()!)[0]).toEqual([8.25, 11.25]);
    inBlock('one', '[');
    inBlock('one', '.');
    expect(selection.selected()).toEqual(jasmine.objectContaining({ powerW: 5, share: 0.55 }));
    key('n');
    expect(store.trip()!.blocks.length).toBe(3);
    expect(selection.selected()).toEqual(
      jasmine.objectContaining({ powerW: 5, start: new Date(hour(11.25)).toISOString() }),
    );
    inBlock(selection.selectedId()!, 'Delete');
    expect(store.trip()!.blocks.length).toBe(2);
    expect(selection.selectedId()).toBe('two');
    for (let step = 0; step < 6; step++) key('u');
    expect(store.trip()).toEqual(trip());
    key('U');
    expect(hoursOfBlocks(store.trip()!)[0]).toEqual([8.25, 10.25]);
  });

  it('go to the block before, once the last one is removed', () => {
    hands.selection.select('two');
    inBlock('two', 'Backspace');
    expect(hands.selection.selectedId()).toBe('one');
    inBlock('one', 'Backspace');
    expect(hands.selection.selectedId()).toBeNull();
  });

  it('undo says what it undid and chooses it; with nothing left it says that', () => {
    const notice = () => TestBed.inject(NoticesService).notice()?.text;
    undo.undo();
    expect(notice()).toBe('Nothing is left to undo.');
    inBlock('one', '[');
    hands.selection.select(null);
    undo.undo();
    expect(notice()).toMatch(/^Undone: Sat 10:00 to 12:00 now CW 10 W\.$/);
    expect(hands.selection.selectedId()).toBe('one');
    undo.redo();
    expect(notice()).toMatch(/^Redone: /);
  });

  it('a drag that is called off leaves nothing behind, to be undone neither', () => {
    const { store } = hands;
    store.edit((now) => moveBlock(now, 'one', hour(9)), 'drag one 1');
    expect(store.isMoving()).toBeTrue();
    store.callOff('drag one 1');
    expect([store.trip(), store.canUndo(), store.isMoving()]).toEqual([trip(), false, false]);
  });

  it('what was changed is said once, when the hand rests', async () => {
    const said = TestBed.inject(SpeechService).words;
    const { store } = hands;
    store.edit((now) => moveBlock(now, 'one', hour(9)), 'drag one 1');
    TestBed.tick();
    await new Promise((done) => setTimeout(done, RESTS_MS + 50));
    expect(said()).toBe('');
    store.edit((now) => moveBlock(now, 'one', hour(8.5)), 'drag one 1');
    store.settle();
    TestBed.tick();
    await new Promise((done) => setTimeout(done, RESTS_MS + 50));
    expect(said().trim()).toMatch(/ now Sat 10:30 to 12:30(; .*)?\.$/);
  });
});
