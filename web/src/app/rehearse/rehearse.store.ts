import { computed, inject, Injectable, signal, type OnDestroy } from '@angular/core';
import { chargeUp, readiness, rehearsalSteps } from '@knapsack/contract/rehearse';
import { ShelfService } from '../data/shelf.service';
import { TicksStore } from '../trip/ticks.store';
import { TripStore } from '../trip/trip.store';
import { WireStore } from '../trip/wire.store';
import { BagStore } from '../trip/bag.store';

const MINUTE_MS = 60_000;

/** The home test of the kit in hand, and when everything has to be on its charger. */
@Injectable()
export class RehearseStore implements OnDestroy {
  private readonly plan = inject(TripStore);
  private readonly bag = inject(BagStore);
  private readonly shelf = inject(ShelfService);
  private readonly wire = inject(WireStore);
  private readonly nowMs = signal(Date.now());
  private readonly clock = setInterval(() => this.nowMs.set(Date.now()), MINUTE_MS);

  readonly steps = computed(() => {
    const trip = this.plan.trip();
    const report = this.wire.report();
    return trip && report ? rehearsalSteps(trip, [...this.bag.gear().values()], report) : null;
  });
  readonly results = inject(TicksStore).results;
  readonly charging = computed(() => {
    const trip = this.plan.trip();
    const report = this.wire.report();
    return trip && report ? chargeUp(trip, this.shelf.gear(), report.expected.sunAhADay, this.nowMs()) : null;
  });
  readonly readiness = computed(() => {
    const steps = this.steps();
    const report = this.wire.report();
    if (!steps || !report) return null;
    const stops = report.checks.filter(({ severity }) => severity === 'stop').length;
    return readiness(steps, this.results(), stops, this.charging()?.late ?? [], report.uncalculated);
  });
  readonly sign = computed<'stop' | 'look' | 'fine' | null>(() => {
    // Nothing is calculated for the trail, not with each move of a drag, until somebody has begun to rehearse.
    if (this.results().length === 0) return null;
    const verdict = this.readiness();
    return verdict && (verdict.ready ? 'fine' : 'look');
  });

  ngOnDestroy(): void {
    clearInterval(this.clock);
  }
}
