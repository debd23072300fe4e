import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { expandBlocks, type Block } from '@knapsack/contract';
import { workedBlocks } from '@knapsack/contract/field';
import { MODE_NAMES, sayHour, sayMode, sayPower, sayWork, type Mode } from '@knapsack/core';
import { ShelfService } from '../data/shelf.service';
import { OutingLog } from '../trip/outing-log';
import { TripStore } from '../trip/trip.store';
import { EntryMaker } from './entry-maker';
import { FieldStore } from './field.store';

/** What is worked: start, stop, change. */
@Component({
  selector: 'ks-work-entry',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="says">{{ now() }}</p>
    <div class="chips">
      @if (under(); as block) {
        <button type="button" class="chip wide" (click)="stop()">
          <i class="bi bi-stop-fill" aria-hidden="true"></i>Stop {{ workOf(block) }}
        </button>
      }
      @for (work of offered(); track work.words) {
        <button type="button" class="chip wide" (click)="start(work.block)">
          <i class="bi bi-play-fill" aria-hidden="true"></i>{{ under() ? 'Change to' : 'Start' }}
          {{ work.words }}
        </button>
      }
    </div>
    <div class="own-work">
      <label
        >Mode
        <select [value]="mode()" (change)="mode.set(modeOf($event))">
          @for (name of modes; track name) {
            <option [value]="name" [selected]="name === mode()">{{ say(name) }}</option>
          }
        </select>
      </label>
      <label
        >Power
        <select [value]="power()" (change)="power.set(numberOf($event))">
          @for (watts of powers(); track watts) {
            <option [value]="watts" [selected]="watts === power()">{{ sayWatts(watts) }}</option>
          }
        </select>
      </label>
      <button type="button" class="chip" (click)="own()">{{ under() ? 'Change' : 'Start' }}</button>
    </div>
  `,
})
export class WorkEntryComponent {
  readonly kept = output<void>();
  private readonly trips = inject(TripStore);
  private readonly shelf = inject(ShelfService);
  private readonly log = inject(OutingLog);
  private readonly store = inject(FieldStore);
  private readonly make = inject(EntryMaker);
  protected readonly modes = MODE_NAMES;
  protected readonly say = sayMode;
  protected readonly sayWatts = sayPower;
  protected readonly workOf = sayWork;
  protected readonly numberOf = (event: Event) => Number((event.target as HTMLSelectElement).value);
  protected readonly modeOf = (event: Event): Mode =>
    MODE_NAMES.find((name) => name === (event.target as HTMLSelectElement).value) ?? 'CW';

  /** What is worked now, as the log and the plan have it. */
  protected readonly under = computed<Block | null>(() => {
    const trip = this.trips.trip();
    const nowMs = this.store.nowMs();
    if (!trip) return null;
    const entries = this.log.standing().filter(({ at }) => Date.parse(at) <= nowMs);
    return (
      workedBlocks(trip, entries).find(
        ({ start, end, station = 1 }) =>
          station === 1 && Date.parse(start) <= nowMs && Date.parse(end) > nowMs,
      ) ?? null
    );
  });
  protected readonly now = computed(() => {
    const block = this.under();
    const zone = this.trips.trip()?.place.timeZone ?? 'UTC';
    return block
      ? `On the air: ${sayWork(block)}, until ${sayHour(Date.parse(block.end), zone)} unless you stop.`
      : 'Off the air.';
  });
  /** The planned block of now or the next, and what else is planned. */
  protected readonly offered = computed(() => {
    const trip = this.trips.trip();
    if (!trip) return [];
    const under = this.under();
    const nowMs = this.store.nowMs();
    const near = expandBlocks(trip)
      .filter(({ endMs }) => endMs > nowMs)
      .map(({ block }) => block);
    const known = new Map<string, Block>();
    for (const block of [...near, ...trip.blocks]) {
      const words = sayWork(block);
      if (!known.has(words) && (!under || words !== sayWork(under))) known.set(words, block);
    }
    return [...known].slice(0, 3).map(([words, block]) => ({ words, block }));
  });
  /** Powers that the radio's figures know. */
  protected readonly powers = computed(() => {
    const radio = this.shelf
      .gear()
      .find(({ id, kind }) => kind === 'radio' && this.trips.trip()?.loadout.some(({ gear }) => gear === id));
    const known = radio?.kind === 'radio' ? radio.transmit.map(({ rfW }) => rfW) : [];
    const planned = this.trips.trip()?.blocks.map(({ powerW }) => powerW) ?? [];
    return [...new Set([...known, ...planned])].sort((a, b) => b - a);
  });
  protected readonly mode = signal<Mode>(this.trips.trip()?.blocks[0]?.mode ?? 'CW');
  protected readonly power = signal<number>(this.trips.trip()?.blocks[0]?.powerW ?? 10);

  protected start({ id, mode, powerW, share, activity }: Block): void {
    this.add({ block: id, mode, powerW, share, activity });
  }

  protected own(): void {
    this.add({ mode: this.mode(), powerW: this.power() });
  }

  protected stop(): void {
    this.log.add({ ...this.make.head(), kind: 'work', do: 'stop' });
    this.kept.emit();
  }

  private add(what: object): void {
    this.log.add({ ...this.make.head(), kind: 'work', do: this.under() ? 'change' : 'start', ...what });
    this.kept.emit();
  }
}
