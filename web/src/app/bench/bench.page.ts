import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { fixed, METER_SCRIPTS, sayQuantity, stretchFigures, type MeterScript } from '@knapsack/core';
import { problemText } from '../data/problem-text';
import { choicesOf } from '../parts/choices';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { saveFile } from '../data/save-file';
import { KeysService } from '../shell/keys.service';
import { BenchStore } from './bench.store';
import { hasPower, isMode, MARK_CHOICES } from '@knapsack/contract/bench';
import { CapacityTestComponent } from './capacity-test.component';
import { DutyToTripComponent } from './duty-to-trip.component';
import { PanelCheckComponent } from './panel-check.component';
import { readingsCsv } from './readings-csv';
import { NoticesService } from '../shell/notices.service';
import { ReadingsFileComponent, type ReadingsOfFile } from '../parts/readings-file.component';
import { TraceComponent } from './trace.component';

/** Measuring a radio: the meter's trace, the stretches marked on it, and what they come to, saved onto the radio. */
@Component({
  selector: 'ks-bench',
  imports: [
    RouterLink,
    CapacityTestComponent,
    DutyToTripComponent,
    InlineChoiceComponent,
    InlineNumberComponent,
    PanelCheckComponent,
    ReadingsFileComponent,
    TraceComponent,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './bench.page.html',
})
export class BenchPage {
  protected readonly store = inject(BenchStore);
  private readonly notices = inject(NoticesService);
  private readonly keys = inject(KeysService);
  protected readonly loaded = signal(false);
  protected readonly problem = signal<string | null>(null);
  protected readonly kinds = MARK_CHOICES;
  protected readonly scripts = choicesOf(METER_SCRIPTS);
  protected readonly rates = [1, 2, 5, 10].map((rate) => ({ value: `${rate}`, label: `${rate}` }));
  protected readonly speeds = [1, 10, 60].map((faster) => ({
    value: `${faster}`,
    label: faster === 1 ? 'by the clock' : `${faster} times as fast`,
  }));

  protected readonly radioChoices = computed(() =>
    this.store.radios().map(({ id, name }) => ({ value: id, label: name })),
  );
  /** What the meter shows now, and since the start. */
  protected readonly live = computed(() => {
    const readings = this.store.readings();
    const last = readings.amps.length - 1;
    if (last < 0) return null;
    const { ampereHours, wattHours, seconds } = stretchFigures(readings, { from: 0, to: last + 1 });
    const [amps, volts] = [readings.amps[last], readings.volts[last]];
    return {
      amps: `${fixed(amps, 3)} A`,
      volts: `${fixed(volts, 2)} V`,
      watts: `${fixed(amps * volts, 1)} W`,
      ampereHours: `${fixed(ampereHours, 3)} Ah`,
      wattHours: `${fixed(wattHours, 2)} Wh`,
      seconds: `${fixed(seconds, 0)} s`,
    };
  });
  protected readonly rows = computed(() =>
    this.store.rows().map(({ mark, figures }, index) => ({
      mark,
      number: index + 1,
      fromS: this.secondsAt(mark.fromMs),
      toS: this.secondsAt(mark.toMs),
      refuseFrom: (seconds: number) =>
        seconds < this.secondsAt(mark.toMs)
          ? null
          : `It must begin before it ends, at ${this.secondsAt(mark.toMs)} s.`,
      refuseTo: (seconds: number) => this.refuseEnd(seconds, this.secondsAt(mark.fromMs)),
      withPower: hasPower(mark.kind),
      seconds: `${fixed(figures.seconds, 0)} s`,
      mean: `${sayQuantity({ value: figures.meanA, unit: 'A' })} ± ${fixed(figures.spreadA, 3)}`,
      found: isMode(mark.kind) && figures.share ? { mode: mark.kind, share: figures.share } : null,
      peak: sayQuantity({ value: figures.peakA, unit: 'A' }),
      use:
        figures.share === null
          ? ''
          : figures.factor === null
            ? 'no over in it'
            : `duty cycle ${sayQuantity({ value: figures.share, unit: 'share' })}, mode factor ${fixed(figures.factor, 2)}`,
    })),
  );

  protected readonly unsaved = computed(() => this.store.marks().filter(({ saved }) => !saved));
  /** The power of all segments that have one, null where they differ; undefined where fewer than two have one. */
  protected readonly onePower = computed(() => {
    const powers = this.unsaved()
      .filter(({ kind }) => hasPower(kind))
      .map(({ powerW }) => powerW);
    if (powers.length < 2) return undefined;
    return powers.every((powerW) => powerW === powers[0]) ? powers[0] : null;
  });

  constructor() {
    void this.load();
    this.keys.pressed.pipe(takeUntilDestroyed()).subscribe((event) => {
      if (event.ctrlKey || event.metaKey || event.altKey || this.keys.waitsForRoom(event)) return;
      if (this.handleKey(event.key)) event.preventDefault();
    });
  }

  /** An instant in seconds since the recording began, to the tenth. */
  private secondsAt(timeMs: number): number {
    return Math.round((timeMs - (this.store.readings().timesMs[0] ?? 0)) / 100) / 10;
  }

  protected at(seconds: number): number {
    return (this.store.readings().timesMs[0] ?? 0) + seconds * 1000;
  }

  private refuseEnd(seconds: number, fromS: number): string | null {
    const lastS = this.secondsAt(this.store.readings().timesMs.at(-1) ?? 0);
    if (seconds > lastS) return `The trace ends at ${lastS} s.`;
    return seconds > fromS ? null : `It must end after it begins, at ${fromS} s.`;
  }

  protected async load(): Promise<void> {
    try {
      await this.store.load();
      this.loaded.set(true);
    } catch (error) {
      this.problem.set(problemText(error));
    }
  }

  protected ask(change: { script?: MeterScript; powerW?: number; rate?: number; faster?: number }): void {
    this.store.choice.update((choice) => ({ ...choice, ...change }));
  }

  /** Saves the recording as a file that the bench reads back. */
  protected takeFile({ readings, file, notes }: ReadingsOfFile): void {
    this.store.take(readings, file);
    const count = readings.timesMs.length.toLocaleString('en');
    this.notices.show({ text: [`${count} readings from ${file}.`, ...notes].join(' ') });
  }

  protected saveFile(): void {
    saveFile('readings.csv', readingsCsv(this.store.readings()), 'text/csv');
    this.store.noteKept();
  }

  private handleKey(key: string): boolean {
    const selected = this.store.selectedId();
    switch (key) {
      case 'r':
        if (this.store.state().is === 'reading') this.store.stop();
        else this.store.start();
        return true;
      case 'm':
        this.markAll();
        return true;
      case 'p':
        this.store.propose();
        return true;
      case 's':
        if (selected !== null) void this.store.save(selected);
        return selected !== null;
      case 'Delete':
        if (selected !== null) this.store.remove(selected);
        return selected !== null;
      default:
        return false;
    }
  }

  /** Marks everything from the end of the last mark on. */
  protected markAll(): void {
    const { timesMs } = this.store.readings();
    if (timesMs.length < 2) return;
    const ends = this.store.marks().map(({ toMs }) => toMs);
    this.store.mark(Math.max(timesMs[0], ...ends), timesMs[timesMs.length - 1]);
  }
}
