import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  output,
  signal,
  type OnDestroy,
} from '@angular/core';
import { OffDirective } from './off.directive';
import { NoticesService } from '../shell/notices.service';
import type { Readings } from '@knapsack/core';
import type { AssignedColumns, Headings } from '@knapsack/contract/readings';
import type { Choice } from './choices';
import { InlineChoiceComponent } from './inline-choice.component';
import { hireWorker } from '../work/hire';
import type { Answered, Asked } from '../work/newest-worker';
import type { ReadFileAnswer, ReadFileRequest } from '../work/readings-protocol';

/** A file with the columns that were said of it so far: places as text, empty for none. */
interface AskedColumns {
  readonly file: File;
  readonly choices: readonly Choice[];
  readonly time: string;
  readonly timeMs: string;
  readonly volts: string;
  readonly amps: string;
}

/** What the headings tell by themselves stands already. */
function askedOf(file: File, { words, found }: Headings): AskedColumns {
  const place = (at: number) => (at === -1 ? '' : String(at));
  return {
    file,
    choices: [
      { value: '', label: 'choose a column' },
      ...words.map((word, index) => ({ value: String(index), label: word || `column ${index + 1}` })),
    ],
    time: place(found.time),
    timeMs: '1000',
    volts: place(found.volts),
    amps: place(found.amps),
  };
}

/** What was read of a file. */
export interface ReadingsOfFile {
  readonly readings: Readings;
  readonly file: string;
  /** What was left out, in sentences. */
  readonly notes: readonly string[];
}

/** Reads a file of readings in a worker, with progress and a way to stop it. */
@Component({
  selector: 'ks-readings-file',
  imports: [OffDirective, InlineChoiceComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (share() === null) {
      <button type="button" class="quiet" (click)="file.click()">{{ label() }}</button>
    } @else {
      <span role="status">reading, {{ percent() }} %</span>
      <button type="button" class="quiet" (click)="cancel()">Stop</button>
    }
    @if (asked(); as asks) {
      <span class="columns" role="group" aria-label="Columns of the file">
        Which columns of {{ asks.file.name }} are they? Time in
        <ks-choice
          label="Column of the time"
          [value]="asks.time"
          [choices]="asks.choices"
          (picked)="say({ time: $event })"
        />, in
        <ks-choice
          label="Unit of the time"
          [value]="asks.timeMs"
          [choices]="units"
          (picked)="say({ timeMs: $event })"
        />; volts in
        <ks-choice
          label="Column of the volts"
          [value]="asks.volts"
          [choices]="asks.choices"
          (picked)="say({ volts: $event })"
        />; amps in
        <ks-choice
          label="Column of the amps"
          [value]="asks.amps"
          [choices]="asks.choices"
          (picked)="say({ amps: $event })"
        />.
        <button type="button" class="quiet" (click)="readSo()" [ksOff]="!isSaid()">Use these columns</button>
        <button type="button" class="quiet" (click)="asked.set(null)">Leave it</button>
      </span>
    }
    <input
      #file
      type="file"
      hidden
      accept=".csv,.tsv,.txt,.log"
      aria-label="File of readings"
      (change)="take(file)"
    />
  `,
})
export class ReadingsFileComponent implements OnDestroy {
  /** Time zone of times that are written without an offset; the browser's if absent. */
  readonly zone = input<string>();
  readonly label = input('Read a file of readings');
  readonly taken = output<ReadingsOfFile>();
  private readonly notices = inject(NoticesService);
  private worker: Worker | null = null;
  /** How far it is, 0 to 1; null while nothing is read. */
  protected readonly share = signal<number | null>(null);
  /** The file whose headings do not tell, with what has been said of its columns. */
  protected readonly asked = signal<AskedColumns | null>(null);
  protected readonly isSaid = computed(() => {
    const { time, volts, amps } = this.asked() ?? { time: '', volts: '', amps: '' };
    return ![time, volts, amps].includes('') && new Set([time, volts, amps]).size === 3;
  });
  protected readonly units = [
    { value: '1000', label: 'seconds, or a clock or date' },
    { value: '1', label: 'milliseconds' },
    { value: '60000', label: 'minutes' },
    { value: '3600000', label: 'hours' },
  ];
  protected readonly percent = () => Math.round(100 * (this.share() ?? 0));

  protected take(field: HTMLInputElement): void {
    const file = field.files?.[0];
    field.value = '';
    if (file) this.read(file);
  }

  protected say(said: Partial<AskedColumns>): void {
    this.asked.update((asked) => asked && { ...asked, ...said });
  }

  protected readSo(): void {
    const asked = this.asked();
    if (!asked || !this.isSaid()) return;
    this.read(asked.file, {
      time: Number(asked.time),
      timeMs: Number(asked.timeMs),
      volts: Number(asked.volts),
      amps: Number(asked.amps),
    });
  }

  private read(file: File, columns?: AssignedColumns): void {
    this.cancel();
    this.asked.set(null);
    this.share.set(0);
    const worker = hireWorker('readings');
    this.worker = worker;
    worker.onmessage = ({ data: { answer: data } }: MessageEvent<Answered<ReadFileAnswer>>) => {
      if (data.is === 'progress') this.share.set(data.share);
      else {
        this.cancel();
        if (data.is === 'asks') this.asked.set(askedOf(file, data.headings));
        else if (data.is === 'refused') this.notices.show({ text: data.why });
        else {
          this.taken.emit({ readings: data.readings, file: file.name, notes: data.notes });
        }
      }
    };
    worker.onerror = (event) => {
      event.preventDefault();
      this.cancel();
      this.notices.show({
        text: 'Reading the file stopped by a fault in Knapsack; nothing was taken.',
      });
    };
    const zone = this.zone() ?? Intl.DateTimeFormat().resolvedOptions().timeZone;
    const asked: Asked<ReadFileRequest> = {
      number: 1,
      question: { file, zone, ...(columns && { columns }) },
    };
    worker.postMessage(asked);
  }

  protected cancel(): void {
    this.worker?.terminate();
    this.worker = null;
    this.share.set(null);
  }

  ngOnDestroy(): void {
    this.cancel();
  }
}
