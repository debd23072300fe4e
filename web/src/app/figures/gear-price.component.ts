import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { withEntry, type Gear } from '@knapsack/contract';
import { ShelfKeeper } from '../data/shelf-keeper.service';
import { InlineNumberComponent } from '../parts/inline-number.component';

/** What an item costs, said wherever its price is used; it is saved on the shelf. */
@Component({
  selector: 'ks-gear-price',
  imports: [InlineNumberComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ks-number
      field="price"
      [label]="'Price of ' + gear().name"
      [value]="gear().price?.value ?? null"
      (committed)="set($event)"
    />
  `,
})
export class GearPriceComponent {
  readonly gear = input.required<Gear>();
  private readonly keeper = inject(ShelfKeeper);

  protected set(value: number): void {
    const gear = this.gear();
    void this.keeper.save({
      ...gear,
      price: withEntry(gear.price ?? null, { value, source: 'datasheet' }),
    });
  }
}
