import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { FIELDS, readNumber, type Gear, type NoiseReading } from '@knapsack/contract';
import { BANDS, heardOn, withNoise } from '@knapsack/contract/noise';
import { ShelfKeeper } from '../data/shelf-keeper.service';
import { InlineTextComponent } from '../parts/inline-text.component';
import { today } from '../data/today';

/** The noise floor band by band with something off and on, kept with its record. */
@Component({
  selector: 'ks-noise-grid',
  imports: [InlineTextComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <table class="noise">
      <caption class="muted">
        Noise in
        <button
          type="button"
          class="toggle"
          [attr.aria-label]="'S-units, ' + source().name"
          [attr.aria-pressed]="unit() === 'S'"
          (click)="unit.set('S')"
        >
          S-units
        </button>
        &ngsp;<button
          type="button"
          class="toggle"
          [attr.aria-label]="'dB, ' + source().name"
          [attr.aria-pressed]="unit() === 'dB'"
          (click)="unit.set('dB')"
        >
          dB
        </button>
      </caption>
      <thead>
        <tr>
          <th scope="col">{{ source().name }}</th>
          @for (band of bands; track band) {
            <th scope="col" [class.heard]="heard().has(band)">{{ band }}</th>
          }
        </tr>
      </thead>
      <tbody>
        @for (row of rows; track row.which) {
          <tr>
            <th scope="row">{{ row.words }}</th>
            @for (band of bands; track band) {
              <td [class.heard]="heard().has(band)">
                <ks-text
                  [label]="source().name + ', ' + band + ', ' + row.words"
                  keyboard="decimal"
                  [mayBeEmpty]="true"
                  [value]="shown(band, row.which)"
                  [refuse]="refuse"
                  (committed)="put(band, row.which, $event)"
                />
              </td>
            }
          </tr>
        }
      </tbody>
    </table>
  `,
})
export class NoiseGridComponent {
  readonly source = input.required<Gear>();
  /** The radio that one listens with. */
  readonly radio = input<string>();
  private readonly keeper = inject(ShelfKeeper);
  protected readonly bands = BANDS;
  protected readonly rows = [
    { which: 'off', words: 'off' },
    { which: 'on', words: 'on' },
  ] as const;
  /** What is typed is in this unit; saving a reading does not change it. */
  protected readonly unit = linkedSignal<string, NoiseReading['unit']>({
    source: () => this.source().id,
    computation: (id, before) =>
      before?.source === id ? before.value : (this.source().noise?.[0]?.unit ?? 'S'),
  });
  /** Half of a pair that has been typed so far. */
  private readonly half = signal<Readonly<Record<string, { off?: number; on?: number }>>>({});
  protected readonly heard = computed(() => new Set((heardOn(this.source()) ?? []).map(({ band }) => band)));

  protected shown(band: string, which: 'off' | 'on'): string {
    const value = this.kept(band)?.[which] ?? this.half()[this.keyOf(band)]?.[which];
    return value === undefined ? '' : String(value);
  }

  protected readonly refuse = (text: string): string | null => {
    const read = readNumber(FIELDS.noise, text);
    return 'problem' in read ? read.problem : null;
  };

  protected put(band: string, which: 'off' | 'on', text: string): void {
    const read = text.trim() === '' ? null : readNumber(FIELDS.noise, text);
    if (read && 'problem' in read) return;
    const kept = this.kept(band);
    const before = { ...this.half()[this.keyOf(band)], ...(kept && { off: kept.off, on: kept.on }) };
    const { [which]: _gone, ...other } = before;
    const pair = read ? { ...other, [which]: read.value } : other;
    this.half.update((half) => ({ ...half, [this.keyOf(band)]: pair }));
    const radio = this.radio();
    const changed = withNoise(this.source(), band, this.unit(), pair, {
      date: today(),
      ...(radio !== undefined && { radio }),
    });
    if (kept || changed.noise?.some((reading) => reading.band === band)) void this.keeper.save(changed);
  }

  /** A reading in the other unit is another reading. */
  private kept(band: string): NoiseReading | undefined {
    return this.source().noise?.find((reading) => reading.band === band && reading.unit === this.unit());
  }

  private keyOf(band: string): string {
    return `${this.unit()} ${band}`;
  }
}
