import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { TripSummary } from '@knapsack/contract';
import { EarlierTripsComponent } from './earlier-trips.component';
import type { TripLine } from '../work/trip-line-work';
import { TripLinesService } from './trip-lines.service';

const summary = (id: string, savedAs: number, archived = false): TripSummary => ({
  id,
  name: id,
  placeName: 'hut',
  start: '2027-09-04T10:00:00Z',
  end: '2027-09-04T16:00:00Z',
  timeZone: 'UTC',
  archived,
  revision: 1,
  savedAs,
});

describe('trips that an earlier release saved', () => {
  const wanted: string[] = [];
  const line: TripLine = { mark: 'look', words: 'lasts in 71 of 100', soc: [], reserveSoc: 0.1 };
  beforeEach(() => {
    localStorage.removeItem('knapsack.model');
    wanted.length = 0;
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideRouter([]),
        {
          provide: TripLinesService,
          useValue: { of: () => line, want: ({ id }: TripSummary) => wanted.push(id) },
        },
      ],
    });
  });
  afterEach(() => localStorage.removeItem('knapsack.model'));

  async function shown(...trips: readonly TripSummary[]) {
    const fixture = TestBed.createComponent(EarlierTripsComponent);
    fixture.componentRef.setInput('trips', trips);
    await fixture.whenStable();
    return { fixture, page: fixture.nativeElement as HTMLElement };
  }

  it('are listed with their verdict of now and the reason, those put away left out', async () => {
    const { page } = await shown(summary('old', 4), summary('new', 5), summary('away', 1, true));
    expect(page.textContent).toContain('The calculation has changed');
    expect(page.textContent).toContain('two resistances');
    expect([...page.querySelectorAll('li')].map((item) => item.textContent?.trim())).toEqual([
      'old lasts in 71 of 100',
    ]);
    expect(wanted).toEqual(['old']);
  });

  it('are listed once', async () => {
    const { fixture, page } = await shown(summary('old', 4));
    page.querySelector('button')!.click();
    await fixture.whenStable();
    expect(page.textContent?.trim()).toBe('');
    expect((await shown(summary('old', 4))).page.textContent?.trim()).toBe('');
  });

  it('are none where all were saved by this one', async () => {
    expect((await shown(summary('new', 5))).page.textContent?.trim()).toBe('');
  });
});
