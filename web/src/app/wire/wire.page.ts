import { ChangeDetectionStrategy, Component, computed, inject, signal, type OnDestroy } from '@angular/core';
import { NEGATIVE_FUSE } from '@knapsack/core';
import { RoomKeysDirective } from '../trip/room-keys.directive';
import { CheckListComponent } from './check-list.component';
import { HarnessComponent } from './harness.component';
import { CableRunSentenceComponent } from './cable-run-sentence.component';
import { WireFilesComponent } from './wire-files.component';
import { PlanSpeech } from '../trip/plan-speech';
import { SiteCareComponent } from '../trip/site-care.component';
import { WireStore } from '../trip/wire.store';
import { InViewDirective } from '../parts/in-view.directive';

/** The Wire room: the kit as it will be wired, what is wrong with it, and the order in which it is joined. */
@Component({
  selector: 'ks-wire',
  imports: [
    InViewDirective,
    CheckListComponent,
    HarnessComponent,
    CableRunSentenceComponent,
    WireFilesComponent,
    SiteCareComponent,
  ],
  hostDirectives: [RoomKeysDirective],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="wire">
      <p class="room-verdict sentence">
        @if (words(); as told) {
          <i
            class="bi blaze"
            [class]="told.icon + ' ' + told.blaze"
            role="img"
            [attr.aria-label]="told.blaze"
          ></i>
          {{ told.sentence }}
        } @else {
          <span class="muted">Checking the wiring …</span>
        }
      </p>
      @if (store.report()?.uncalculated; as sentence) {
        <p class="muted">
          The plan cannot be calculated: {{ sentence }} Currents are those of the blocks; what the sun brings
          is not known.
        </p>
      }
      <div class="wire-drawing"><ks-harness /></div>
      <div class="wire-body">
        <div class="in-hand" [ksInView]="store.chosen()"><ks-cable-run-sentence /></div>
        <div class="joining">
          <section class="order" aria-labelledby="order-title">
            <h2 id="order-title">
              <button
                type="button"
                class="toggle"
                [attr.aria-pressed]="!parting()"
                (click)="parting.set(false)"
              >
                Connect in this order
              </button>
              &ngsp;
              <button
                type="button"
                class="toggle"
                [attr.aria-pressed]="parting()"
                (click)="parting.set(true)"
              >
                Disconnect in this order
              </button>
            </h2>
            @if (blocked(); as sentence) {
              <p class="blocked">
                <i class="bi bi-octagon-fill blaze stop" aria-hidden="true"></i> {{ sentence }}
              </p>
            }
            <ol>
              @for (step of steps(); track $index) {
                <li>
                  <b>{{ step.words }}</b>&ngsp;<span class="muted">{{ step.why }}</span>
                </li>
              }
            </ol>
          </section>
          <ks-site-care class="muted" label="Cautions" [only]="beside">
            @for (sentence of cautions(); track sentence) {
              <li>{{ sentence }}</li>
            }
            <li>{{ negative }}</li>
            <li>Makers’ instructions, local codes and licensed practice go first.</li>
          </ks-site-care>
          <ks-wire-files />
        </div>
        <section class="said" aria-labelledby="checks-title">
          <h2 id="checks-title">Findings</h2>
          <ks-check-list />
        </section>
      </div>
    </div>
  `,
})
export class WirePage implements OnDestroy {
  protected readonly store = inject(WireStore);
  protected readonly negative = NEGATIVE_FUSE;
  /** What of the site belongs beside cables. */
  protected readonly beside = ['mains', 'rain', 'paths'] as const;
  protected readonly parting = signal(false);
  protected readonly cautions = computed(() => this.store.report()?.cautions ?? []);
  /** Why no order of connecting is shown. */
  protected readonly blocked = computed(() =>
    this.parting() ? null : (this.store.report()?.joiningBlocked ?? null),
  );
  protected readonly steps = computed(() => {
    const report = this.store.report();
    return (this.parting() ? report?.parting : report?.joining) ?? [];
  });
  protected readonly words = computed(() => {
    const report = this.store.report();
    if (!report) return null;
    const count = (severity: string) => report.checks.filter((check) => check.severity === severity).length;
    const [stops, looks, notes] = [count('stop'), count('look'), count('note')];
    const things = (many: number, what: string) =>
      many === 0 ? [] : [`${many} ${what}${many === 1 ? '' : 's'}`];
    const all = [...things(stops, 'stop'), ...things(looks, 'warning'), ...things(notes, 'note')].join(', ');
    if (stops > 0) {
      return { icon: 'bi-octagon-fill', blaze: 'stop', sentence: `Do not connect this yet: ${all}.` };
    }
    return looks > 0
      ? { icon: 'bi-triangle-fill', blaze: 'look', sentence: `OK to wire; ${all}.` }
      : {
          icon: 'bi-diamond-fill',
          blaze: 'fine',
          sentence: notes > 0 ? `OK to wire; ${all}.` : 'OK to wire: no findings.',
        };
  });
  constructor() {
    inject(PlanSpeech).standsBy(() => this.words()?.sentence ?? null);
    this.store.inRoom.set(true);
  }

  ngOnDestroy(): void {
    this.store.inRoom.set(false);
  }
}
