import { HttpErrorResponse } from '@angular/common/http';
import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { noRequirements, REQUIREMENTS_ID, type Gear, type Requirement, type Trip } from '@knapsack/contract';
import { shelf, trip } from '@knapsack/contract/testing/outing';
import { of, throwError } from 'rxjs';
import { ApiService } from '../data/api.service';
import { ShelfService } from '../data/shelf.service';
import { SlowWorker } from '../testing/slow-worker';
import { withSlowWorkers } from '../testing/slow-workers';
import type { HeldQuestion } from '../work/held-work';
import { RequirementsStore } from './requirements.store';

const LIGHT: Requirement = { id: 'light', measure: 'carriedG', target: 4000 };
const QUIET: Requirement = { id: 'quiet', measure: 'noise', target: 1, band: '20 m' };

describe('what the next build must do', () => {
  const gear = signal<readonly Gear[]>(shelf);
  const seen = withSlowWorkers();
  let reachable: boolean;
  let trips: { id: string; archived?: true }[];
  let kept: readonly Requirement[];
  let store: RequirementsStore;
  const worker = () => SlowWorker.lastOf<HeldQuestion>();

  beforeEach(() => {
    localStorage.clear();
    gear.set(shelf);
    reachable = true;
    kept = [LIGHT];
    trips = [{ id: 'old', archived: true }, { id: 'islet' }, { id: 'skerry' }];
    const answer = <T>(value: T) =>
      reachable ? of(value) : throwError(() => new HttpErrorResponse({ status: 0 }));
    TestBed.configureTestingModule({
      providers: [
        RequirementsStore,
        {
          provide: ApiService,
          useValue: {
            trips: () => answer(trips),
            tripInPassing: (id: string) => answer({ revision: 1, document: trip({ id }) }),
            beside: () => answer({ revision: 1, document: { ...noRequirements(), requirements: kept } }),
            keepBeside: (
              _kind: string,
              document: { requirements: readonly Requirement[] },
              revision: number,
            ) => {
              kept = document.requirements;
              return answer({ revision: revision + 1, document });
            },
          },
        },
        { provide: ShelfService, useValue: { gear } },
      ],
    });
    store = TestBed.inject(RequirementsStore);
  });
  afterEach(() => localStorage.clear());

  it('is read with the trips that are not put away, and held against the kits of the first', async () => {
    expect(store.requirements()).toEqual([]);
    await store.open();
    expect(store.requirements()).toEqual([LIGHT]);
    expect(store.trips().map(({ id }) => id)).toEqual(['islet', 'skerry']);
    expect(store.trip()?.id).toBe('islet');
    seen();
    const [{ question }] = worker().sent;
    expect(question).toEqual({ trip: trip(), shelf, requirements: [LIGHT] });
    const kits = [{ name: 'the kit in the bag', held: [] }];
    worker().answer(1, kits);
    expect(store.kits()).toEqual(kits);
  });

  it('keeps the trip that was chosen where it is opened again', async () => {
    await store.open();
    await store.hold('skerry');
    await store.open();
    expect((store.trip() as Trip).id).toBe('skerry');
  });

  it('asks for no kits before the shelf is there', async () => {
    gear.set([]);
    await store.open();
    seen();
    expect(worker().sent.length).toBe(0);
    gear.set(shelf);
    seen();
    expect(worker().sent.length).toBe(1);
  });

  it('is changed, held against the kits anew, and saved under its one id', async () => {
    await store.open();
    seen();
    worker().answer(1, []);
    store.change((all) => [...all, QUIET]);
    expect(store.requirements()).toEqual([LIGHT, QUIET]);
    seen(5000);
    expect(worker().sent[1].question.requirements).toEqual([LIGHT, QUIET]);
    expect(kept).toEqual([LIGHT, QUIET]);
    expect(noRequirements().id).toBe(REQUIREMENTS_ID);
  });

  it('stands without kits where the server is away, or the worker dies', async () => {
    reachable = false;
    await store.open();
    expect([store.requirements(), store.trips(), store.trip()]).toEqual([[], [], null]);
    reachable = true;
    await store.open();
    seen();
    worker().answer(1, [{ name: 'bag', held: [] }]);
    store.change(() => []);
    seen();
    worker().die();
    worker().die();
    expect(store.kits()).toEqual([]);
  });

  it('has no trip to hold where all are put away', async () => {
    trips = trips.filter(({ archived }) => archived);
    await store.open();
    expect(store.trip()).toBeNull();
    seen();
    expect(worker().sent.length).toBe(0);
  });
});
