import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { applyRemedy } from '@knapsack/contract/harness';
import { RULES, type Check } from '@knapsack/core';
import { newKey } from '../data/new-id';
import { ShelfService } from '../data/shelf.service';
import { FocusKeeper } from '../shell/focus-keeper.service';
import { TripStore } from '../trip/trip.store';
import { WireStore } from '../trip/wire.store';

const SIGNS = {
  stop: { icon: 'bi-octagon-fill', words: 'stop' },
  look: { icon: 'bi-triangle-fill', words: 'check' },
  note: { icon: 'bi-dot', words: 'note' },
} as const;

/** All findings, each with the rule's figure, the kit's figure, the reason, and the smallest change that puts it right. */
@Component({
  selector: 'ks-check-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ul class="checks">
      @for (check of checks(); track check.rule + ' ' + check.on + ' ' + check.part) {
        <li [class.chosen]="isChosen(check)">
          <i
            class="bi"
            [class]="signs[check.severity].icon + ' ' + check.severity"
            role="img"
            [attr.aria-label]="signs[check.severity].words"
          ></i>
          <div>
            <p class="check-head">
              @if (check.part === null) {
                <b class="check-title">{{ rules[check.rule].title }}</b>
              } @else {
                <button type="button" class="check-title" (click)="choose(check)">
                  {{ rules[check.rule].title }}<span class="visually-hidden">, {{ nameOf(check) }}</span>
                </button>
              }
              <span class="muted">
                needed <b>{{ check.asks }}</b>, have <b>{{ check.has }}</b>
              </span>
            </p>
            <p>
              {{ check.sentence }} <span class="muted">{{ rules[check.rule].why }}</span>
            </p>
            @if (check.remedy; as remedy) {
              <button type="button" class="fix" (click)="fix(check)">
                <b>{{ remedy.description }}</b>&ngsp;<span>apply</span
                ><span class="visually-hidden"> at {{ nameOf(check) }}</span>
              </button>
            } @else if (check.noRemedy) {
              <p class="muted">{{ check.noRemedy }}</p>
            }
          </div>
        </li>
      } @empty {
        <li class="muted">No findings.</li>
      }
    </ul>
  `,
})
export class CheckListComponent {
  protected readonly store = inject(WireStore);
  private readonly plan = inject(TripStore);
  private readonly shelf = inject(ShelfService);
  private readonly focus = inject(FocusKeeper);
  protected readonly signs = SIGNS;
  protected readonly rules = RULES;
  protected readonly checks = computed(() => this.store.report()?.checks ?? []);

  protected nameOf({ part }: Check): string {
    return this.store.report()?.parts.find(({ id }) => id === part)?.name ?? '';
  }

  protected isChosen({ part, on }: Check): boolean {
    const chosen = this.store.chosen();
    return chosen !== null && chosen.part === part && chosen.on === on;
  }

  protected choose({ part, on }: Check): void {
    if (part !== null) this.store.chosen.set({ part, on: on === 'run' ? 'run' : 'part' });
  }

  protected fix(check: Check): void {
    const { part, remedy } = check;
    if (!remedy || part === null) return;
    this.plan.edit((trip) => applyRemedy(trip, this.shelf.gear(), part, remedy, `disconnect-${newKey()}`));
    this.choose(check);
    // Never onto the remedy of another rule, which would be applied by the same key pressed again.
    this.focus.go(() => document.getElementById('checks-title'));
  }
}
