import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RoomKeysDirective } from '../trip/room-keys.directive';
import { PlanSpeech } from '../trip/plan-speech';
import { WireStore } from '../trip/wire.store';
import { ChargeUpComponent } from './charge-up.component';
import { RehearseStore } from './rehearse.store';
import { StepListComponent } from './step-list.component';

/** The Rehearse room: the kit tried at home, step by step, and what has to be charged by when. */
@Component({
  selector: 'ks-rehearse',
  imports: [ChargeUpComponent, StepListComponent],
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
        <ks-charge-up />
      </div>
    </div>
  `,
})
export class RehearsePage {
  protected readonly store = inject(RehearseStore);
  protected readonly wire = inject(WireStore);

  constructor() {
    inject(PlanSpeech).standsBy(() => this.store.readiness()?.sentence ?? null);
  }
}
