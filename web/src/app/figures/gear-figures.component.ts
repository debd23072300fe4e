import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  output,
  signal,
  ElementRef,
} from '@angular/core';
import {
  currentOf,
  transmitFigure,
  type DutyFigure,
  type Figure,
  type Gear,
  type TransmitFigure,
} from '@knapsack/contract';
import { ACTIVITIES, sayMode, type Mode } from '@knapsack/core';
import { firstValueFrom } from 'rxjs';
import { problemText } from '../data/problem-text';
import { FocusKeeper } from '../shell/focus-keeper.service';
import { ShelfService } from '../data/shelf.service';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { InlineTextComponent } from '../parts/inline-text.component';
import { FigureRowComponent } from './figure-row.component';
import { choicesOf } from './gear-choices';
import { fieldsOf, figureOf, withFigure } from '@knapsack/contract/gear';

/** The figures of one gear item, each with its source; a change is saved on the shelf and serves every trip. */
@Component({
  selector: 'ks-gear-figures',
  imports: [FigureRowComponent, InlineChoiceComponent, InlineNumberComponent, InlineTextComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="gear-figures">
      <p class="gear-head">
        <ks-text
          label="Name"
          [value]="gear().name"
          [most]="80"
          [refuse]="refuseName"
          (committed)="save({ name: $event })"
        />
        <button type="button" class="quiet" (click)="done()">Done</button>
      </p>
      <table>
        @for (row of shownRows(); track row.key) {
          <tbody
            [ksFigureRow]="row.label"
            [field]="row.field"
            [figure]="row.figure"
            [plain]="row.plain"
            (changed)="put(withFigure(gear(), row, $event))"
          ></tbody>
        }
        @for (point of points(); track $index) {
          <tbody
            [ksFigureRow]="'Transmit current, row ' + ($index + 1)"
            field="transmitA"
            [figure]="point.current"
            (changed)="setPoint($index, point.rfW, $event)"
          >
            <ng-container head>
              at
              <ks-number
                field="rfW"
                [label]="'Power, row ' + ($index + 1)"
                [value]="point.rfW"
                (committed)="setPoint($index, $event, point.current)"
              />
            </ng-container>
            @if (points().length > 1) {
              <button
                type="button"
                class="quiet"
                (click)="dropPoint($index)"
                [attr.aria-label]="'Remove power, row ' + ($index + 1)"
              >
                <i class="bi bi-x-lg"></i>
              </button>
            }
          </tbody>
        }
        @for (over of overs(); track over.mode) {
          <tbody
            [ksFigureRow]="'mean of ' + over.mode"
            field="modeFactor"
            [figure]="over.figure"
            (changed)="setOver(over.mode, $event)"
          >
            <button
              type="button"
              class="quiet"
              (click)="setOver(over.mode, null)"
              [attr.aria-label]="'Remove the mean of ' + over.mode"
            >
              <i class="bi bi-x-lg"></i>
            </button>
          </tbody>
        }
        @for (duty of duties(); track duty.mode + duty.activity) {
          <tbody
            [ksFigureRow]="duty.label"
            field="share"
            [figure]="duty.figure"
            (changed)="setDuty(duty, $event)"
          >
            <button
              type="button"
              class="quiet"
              (click)="setDuty(duty, null)"
              [attr.aria-label]="'Forget: ' + duty.label"
            >
              <i class="bi bi-x-lg"></i>
            </button>
          </tbody>
        }
      </table>
      @if (points().length > 0) {
        <button type="button" class="quiet" (click)="addPoint()">Another power</button>
      }
      @if (points().length > 0 && powers() < 2) {
        <p class="muted">
          One power is known, the rest is a rule. Two powers, full and a quarter, make a trustworthy estimate.
        </p>
      }
      @if (hidden() > 0 || more()) {
        <button type="button" class="quiet" [attr.aria-expanded]="more()" (click)="more.set(!more())">
          {{ more() ? 'Fewer figures' : 'More figures (' + hidden() + ')' }}
        </button>
      }
      @for (choice of choices(); track choice.label) {
        <p>
          {{ choice.label }}:
          <ks-choice
            [label]="choice.label"
            [value]="choice.value"
            [choices]="choice.choices"
            (picked)="put(choice.picked($event))"
          />
        </p>
      }
      @if (problem(); as sentence) {
        <p class="problem" role="alert">{{ sentence }}</p>
      }
    </div>
  `,
})
export class GearFiguresComponent {
  readonly gear = input.required<Gear>();
  readonly closed = output();
  private readonly shelf = inject(ShelfService);
  private readonly focus = inject(FocusKeeper);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  protected readonly problem = signal<string | null>(null);
  protected readonly choices = computed(() => choicesOf(this.gear()));
  protected readonly rows = computed(() =>
    fieldsOf(this.gear()).map((field) => ({ ...field, figure: figureOf(this.gear(), field.key) })),
  );
  /** What nobody has entered is folded away until it is asked for. */
  protected readonly more = signal(false);
  protected readonly shownRows = computed(() =>
    this.rows().filter(({ optional, figure }) => this.more() || !optional || figure !== null),
  );
  protected readonly hidden = computed(() => this.rows().length - this.shownRows().length);
  protected readonly powers = computed(() => new Set(this.points().map(({ rfW }) => rfW)).size);
  private readonly radio = computed(() => {
    const gear = this.gear();
    return gear.kind === 'radio' ? gear : null;
  });
  protected readonly points = computed(() =>
    (this.radio()?.transmit ?? []).map((point) => ({ rfW: point.rfW, current: currentOf(point) })),
  );
  /** What the radio draws in overs of a mode on average, between key-up and key-down. */
  protected readonly overs = computed(() =>
    (this.radio()?.overs ?? []).map(({ mode, factor, source }) => ({
      mode,
      figure: { value: factor, source },
    })),
  );

  /** How much its operator transmits, as outings have taught. */
  protected readonly duties = computed(() =>
    (this.radio()?.duty ?? []).map(({ mode, activity, instead, ...figure }) => ({
      ...{ mode, activity, instead, figure },
      label: `duty cycle, ${sayMode(mode)}, ${ACTIVITIES[activity].short}`,
    })),
  );

  /** A name that another item has already. */
  protected readonly refuseName = (name: string): string | null => {
    const taken = this.shelf.gear().some((other) => other.id !== this.gear().id && other.name === name);
    return taken
      ? `Another item of the shelf is called “${name}” already: in a bag they could not be told apart.`
      : null;
  };

  protected withFigure = withFigure;

  /** Back to the name that had opened it. */
  protected done(): void {
    const item = this.host.closest('[data-gear]');
    this.closed.emit();
    this.focus.go(() => item?.querySelector<HTMLElement>('.bag-name'));
  }

  protected setPoint(index: number, rfW: number, current: Figure): void {
    this.putPoints((points) => points.with(index, transmitFigure(rfW, current)));
  }

  protected addPoint(): void {
    this.putPoints((points) => {
      const last = points[points.length - 1];
      return [...points, { rfW: last.rfW / 2, amps: last.amps * 0.75, source: 'assumed' }];
    });
  }

  protected dropPoint(index: number): void {
    this.putPoints((points) => points.filter((_, at) => at !== index));
  }

  /** The mean of a mode as the radio's own, or none so that the mode's usual one counts. */
  protected setOver(mode: Mode, figure: Figure | null): void {
    const radio = this.radio();
    if (!radio) return;
    const overs = (radio.overs ?? []).flatMap((over) => {
      if (over.mode !== mode) return [over];
      return figure ? [{ mode, factor: figure.value, source: figure.source }] : [];
    });
    void this.put({ ...radio, overs });
  }

  /** Another duty cycle of an activity in a mode, or none so that the plan's own counts. */
  protected setDuty(
    { mode, activity, instead }: Pick<DutyFigure, 'mode' | 'activity' | 'instead'>,
    figure: Figure | null,
  ): void {
    const radio = this.radio();
    if (!radio) return;
    const duty = (radio.duty ?? []).flatMap((one) => {
      if (one.mode !== mode || one.activity !== activity) return [one];
      return figure ? [{ ...figure, mode, activity, instead }] : [];
    });
    void this.put({ ...radio, duty });
  }

  protected save(change: { name: string }): void {
    void this.put({ ...this.gear(), ...change });
  }

  private putPoints(change: (points: readonly TransmitFigure[]) => readonly TransmitFigure[]): void {
    const radio = this.radio();
    if (radio) void this.put({ ...radio, transmit: change(radio.transmit) });
  }

  protected async put(gear: Gear): Promise<void> {
    try {
      await firstValueFrom(this.shelf.replace(gear));
      this.problem.set(null);
    } catch (error) {
      this.problem.set(problemText(error));
    }
  }
}
