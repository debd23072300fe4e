import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Mode } from '@knapsack/core';
import { fixed, sayDuration } from '@knapsack/core';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { DebriefStore } from './debrief.store';

/** What the contacts tell: how many an hour by mode and band, and the duty cycle that they mean. */
@Component({
  selector: 'ks-debrief-contacts',
  imports: [InlineNumberComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (store.view()?.contacts; as table) {
      <h3>By the contacts</h3>
      @for (row of table.modes; track row.name) {
        <p>
          <b>{{ row.name || 'no mode noted' }}</b>: {{ row.contacts }} contacts{{ anHour(row.perHour) }}.
          @if (row.mode && row.seconds !== null) {
            <ks-number
              field="secondsSent"
              [label]="'Seconds sent for a contact in ' + row.name"
              [value]="row.seconds"
              (committed)="send(row.mode, $event)"
            />
            are sent for each.
          }
          @if (row.duty; as duty) {
            That is a transmit duty cycle of {{ percent(duty.mean) }} ± {{ percent(duty.sd) }}.
          }
        </p>
      }
      <p class="muted">{{ rest() }}</p>
    }
  `,
})
export class DebriefContactsComponent {
  protected readonly store = inject(DebriefStore);
  protected readonly percent = (share: number) => `${fixed(100 * share, 0)} %`;
  protected readonly anHour = (perHour: number | null) =>
    perHour === null ? '' : `, ${fixed(perHour, 1)} an hour`;

  protected readonly rest = computed(() => {
    const table = this.store.view()?.contacts;
    if (!table) return '';
    const bands = table.bands.map(
      ({ name, contacts, perHour }) => `${name || 'no band noted'} ${contacts}${this.anHour(perHour)}`,
    );
    const { length } = table.pauses;
    const pauses =
      length === 0
        ? 'No pause.'
        : `${length === 1 ? '1 pause' : `${length} pauses`} of more than 20 minutes, ${sayDuration(table.pauseHours)} in all.`;
    return `${bands.join('; ')}. ${pauses}`;
  });

  protected send(mode: Mode, seconds: number): void {
    this.store.change((notes) => ({
      ...notes,
      seconds: [...(notes.seconds ?? []).filter((one) => one.mode !== mode), { mode, seconds }],
    }));
  }
}
