import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MODULES, type SetAside } from '@knapsack/contract';
import { bagWeight, takeModule } from '@knapsack/contract/edits';
import { sayQuantity } from '@knapsack/core';
import { BagStore } from './bag.store';
import { TripStore } from './trip.store';

/** Modules that stay at home, each to be taken along again as one. */
@Component({
  selector: 'ks-set-aside',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (module of modules(); track module.name) {
      <p class="set-aside">
        Left at home: <b>{{ module.label }}</b> ({{ module.words }}).
        <button type="button" class="quiet" [attr.aria-label]="module.ask" (click)="take(module.name)">
          Take it along
        </button>
      </p>
    }
  `,
})
export class SetAsideComponent {
  private readonly plan = inject(TripStore);
  private readonly bag = inject(BagStore);
  protected readonly modules = computed(() =>
    (this.plan.trip()?.setAside ?? []).map(({ module, lines }) => {
      const gear = this.bag.gear();
      const loadout = lines.map(({ item }) => item);
      const names = loadout.map((item) => gear.get(item.gear)?.name ?? item.gear);
      const weight = sayQuantity({ value: bagWeight({ loadout }, gear).grams, unit: 'g' });
      return {
        name: module,
        label: MODULES[module],
        words: `${names.join(', ')}, ${weight}`,
        ask: `Take ${MODULES[module]} along`,
      };
    }),
  );

  protected take(module: SetAside['module']): void {
    this.plan.edit((trip) => takeModule(trip, module, this.bag.gear()));
  }
}
