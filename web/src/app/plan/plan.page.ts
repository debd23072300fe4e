import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { KeysService } from '../shell/keys.service';
import { BlockBarComponent } from './block/block-bar.component';
import { BlockSentenceComponent } from './block/block-sentence.component';
import { FactsComponent } from './facts/facts.component';
import { FlowLaneComponent } from '../lanes/flow/flow-lane.component';
import { DifferenceComponent } from '../trip/difference.component';
import { LanesStore } from '../trip/lanes.store';
import { NearAndFarComponent } from '../lanes/near-and-far.component';
import { NearAndFarDirective } from '../lanes/near-and-far.directive';
import { WorkLaneComponent } from '../lanes/work/work-lane.component';
import { HoursTableComponent } from './hours/hours-table.component';
import { LoadoutComponent } from './loadout/loadout.component';
import { GhostStore } from '../trip/ghost.store';
import { SelectionStore } from '../trip/selection.store';
import { injectWorkHands } from '../lanes/work/new-block';
import { handlePlanKey, type PlanHands } from './plan-keys';
import { PrintSheetComponent } from './print-sheet.component';
import type { TellsDifference } from '../trip/trip-header.component';
import { UndoService } from '../trip/undo.service';
import { TripStore } from '../trip/trip.store';
import { ReadoutComponent } from '../lanes/readout/readout.component';
import { RidgeComponent } from '../lanes/ridge/ridge.component';
import { SkyLaneComponent } from '../lanes/sky/sky-lane.component';
import { VariantTableComponent } from './variants/variant-table.component';
import { VariantsComponent } from './variants/variants.component';
import { VariantsStore } from '../trip/variants.store';
import { VerdictComponent } from './verdict/verdict.component';
import { ForecastStore } from '../trip/forecast.store';
import { afterFirstDraw } from '../parts/after-first-draw';
import { InViewDirective } from '../parts/in-view.directive';

/** The Plan room: the verdict, the lanes on one time axis, the bag. The picture comes first, what stands beside it next. */
@Component({
  selector: 'ks-plan',
  imports: [
    InViewDirective,
    BlockBarComponent,
    BlockSentenceComponent,
    DifferenceComponent,
    FactsComponent,
    FlowLaneComponent,
    HoursTableComponent,
    NearAndFarComponent,
    NearAndFarDirective,
    LoadoutComponent,
    PrintSheetComponent,
    ReadoutComponent,
    RidgeComponent,
    VariantTableComponent,
    VariantsComponent,
    VerdictComponent,
    SkyLaneComponent,
    WorkLaneComponent,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="plan-body">
      <div class="picture">
        <ks-verdict />
        @if (forecast.view()) {
          <div class="lanes-head">
            <ks-difference />
            <ks-near-and-far />
            <button
              type="button"
              class="quiet"
              [attr.aria-controls]="lanes.asTable() ? 'hours-title' : null"
              [attr.aria-expanded]="lanes.asTable()"
              (click)="toggleTable()"
            >
              Table of hours
            </button>
          </div>
        }
        @if (isSaid()) {
          <div class="lanes" ksNearAndFar>
            <ks-sky-lane />
            <ks-work-lane />
            <ks-ridge />
            <ks-flow-lane />
          </div>
          <ks-readout />
          @if (variants.comparing()) {
            <ks-variant-table />
          } @else {
            <div [ksInView]="selection.selectedId()">
              <ks-block-bar />
              <ks-block-sentence />
            </div>
          }
        }
      </div>
      @defer (when forecast.answered(); prefetch on immediate) {
        <ks-print-sheet />
      } @error {
        <p class="print-sheet">{{ notLoaded }}</p>
      }
      <aside class="side">
        @defer (when forecast.answered(); prefetch on immediate) {
          @if (lanes.asTable()) {
            <ks-hours-table />
          }
          @if (variants.rows().length > 1) {
            <ks-variants />
          }
          <ks-loadout />
          @if (variants.rows().length === 1) {
            <ks-variants />
          }
          <ks-facts />
        } @error {
          <p role="alert">{{ notLoaded }}</p>
        }
      </aside>
    </div>
  `,
})
export class PlanPage implements TellsDifference {
  readonly tellsDifference = true;
  protected readonly store = inject(TripStore);
  protected readonly selection = inject(SelectionStore);
  protected readonly forecast = inject(ForecastStore);
  protected readonly lanes = inject(LanesStore);
  protected readonly variants = inject(VariantsStore);
  /** A server that stops between the page and its parts; each part is asked for once, so only a reload brings it. */
  protected readonly notLoaded =
    'This part of the page did not load: the server does not answer. What you typed is kept; reload the page once it runs again.';
  /** The verdict is read first; the picture, which takes longer to draw, stands a moment after it. */
  protected readonly isSaid = afterFirstDraw(this.forecast.answered);
  private readonly hands: PlanHands = {
    ...injectWorkHands(),
    undo: inject(UndoService),
    ghost: inject(GhostStore),
    lanes: this.lanes,
  };
  private readonly keys = inject(KeysService);

  constructor() {
    this.keys.pressed.pipe(takeUntilDestroyed()).subscribe((event) => {
      if (this.keys.waitsForRoom(event)) return;
      if (event.key === 'Enter' && event.target instanceof HTMLElement && event.target.dataset['block'])
        this.editBlock(event);
      else if (handlePlanKey(this.hands, event)) event.preventDefault();
    });
  }

  /** A table that opens takes the focus: on a phone it stands far below its button. */
  protected toggleTable(): void {
    this.lanes.asTable.update((open) => !open);
    if (this.lanes.asTable()) this.hands.focus.go(() => document.getElementById('hours-title'));
  }

  /** Enter on a block goes to the first word of its sentence. */
  private editBlock(event: KeyboardEvent): void {
    event.preventDefault();
    document.querySelector<HTMLElement>('.block-sentence select')?.focus();
  }
}
