import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { FieldStore } from './field.store';
import { FileTaker, sayMore } from '../trip/file-taker';
import { OutingLog } from '../trip/outing-log';
import { TripStore } from '../trip/trip.store';
import { saveFile } from '../data/save-file';
import { NoticesService } from '../shell/notices.service';

/** What the server takes at once. */
const LARGEST_FILE = 1_900_000;

/** The log as a file, and what stands in one of another device taken in. */
@Component({
  selector: 'ks-log-file',
  providers: [FileTaker],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="chips">
      <button type="button" class="chip" (click)="save()">Save the log as a file</button>
      <button type="button" class="chip" (click)="file.click()">Take a log in</button>
      <button type="button" class="chip" (click)="recorded.click()">
        Take in a contact log, or what an instrument recorded
      </button>
    </div>
    <input
      #recorded
      type="file"
      hidden
      accept=".adi,.adif,.txt,.log,.csv"
      aria-label="Contact log, or file of an instrument"
      (change)="takeRecorded(recorded)"
    />
    <input #file type="file" hidden accept=".json" aria-label="File with a log" (change)="take(file)" />
  `,
})
export class LogFileComponent {
  private readonly log = inject(OutingLog);
  private readonly trips = inject(TripStore);
  private readonly store = inject(FieldStore);
  private readonly taker = inject(FileTaker);
  private readonly notices = inject(NoticesService);

  /** A contact log, or what an instrument recorded. */
  protected async takeRecorded(field: HTMLInputElement): Promise<void> {
    const file = field.files?.[0];
    field.value = '';
    if (file) this.notices.show({ text: (await this.taker.take(file, this.store.nowMs())).join(' ') });
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
      text: problem ?? `${file.name}: ${sayMore(more, name)}`,
    });
  }
}
