import { ChangeDetectionStrategy, Component, inject, output } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { problemText } from '../data/problem-text';
import { NoticesService } from '../shell/notices.service';

const LARGEST_FILE = 60_000_000;

/** The shelf out to a file and in from one, as a document or as a table. */
@Component({
  selector: 'ks-shelf-files',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span class="shelf-files">
      <span class="muted">Save as</span>
      <a class="quiet" href="/api/shelf?as=json" download="shelf.json">JSON</a>
      <a class="quiet" href="/api/shelf?as=csv" download="shelf.csv">CSV</a>
      <button type="button" class="quiet" (click)="file.click()">Read a file</button>
      <input
        #file
        type="file"
        hidden
        accept=".json,.csv,.txt"
        aria-label="Shelf file"
        (change)="take(file)"
      />
    </span>
  `,
})
export class ShelfFilesComponent {
  /** Something was read. */
  readonly read = output();
  private readonly api = inject(ApiService);
  private readonly notices = inject(NoticesService);

  protected async take(field: HTMLInputElement): Promise<void> {
    const file = field.files?.[0];
    field.value = '';
    if (!file) return;
    if (file.size > LARGEST_FILE) {
      this.notices.show({ text: `${file.name} is larger than 60 MB, which no shelf is; nothing was read.` });
      return;
    }
    try {
      const { added, notes } = await firstValueFrom(this.api.importShelf(await file.text()));
      const count = added === 1 ? '1 item is' : `${added} items are`;
      this.notices.show({ text: [`${count} new on the shelf.`, ...notes].join(' ') });
      this.read.emit();
    } catch (error) {
      this.notices.show({ text: problemText(error) });
    }
  }
}
