import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { InlineTextComponent } from '../parts/inline-text.component';
import { RoomKeysDirective } from '../trip/room-keys.directive';
import { PlanSpeech } from '../trip/plan-speech';
import { SiteCareComponent } from '../trip/site-care.component';
import { TripStore } from '../trip/trip.store';
import { WireStore } from '../trip/wire.store';
import { ChargeUpComponent } from './charge-up.component';
import { RehearseStore } from './rehearse.store';
import { StepListComponent } from './step-list.component';

/** The Rehearse room: the kit tried at home, step by step, and what has to be charged by when. */
@Component({
  selector: 'ks-rehearse',
  imports: [ChargeUpComponent, InlineTextComponent, SiteCareComponent, StepListComponent],
  hostDirectives: [RoomKeysDirective],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="rehearse">
      <p class="room-verdict sentence">
        @if (store.readiness(); as verdict) {
          <i
            class="bi blaze"
            [class]="verdict.ready ? 'bi-diamond-fill fine' : 'bi-triangle-fill look'"
            role="img"
            [attr.aria-label]="verdict.ready ? 'ready' : 'not yet'"
          ></i>
          {{ verdict.sentence }}
        } @else if (wire.failed()) {
          <span role="alert">The wiring cannot be shown, by a fault in Knapsack. Reload the page.</span>
        } @else {
          <span class="muted">Looking at the kit …</span>
        }
      </p>
      <div class="rehearse-body">
        <ks-step-list />
        <div>
          <ks-charge-up />
          <section class="on-the-site" aria-labelledby="on-the-site">
            <h2 id="on-the-site">On the site</h2>
            <ks-site-care />
            <p>
              Knows where you are:
              <ks-text
                label="Who knows where you are"
                [value]="plan.trip()?.knows ?? 'nobody yet'"
                [most]="80"
                (committed)="knows($event)"
              />
            </p>
            <p class="muted">Local codes, licensed practice and the makers’ instructions go first.</p>
          </section>
        </div>
      </div>
    </div>
  `,
})
export class RehearsePage {
  protected readonly store = inject(RehearseStore);
  protected readonly wire = inject(WireStore);
  protected readonly plan = inject(TripStore);

  constructor() {
    inject(PlanSpeech).standsBy(() => this.store.readiness()?.sentence ?? null);
  }

  /** Who knows about the outing; nobody where nothing is typed. */
  protected knows(name: string): void {
    this.plan.edit(({ knows: _before, ...trip }) => (name.trim() ? { ...trip, knows: name.trim() } : trip));
  }
}
