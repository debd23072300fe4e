import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { sayDifference } from '@knapsack/contract/debrief';
import { ChargeRidgeComponent, type ChargeRidge } from '../lanes/charge-ridge.component';
import { MARKS } from '../parts/marks';
import { ForecastStore } from '../trip/forecast.store';
import { PlanSpeech } from '../trip/plan-speech';
import { RoomKeysDirective } from '../trip/room-keys.directive';
import { TripStore } from '../trip/trip.store';
import { CorrectionsComponent } from './corrections.component';
import { DebriefStore } from './debrief.store';
import { LessonsComponent } from './lessons.component';
import { DebriefSourcesComponent } from './sources.component';
import { WaterfallComponent } from './waterfall.component';
import { WorkedLanesComponent } from './worked-lanes.component';

/** The Debrief room: what really happened, why it differs from the plan, and what the readings taught. */
@Component({
  selector: 'ks-debrief',
  imports: [
    ChargeRidgeComponent,
    CorrectionsComponent,
    DebriefSourcesComponent,
    LessonsComponent,
    RouterLink,
    WaterfallComponent,
    WorkedLanesComponent,
  ],
  providers: [DebriefStore],
  hostDirectives: [RoomKeysDirective],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="debrief">
      @if (store.view(); as view) {
        <p class="room-verdict sentence">
          <i
            class="bi blaze"
            [class]="signs[view.mark].icon + ' ' + view.mark"
            role="img"
            [attr.aria-label]="signs[view.mark].word"
          ></i>
          {{ view.howItWent }} {{ reason() }}
        </p>
        @if (view.howFar) {
          <p class="muted">{{ view.howFar }}</p>
        }
      } @else {
        @for (problem of store.problems(); track problem) {
          <p class="room-verdict sentence" role="alert">{{ problem }}</p>
          <p>
            What is read and noted in <a [routerLink]="['../field']">Field</a> comes here; so does a contact
            log, what an instrument recorded, or what you remember.
          </p>
        } @empty {
          <p class="room-verdict sentence muted">Looking at what was entered …</p>
        }
      }
      <div class="debrief-body">
        @if (store.view(); as view) {
          <section aria-labelledby="debrief-charge">
            <h2 id="debrief-charge">Charge, planned and actual</h2>
            @if (ridge(); as ridge) {
              <ks-charge-ridge [of]="ridge" />
            }
            <ks-worked-lanes [planned]="view.planned" [worked]="view.worked" />
          </section>
          <section aria-labelledby="debrief-why">
            <h2 id="debrief-why">Why it differed</h2>
            <p>{{ difference() }}</p>
            <ks-waterfall [of]="view.waterfall" />
          </section>
          <section aria-labelledby="debrief-learned">
            <ks-corrections />
            @for (note of view.notes; track note) {
              <p class="muted">{{ note }}</p>
            }
            @if (view.weighed) {
              <p class="muted">{{ view.weighed }}</p>
            }
          </section>
        }
        <div>
          @if (store.view()) {
            <section aria-labelledby="debrief-lessons"><ks-lessons /></section>
          }
          <section aria-labelledby="debrief-sources"><ks-debrief-sources /></section>
        </div>
      </div>
    </div>
  `,
})
export class DebriefPage {
  protected readonly store = inject(DebriefStore);
  private readonly trips = inject(TripStore);
  private readonly forecast = inject(ForecastStore);
  protected readonly signs = MARKS;

  protected readonly reason = computed(() => {
    const reason = this.store.view()?.reason;
    return reason ? `${reason.charAt(0).toUpperCase()}${reason.slice(1)}.` : '';
  });
  protected readonly difference = computed(() => {
    const view = this.store.view();
    return view ? sayDifference(view.waterfall) : '';
  });
  protected readonly ridge = computed((): ChargeRidge | null => {
    const view = this.store.view();
    const trip = this.trips.trip();
    if (!view || !trip) return null;
    const plan = this.forecast.view();
    const { past, next, readings, reserveSoc } = view;
    return {
      ...{ past, next, readings, reserveSoc, nowMs: null },
      zone: trip.place.timeZone,
      startMs: Date.parse(trip.start),
      endMs: Date.parse(trip.end),
      planned: { timesMs: plan?.edgesMs ?? [], soc: plan?.soc ?? [] },
    };
  });
  constructor() {
    inject(PlanSpeech).standsBy(() => {
      const view = this.store.view();
      return view ? `${view.howItWent} ${this.reason()}` : null;
    });
  }
}
