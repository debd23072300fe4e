import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { batteryTrade, spareFuses, sparesOf } from '@knapsack/contract/packing';
import { fixed, here, sayMoney, sayQuantity, unitHere } from '@knapsack/core';
import { ShelfService } from '../data/shelf.service';
import { setCount } from '@knapsack/contract/edits';
import { TripStore } from '../trip/trip.store';
import { kilograms } from './pack-words';
import { GearPriceComponent } from '../figures/gear-price.component';
import { BagStore } from '../trip/bag.store';

/** By "one is none": what to carry twice; and what the weight and the money of each battery buy. */
@Component({
  selector: 'ks-spares-and-trade',
  imports: [GearPriceComponent],
  host: { class: 'pack-side' },
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section aria-labelledby="spares-title">
      <h2 id="spares-title">Single points of failure: no spare</h2>
      <ul class="spares">
        @for (spare of spares(); track spare.index) {
          <li>
            <b>{{ spare.name }}</b>:
            @if (spare.light) {
              a second weighs {{ weigh(spare.grams!) }}.
              <button type="button" class="quiet" (click)="second(spare.index)">Carry a second</button>
            } @else {
              too heavy to carry twice; know what you do without it.
            }
          </li>
        } @empty {
          <li class="muted">No single point of failure: everything that matters has a spare.</li>
        }
        @if (fuses().length > 0) {
          <li>A spare of each fuse weighs nothing: {{ fuses() }}.</li>
        }
      </ul>
    </section>
    @if (trade().length > 0) {
      <section class="trade-section" aria-labelledby="trade-title">
        <h2 id="trade-title">What the weight of a battery buys</h2>
        <table class="trade">
          <thead>
            <tr>
              <th scope="col">battery</th>
              <th scope="col">chemistry</th>
              <th scope="col">usable</th>
              <th scope="col">per {{ weightUnit }}</th>
              <th scope="col">cost per Wh</th>
            </tr>
          </thead>
          <tbody>
            @for (row of trade(); track row.id) {
              <tr [class.carried]="row.carried">
                <th scope="row">{{ row.name }}{{ row.carried ? ', in the bag' : '' }}</th>
                <td>{{ row.chemistry }}</td>
                <td class="figure">{{ row.usable }}</td>
                <td class="figure">{{ row.perKg }}</td>
                <td class="figure">
                  @if (row.money) {
                    {{ row.money }}
                  } @else if (row.mine) {
                    costs <ks-gear-price [gear]="row.mine" />
                  } @else {
                    no price
                  }
                </td>
              </tr>
            }
          </tbody>
        </table>
        <p class="muted">
          Usable energy between full and the chemistry’s reserve at {{ temperature() }}, what a power
          station’s socket loses taken off.
        </p>
      </section>
    }
  `,
})
export class SparesAndTradeComponent {
  private readonly plan = inject(TripStore);
  private readonly bag = inject(BagStore);
  private readonly shelf = inject(ShelfService);
  protected readonly weigh = kilograms;
  protected readonly weightUnit = unitHere('kg');
  protected readonly temperature = computed(() =>
    sayQuantity({ value: this.plan.trip()?.temperatureC ?? 0, unit: 'C' }),
  );
  protected readonly spares = computed(() => {
    const trip = this.plan.trip();
    return trip ? sparesOf(trip, this.shelf.gear()) : [];
  });
  protected readonly fuses = computed(() => {
    const trip = this.plan.trip();
    return trip
      ? spareFuses(trip, this.shelf.gear())
          .map((amps) => `${amps} A`)
          .join(', ')
      : '';
  });
  protected readonly trade = computed(() => {
    const trip = this.plan.trip();
    if (!trip) return [];
    return batteryTrade(trip, [...this.bag.gear().values()]).map((row) => ({
      ...row,
      usable: `${fixed(row.usableWh, 0)} Wh`,
      perKg: row.whPerKg === null ? 'not weighed' : `${fixed(row.whPerKg / here(1, 'kg'), 0)} Wh`,
      money: row.moneyPerWh === null ? null : sayMoney(row.moneyPerWh, 2),
      mine: this.shelf.byId().get(row.id) ?? null,
    }));
  });

  protected second(index: number): void {
    this.plan.edit((trip) => setCount(trip, index, 2));
  }
}
