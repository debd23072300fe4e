import { ChangeDetectionStrategy, Component, inject, signal, type OnDestroy } from '@angular/core';
import { NoticesService } from '../shell/notices.service';
import { BenchStore } from './bench.store';
import { hireWorker } from '../work/hire';
import type { Answered, Asked } from '../work/newest-worker';
import type { ReadFileAnswer, ReadFileRequest } from '../work/readings-protocol';

/** Reads a file of readings in a worker, with progress and a way to stop it. */
@Component({
  selector: 'ks-readings-file',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (share() === null) {
      <button type="button" class="quiet" (click)="file.click()">read a file of readings</button>
    } @else {
      <span role="status">reading, {{ percent() }} %</span>
      <button type="button" class="quiet" (click)="cancel()">stop</button>
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
  private readonly store = inject(BenchStore);
  private readonly notices = inject(NoticesService);
  private worker: Worker | null = null;
  /** How far it is, 0 to 1; null while nothing is read. */
  protected readonly share = signal<number | null>(null);
  protected readonly percent = () => Math.round(100 * (this.share() ?? 0));

  protected take(field: HTMLInputElement): void {
    const file = field.files?.[0];
    field.value = '';
    if (!file) return;
    this.cancel();
    this.share.set(0);
    const worker = hireWorker('readings');
    this.worker = worker;
    worker.onmessage = ({ data: { answer: data } }: MessageEvent<Answered<ReadFileAnswer>>) => {
      if (data.is === 'progress') this.share.set(data.share);
      else {
        this.cancel();
        if (data.is === 'refused') this.notices.show({ text: data.why });
        else {
          this.store.take(data.readings);
          const count = data.readings.timesMs.length.toLocaleString('en');
          this.notices.show({ text: [`${count} readings from ${file.name}.`, ...data.notes].join(' ') });
        }
      }
    };
    worker.onerror = (event) => {
      event.preventDefault();
      this.cancel();
      this.notices.show({
        text: 'Reading the file stopped by a fault in Knapsack; the recording is as it was.',
      });
    };
    const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
    const asked: Asked<ReadFileRequest> = { number: 1, question: { file, zone } };
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
