import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { NgbPopover } from '@ng-bootstrap/ng-bootstrap/popover';
import { verdictSentence, type Explained } from '@knapsack/core';
import { PlanStore } from '../plan.store';
import { SumComponent } from './sum.component';

const BLAZES = {
  fine: { icon: 'bi-diamond-fill', word: 'fine' },
  look: { icon: 'bi-triangle-fill', word: 'look here' },
  stop: { icon: 'bi-octagon-fill', word: 'stop' },
} as const;

/** The verdict in a sentence whose figures unfold into their sums, and what else should be known. */
@Component({
  selector: 'ks-verdict',
  imports: [NgbPopover, SumComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="verdict" aria-live="polite">
      @if (view(); as now) {
        <p class="sentence" [class.stale]="problems().length > 0">
          <i
            class="bi blaze"
            [class]="blaze().icon + ' ' + now.verdict.blaze"
            role="img"
            [attr.aria-label]="blaze().word"
          ></i>
          @for (part of sentence(); track $index) {
            @if (isText(part)) {
              <span [textContent]="part"></span>
            } @else {
              <button
                type="button"
                class="unfold"
                [ngbPopover]="sum"
                popoverClass="sum-popover"
                placement="bottom-start bottom"
                autoClose="outside"
                container="body"
                [attr.data-unfolds]="part.unfolds"
                [textContent]="part.text"
                (click)="shownSum = part.unfolds"
              ></button>
            }
          }
        </p>
        <ng-template #sum><ks-sum [sum]="now.sums[shownSum]" /></ng-template>
      } @else {
        <p class="sentence muted">{{ problems().length > 0 ? '' : 'Reckoning …' }}</p>
      }
      <ul class="findings">
        @for (problem of problems(); track problem) {
          <li class="stop"><i class="bi bi-octagon-fill" aria-hidden="true"></i> {{ problem }}</li>
        }
        @for (finding of findings(); track finding.code) {
          <li [class]="finding.severity">
            <i class="bi" [class]="iconOf(finding.severity)" aria-hidden="true"></i> {{ finding.sentence }}
          </li>
        }
        @if (view()) {
          <li class="note">
            <button
              type="button"
              class="unfold small"
              [ngbPopover]="load"
              popoverClass="sum-popover"
              placement="bottom-start bottom"
              autoClose="outside"
              container="body"
            >
              What the plan draws
            </button>
          </li>
        }
      </ul>
      <ng-template #load>
        @if (view(); as now) {
          <ks-sum [sum]="now.sums.load" />
        }
      </ng-template>
    </div>
  `,
})
export class VerdictComponent {
  private readonly store = inject(PlanStore);
  protected readonly view = this.store.view;
  protected readonly problems = this.store.problems;
  protected readonly sentence = computed(() => {
    const view = this.view();
    return view ? verdictSentence(view.verdict, this.store.trip()?.place.timeZone ?? 'UTC') : [];
  });
  protected readonly findings = computed(() =>
    this.problems().length > 0 ? [] : (this.view()?.verdict.findings ?? []),
  );
  protected readonly blaze = computed(() => BLAZES[this.view()?.verdict.blaze ?? 'fine']);
  protected shownSum: Explained = 'end';

  protected isText(part: unknown): part is string {
    return typeof part === 'string';
  }

  protected iconOf = (severity: 'stop' | 'look' | 'note'): string =>
    severity === 'note' ? 'bi-info-circle' : BLAZES[severity].icon;
}
