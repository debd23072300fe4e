import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Gear, Trip } from '@knapsack/contract';
import { KitWorker, withKit, type ToKitWorker } from '@knapsack/contract/size';
import type { Fix } from '@knapsack/contract/what-if';
import { curlew, shale, trip } from '@knapsack/contract/testing/outing';
import { RequirementsService } from '../data/requirements.service';
import { ShelfService } from '../data/shelf.service';
import { TypicalGearService } from '../data/typical-gear.service';
import { withSlowWorkers } from '../testing/slow-workers';
import { BagStore } from '../trip/bag.store';
import { TripStore } from '../trip/trip.store';
import { SizeStore } from './size.store';

const grams = (value: number) => ({ weightG: { value, source: 'measured' as const } });
const small: Gear = { ...shale, id: 'pebble', name: 'Pebble', ratedAh: { value: 2, source: 'measured' } };

/** A worker that tries kits here, a message when it is told to; of other work it says nothing. */
class Trier {
  static all: Trier[] = [];
  static answered = 0;
  onmessage: ((event: { data: unknown }) => void) | null = null;
  onerror: ((event: { preventDefault(): void }) => void) | null = null;
  private readonly kits = new KitWorker();
  private readonly waiting: ToKitWorker[] = [];
  readonly isKit: boolean;
  constructor(_url: URL, { name }: { name: string }) {
    this.isKit = (JSON.parse(name) as { kind: string }).kind === 'kit';
    Trier.all.push(this);
  }
  postMessage = (message: ToKitWorker) => void (this.isKit && this.waiting.push(message));
  terminate = () => void (this.waiting.length = 0);
  answer(): boolean {
    const message = this.waiting.shift();
    if (!message) return false;
    Trier.answered += 1;
    this.onmessage?.({ data: this.kits.answer(message) });
    return true;
  }
  static answerAll(): void {
    while (Trier.all.map((one) => one.answer()).some(Boolean));
  }
}

describe('the search over the shelf, as it goes', () => {
  const present = signal<Trip>(trip());
  const gear = signal<readonly Gear[]>([]);
  const typical = signal<readonly Gear[]>([]);
  const rest = withSlowWorkers();
  let store: SizeStore;
  let taken: string[];
  let refuses: boolean;
  let plans: Trip[];

  beforeEach(() => {
    Trier.all = [];
    Trier.answered = 0;
    globalThis.Worker = Trier as unknown as typeof Worker;
    for (const key of ['knapsack.size', 'knapsack.size.from', 'knapsack.size.build'])
      localStorage.removeItem(key);
    present.set(trip());
    gear.set([curlew, { ...shale, ...grams(1200) }, { ...small, ...grams(500) }]);
    typical.set([]);
    [taken, refuses, plans] = [[], false, []];
    TestBed.configureTestingModule({
      providers: [
        SizeStore,
        BagStore,
        {
          provide: TripStore,
          useValue: {
            ...{ trip: present, calculated: present },
            edit: (change: (now: Trip) => Trip) => present.update(change),
            takePlan: (plan: Trip) => plans.push(plan),
          },
        },
        { provide: ShelfService, useValue: { gear } },
        {
          provide: RequirementsService,
          useValue: { requirements: signal([]), load: () => Promise.resolve() },
        },
        {
          provide: TypicalGearService,
          useValue: {
            all: typical,
            load: () => Promise.resolve([]),
            take: (id: string) => Promise.resolve((taken.push(id), refuses ? null : id)),
          },
        },
      ],
    });
    store = TestBed.inject(SizeStore);
    store.chooseFrom('shelf');
  });
  afterEach(() => {
    for (const key of ['knapsack.size', 'knapsack.size.from', 'knapsack.size.build'])
      localStorage.removeItem(key);
  });
  const search = () => {
    rest(250);
    Trier.answerAll();
  };

  it('begins once the hand rests, and ends with the lightest that meets the target', () => {
    rest(249);
    expect([Trier.all.filter(({ isKit }) => isKit).length, store.state(), store.busy()]).toEqual([
      0,
      null,
      true,
    ]);
    search();
    expect([store.state()!.finished, store.busy(), store.problems()]).toEqual([true, false, []]);
    // Five hours at half a duty cycle of CW take some 2.6 Ah: one of 2 Ah is too little, two are lighter than the large one.
    const { lightest } = store.picks()!;
    expect(store.state()!.found.batteries[lightest!.kit.battery].items).toEqual([
      { gear: 'pebble', count: 2 },
    ]);
    expect(store.plans()).toEqual([]);
  });

  it('puts a kit in the bag, which starts no search anew; other hours do', async () => {
    search();
    // One that is used one after the other, which puts a change-over switch into the wiring.
    const { tried, found } = store.state()!;
    const kit = tried.find((one) => found.batteries[one.kit.battery].use === 'turns')!;
    const wanted = withKit(present(), gear(), found, kit.kit);
    await store.tryOn(kit);
    expect(present()).toEqual(wanted);
    expect(taken).toEqual(wanted.loadout.map(({ gear: id }) => id));
    const before = Trier.answered;
    search();
    expect(store.state()).not.toBeNull();
    expect(Trier.answered).toBe(before);
    present.update(({ blocks, ...now }) => ({ ...now, blocks: blocks.slice(1) }));
    rest();
    expect([store.state(), store.busy()]).toEqual([null, true]);
    search();
    expect(Trier.answered).toBeGreaterThan(before);
    expect(store.state()!.finished).toBeTrue();
  });

  it('leaves the bag as it is where the shelf does not take what is tried on, or nothing was found yet', async () => {
    await store.tryOn({
      kit: { ...{ battery: 0, sun: 0, grams: 0 }, ...{ effort: 0, price: 0, litres: 0, pieces: 0 } },
    });
    search();
    refuses = true;
    await store.tryOn(store.picks()!.lightest!);
    expect(present()).toEqual(trip());
  });

  it('stops when told to, keeps what it found, and goes on from the start', () => {
    search();
    const { state } = store;
    const found = state();
    store.stop();
    expect([store.stopped(), store.busy(), state()]).toEqual([true, false, found]);
    store.again();
    expect([store.stopped(), state()]).toEqual([false, null]);
    Trier.answerAll();
    expect(state()!.finished).toBeTrue();
    present.update((now) => ({ ...now, startSoc: 0.9 }));
    rest();
    store.stop();
    search();
    expect(state()).toBeNull();
  });

  it('says why a kit stands where it does, and looks it up once', () => {
    search();
    const kit = store.picks()!.lightest!;
    store.ask(kit);
    Trier.answerAll();
    expect(store.why()?.rank).toBe(kit.rank);
    expect(store.why()!.sum.lines.length).toBeGreaterThan(1);
    const before = Trier.answered;
    store.ask(kit);
    Trier.answerAll();
    expect(Trier.answered).toBe(before);
    present.update((now) => ({ ...now, startSoc: 0.9 }));
    rest();
    expect(store.why()).toBeNull();
  });

  it('where no kit is enough says what plan the best of them would carry, and puts that on', () => {
    gear.set([curlew, { ...small, ...grams(500) }, { ...small, id: 'grit', name: 'Grit', ...grams(600) }]);
    present.set(
      trip({
        loadout: [
          { gear: 'curlew', count: 1 },
          { gear: 'pebble', count: 1 },
        ],
      }),
    );
    store.change((options) => ({ ...options, limits: { pieces: 1 } }));
    search();
    Trier.answerAll();
    expect(store.picks()!.lightest).toBeNull();
    const [fix] = store.plans();
    expect(fix.fixes).toBeTrue();
    store.takeUp(fix);
    expect(plans).toEqual([fix.trip]);
    const other: Fix = { ...fix, words: 'another' };
    expect(store.plans()).not.toContain(other);
  });

  it('says where it stopped by a fault, and begins anew with the next change', () => {
    rest(250);
    for (let deaths = 0; deaths < 20 && store.problems().length === 0; deaths++) {
      Trier.all.filter(({ isKit }) => isKit).at(-1)!.onerror!({ preventDefault: () => undefined });
    }
    expect(store.problems()).toEqual([jasmine.stringContaining('stopped by a fault')]);
    expect(store.busy()).toBeFalse();
    present.update((now) => ({ ...now, startSoc: 0.9 }));
    rest();
    expect(store.problems()).toEqual([]);
    search();
    expect(store.state()!.finished).toBeTrue();
  });

  it('is held against what the next build must do where that is asked, and that is kept', () => {
    expect([store.forBuild(), 'requirements' in store.effective()]).toEqual([false, false]);
    store.holdAgainstBuild(true);
    expect(JSON.parse(localStorage.getItem('knapsack.size.build')!)).toEqual({ on: true });
    // There are none to hold it against.
    expect('requirements' in store.effective()).toBeFalse();
  });

  it('makes kits of what is sold where it is told to, and by itself where the shelf leaves nothing to choose', () => {
    const sold: Gear = { ...small, id: 'typical-6ah', name: 'Typical 6 Ah' };
    typical.set([sold, { ...curlew, id: 'typical-radio' }]);
    expect(store.stock()).toEqual(gear());
    store.chooseFrom('sold');
    // One's own stay known, and are nothing to choose from; a radio is no kit.
    expect(store.stock().map((item) => [item.id, item.archived ?? item.wished ?? false])).toEqual([
      ['curlew', false],
      ['shale', true],
      ['pebble', true],
      ['typical-6ah', true],
    ]);
    gear.update((all) => [...all, sold]);
    expect(store.stock().filter(({ id }) => id === 'typical-6ah').length).toBe(1);
    localStorage.removeItem('knapsack.size.from');
    TestBed.resetTestingModule();
  });
});
