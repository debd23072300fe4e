import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { ownHoursProblem, type ChargingHours } from '@knapsack/contract';
import { beginCharging, setCharging, spanOf } from '@knapsack/contract/edits';
import { HOUR_MS, sayQuantity } from '@knapsack/core';
import { InlineChoiceComponent } from '../../parts/inline-choice.component';
import { InlineSpanComponent } from '../../parts/inline-span.component';
import { BagStore } from '../../trip/bag.store';
import { ForecastStore } from '../../trip/forecast.store';
import { TripStore } from '../../trip/trip.store';

/** When a charger of the bag charges during the outing, and what it hangs on. */
@Component({
  selector: 'ks-charging-hours',
  imports: [InlineChoiceComponent, InlineSpanComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="rule-sentence">
      @if (charging()) {
        @if (generators().length > 1) {
          Run by
          <ks-choice
            label="What the charger is run by"
            [value]="charging()?.generator ?? ''"
            [choices]="generators()"
            (picked)="runBy($event)"
          />, it charges
        } @else {
          On the way it charges
        }
        @for (one of spans(); track $index) {
          <ks-span
            startLabel="Charges from"
            endLabel="Charges until"
            [span]="one.span"
            [zone]="zone()"
            [acceptStart]="one.acceptStart"
            [acceptEnd]="one.acceptEnd"
          />&ngsp;
        }
        <button type="button" class="quiet" (click)="more()">more hours</button>
        <button type="button" class="quiet" (click)="less()">
          {{ spans().length > 1 ? 'less' : 'never' }}
        </button>
        @if (brought(); as words) {
          <br /><b>{{ words }}</b>
        }
      } @else {
        On the way it never charges.
        <button type="button" class="quiet" (click)="begin()">give it hours</button>
      }
    </p>
  `,
})
export class ChargingHoursComponent {
  /** Its line in the bag. */
  readonly index = input.required<number>();
  private readonly plan = inject(TripStore);
  private readonly bag = inject(BagStore);
  private readonly forecast = inject(ForecastStore);
  protected readonly zone = computed(() => this.plan.trip()?.place.timeZone ?? 'UTC');
  private readonly item = computed(() => this.plan.trip()?.loadout[this.index()]);
  protected readonly charging = computed(() => this.item()?.charging ?? null);
  private readonly hours = computed(() => this.charging()?.hours ?? []);
  protected readonly spans = computed(() =>
    this.hours().map((hours, at) => ({
      span: spanOf(hours),
      acceptStart: (timeMs: number) => this.retime(at, { start: iso(timeMs) }),
      acceptEnd: (timeMs: number) => this.retime(at, { end: iso(timeMs) }),
    })),
  );
  /** What gives it its power: what it is made for, or a generator of the bag. */
  protected readonly generators = computed(() => {
    const gear = this.bag.gear();
    const charger = gear.get(this.item()?.gear ?? '');
    if (charger?.kind !== 'charger' || charger.from === 'vehicle') return [];
    const carried = (this.plan.trip()?.loadout ?? []).flatMap((item) => {
      const found = gear.get(item.gear);
      return found?.kind === 'generator' ? [{ value: found.id, label: found.name }] : [];
    });
    const asked = this.charging()?.generator;
    const gone = asked !== undefined && !carried.some(({ value }) => value === asked);
    return [
      { value: '', label: 'the mains' },
      ...carried,
      ...(gone ? [{ value: asked, label: 'a generator that is not in the bag' }] : []),
    ];
  });
  /** What all chargers of the bag bring. */
  protected readonly brought = computed(() => {
    const fedAh = this.forecast.view()?.verdict.fedAh ?? 0;
    const several = (this.plan.trip()?.loadout ?? []).filter(({ charging }) => charging).length > 1;
    return fedAh > 0
      ? `${several ? 'All chargers bring' : 'It brings'} ${sayQuantity({ value: fedAh, unit: 'Ah' })}.`
      : '';
  });

  protected begin(): void {
    this.plan.edit((trip) => beginCharging(trip, this.index()));
  }

  /** An hour after the last one. */
  protected more(): void {
    const endMs = Date.parse(this.hours()[this.hours().length - 1].end);
    this.setHours([...this.hours(), { start: iso(endMs + HOUR_MS), end: iso(endMs + 2 * HOUR_MS) }]);
  }

  protected less(): void {
    const rest = this.hours().slice(0, -1);
    if (rest.length > 0) this.setHours(rest);
    else this.set(null);
  }

  protected runBy(generator: string): void {
    this.set({ hours: this.hours(), ...(generator && { generator }) });
  }

  private retime(at: number, change: { start?: string; end?: string }): string | null {
    const hours = this.hours().map((one, index) => (index === at ? { ...one, ...change } : one));
    const problem = ownHoursProblem({ when: 'hours', hours });
    if (problem) return problem.sentence;
    this.setHours(hours);
    return null;
  }

  private setHours(hours: ChargingHours['hours']): void {
    const generator = this.charging()?.generator;
    this.set({ hours, ...(generator && { generator }) });
  }

  private set(charging: ChargingHours | null): void {
    this.plan.edit((trip) => setCharging(trip, this.index(), charging));
  }
}

const iso = (timeMs: number): string => new Date(timeMs).toISOString();
