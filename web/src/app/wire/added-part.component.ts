import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { AddedPart } from '@knapsack/contract';
import { changePart, withoutPart } from '@knapsack/contract/harness';
import type { HarnessPart } from '@knapsack/core';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { PlanStore } from '../plan/plan.store';
import { WireStore } from './wire.store';

/** What a part may carry and when it switches, in a sentence that is edited in place; only of parts that were put in. */
@Component({
  selector: 'ks-added-part',
  imports: [InlineNumberComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (added(); as now) {
      <p class="run-sentence">
        {{ part().name }} may carry
        <ks-number
          field="fuseA"
          label="What the part may carry"
          [value]="now.maxA ?? null"
          (committed)="say({ maxA: $event })"
        />.
        @if (now.kind === 'disconnect') {
          It switches the loads off at
          <ks-number
            field="disconnectV"
            label="Disconnect voltage"
            [value]="now.disconnectV ?? null"
            (committed)="say({ disconnectV: $event })"
          />
          and on again at
          <ks-number
            field="reconnectV"
            label="Reconnect voltage"
            [value]="now.reconnectV ?? null"
            (committed)="say({ reconnectV: $event })"
          />.
        }
        <button type="button" class="quiet" (click)="takeOut()">Take it out</button>
      </p>
    }
  `,
})
export class AddedPartComponent {
  readonly part = input.required<HarnessPart>();
  private readonly plan = inject(PlanStore);
  private readonly wire = inject(WireStore);
  protected readonly added = computed(
    () => this.plan.trip()?.harness?.parts?.find(({ id }) => id === this.part().id) ?? null,
  );

  protected say(said: Partial<AddedPart>): void {
    this.plan.edit((trip) => changePart(trip, this.part().id, said));
  }

  protected takeOut(): void {
    this.plan.edit((trip) => withoutPart(trip, this.part().id));
    this.wire.chosen.set(null);
  }
}
