import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { OffDirective } from '../parts/off.directive';
import {
  sayCounts,
  countsOf,
  type BackupLook,
  type DifferentChoice,
  type LookedAt,
  type Standing,
} from '@knapsack/contract';

const MOST_NAMES = 6;

/** What a restore would do, and what is to become of documents that are here with other content. */
@Component({
  selector: 'ks-restore',
  imports: [OffDirective],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="earlier" aria-labelledby="restore-title">
      <h2 id="restore-title">{{ title() }}</h2>
      <p>Nothing has been changed yet. It would do this:</p>
      <dl class="restore-look">
        @if (of('new').length; as count) {
          <dt>{{ said('new') }}</dt>
          <dd>
            not here: added <span class="muted">{{ names('new') }}</span>
          </dd>
        }
        @if (of('same').length; as count) {
          <dt>{{ said('same') }}</dt>
          <dd>here, and the same: nothing to do</dd>
        }
        @if (of('different').length; as count) {
          <dt>{{ said('different') }}</dt>
          <dd>
            here, with other content <span class="muted">{{ names('different') }}</span>
            <label
              ><input
                type="radio"
                name="different"
                [checked]="different() === 'keep'"
                (change)="different.set('keep')"
              />
              Keep what is here</label
            >
            <label
              ><input
                type="radio"
                name="different"
                [checked]="different() === 'replace'"
                (change)="different.set('replace')"
              />
              Replace it with the backup’s; a copy of everything here is made first</label
            >
          </dd>
        }
        @for (one of of('setAside'); track one.kind + one.id) {
          <dt>{{ one.name }}</dt>
          <dd>put back as it is and set aside: {{ one.sentence }}</dd>
        }
        @for (one of of('leftOut'); track one.kind + one.id) {
          <dt>{{ one.name }}</dt>
          <dd>left out: {{ one.sentence }}</dd>
        }
        @if (look().onlyHere; as count) {
          <dt>{{ count }} more</dt>
          <dd>only here: {{ count === 1 ? 'it stays' : 'they stay' }}</dd>
        }
      </dl>
      <p>
        @if (hasWork()) {
          <button type="button" class="solid" [ksOff]="busy()" (click)="restored.emit(different())">
            {{ busy() ? 'Restoring …' : 'Restore' }}
          </button>
        }
        <button type="button" class="quiet" [ksOff]="busy()" (click)="cancelled.emit()">
          {{ hasWork() ? 'Leave everything as it is' : 'Close' }}
        </button>
      </p>
    </section>
  `,
})
export class RestoreComponent {
  readonly look = input.required<BackupLook>();
  /** The restore is under way. */
  readonly busy = input(false);
  readonly restored = output<DifferentChoice>();
  readonly cancelled = output();
  protected readonly different = signal<DifferentChoice>('keep');
  protected readonly title = computed(
    () => `Backup of ${new Date(this.look().madeAt).toLocaleString('en-GB', WHEN)}`,
  );
  protected readonly hasWork = computed(() =>
    this.look().documents.some(
      ({ standing }) => standing === 'new' || standing === 'setAside' || standing === 'different',
    ),
  );

  protected of(standing: Standing): readonly LookedAt[] {
    return this.look().documents.filter((one) => one.standing === standing);
  }

  protected said(standing: Standing): string {
    return sayCounts(countsOf(this.of(standing)));
  }

  protected names(standing: Standing): string {
    const all = this.of(standing);
    const names = all.slice(0, MOST_NAMES).map(({ name }) => name);
    const more = all.length - names.length;
    return names.join(', ') + (more > 0 ? ` and ${more} more` : '');
  }
}

const WHEN = {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  hour: '2-digit',
  minute: '2-digit',
} as const;
