import { inject, Injectable } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { SwUpdate } from '@angular/service-worker';
import { filter } from 'rxjs';
import { NoticesService } from './notices.service';

/** Tells of a newer release that has come to this device. It is taken when the page is opened next, never in the middle of work. */
@Injectable({ providedIn: 'root' })
export class ReleaseWatch {
  constructor() {
    const notices = inject(NoticesService);
    const updates = inject(SwUpdate);
    updates.versionUpdates
      .pipe(
        filter(({ type }) => type === 'VERSION_READY'),
        takeUntilDestroyed(),
      )
      .subscribe(() =>
        notices.show({
          text: 'A newer Knapsack is on this device. You have it when you open the page next.',
          action: { label: 'Open it now', run: () => location.reload() },
        }),
      );
    updates.unrecoverable.pipe(takeUntilDestroyed()).subscribe(() =>
      notices.show({
        text: 'This browser has lost a part of Knapsack. Reload the page when the server answers; what you typed is kept.',
      }),
    );
  }
}
