import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { tripMoney } from '@knapsack/contract/money';
import { sayMoney } from '@knapsack/core';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { BagStore } from '../trip/bag.store';
import { ForecastStore } from '../trip/forecast.store';
import { keep, kept } from '../trip/kept-options';
import { TripStore } from '../trip/trip.store';

const KEPT_AS = 'knapsack.money';
/** Outings a year until somebody says: one a month. */
const USUAL = { outingsAYear: 12 };
/** Lines that tell most of what an outing costs. */
const MOST_LINES = 4;

/** What is still to buy of the bag, and what an outing costs over the life of each thing. */
@Component({
  selector: 'ks-money',
  imports: [InlineNumberComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (money(); as money) {
      <section aria-labelledby="money-title">
        <h2 id="money-title">Money</h2>
        <p>
          {{ bought() }}
        </p>
        <p class="sentence-line">
          @if (money.budget !== null) {
            Budget
            <ks-number
              field="price"
              label="Budget for what is still to buy"
              [value]="money.budget"
              (committed)="budget($event)"
            />
            <button type="button" class="quiet" (click)="noBudget()">No budget</button>
          } @else {
            <button type="button" class="quiet" (click)="budget(usualBudget())">Set a budget</button>
          }
        </p>
        @if (money.perOuting.length > 0) {
          <p class="sentence-line">
            With
            <ks-number
              field="outingsAYear"
              label="Outings a year"
              [value]="aYear()"
              (committed)="outings($event)"
            />, an outing like this costs <b>{{ say(money.costPerOuting) }}</b> in wear, as far as prices are
            entered.
          </p>
          <ul class="money-lines">
            @for (line of lines(); track line.name) {
              <li>
                <span>{{ line.name }}</span>
                <span class="figure">{{ line.cost }}</span>
                <span class="muted">{{ line.why }}</span>
              </li>
            }
          </ul>
        }
      </section>
    }
  `,
})
export class MoneyComponent {
  private readonly plan = inject(TripStore);
  private readonly bag = inject(BagStore);
  private readonly forecast = inject(ForecastStore);
  protected readonly aYear = signal(kept(KEPT_AS, USUAL).outingsAYear);
  protected readonly say = (value: number): string => sayMoney(value, 2);
  protected readonly money = computed(() => {
    const trip = this.plan.trip();
    const plannedAh = this.forecast.view()?.verdict.plannedAh ?? null;
    return trip && trip.loadout.length > 0
      ? tripMoney(trip, [...this.bag.gear().values()], plannedAh, this.aYear())
      : null;
  });
  protected readonly bought = computed(() => {
    const money = this.money();
    if (!money) return '';
    const { worth, unpriced, toBuy, toBuyNames, toBuyUnpriced, overBudget } = money;
    const without = unpriced > 0 ? ` (${unpriced} ${unpriced === 1 ? 'line' : 'lines'} without a price)` : '';
    if (toBuyNames.length === 0)
      return `All of it is owned; bought anew it would cost ${sayMoney(worth)}${without}.`;
    const unknown =
      toBuyUnpriced.length > 0 ? ` The price of ${toBuyUnpriced.join(' and ')} is not entered.` : '';
    const over = overBudget > 0 ? ` That is ${sayMoney(overBudget)} over the budget.` : '';
    return `Still to buy: ${toBuyNames.join(', ')} for ${sayMoney(toBuy)}.${unknown}${over}`;
  });
  protected readonly lines = computed(() =>
    (this.money()?.perOuting ?? []).slice(0, MOST_LINES).map(({ name, price, cost, outings, ends }) => ({
      name,
      cost: sayMoney(cost, 2),
      why:
        ends === 'years'
          ? `${sayMoney(price)} over ${Math.round(outings)} outings, by age`
          : `${sayMoney(price)} over ${Math.round(outings)} outings, by its cycles`,
    })),
  );

  /** To begin with: what is still to buy, or some money. */
  protected usualBudget(): number {
    return Math.ceil((this.money()?.toBuy ?? 0) / 50) * 50 || 200;
  }

  protected budget(budget: number): void {
    this.plan.edit((trip) => ({ ...trip, budget }));
  }

  protected noBudget(): void {
    this.plan.edit(({ budget: _before, ...trip }) => trip);
  }

  protected outings(outingsAYear: number): void {
    this.aYear.set(outingsAYear);
    keep(KEPT_AS, { outingsAYear });
  }
}
