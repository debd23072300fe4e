import { HttpErrorResponse } from '@angular/common/http';
import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Gear, Radio } from '@knapsack/contract';
import { curlew, shale, shelf } from '@knapsack/contract/testing/outing';
import type { Readings } from '@knapsack/core';
import { of, throwError } from 'rxjs';
import { ShelfService } from '../data/shelf.service';
import { NoticesService, type Notice } from '../shell/notices.service';
import { RecordingSign } from '../shell/recording-sign.service';
import { withHeardStreams, HeardStream } from '../testing/heard-stream';
import { withSlowWorkers } from '../testing/slow-workers';
import { BenchStore } from './bench.store';
import { TripEffectsService } from './trip-effects.service';

const second: Gear = { ...curlew, id: 'plover', name: 'Plover' };
const away: Gear = { ...curlew, id: 'old', archived: true };
const old: Gear = { ...shale, id: 'spent', archived: true };

/** Ten readings a second: receiving for ten seconds, key down at ten watts for ten, receiving for ten. */
const readings = ((): Readings => {
  const timesMs = Float64Array.from({ length: 300 }, (_, index) => index * 100);
  const swing = (index: number) => (index % 2 ? 0.001 : -0.001);
  const amps = timesMs.map((_, index) => (index >= 100 && index < 200 ? 1.9 : 0.14) + swing(index));
  return { timesMs, amps, volts: amps.map(() => 13) };
})();

describe('a measuring session', () => {
  const gear = signal<readonly Gear[]>([]);
  const rest = withSlowWorkers();
  const stream = withHeardStreams();
  let said: Notice[];
  let saved: Gear[];
  let isAway: boolean;
  let bench: BenchStore;
  /** What is called as the page is left. */
  let leaving: (event: Event) => void;

  beforeEach(() => {
    gear.set([away, curlew, second, old, shale]);
    [said, saved, isAway] = [[], [], false];
    spyOn(globalThis, 'addEventListener').and.callFake((name: string, listener: unknown) => {
      if (name === 'beforeunload') leaving = listener as typeof leaving;
    });
    TestBed.configureTestingModule({
      providers: [
        { provide: NoticesService, useValue: { show: (notice: Notice) => said.push(notice) } },
        { provide: TripEffectsService, useValue: { of: () => Promise.resolve(['Islet gains 0.4 Ah.']) } },
        {
          provide: ShelfService,
          useValue: {
            gear,
            load: () => of([]),
            replace: (changed: Gear) => {
              if (isAway) return throwError(() => new HttpErrorResponse({ status: 0 }));
              saved.push(changed);
              gear.update((all) => all.map((item) => (item.id === changed.id ? changed : item)));
              return of({ revision: 2, document: changed });
            },
          },
        },
      ],
    });
    bench = TestBed.inject(BenchStore);
  });
  const kinds = () => bench.marks().map(({ kind }) => kind);
  const times = () => [...bench.readings().timesMs];
  const hear = (...lines: readonly string[]) => {
    for (const line of lines) stream().line(line);
    rest(200);
  };
  const line = (ms: number) => `M ${ms} 13.0000 0.1400`;
  const leave = () => {
    const event = new Event('beforeunload', { cancelable: true });
    leaving(event);
    return event.defaultPrevented ? 'asks first' : 'goes';
  };

  it('is of a radio and a battery that are not put away, the first of them unless one is chosen', () => {
    expect(bench.radios().map(({ id }) => id)).toEqual(['curlew', 'plover']);
    expect(bench.batteries().map(({ id }) => id)).toEqual(['shale']);
    expect(bench.radio()?.id).toBe('curlew');
    bench.radioId.set('plover');
    expect(bench.radio()?.id).toBe('plover');
    bench.radioId.set('old');
    expect(bench.radio()?.id).toBe('curlew');
    gear.set([shale]);
    expect(bench.radio()).toBeNull();
    bench.start();
    expect(HeardStream.opened).toBe(0);
  });

  it('asks the meter as was chosen, shows what it read a fifth of a second later, and says by what', () => {
    expect([bench.origin(), times()]).toEqual([null, []]);
    bench.choice.set({ script: 'cw', powerW: 5, rate: 10, faster: 4 });
    bench.start();
    const words = ['radio', 'script', 'power', 'rate', 'faster'].map((name) => stream().asked(name));
    expect(words).toEqual(['curlew', 'cw', '5', '10', '4']);
    expect(bench.state()).toEqual({ is: 'reading' });
    expect(bench.origin()).toBe('a simulated meter in the cable of Curlew');
    expect(times()).toEqual([]);
    stream().line(line(100));
    expect(times()).toEqual([]);
    hear('nonsense', line(200));
    expect(times()).toEqual([100, 200]);
    rest();
    expect(TestBed.inject(RecordingSign).on()).toBeTrue();
    bench.stop();
    rest();
    expect([bench.state(), stream().isClosed]).toEqual([{ is: 'idle' }, true]);
    expect(TestBed.inject(RecordingSign).on()).toBeFalse();
  });

  it('discharges a battery through the simulated load', () => {
    bench.startLoad('shale', 2);
    const words = ['battery', 'amps', 'rate', 'faster'].map((name) => stream().asked(name));
    expect(words).toEqual(['shale', '2', '10', '900']);
    expect(bench.origin()).toBe('a simulated meter at Shale, under the simulated load');
  });

  it('keeps what was read where the meter stops by itself, and says so', () => {
    bench.start();
    hear(line(100));
    stream().fail();
    expect(bench.state()).toEqual({ is: 'stopped', why: jasmine.stringContaining('is kept below') });
    expect(times()).toEqual([100]);
    bench.stop();
    expect(bench.state().is).toBe('stopped');
  });

  it('promises nothing of a meter that has not read anything', () => {
    bench.start();
    stream().fail();
    expect(bench.state()).toEqual({ is: 'stopped', why: jasmine.stringContaining('nothing was read') });
  });

  it('can bring back the recording before with its segments, and the newer one again', () => {
    bench.bringBack();
    expect(bench.before()).toBeNull();
    bench.start();
    expect(bench.before()).toBeNull();
    hear(line(100), line(5000));
    bench.mark(0, 4000, 'receive');
    bench.take(readings, 'a.csv');
    expect([bench.origin(), bench.marks(), times().length]).toEqual(['file a.csv', [], 300]);
    expect(bench.state()).toEqual({ is: 'idle' });
    bench.bringBack();
    expect([times(), kinds()]).toEqual([[100, 5000], ['receive']]);
    expect(bench.origin()).toContain('Curlew');
    bench.bringBack();
    expect(bench.origin()).toBe('file a.csv');
  });

  it('asks before the page is left while it reads, or where something is kept nowhere else', () => {
    expect(leave()).toBe('goes');
    bench.start();
    expect(leave()).toBe('asks first');
    hear(line(100));
    bench.stop();
    expect(leave()).toBe('asks first');
    bench.noteKept();
    expect(leave()).toBe('goes');
    bench.mark(0, 5000, 'receive');
    expect(leave()).toBe('asks first');
    bench.change(bench.marks()[0].id, { saved: true });
    expect(leave()).toBe('goes');
    bench.take(readings, 'a.csv');
    expect(leave()).toBe('goes');
  });

  it('proposes segments by the levels, with the power that the level tells', () => {
    bench.take(readings, 'a.csv');
    bench.choice.update((choice) => ({ ...choice, powerW: 2 }));
    bench.propose();
    expect(bench.marks().map(({ kind, fromMs, powerW }) => [kind, fromMs, powerW])).toEqual([
      ['receive', 0, 2],
      ['keyDown', 10_000, 10],
      ['receive', 20_000, 2],
    ]);
    expect(bench.selectedId()).toBe(bench.marks()[0].id);
    expect(new Set(bench.marks().map(({ id }) => id)).size).toBe(3);
    expect(said).toEqual([]);
  });

  it('proposes in the place of what is not saved, and can put that back', () => {
    bench.take(readings, 'a.csv');
    bench.mark(12_000, 14_000, 'keyDown');
    bench.mark(500, 1500, 'byEar');
    expect(kinds()).toEqual(['byEar', 'keyDown']);
    bench.change(bench.marks()[0].id, { saved: true });
    bench.propose();
    expect(kinds()).toEqual(['receive', 'byEar', 'keyDown', 'receive']);
    said[0].action!.run();
    expect(kinds()).toEqual(['byEar', 'keyDown']);
    expect(bench.marks()[1].fromMs).toBe(12_000);
  });

  it('of no level proposes nothing, and of no radio neither', () => {
    bench.propose();
    expect([bench.marks(), bench.selectedId()]).toEqual([[], null]);
    gear.set([shale]);
    bench.mark(0, 1000);
    expect(bench.rows()).toEqual([]);
    bench.propose();
    expect(bench.marks().length).toBe(1);
  });

  it('takes a new segment for what the radio is asked to do, and one of no length for none', () => {
    bench.take(readings, 'a.csv');
    bench.choice.update((choice) => ({ ...choice, script: 'slots' }));
    bench.mark(100, 100.5);
    expect(bench.marks()).toEqual([]);
    bench.mark(100, 101);
    expect([kinds(), bench.selectedId()]).toEqual([['FT8'], bench.marks()[0].id]);
  });

  it('keeps the power that the radio was set to as it was recorded', () => {
    bench.choice.set({ script: 'receive', powerW: 7, rate: 5, faster: 1 });
    bench.start();
    hear(line(100), line(9000));
    bench.choice.update((choice) => ({ ...choice, powerW: 3 }));
    bench.mark(0, 8000);
    expect(bench.marks()[0].powerW).toBe(7);
  });

  it('removes a segment, and can put it back in its place', () => {
    bench.take(readings, 'a.csv');
    bench.propose();
    const [, middle] = bench.marks();
    bench.remove(middle.id);
    expect(kinds()).toEqual(['receive', 'receive']);
    said[0].action!.run();
    expect(bench.marks()[1]).toEqual(middle);
  });

  it('sets one power for all that are not saved; a changed segment is saved no more', () => {
    bench.take(readings, 'a.csv');
    bench.propose();
    const [first, second] = bench.marks();
    bench.change(first.id, { saved: true });
    bench.setPowers(6);
    expect(bench.marks().map(({ powerW }) => powerW)).toEqual([first.powerW, 6, 6]);
    bench.change(first.id, { kind: 'byEar' });
    expect(bench.marks()[0].saved).toBeFalse();
    expect(bench.marks()[1].id).toBe(second.id);
  });

  it('is saved onto the radio, says what that does to trips, and can be taken back', async () => {
    bench.take(readings, 'a.csv');
    bench.propose();
    await bench.save();
    const [radio] = saved as Radio[];
    expect(radio.receiveA.value).toBeCloseTo(0.14, 3);
    expect(bench.marks().map(({ saved: is }) => is)).toEqual([true, true, true]);
    expect(said[0].text).toBe('Saved onto Curlew. Islet gains 0.4 Ah.');
    said[0].action!.run();
    expect(saved[1]).toBe(curlew);
    await bench.save();
    expect(saved.length).toBe(2);
  });

  it('is saved one by one too, and what says nothing of the radio is refused by its number', async () => {
    bench.take(readings, 'a.csv');
    bench.mark(500, 9000, 'receive');
    bench.mark(21_000, 29_000, 'keyDown');
    const [first, wrong] = bench.marks();
    await bench.save(wrong.id);
    expect(saved).toEqual([]);
    expect(said[0].text).toContain('Was the key down?');
    expect(said[0].text).not.toContain('Segment');
    await bench.save();
    expect(saved.length).toBe(1);
    expect(said[1].text).toContain('Segment 2: Key down');
    expect(bench.marks().map(({ id, saved: is }) => [id, is ?? false])).toEqual([
      [first.id, true],
      [wrong.id, false],
    ]);
  });

  it('says why it could not be saved; the segments stay to be saved', async () => {
    bench.take(readings, 'a.csv');
    bench.propose();
    isAway = true;
    await bench.save();
    expect(said[0].text).toContain('does not answer');
    expect(bench.marks().some(({ saved: is }) => is)).toBeFalse();
    gear.set(shelf.slice(1));
    await bench.save();
    expect(said.length).toBe(1);
  });
});
