import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { pinEntry, type FieldName, type Figure } from '@knapsack/contract';
import { SOURCES } from '@knapsack/core';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { typedOver, sayFigure, sourceWord } from '@knapsack/contract/gear';
import { today } from '../data/today';

/** A figure in the table of an item: its value, its source, and on demand what was said of it before, to be pinned. */
@Component({
  selector: 'tbody[ksFigureRow]',
  imports: [InlineChoiceComponent, InlineNumberComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tr>
      <th scope="row">
        <ng-content select="[head]">{{ label() }}</ng-content>
      </th>
      <td>
        <ks-number
          [field]="field()"
          [label]="label()"
          [value]="figure()?.value ?? null"
          (committed)="type($event)"
        />
      </td>
      <td>
        @if (plain() ? null : figure(); as known) {
          <ks-choice
            [label]="'Source of ' + label()"
            [value]="known.source"
            [choices]="sources"
            (picked)="changed.emit({ ...known, source: $event })"
          />
        }
        @if (figure()?.others?.length || figure()?.pinned) {
          <button
            type="button"
            class="quiet"
            [attr.aria-label]="'History of ' + label()"
            [attr.aria-expanded]="opened()"
            (click)="opened.set(!opened())"
          >
            <i class="bi" [class]="figure()?.pinned ? 'bi-pin-angle-fill' : 'bi-clock-history'"></i>
          </button>
        }
        <ng-content />
      </td>
    </tr>
    @if (opened() ? figure() : null; as known) {
      @for (entry of known.others ?? []; track $index) {
        <tr class="entry">
          <th scope="row">before: {{ entry.date ?? 'no date' }}</th>
          <td>{{ said({ field: field() }, entry) }}</td>
          <td>
            {{ sourceOf(entry) }}
            <button type="button" class="quiet" (click)="changed.emit(pinned(known, $index))">
              Use this one
            </button>
          </td>
        </tr>
      }
      @if (known.pinned) {
        <tr class="entry">
          <th></th>
          <td colspan="2">
            <button type="button" class="quiet" (click)="changed.emit(pinned(known, null))">
              Unpin: the best-founded figure counts
            </button>
          </td>
        </tr>
      }
    }
  `,
})
export class FigureRowComponent {
  readonly label = input.required<string>({ alias: 'ksFigureRow' });
  readonly field = input.required<FieldName>();
  readonly figure = input.required<Figure | null>();
  /** A plain number that has no source of its own. */
  readonly plain = input(false);
  /** The figure with another value, source, or entry in front. */
  readonly changed = output<Figure>();

  protected readonly opened = signal(false);
  protected readonly sources = SOURCES.map((source) => ({
    value: source,
    label: source === 'datasheet' ? 'label' : source,
  }));
  protected said = sayFigure;
  protected sourceOf = sourceWord;
  protected pinned = pinEntry;

  /** A value typed over another stands, whatever the other was; the other becomes its history unless it was assumed. */
  protected type(value: number): void {
    this.changed.emit(typedOver(this.figure(), value, today()));
  }
}
