import { ChangeDetectionStrategy, Component, effect, inject, input, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { fromEvent } from 'rxjs';
import { KeysService } from '../shell/keys.service';
import { BlockSentenceComponent } from './block/block-sentence.component';
import { FactsComponent } from './facts.component';
import { ForecastService } from './forecast.service';
import { WorkLaneComponent } from './lanes/work-lane.component';
import { LoadoutComponent } from './loadout/loadout.component';
import { PlanHeaderComponent } from './plan-header.component';
import { handlePlanKey } from './plan-keys';
import { PlanStore } from './plan.store';
import { ReadingComponent } from './reading/reading.component';
import { RidgeComponent } from './ridge/ridge.component';
import { SkyLaneComponent } from './sky/sky-lane.component';
import { VerdictComponent } from './verdict/verdict.component';

/** The Plan room: the verdict, the lanes on one time axis, the bag. */
@Component({
  selector: 'ks-plan',
  imports: [
    RouterLink,
    BlockSentenceComponent,
    FactsComponent,
    LoadoutComponent,
    PlanHeaderComponent,
    ReadingComponent,
    RidgeComponent,
    VerdictComponent,
    SkyLaneComponent,
    WorkLaneComponent,
  ],
  providers: [PlanStore, ForecastService],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (store.trip()) {
      <div class="plan">
        <ks-plan-header />
        <div class="plan-body">
          <div class="picture">
            <ks-verdict />
            <ks-sky-lane />
            <ks-work-lane />
            <ks-ridge />
            <ks-reading />
            <ks-block-sentence />
          </div>
          <aside class="side">
            <ks-loadout />
            <ks-facts />
          </aside>
        </div>
      </div>
    } @else if (store.openProblem(); as problem) {
      <div class="empty">
        <p role="alert">{{ problem }}</p>
        <p>
          <button type="button" class="solid" (click)="store.open(id())">Try again</button>
          <a routerLink="/">Back to the trips</a>
        </p>
      </div>
    }
  `,
})
export class PlanPage {
  readonly id = input.required<string>();
  protected readonly store = inject(PlanStore);
  private readonly keys = inject(KeysService);

  constructor() {
    effect(() => {
      const id = this.id();
      untracked(() => void this.store.open(id));
    });
    this.keys.pressed.pipe(takeUntilDestroyed()).subscribe((event) => {
      if (this.keys.waitsForRoom(event)) return;
      if (event.key === 'Enter' && event.target instanceof HTMLElement && event.target.dataset['block'])
        this.editBlock(event);
      else if (handlePlanKey(this.store, event)) event.preventDefault();
    });
    fromEvent(document, 'visibilitychange')
      .pipe(takeUntilDestroyed())
      .subscribe(() => {
        if (document.visibilityState === 'visible') void this.store.refresh();
      });
  }

  /** Enter on a block goes to the first word of its sentence. */
  private editBlock(event: KeyboardEvent): void {
    event.preventDefault();
    document.querySelector<HTMLElement>('.block-sentence select')?.focus();
  }
}
