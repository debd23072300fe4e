import { provideZonelessChangeDetection, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Gear, Trip } from '@knapsack/contract';
import { curlew, shale, trip } from '@knapsack/contract/testing/outing';
import { Subject } from 'rxjs';
import { SpeechService } from '../shell/speech.service';
import { BagStore } from './bag.store';
import { ForecastStore } from './forecast.store';
import { PlanSpeech, RESTS_MS } from './plan-speech';
import { TripStore, type Turn } from './trip.store';

describe('what is said of a change', () => {
  const planned = signal<Trip | null>(null);
  const isMoving = signal(false);
  const problems = signal<readonly string[]>([]);
  let turned: Subject<Turn | null>;
  let said: string[];
  let speech: PlanSpeech;
  const change = (to: Trip) => {
    turned.next({ from: planned()!, to });
    planned.set(to);
  };
  const rest = (ms = RESTS_MS) => {
    TestBed.tick();
    jasmine.clock().tick(ms);
  };

  beforeEach(() => {
    jasmine.clock().install();
    planned.set(trip());
    isMoving.set(false);
    problems.set([]);
    turned = new Subject();
    said = [];
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        PlanSpeech,
        { provide: TripStore, useValue: { trip: planned, turned, isMoving } },
        {
          provide: BagStore,
          useValue: {
            gear: signal(
              new Map<string, Gear>([
                ['curlew', curlew],
                ['shale', shale],
              ]),
            ),
          },
        },
        { provide: ForecastStore, useValue: { problems, view: signal(null) } },
        { provide: SpeechService, useValue: { say: (words: string) => said.push(words) } },
      ],
    });
    speech = TestBed.inject(PlanSpeech);
    TestBed.tick();
  });
  afterEach(() => {
    TestBed.resetTestingModule();
    jasmine.clock().uninstall();
  });

  it('is said once, when the hand rests, whole', () => {
    change(trip({ name: 'Skerry' }));
    rest(RESTS_MS - 1);
    change(trip({ name: 'Skerry', temperatureC: 3 }));
    rest(RESTS_MS - 1);
    expect(said).toEqual([]);
    rest(1);
    expect(said).toHaveSize(1);
    expect(said[0]).toContain('Skerry');
    expect(said[0].endsWith('.')).toBeTrue();
  });

  it('waits for a hand that still moves, and says it once that has let go', () => {
    isMoving.set(true);
    change(trip({ name: 'Skerry' }));
    rest(5 * RESTS_MS);
    expect(said).toEqual([]);
    isMoving.set(false);
    rest();
    expect(said).toHaveSize(1);
  });

  it('is nothing where the trip is as it was, or another is opened', () => {
    const before = planned()!;
    change(trip({ name: 'Skerry' }));
    change(before);
    rest();
    change(trip({ name: 'Skerry' }));
    turned.next(null);
    rest();
    expect(said).toEqual([]);
  });

  it('says before it how it came about, once', () => {
    speech.begin('undone');
    change(trip({ name: 'Skerry' }));
    rest();
    change(trip({ name: 'Islet' }));
    rest();
    expect(said.map((words) => words.startsWith('undone: '))).toEqual([true, false]);
  });

  it('says why a plan cannot be calculated, not where a name is all that has changed', () => {
    problems.set(['There is no battery in the bag.']);
    change(trip({ name: 'Skerry' }));
    rest();
    expect(said[0]).not.toContain('battery');
    change(trip({ name: 'Skerry', temperatureC: -20 }));
    rest();
    expect(said[1]).toMatch(/; There is no battery in the bag\.$/);
  });

  it('tells a room’s own verdict in the place of the plan’s', () => {
    TestBed.runInInjectionContext(() => speech.standsBy(() => 'The harness holds.'));
    change(trip({ name: 'Skerry' }));
    rest();
    expect(said[0]).toMatch(/; The harness holds\.$/);
  });
});
