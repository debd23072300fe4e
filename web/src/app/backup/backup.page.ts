import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { OffDirective } from '../parts/off.directive';
import { sayBytes } from '@knapsack/contract';
import type {
  BackupLook,
  DataCopies,
  DataCopy,
  DifferentChoice,
  FileCheck,
  Restored,
} from '@knapsack/contract';
import { firstValueFrom } from 'rxjs';
import { BackupApi, type RestoreSource } from '../data/backup-api.service';
import { problemText } from '../data/problem-text';
import { RestoreComponent } from './restore.component';

const LARGEST_BACKUP = 256 * 1024 * 1024;

/** Everything out as one file and in again; the copies that the server makes by itself; a look at the data file. */
@Component({
  selector: 'ks-backup',
  imports: [OffDirective, RestoreComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './backup.page.html',
})
export class BackupPage {
  private readonly api = inject(BackupApi);
  protected readonly copies = signal<DataCopies | null>(null);
  protected readonly found = signal<{ readonly source: RestoreSource; readonly look: BackupLook } | null>(
    null,
  );
  protected readonly done = signal<string | null>(null);
  protected readonly problem = signal<string | null>(null);
  protected readonly checked = signal<FileCheck | null>(null);
  /** What is under way. */
  protected readonly busy = signal<'look' | 'restore' | 'check' | null>(null);

  constructor() {
    void this.loadCopies();
  }

  protected async take(field: HTMLInputElement): Promise<void> {
    const file = field.files?.[0];
    field.value = '';
    if (!file) return;
    if (file.size > LARGEST_BACKUP) {
      this.problem.set(`${file.name} is larger than 256 MB, which no backup is. Nothing was read.`);
      return;
    }
    await this.lookAt({ file });
  }

  protected async lookAt(source: RestoreSource): Promise<void> {
    this.done.set(null);
    this.found.set(null);
    await this.attempt('look', async () => {
      this.found.set({ source, look: await firstValueFrom(this.api.look(source)) });
    });
  }

  protected async restore(source: RestoreSource, different: DifferentChoice): Promise<void> {
    await this.attempt('restore', async () => {
      const restored = await firstValueFrom(this.api.restore(source, different));
      this.found.set(null);
      this.done.set(restoredWords(restored));
      await this.loadCopies();
    });
  }

  protected async check(): Promise<void> {
    this.checked.set(null);
    await this.attempt('check', async () => {
      this.checked.set(await firstValueFrom(this.api.check()));
    });
  }

  protected copyDate({ madeAt }: DataCopy): string {
    return new Date(madeAt).toLocaleString('en-GB', {
      ...{ weekday: 'short', day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' },
    });
  }

  protected readonly size = ({ bytes }: DataCopy): string => sayBytes(bytes);

  protected isBeforeRestore = ({ name }: DataCopy): boolean => name.startsWith('before-restore');

  private async loadCopies(): Promise<void> {
    await this.attempt(this.busy(), async () => {
      this.copies.set(await firstValueFrom(this.api.copies()));
    });
  }

  private async attempt(what: ReturnType<BackupPage['busy']>, work: () => Promise<void>): Promise<void> {
    this.busy.set(what);
    try {
      this.problem.set(null);
      await work();
    } catch (error) {
      this.problem.set(problemText(error));
    } finally {
      this.busy.set(null);
    }
  }
}

function restoredWords({ added, replaced, kept, same, leftOut, copy }: Restored): string {
  const parts = [
    `${added} added`,
    ...(replaced > 0 ? [`${replaced} replaced`] : []),
    ...(same > 0 ? [`${same} already the same`] : []),
    ...(kept > 0 ? [`${kept} left as they are here`] : []),
    ...(leftOut > 0 ? [`${leftOut} left out`] : []),
  ];
  return `Restored: ${parts.join(', ')}.${copy ? ' What was here before is the newest copy below.' : ''}`;
}
