import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { sayAdvice, sayLasts, sayLeft, sayNet, sayNow, sayWouldDo } from '@knapsack/contract/field';
import { chanceMark, sayLastingShort, sayQuantity, sayTime } from '@knapsack/core';
import { InlineTimeComponent } from '../parts/inline-time.component';
import { MARKS } from '../parts/marks';
import { sayWhyNotStay, whyNotStay } from '../shell/stay';
import { OutingLog } from '../trip/outing-log';
import { PlanSpeech } from '../trip/plan-speech';
import { SiteCareComponent } from '../trip/site-care.component';
import { TripStore } from '../trip/trip.store';
import { FieldEntriesComponent } from './entries.component';
import { EntryMaker } from './entry-maker';
import { FieldRidgeComponent } from './field-ridge.component';
import { FieldStore } from './field.store';
import { MoreEntryComponent } from './more-entry.component';
import { RationHereComponent } from './ration-here.component';
import { ReadingEntryComponent } from './reading-entry.component';
import { SkyEntryComponent } from './sky-entry.component';
import { TruthScore } from './truth-score';
import { WorkEntryComponent } from './work-entry.component';

const FORMS = [
  { id: 'reading', words: 'Reading', icon: 'bi-speedometer2' },
  { id: 'sky', words: 'Sky', icon: 'bi-cloud-sun' },
  { id: 'work', words: 'Work', icon: 'bi-broadcast' },
  { id: 'more', words: 'More', icon: 'bi-plus-lg' },
] as const;

const WHY_NOT = whyNotStay();
const STAYS_NOT = WHY_NOT && sayWhyNotStay(WHY_NOT);

/** How an outing stands, what to do, and what is read, seen and done: the trip's own outing, or a dry run of it. */
@Component({
  selector: 'ks-field-room',
  imports: [
    FieldEntriesComponent,
    FieldRidgeComponent,
    InlineTimeComponent,
    MoreEntryComponent,
    RationHereComponent,
    ReadingEntryComponent,
    SiteCareComponent,
    SkyEntryComponent,
    WorkEntryComponent,
  ],
  providers: [FieldStore, EntryMaker, TruthScore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="field">
      <div class="field-now">
        <p class="field-state">
          <span
            >{{ store.isUnderWay() && store.asIfMs() === null ? 'now' : 'as if it were' }}
            <ks-time
              label="The moment to look at"
              [valueMs]="store.momentMs()"
              [zone]="zone()"
              [accept]="lookAt"
            />
            @if (store.asIfMs() !== null && store.isUnderWay()) {
              <button type="button" class="quiet" (click)="store.asIfMs.set(null)">Now</button>
            }
          </span>
          <span class="where-kept" role="status">
            <i class="bi" [class]="kept().icon" aria-hidden="true"></i> {{ kept().words }}
          </span>
        </p>
        @if (store.view(); as view) {
          <p class="field-sentence" [class.rough]="store.isEstimating()">
            <i
              class="bi blaze"
              [class]="signs[sign()].icon + ' ' + sign()"
              role="img"
              [attr.aria-label]="signs[sign()].word"
            ></i>
            <b>{{ left() }}</b> {{ lasts() }} <b class="advice">{{ advice() }}</b>
            @if (store.isEstimating()) {
              <span class="muted">estimating; this is of {{ asOf() }}</span>
            }
          </p>
          <p class="field-net">
            {{ net() }}
            @if (view.sunA > 0.005) {
              <span class="muted"
                >You use {{ amps(view.loadA) }}, the panel offers {{ amps(view.sunA) }}.</span
              >
            }
          </p>
          <ks-field-ridge />
          @if (truth(); as truth) {
            <p class="field-truth">
              <i class="true" aria-hidden="true"></i>{{ truth.said }}
              <span class="muted">{{ truth.looks }}</span>
            </p>
          }
        } @else {
          @for (problem of store.problems(); track problem) {
            <p class="field-sentence" role="alert">{{ problem }}</p>
          } @empty {
            <p class="field-sentence muted">Estimating from what was entered …</p>
          }
        }
      </div>
      <div class="field-entry">
        <div class="field-forms" role="tablist" aria-label="What to enter">
          @for (one of forms; track one.id) {
            <button
              type="button"
              role="tab"
              [id]="'tab-' + one.id"
              [attr.aria-selected]="form() === one.id"
              aria-controls="field-form"
              [attr.tabindex]="form() === one.id ? 0 : -1"
              (click)="form.set(one.id)"
              (keydown)="walk($event)"
            >
              <i class="bi" [class]="one.icon" aria-hidden="true"></i>{{ one.words }}
            </button>
          }
        </div>
        <div id="field-form" class="field-form" role="tabpanel" [attr.aria-labelledby]="'tab-' + form()">
          @switch (form()) {
            @case ('reading') {
              <ks-reading-entry />
            }
            @case ('sky') {
              <ks-sky-entry (kept)="form.set('reading')" />
            }
            @case ('work') {
              <ks-work-entry (kept)="form.set('reading')" />
            }
            @case ('more') {
              <ks-more-entry (kept)="form.set('reading')" />
            }
          }
        </div>
      </div>
      <div class="field-told">
        <ks-field-entries />
        <ks-ration-here />
        <details class="field-more care-fold">
          <summary>On the site</summary>
          <ks-site-care [isShort]="true" />
        </details>
        @if (whyNotStay) {
          <p class="field-more">{{ whyNotStay }}</p>
        }
        @if (store.view(); as view) {
          @if (view.weighed) {
            <p class="field-more muted">{{ view.weighed }}</p>
          }
          @if (others().length > 0 || view.oddsUnderNotedSky !== null) {
            <p class="field-more muted">
              @if (view.oddsUnderNotedSky !== null) {
                If the sky stays as it was noted: {{ lasting(view.oddsUnderNotedSky) }}.
              }
              @for (one of others(); track one.do) {
                {{ words(one) }}: {{ lasting(one.odds) }}.
              }
            </p>
          }
        }
      </div>
    </div>
  `,
})
export class FieldRoomComponent {
  protected readonly store = inject(FieldStore);
  private readonly trips = inject(TripStore);
  private readonly log = inject(OutingLog);
  protected readonly whyNotStay = STAYS_NOT;
  protected readonly forms = FORMS;
  protected readonly form = signal<(typeof FORMS)[number]['id']>('reading');
  protected readonly signs = MARKS;
  protected readonly lasting = sayLastingShort;
  protected readonly words = (one: Parameters<typeof sayWouldDo>[0]) => sayWouldDo(one, this.zone());
  protected readonly zone = computed(() => this.trips.trip()?.place.timeZone ?? 'UTC');
  protected readonly left = computed(() => {
    const view = this.store.view();
    return view ? sayLeft(view.soc) : '';
  });
  protected readonly lasts = computed(() => sayLasts(this.store.view()?.odds ?? null));
  protected readonly advice = computed(() => {
    const view = this.store.view();
    return view ? sayAdvice(view) : '';
  });
  /** What would do besides the first. */
  protected readonly others = computed(() => this.store.view()?.wouldDo?.slice(1) ?? []);
  protected readonly net = computed(() => sayNet(this.store.view()?.netA ?? 0));
  protected readonly sign = computed<'fine' | 'look' | 'stop'>(() => {
    const view = this.store.view();
    // The same rule as in Plan, whatever could be done about it.
    return view?.odds ? chanceMark(view.odds, view.target) : 'fine';
  });
  /** The time that the shown estimate is of. */
  protected readonly asOf = computed(() => sayTime(this.store.view()?.nowMs ?? 0, this.zone()));
  /** It says "saved here" or "on the server", never neither. */
  protected readonly kept = computed(() => {
    const state = this.log.state();
    if (state.is === 'dryRun') return { icon: 'bi-arrow-repeat', words: 'dry run: not in the trip’s log' };
    if (state.is === 'server') return { icon: 'bi-cloud-check', words: 'on the server' };
    if (state.is === 'refused') return { icon: 'bi-phone', words: `${state.count} saved here: ${state.why}` };
    return { icon: 'bi-phone', words: `${state.count} saved here, not yet on the server` };
  });
  private readonly score = inject(TruthScore);
  /** In a dry run: what is true beside the estimate, and how often they agreed. */
  protected readonly truth = this.score.told;
  protected readonly lookAt = (timeMs: number): string | null => {
    this.store.asIfMs.set(timeMs);
    return null;
  };

  constructor() {
    inject(PlanSpeech).standsBy(() => {
      const view = this.store.view();
      return view && !view.isRough ? sayNow(view) : '';
    });
  }

  /** Arrows walk the tabs, as they do everywhere. */
  protected walk(event: KeyboardEvent): void {
    const step = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    if (step === 0) return;
    event.preventDefault();
    const at = FORMS.findIndex(({ id }) => id === this.form());
    const { id } = FORMS[(at + step + FORMS.length) % FORMS.length];
    this.form.set(id);
    document.getElementById(`tab-${id}`)?.focus();
  }

  protected amps(value: number): string {
    return sayQuantity({ value, unit: 'A' });
  }
}
