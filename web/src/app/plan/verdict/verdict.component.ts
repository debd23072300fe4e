import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { NgbPopover } from '@ng-bootstrap/ng-bootstrap/popover';
import type { WhatIf } from '@knapsack/contract/what-if';
import { planFindings, sayMissing, sayWarnings, withSomeWeather } from '@knapsack/contract';
import {
  leadWithStops,
  missingSentence,
  plainSentence,
  verdictSentence,
  type Explained,
  type Sum,
  type Verdict,
} from '@knapsack/core';
import { MARKS } from '../../parts/marks';
import { injectWorkHands, newBlock } from '../../lanes/work/new-block';
import { SteadyDirective } from '../../parts/steady.directive';
import { TripStore } from '../../trip/trip.store';
import { ChanceStore } from '../../trip/chance.store';
import { ChancesComponent } from './chances.component';
import { FixesComponent } from './fixes.component';
import { WhatIfStore } from '../../trip/what-if.store';
import { UnfoldsDirective } from '../../parts/unfolds.directive';
import { SumComponent } from '../../parts/sum.component';
import { ForecastStore } from '../../trip/forecast.store';

/** How many findings stand under the sentence before the rest is folded away. */
const FINDINGS_SHOWN = 2;

/** A way to look at the plan: a sum of the forecast, or one of what would be if something were otherwise. */
type Look = Explained | keyof WhatIf['sums'];

const LOOKS: readonly { readonly at: Look; readonly words: string }[] = [
  { at: 'load', words: 'consumption' },
  { at: 'assumptions', words: 'cautious figures' },
  { at: 'schools', words: 'usable capacity' },
  { at: 'sun', words: 'the sun' },
  { at: 'runs', words: 'the cables' },
  { at: 'events', words: 'events' },
  { at: 'failures', words: 'if one thing fails' },
  { at: 'alone', words: 'running unattended' },
];

/** What the glossary explains of each. */
const TERMS: Partial<Record<Look, string>> = {
  load: 'Transmit duty cycle',
  margin: 'Reserve',
  lowest: 'State of charge',
  end: 'Typical outing',
  assumptions: 'Assumed, label, measured, learned',
  schools: 'Usable capacity',
  sun: 'Output against label',
  runs: 'Wire size',
};

/** Shown in the place of a sum that is still being calculated. */
const CALCULATING: Sum = { title: 'Calculating …', lines: [] };

/** Whether a look has anything to show for a verdict. */
function hasAnything(look: Look, { sun, events }: Verdict): boolean {
  switch (look) {
    case 'sun':
      return sun !== null;
    case 'events':
      return events.length > 0;
    default:
      return true;
  }
}

const NOTHING_IN_WIRE = { stops: [], warnings: 0 };

const isOtherwise = (look: Look): look is keyof WhatIf['sums'] =>
  look === 'failures' || look === 'alone' || look === 'runs';

/** The verdict in a sentence whose figures unfold into their sums, and what else should be known. */
@Component({
  selector: 'ks-verdict',
  imports: [
    ChancesComponent,
    FixesComponent,
    NgbPopover,
    RouterLink,
    SteadyDirective,
    SumComponent,
    UnfoldsDirective,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="verdict" [ksSteady]="store.isMoving()" [attr.data-settled]="chance.settled() ? '' : null">
      @if (chance.missing().length > 0) {
        <p class="sentence">
          <i class="bi blaze unknown" [class]="mark().icon" role="img" [attr.aria-label]="mark().word"></i>
          <span class="told" [textContent]="missingWords()"></span>
          @if (chance.missing().includes('hours')) {
            &ngsp;<button type="button" class="fix" (click)="addHours()">
              <i class="bi bi-plus-lg" aria-hidden="true"></i> Add hours
            </button>
          }
          @if (chance.missing().includes('sky')) {
            &ngsp;<button type="button" class="fix" (click)="addSky()">
              <i class="bi bi-cloud-sun" aria-hidden="true"></i> Take the season’s usual weather
            </button>
          }
        </p>
      } @else if (view(); as now) {
        <p class="sentence" [class.stale]="problems().length > 0">
          <i
            class="bi blaze"
            [class]="mark().icon + ' ' + chance.mark()"
            role="img"
            [attr.aria-label]="mark().word"
          ></i>
          <span class="odds">
            @for (part of oddsParts(); track $index) {
              @if (isText(part)) {
                <span [textContent]="part"></span>
              } @else {
                <button
                  type="button"
                  class="unfold"
                  ksUnfolds
                  [ngbPopover]="chances"
                  popoverClass="sum-popover wide"
                  placement="bottom-start bottom"
                  autoClose="outside"
                  container="body"
                  data-unfolds="chance"
                  [textContent]="part.text"
                ></button>
              }
            }
          </span>
          &ngsp;<span class="told">
            @for (part of sentence(); track $index) {
              @if (isText(part)) {
                <span [textContent]="part"></span>
              } @else {
                <button
                  type="button"
                  class="unfold"
                  ksUnfolds
                  [ngbPopover]="sum"
                  popoverClass="sum-popover"
                  placement="bottom-start bottom"
                  autoClose="outside"
                  container="body"
                  [attr.data-unfolds]="part.unfolds"
                  [textContent]="part.text"
                  (click)="unfold(part.unfolds)"
                ></button>
              }
            }
          </span>
          &ngsp;<span class="would-do" [textContent]="wouldDo()"></span>
          @if (warnings(); as words) {
            &ngsp;<a class="in-wire" [routerLink]="['/trips', store.trip()?.id, 'wire']">{{ words }}</a>
          }
        </p>
        <ng-template #sum><ks-sum [sum]="sumOf(shownSum)" [term]="termOf(shownSum)" /></ng-template>
        <ng-template #chances><ks-chances /></ng-template>
      } @else {
        <p class="sentence muted">{{ problems().length > 0 ? '' : 'Calculating …' }}</p>
      }
      <ul class="findings">
        @for (problem of told(); track problem) {
          <li class="stop"><i class="bi bi-octagon-fill" aria-hidden="true"></i> {{ problem }}</li>
        }
        @for (finding of findings(); track finding.code) {
          <li [class]="finding.severity" [class.folded]="$index >= shownFindings()">
            <i class="bi" [class]="iconOf(finding.severity)" aria-hidden="true"></i> {{ finding.sentence }}
          </li>
        }
        @if (hidden() > 0 || allFindings()) {
          <li>
            <button type="button" class="quiet" (click)="allFindings.set(!allFindings())">
              {{ allFindings() ? 'fewer' : hidden() + ' more' }}
            </button>
          </li>
        }
      </ul>
      <ks-fixes />
      @if (view(); as now) {
        <p class="looks" (pointerenter)="whatIf.look()" (focusin)="whatIf.look()">
          @for (look of looks(); track look.at) {
            <button
              type="button"
              class="unfold small"
              ksUnfolds
              [ngbPopover]="detail"
              popoverClass="sum-popover"
              placement="bottom-start bottom"
              autoClose="outside"
              container="body"
              [attr.data-unfolds]="look.at"
              [textContent]="look.words"
              (click)="lookAt(look.at)"
            ></button>
          }
        </p>
        <ng-template #detail><ks-sum [sum]="sumOf(shownLook)" [term]="termOf(shownLook)" /></ng-template>
      }
    </div>
  `,
})
export class VerdictComponent {
  protected readonly store = inject(TripStore);
  private readonly hands = injectWorkHands();
  protected readonly forecast = inject(ForecastStore);
  protected readonly whatIf = inject(WhatIfStore);
  protected readonly chance = inject(ChanceStore);
  protected readonly view = this.forecast.view;
  protected readonly problems = this.forecast.problems;
  protected readonly sentence = computed(() => {
    const view = this.view();
    return view ? verdictSentence(view.verdict, this.store.trip()?.place.timeZone ?? 'UTC') : [];
  });
  protected readonly findings = computed(() => {
    const view = this.view();
    if (!view || this.problems().length > 0 || this.chance.missing().length > 0) return [];
    return planFindings(view.verdict, this.chance.wire() ?? NOTHING_IN_WIRE);
  });
  /** "2 warnings in Wire", which leads there. */
  protected readonly warnings = computed(() => {
    const wire = this.chance.wire();
    return this.chance.missing().length > 0 || !wire ? '' : sayWarnings(wire);
  });
  protected readonly termOf = (look: Look | null): string | null => (look && TERMS[look]) ?? null;
  /** The gravest; the rest unfold. */
  protected readonly allFindings = signal(false);
  protected readonly hidden = computed(() =>
    this.allFindings() ? 0 : Math.max(0, this.findings().length - FINDINGS_SHOWN),
  );
  /** How many stand there; on paper all of them do. */
  protected readonly shownFindings = computed(() => this.findings().length - this.hidden());
  protected readonly mark = computed(() => MARKS[this.chance.mark()]);
  /** The chance; a stop leads it. */
  protected readonly oddsParts = computed(() =>
    leadWithStops(
      this.findings().flatMap(({ severity, sentence }) => (severity === 'stop' ? [sentence] : [])),
      this.chance.sentence(),
    ),
  );
  protected readonly wouldDo = computed(() =>
    plainSentence(missingSentence({ chance: this.chance.chance(), wouldDoAh: this.chance.wouldDoAh() })),
  );
  /** Why nothing can be calculated, unless it is what the sentence asks for already. */
  protected readonly told = computed(() => (this.chance.missing().length > 0 ? [] : this.problems()));
  protected readonly missingWords = computed(() => sayMissing(this.chance.missing()));
  protected shownSum: Explained = 'end';
  protected shownLook: Look = 'load';

  /** Other ways to look at the same run, those that have anything to show. */
  protected readonly looks = computed(() => {
    const view = this.view();
    return view ? LOOKS.filter(({ at }) => hasAnything(at, view.verdict)) : [];
  });

  protected addHours(): void {
    newBlock(this.hands);
  }

  protected addSky(): void {
    this.store.edit(withSomeWeather);
  }

  protected unfold(figure: Explained | 'chance'): void {
    if (figure === 'chance') return;
    this.shownSum = figure;
    this.forecast.explain();
  }

  protected lookAt(at: Look): void {
    // A reader of the screen may press without a pointer or the focus.
    this.whatIf.look();
    this.shownLook = at;
    this.forecast.explain();
  }

  protected sumOf(look: Look): Sum {
    if (!isOtherwise(look)) return this.view()?.sums?.[look] ?? CALCULATING;
    return (this.whatIf.fresh() ? this.whatIf.found()?.sums[look] : null) ?? CALCULATING;
  }

  protected isText(part: unknown): part is string {
    return typeof part === 'string';
  }

  protected iconOf = (severity: 'stop' | 'look' | 'note'): string =>
    severity === 'note' ? 'bi-info-circle' : MARKS[severity].icon;
}
