import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { AddedPart, Changeover } from '@knapsack/contract';
import { changePart, JOINT, withChangeover, withoutPart } from '@knapsack/contract/harness';
import type { HarnessPart } from '@knapsack/core';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { InlineTextComponent } from '../parts/inline-text.component';
import { TripStore } from '../trip/trip.store';
import { WireStore } from '../trip/wire.store';

/** What a part may carry and when it switches, in a sentence that is edited in place; only of parts that were put in. */
@Component({
  selector: 'ks-added-part',
  imports: [InlineNumberComponent, InlineTextComponent],
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
        @if (now.kind === 'converter') {
          It gives
          <ks-number
            field="outV"
            label="Output voltage"
            [value]="part().supply?.volts ?? null"
            (committed)="say({ outV: $event })"
          />
          and gives on
          <ks-number
            field="efficiency"
            label="Efficiency"
            [value]="part().supply?.efficiency ?? null"
            (committed)="say({ efficiency: $event })"
          />
          of what it takes.
        }
        <button type="button" class="quiet" (click)="takeOut()">Remove</button>
      </p>
    }
    @if (joins()) {
      <p class="run-sentence">
        @if (part().kind === 'changeover') {
          Only one battery at a time: it breaks before it makes. It may carry
          <ks-number
            field="fuseA"
            label="What the change-over switch may carry"
            [value]="part().maxA ?? null"
            (committed)="change({ maxA: $event })"
          />. It is called
          <ks-text
            label="Name of the change-over switch"
            [value]="part().name"
            (committed)="change({ name: $event })"
          />.
          <button type="button" class="quiet" (click)="change(null)">Remove</button>
        } @else if (inTurns()) {
          <button type="button" class="quiet" (click)="change({})">Add a change-over switch</button>
        }
      </p>
    }
  `,
})
export class AddedPartComponent {
  readonly part = input.required<HarnessPart>();
  private readonly plan = inject(TripStore);
  private readonly wire = inject(WireStore);
  protected readonly added = computed(
    () => this.plan.trip()?.harness?.parts?.find(({ id }) => id === this.part().id) ?? null,
  );

  /** The place where several batteries meet. */
  protected readonly joins = computed(() => this.part().id === JOINT);
  protected readonly inTurns = computed(() => this.plan.trip()?.batteryUse === 'turns');

  /** Something said of the change-over switch; null takes it out. */
  protected change(said: Changeover | null): void {
    this.plan.edit((trip) => withChangeover(trip, said));
  }

  protected say(said: Partial<AddedPart>): void {
    this.plan.edit((trip) => changePart(trip, this.part().id, said));
  }

  protected takeOut(): void {
    this.plan.edit((trip) => withoutPart(trip, this.part().id));
    this.wire.chosen.set(null);
  }
}
