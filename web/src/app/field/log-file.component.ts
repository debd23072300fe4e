import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { entriesOfRecord } from '@knapsack/contract/field';
import { FieldStore } from './field.store';
import { OutingLog } from '../trip/outing-log';
import { TripStore } from '../trip/trip.store';
import { saveFile } from '../data/save-file';
import { NoticesService } from '../shell/notices.service';

/** What the server takes at once. */
const LARGEST_FILE = 1_900_000;
/** What is read here, and thinned before it goes to the server. */
const LARGEST_RECORD = 20_000_000;

/** The log as a file, and what stands in one of another device taken in. */
@Component({
  selector: 'ks-log-file',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="chips">
      <button type="button" class="chip" (click)="save()">Save the log as a file</button>
      <button type="button" class="chip" (click)="file.click()">Take a log in</button>
      <button type="button" class="chip" (click)="recorded.click()">
        Take in what an instrument recorded
      </button>
    </div>
    <input
      #recorded
      type="file"
      hidden
      accept=".txt,.log,.csv"
      aria-label="File of an instrument"
      (change)="takeRecorded(recorded)"
    />
    <input #file type="file" hidden accept=".json" aria-label="File with a log" (change)="take(file)" />
  `,
})
export class LogFileComponent {
  private readonly log = inject(OutingLog);
  private readonly trips = inject(TripStore);
  private readonly store = inject(FieldStore);
  private readonly notices = inject(NoticesService);

  /** Lines of instruments, or the days that a charge controller remembers. */
  protected async takeRecorded(field: HTMLInputElement): Promise<void> {
    const file = field.files?.[0];
    field.value = '';
    const trip = this.trips.trip();
    if (!file || !trip) return;
    if (file.size > LARGEST_RECORD) {
      this.notices.show({ text: `${file.name} is larger than 20 MB. Nothing was taken in.` });
      return;
    }
    const found = entriesOfRecord(await file.text(), trip, this.store.nowMs());
    if (!found.ok) return this.notices.show({ text: found.problems[0].sentence });
    const { entries, notes } = found.value;
    const before = this.log.standing().length;
    this.log.add(...entries);
    const more = this.log.standing().length - before;
    const words = `${file.name}: ${more === 1 ? '1 entry more' : `${more} entries more`} in the log of ${trip.name}.`;
    this.notices.show({ text: [words, ...notes].join(' ') });
  }

  protected save(): void {
    const log = this.log.log();
    if (log) saveFile(`${log.trip}-log.json`, [JSON.stringify(log, null, 2)], 'application/json');
  }

  /** Nothing of this log is lost: what is new in the file stands in both. */
  protected async take(field: HTMLInputElement): Promise<void> {
    const file = field.files?.[0];
    field.value = '';
    if (!file) return;
    if (file.size > LARGEST_FILE) {
      this.notices.show({ text: `${file.name} is larger than 2 MB. Nothing was taken in.` });
      return;
    }
    const before = this.log.standing().length;
    const problem = await this.log.takeIn(await file.text());
    const more = this.log.standing().length - before;
    const name = this.trips.trip()?.name ?? '';
    this.notices.show({
      text:
        problem ??
        `${file.name}: ${more === 1 ? '1 entry more' : `${more} entries more`} in the log of ${name}.`,
    });
  }
}
