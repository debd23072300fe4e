import { provideZonelessChangeDetection, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { resolve, type Gear, type Trip } from '@knapsack/contract';
import { curlew, shale, shelf, trip } from '@knapsack/contract/testing/outing';
import { forecast } from '@knapsack/core';
import { Subject } from 'rxjs';
import type { ForecastView } from '../work/forecast-protocol';
import { BagStore } from './bag.store';
import { ForecastStore } from './forecast.store';
import { GhostStore } from './ghost.store';
import { TripStore, type Turn } from './trip.store';

const priced: readonly Gear[] = [
  curlew,
  { ...shale, weightG: { value: 1000, source: 'measured' }, price: { value: 80, source: 'measured' } },
];

/** The forecast of a trip as the page has it. */
function viewOf(of: Trip): ForecastView {
  const plan = resolve(of, shelf);
  if (!plan.ok) throw new Error(plan.problems[0].sentence);
  return { verdict: forecast(plan.value).verdict } as ForecastView;
}

describe('the plan before the last changes', () => {
  const present = signal<Trip>(trip());
  const view = signal<ForecastView | null>(null);
  const problems = signal<readonly string[]>([]);
  let turned: Subject<Turn | null>;
  let ghost: GhostStore;
  const taken: Trip[] = [];

  beforeEach(() => {
    turned = new Subject();
    taken.length = 0;
    present.set(trip());
    view.set(viewOf(trip()));
    problems.set([]);
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        GhostStore,
        {
          provide: TripStore,
          useValue: { trip: present, turned, takePlan: (plan: Trip) => taken.push(plan) },
        },
        { provide: ForecastStore, useValue: { view, problems } },
        { provide: BagStore, useValue: { gear: signal(new Map(priced.map((item) => [item.id, item]))) } },
      ],
    });
    ghost = TestBed.inject(GhostStore);
  });

  /** An edit and the forecast that comes of it. */
  function change(to: Trip): void {
    const from = present();
    present.set(to);
    turned.next({ from, to });
    view.set(viewOf(to));
  }

  it('is told in words: charge, weight, money and runs, the lowest charge last to have room', () => {
    const [radio, battery] = trip().loadout;
    change(
      trip({ loadout: [radio, { ...battery, count: 1 }], harness: { runs: [{ to: 'curlew', lengthM: 3 }] } }),
    );
    // A pack of 10 Ah less, of which a tenth stays in reserve and 97.3 % come out at 12 °C; 1 kg and 80 in money less.
    expect(ghost.words()).toEqual([
      jasmine.stringMatching(/^−8\.8 Ah to spare$/),
      '−1.00 kg',
      'one run wired otherwise',
      'price −80',
    ]);
    expect(ghost.shown()?.trip).toEqual(trip());
  });

  it('says nothing of what nobody would notice, and nothing while the forecast is not there', () => {
    const from = present();
    present.set(trip({ startSoc: 0.5 }));
    turned.next({ from, to: present() });
    expect(ghost.before()).not.toBeNull();
    expect(ghost.words()).toEqual([]);
    expect(ghost.shown()).toBeNull();
  });

  it('is that from which a row of changes began, until they are kept, undone or another trip is opened', () => {
    change(trip({ startSoc: 0.9 }));
    change(trip({ startSoc: 0.8 }));
    expect(ghost.before()?.trip).toEqual(trip());
    ghost.takeBack();
    expect(taken).toEqual([trip()]);
    // A variant that was kept since stays.
    const variants = [{ id: 'v1', name: 'kept' }] as never;
    present.set(trip({ startSoc: 0.8, variants }));
    ghost.takeBack();
    expect(taken.pop()!.variants).toEqual(variants);
    change(trip());
    expect(ghost.before()).toBeNull();
    change(trip({ startSoc: 0.8 }));
    ghost.keep();
    expect(ghost.before()).toBeNull();
    ghost.takeBack();
    expect(taken.length).toBe(1);
    change(trip({ startSoc: 0.7 }));
    turned.next(null);
    expect(ghost.before()).toBeNull();
  });

  it('is not held for a name, nor from a plan that could not be calculated', () => {
    change(trip({ name: 'Another' }));
    expect(ghost.before()).toBeNull();
    problems.set(['There is no radio.']);
    change(trip({ startSoc: 0.5 }));
    expect(ghost.before()).toBeNull();
  });
});
