import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import type { Figure, Gear, Radio } from '@knapsack/contract';
import {
  CHEMISTRIES,
  CHEMISTRY_NAMES,
  SOURCES,
  TECHNOLOGIES,
  type ChemistryName,
  type ControllerKind,
  type Technology,
  type Source,
  type SourcedPoint,
} from '@knapsack/core';
import { USUAL_CELLS } from '@knapsack/contract';
import { firstValueFrom } from 'rxjs';
import { problemText } from '../../data/problem-text';
import { ShelfService } from '../../data/shelf.service';
import { InlineChoiceComponent } from '../../parts/inline-choice.component';
import { InlineNumberComponent } from '../../parts/inline-number.component';
import { InlineTextComponent } from '../../parts/inline-text.component';
import { figureOf, GEAR_FIELDS, withFigure } from './gear-fields';

const TECHNOLOGY_CHOICES = Object.entries(TECHNOLOGIES).map(([value, { label }]) => ({ value, label }));
const CONTROLLER_CHOICES = [
  { value: 'mppt', label: 'tracking (MPPT)' },
  { value: 'boost', label: 'boosting (MPPT)' },
  { value: 'pwm', label: 'plain switching (PWM)' },
];

/** The figures of one gear item, each with its source; a change is saved on the shelf and serves every trip. */
@Component({
  selector: 'ks-gear-figures',
  imports: [InlineChoiceComponent, InlineNumberComponent, InlineTextComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="gear-figures">
      <p class="gear-head">
        <ks-text label="Name" [value]="gear().name" [most]="80" (committed)="save({ name: $event })" />
        <button type="button" class="quiet" (click)="closed.emit()">done</button>
      </p>
      @if (chemistry(); as name) {
        <p>
          <ks-choice
            label="Chemistry"
            [value]="name"
            [choices]="chemistries"
            (picked)="setChemistry($event)"
          />
        </p>
      }
      @if (make(); as choice) {
        <p>
          <ks-choice
            [label]="choice.label"
            [value]="choice.value"
            [choices]="choice.choices"
            (picked)="setMake($event)"
          />
        </p>
      }
      <table>
        @for (row of rows(); track row.key) {
          <tr>
            <th scope="row">{{ row.label }}</th>
            <td>
              <ks-number
                [field]="row.field"
                [label]="row.label"
                [value]="row.figure?.value ?? null"
                (committed)="setValue(row.key, $event)"
              />
            </td>
            <td>
              @if (row.figure; as figure) {
                <ks-choice
                  [label]="'Source of ' + row.label"
                  [value]="figure.source"
                  [choices]="sources"
                  (picked)="setSource(row.key, $event)"
                />
              }
            </td>
          </tr>
        }
        @for (point of points(); track $index) {
          <tr>
            <th scope="row">
              at
              <ks-number
                field="rfW"
                label="Power"
                [value]="point.rfW"
                (committed)="setPoint($index, { rfW: $event })"
              />
            </th>
            <td>
              <ks-number
                field="transmitA"
                label="Transmit current"
                [value]="point.amps"
                (committed)="setPoint($index, { amps: $event })"
              />
            </td>
            <td>
              <ks-choice
                label="Source"
                [value]="point.source"
                [choices]="sources"
                (picked)="setPoint($index, { source: asSource($event) })"
              />
              @if (points().length > 1) {
                <button
                  type="button"
                  class="quiet"
                  (click)="dropPoint($index)"
                  aria-label="Take this power out"
                >
                  <i class="bi bi-x-lg"></i>
                </button>
              }
            </td>
          </tr>
        }
      </table>
      @if (points().length > 0) {
        <button type="button" class="quiet" (click)="addPoint()">another power</button>
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
  protected readonly problem = signal<string | null>(null);

  protected readonly sources = SOURCES.map((source) => ({
    value: source,
    label: source === 'datasheet' ? 'label' : source,
  }));
  protected readonly chemistries = CHEMISTRY_NAMES.map((name) => ({
    value: name,
    label: CHEMISTRIES[name].label,
  }));

  protected readonly chemistry = computed(() => {
    const gear = this.gear();
    return gear.kind === 'battery' ? gear.chemistry : null;
  });
  /** What a panel is made of, or how a controller works. */
  protected readonly make = computed(() => {
    const gear = this.gear();
    if (gear.kind === 'panel')
      return { label: 'Made of', value: gear.technology, choices: TECHNOLOGY_CHOICES };
    if (gear.kind === 'controller')
      return { label: 'Kind of controller', value: gear.type, choices: CONTROLLER_CHOICES };
    return null;
  });
  protected readonly rows = computed(() =>
    GEAR_FIELDS[this.gear().kind].map((field) => ({ ...field, figure: figureOf(this.gear(), field.key) })),
  );
  protected readonly points = computed<readonly SourcedPoint[]>(() => {
    const gear = this.gear();
    return gear.kind === 'radio' ? gear.transmit : [];
  });

  protected asSource = (name: string): Source => name as Source;

  protected setValue(key: string, value: number): void {
    const before = figureOf(this.gear(), key);
    const source = !before || before.source === 'assumed' ? 'datasheet' : before.source;
    void this.put(withFigure(this.gear(), key, { value, source }));
  }

  protected setSource(key: string, source: string): void {
    const before = figureOf(this.gear(), key) as Figure;
    void this.put(withFigure(this.gear(), key, { ...before, source: source as Source }));
  }

  protected setPoint(index: number, change: Partial<SourcedPoint>): void {
    const before = this.points()[index];
    const source = change.source ?? (before.source === 'assumed' ? 'datasheet' : before.source);
    this.putPoints(this.points().with(index, { ...before, ...change, source }));
  }

  protected addPoint(): void {
    const last = this.points()[this.points().length - 1];
    this.putPoints([...this.points(), { rfW: last.rfW / 2, amps: last.amps * 0.75, source: 'assumed' }]);
  }

  protected dropPoint(index: number): void {
    this.putPoints(this.points().filter((_, at) => at !== index));
  }

  protected setChemistry(name: string): void {
    const gear = this.gear();
    const chemistry = name as ChemistryName;
    if (gear.kind === 'battery') void this.put({ ...gear, chemistry, cellsInSeries: USUAL_CELLS[chemistry] });
  }

  protected setMake(name: string): void {
    const gear = this.gear();
    if (gear.kind === 'panel') void this.put({ ...gear, technology: name as Technology });
    if (gear.kind === 'controller') void this.put({ ...gear, type: name as ControllerKind });
  }

  protected save(change: { name: string }): void {
    void this.put({ ...this.gear(), ...change });
  }

  private putPoints(transmit: readonly SourcedPoint[]): void {
    void this.put({ ...(this.gear() as Radio), transmit });
  }

  private async put(gear: Gear): Promise<void> {
    try {
      await firstValueFrom(this.shelf.replace(gear));
      this.problem.set(null);
    } catch (error) {
      this.problem.set(problemText(error));
    }
  }
}
