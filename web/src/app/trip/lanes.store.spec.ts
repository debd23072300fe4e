import { provideZonelessChangeDetection, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Trip } from '@knapsack/contract';
import { hour, trip } from '@knapsack/contract/testing/outing';
import { LanesStore } from './lanes.store';
import { SelectionStore } from './selection.store';
import { TripStore } from './trip.store';

describe('what the lanes show of an outing', () => {
  const present = signal<Trip | null>(trip());
  const cursorMs = signal<number | null>(null);
  let lanes: LanesStore;
  const shown = () =>
    [lanes.visible().startMs, lanes.visible().endMs].map((ms) => (ms - hour(0)) / 3_600_000);

  beforeEach(() => {
    present.set(trip());
    cursorMs.set(null);
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        LanesStore,
        { provide: TripStore, useValue: { trip: present } },
        { provide: SelectionStore, useValue: { cursorMs } },
      ],
    });
    lanes = TestBed.inject(LanesStore);
  });

  it('is all of it, from six to eighteen, until one draws near', () => {
    expect(shown()).toEqual([6, 18]);
    expect(lanes.window()).toBeNull();
    lanes.pan(0.5);
    expect(shown()).toEqual([6, 18]);
  });

  it('is drawn near around the middle, around the cursor where it is in sight, or around an instant', () => {
    lanes.zoom(2);
    expect(shown()).toEqual([9, 15]);
    cursorMs.set(hour(9));
    lanes.zoom(2);
    expect(shown()).toEqual([9, 12]);
    cursorMs.set(hour(17));
    lanes.zoom(3);
    expect(shown()).toEqual([10, 11]);
    lanes.show(null);
    lanes.zoom(2, hour(18));
    expect(shown()).toEqual([12, 18]);
  });

  it('is walked along within the outing, and is all again where it is drawn away far enough', () => {
    lanes.zoom(4);
    lanes.pan(1);
    expect(shown()).toEqual([13.5, 16.5]);
    lanes.pan(5);
    expect(shown()).toEqual([15, 18]);
    lanes.zoom(0.1);
    expect(lanes.window()).toBeNull();
  });

  it('keeps to an outing that has become shorter', () => {
    lanes.show({ startMs: hour(14), endMs: hour(18) });
    present.set(trip({ end: new Date(hour(15)).toISOString(), blocks: [] }));
    expect(shown()).toEqual([11, 15]);
  });
});
