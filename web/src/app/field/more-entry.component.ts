import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import type { BatteryEntry, LogEntry, PanelLaid } from '@knapsack/contract';
import { ShelfService } from '../data/shelf.service';
import { OutingLog } from '../trip/outing-log';
import { TripStore } from '../trip/trip.store';
import { EntryMaker } from './entry-maker';
import { LogFileComponent } from './log-file.component';

/** What happens more rarely: a battery, the panel, a note, a meter set to zero, the end. */
@Component({
  selector: 'ks-more-entry',
  imports: [LogFileComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h3>Note</h3>
    <form class="note-entry" (submit)="note($event)">
      <input
        type="text"
        aria-label="Note"
        maxlength="2000"
        [value]="text()"
        (input)="text.set(valueOf($event))"
      />
      <button type="submit" class="chip">Keep</button>
    </form>
    <h3>Meter and batteries</h3>
    <div class="chips">
      <button type="button" class="chip" (click)="add({ kind: 'reset' })">Meter set to zero</button>
      @for (battery of batteries(); track battery.id) {
        <button type="button" class="chip" (click)="tellBattery('swapIn', battery.id)">
          {{ battery.name }} in use
        </button>
        <button type="button" class="chip" (click)="tellBattery('full', battery.id)">
          {{ battery.name }} full
        </button>
        @if (batteries().length > 1) {
          <button type="button" class="chip" (click)="tellBattery('charge', battery.id)">
            {{ battery.name }} being charged
          </button>
        }
      }
    </div>
    @if (hasPanel()) {
      <h3>Panel</h3>
      <div class="chips">
        <button type="button" class="chip" (click)="laid({ how: 'sun' })">Turned to the sun</button>
        <button type="button" class="chip" (click)="laid({ how: 'flat' })">Laid flat</button>
        <button type="button" class="chip" (click)="shade(0.5)">Half in shade</button>
        <button type="button" class="chip" (click)="shade(1)">In shade</button>
        <button type="button" class="chip" (click)="shade(0)">Out of the shade</button>
      </div>
    }
    <h3>End</h3>
    <div class="chips">
      <button type="button" class="chip" (click)="add({ kind: 'end' })">End the outing here</button>
    </div>
    @if (!isDry()) {
      <h3>The log</h3>
      <ks-log-file />
    }
  `,
})
export class MoreEntryComponent {
  readonly kept = output<void>();
  private readonly trips = inject(TripStore);
  private readonly shelf = inject(ShelfService);
  private readonly log = inject(OutingLog);
  private readonly make = inject(EntryMaker);
  protected readonly isDry = computed(() => this.log.state().is === 'dryRun');
  protected readonly text = signal('');
  protected readonly valueOf = (event: Event) => (event.target as HTMLInputElement).value;
  private readonly carried = computed(() => {
    const ids = new Set(this.trips.trip()?.loadout.map(({ gear }) => gear));
    return this.shelf.gear().filter(({ id }) => ids.has(id));
  });
  protected readonly batteries = computed(() =>
    this.carried().filter(({ kind }) => kind === 'battery' || kind === 'station'),
  );
  protected readonly hasPanel = computed(() => this.carried().some(({ kind }) => kind === 'panel'));

  protected note(event: Event): void {
    event.preventDefault();
    const words = this.text().trim();
    if (words === '') return;
    this.text.set('');
    this.add({ kind: 'note', note: words });
  }

  protected tellBattery(does: BatteryEntry['do'], gear: string): void {
    this.add({ kind: 'battery', do: does, gear });
  }

  protected laid(aim: PanelLaid): void {
    this.add({ kind: 'panel', aim });
  }

  protected shade(shade: number): void {
    this.add({ kind: 'panel', shade });
  }

  protected add(what: object): void {
    this.log.add({ ...this.make.head(), ...what } as LogEntry);
    this.kept.emit();
  }
}
