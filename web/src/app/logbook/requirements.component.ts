import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { MEASURES, type Measure, type Requirement } from '@knapsack/contract';
import { MEASURE_RULES } from '@knapsack/contract/requirements';
import { newKey } from '../data/new-id';
import { InlineTextComponent } from '../parts/inline-text.component';
import type { LessonOf } from './open-lessons.component';
import { RequirementsStore } from './requirements.store';

/** What a target is typed in, and how it is stored. */
const UNITS: Readonly<Record<Measure, { readonly unit: string; readonly times: number }>> = {
  carriedG: { unit: 'kg', times: 1000 },
  usableAh: { unit: 'Ah', times: 1 },
  whPerKg: { unit: 'Wh/kg', times: 1 },
  costPerWh: { unit: 'a Wh', times: 1 },
  chance: { unit: 'of 100', times: 0.01 },
  hoursWithoutSun: { unit: 'h', times: 1 },
  hoursAfterFailure: { unit: 'h', times: 1 },
  availability: { unit: '%', times: 0.01 },
  noise: { unit: 'S-units', times: 1 },
  disconnect: { unit: '', times: 1 },
  sockets: { unit: 'sockets', times: 1 },
  keepsDry: { unit: '', times: 1 },
};
const USUAL: Readonly<Record<Measure, number>> = {
  ...{ carriedG: 9000, usableAh: 15, whPerKg: 90, costPerWh: 1, chance: 0.9 },
  ...{ hoursWithoutSun: 24, hoursAfterFailure: 4, availability: 0.95, noise: 1, disconnect: 1 },
  ...{ sockets: 2, keepsDry: 1 },
};

/** What the next build must do, and the kits of a trip held against it: met, missed by how much, or not known. */
@Component({
  selector: 'ks-requirements',
  imports: [InlineTextComponent, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 id="next-build">The next build</h2>
    @if (store.trips().length > 0) {
      <p>
        <label
          >Held against it: the kits of
          <select aria-label="Trip whose kits are held against the requirements" (change)="hold($event)">
            @for (trip of store.trips(); track trip.id) {
              <option [value]="trip.id" [selected]="trip.id === store.trip()?.id">{{ trip.name }}</option>
            }
          </select></label
        >
      </p>
    }
    <div class="logbook-scroll">
      <table class="requirements" aria-labelledby="next-build">
        <thead>
          <tr>
            <th scope="col">it must</th>
            @for (kit of store.kits(); track $index) {
              <th scope="col">{{ kit.name }}</th>
            }
            <th><span class="visually-hidden">remove</span></th>
          </tr>
        </thead>
        <tbody>
          @for (one of rows(); track one.requirement.id) {
            <tr>
              <th scope="row">
                {{ one.label }}
                @if (!one.yesNo) {
                  <ks-text
                    [label]="'Target: ' + one.label"
                    [value]="one.target"
                    [unit]="one.unit"
                    [refuse]="refuse"
                    (committed)="aim(one.requirement, $event)"
                  />
                }
                @if (one.requirement.why) {
                  <span class="muted">{{ one.requirement.why }}</span>
                }
              </th>
              @for (held of one.held; track $index) {
                <td>
                  <i
                    class="bi"
                    [class]="
                      held.isMet === null
                        ? 'bi-dash-lg'
                        : held.isMet
                          ? 'bi-diamond-fill fine'
                          : 'bi-x-lg stop'
                    "
                    role="img"
                    [attr.aria-label]="held.isMet === null ? 'not known' : held.isMet ? 'met' : 'missed'"
                  ></i>
                  {{ held.words }}
                </td>
              }
              <td>
                <button
                  type="button"
                  class="quiet"
                  [attr.aria-label]="'Remove the requirement: ' + one.label"
                  (click)="remove(one.requirement)"
                >
                  <i class="bi bi-x-lg" aria-hidden="true"></i>
                </button>
              </td>
            </tr>
          } @empty {
            <tr>
              <td class="muted" [attr.colspan]="store.kits().length + 2">
                Nothing yet: what a lesson asks of the next kit, by weight, charge, money or noise.
              </td>
            </tr>
          }
        </tbody>
        @if (rows().length > 0 && store.kits().length > 0) {
          <tfoot>
            <tr>
              <th scope="row">meets</th>
              @for (kit of store.kits(); track $index) {
                <td>
                  <b>{{ metBy($index) }} of {{ rows().length }}</b>
                </td>
              }
              <td></td>
            </tr>
          </tfoot>
        }
      </table>
    </div>
    <form class="note-entry" (submit)="add($event)">
      <select aria-label="Measure of the new requirement" (change)="measure.set(measureIn($event))">
        @for (one of measures; track one.value) {
          <option [value]="one.value" [selected]="one.value === measure()">{{ one.label }}</option>
        }
      </select>
      @if (measure() === 'noise') {
        <input
          type="text"
          aria-label="Band"
          placeholder="17 m"
          maxlength="20"
          [value]="band()"
          (input)="band.set(valueIn($event))"
        />
      }
      <input
        type="text"
        aria-label="Why it is required"
        placeholder="why, in a line"
        maxlength="300"
        [value]="why()"
        (input)="why.set(valueIn($event))"
      />
      <button type="submit" class="chip">Require</button>
    </form>
    @if (store.trip(); as trip) {
      <p>
        <a [routerLink]="['/trips', trip.id, 'size']" [queryParams]="{ build: 1 }"
          >Find the lightest kit that meets all of it on {{ trip.name }}</a
        >
      </p>
    }
  `,
})
export class RequirementsComponent {
  protected readonly store = inject(RequirementsStore);
  protected readonly measures = MEASURES.map((value) => ({ value, label: MEASURE_RULES[value].label }));
  protected readonly measure = signal<Measure>('carriedG');
  protected readonly why = signal('');
  protected readonly band = signal('');
  private lesson: LessonOf | null = null;

  protected readonly rows = computed(() =>
    this.store.requirements().map((requirement, place) => {
      const { measure, target, band } = requirement;
      const { unit, times } = UNITS[measure];
      return {
        requirement,
        label: `${MEASURE_RULES[measure].label}${band ? `, ${band}` : ''}`,
        yesNo: MEASURE_RULES[measure].yesNo === true,
        target: String(Number((target / times).toPrecision(6))),
        unit,
        held: this.store.kits().flatMap(({ held }) => held[place] ?? []),
      };
    }),
  );

  /** A number from 0 up. */
  protected readonly refuse = (text: string): string | null => {
    const value = Number(text.trim().replace(',', '.'));
    return text.trim() !== '' && value >= 0 && value <= 100_000
      ? null
      : `“${text}” is no target: a number from 0 to 100,000 would be.`;
  };

  protected readonly measureIn = (event: Event) => (event.target as HTMLSelectElement).value as Measure;
  protected readonly valueIn = (event: Event) => (event.target as HTMLInputElement).value;

  /** Puts the words of a lesson into the form. */
  take(lesson: LessonOf): void {
    this.lesson = lesson;
    this.why.set(lesson.lesson.text);
  }

  protected hold(event: Event): void {
    void this.store.hold((event.target as HTMLSelectElement).value);
  }

  protected metBy(kit: number): number {
    return this.rows().filter(({ held }) => held[kit]?.isMet === true).length;
  }

  protected aim(requirement: Requirement, text: string): void {
    const target = Number(text.trim().replace(',', '.')) * UNITS[requirement.measure].times;
    this.store.change((all) => all.map((one) => (one.id === requirement.id ? { ...one, target } : one)));
  }

  protected remove(requirement: Requirement): void {
    this.store.change((all) => all.filter(({ id }) => id !== requirement.id));
  }

  protected add(event: Event): void {
    event.preventDefault();
    const measure = this.measure();
    const [why, band] = [this.why().trim(), this.band().trim()];
    const from = this.lesson;
    this.store.change((all) => [
      ...all,
      {
        ...{ id: `q${newKey()}`, measure, target: USUAL[measure] },
        ...(measure === 'noise' && band && { band }),
        ...(why && { why }),
        ...(from && { lesson: { trip: from.trip, id: from.lesson.id } }),
      },
    ]);
    this.lesson = null;
    this.why.set('');
    this.band.set('');
  }
}
