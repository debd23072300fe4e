import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { Gear } from '@knapsack/contract';
import { CurveComponent } from '../figures/curve.component';
import { GearDetailsComponent } from './gear-details.component';
import { GearFiguresComponent } from '../figures/gear-figures.component';
import { toldFigures, weightWords } from '@knapsack/contract/gear';
import { SpeechService } from '../shell/speech.service';
import { ShelfKeeper } from '../data/shelf-keeper.service';

/** One item of the shelf: its curve, its telling figures with their sources, and what can be done with it. */
@Component({
  selector: 'ks-gear-card',
  imports: [CurveComponent, GearDetailsComponent, GearFiguresComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <article class="card-gear" [class.away]="gear().archived">
      <header>
        <h3>
          <button type="button" class="bag-name" (click)="toggled.emit()" [attr.aria-expanded]="opened()">
            {{ gear().name }}
          </button>
        </h3>
        <span class="figure">{{ weight() }}</span>
      </header>
      <p class="bag-about">
        {{ gear().about
        }}{{ gear().wished ? (gear().about ? ', on the wish list' : 'on the wish list') : '' }}
        @for (tag of gear().tags ?? []; track tag) {
          <span class="tag">{{ tag }}</span>
        }
      </p>
      <div class="card-body">
        <ks-curve [gear]="gear()" />
        <dl>
          @for (told of figures(); track told.label) {
            <div>
              <dt>{{ told.label }}</dt>
              <dd>
                <b>{{ told.words }}</b>
                <span class="source" [class.assumed]="told.source === 'assumed'"
                  >{{ told.source }}{{ told.pinned ? ', pinned' : '' }}</span
                >
              </dd>
            </div>
          }
        </dl>
      </div>
      <footer>
        <label
          ><input
            type="checkbox"
            [checked]="compared()"
            (change)="compare.emit()"
            [attr.aria-label]="'Compare ' + gear().name"
          />
          Compare</label
        >
        @if (gear().wished) {
          <button type="button" class="quiet" (click)="own()" [attr.aria-label]="'I own ' + gear().name">
            I own this
          </button>
        }
        <button type="button" class="quiet" (click)="duplicate()" [attr.aria-label]="'Copy ' + gear().name">
          Copy
        </button>
        <button
          type="button"
          class="quiet"
          (click)="putAway()"
          [attr.aria-label]="(gear().archived ? 'Restore ' : 'Archive ') + gear().name"
        >
          {{ gear().archived ? 'Restore' : 'Archive' }}
        </button>
      </footer>
      @if (opened()) {
        <div class="editor">
          <ks-gear-figures [gear]="gear()" (closed)="toggled.emit()" />
          <ks-gear-details [gear]="gear()" />
        </div>
      }
    </article>
  `,
})
export class GearCardComponent {
  readonly gear = input.required<Gear>();
  readonly opened = input(false);
  readonly compared = input(false);
  readonly toggled = output();
  readonly compare = output();
  /** A copy was made; its id. */
  readonly copied = output<string>();
  private readonly keeper = inject(ShelfKeeper);
  private readonly speech = inject(SpeechService);

  protected own(): void {
    const { wished: _wished, ...gear } = this.gear();
    void this.keeper.save(gear as Gear);
  }

  protected readonly figures = computed(() => toldFigures(this.gear()));
  protected readonly weight = computed(() => weightWords(this.gear(), 1));

  protected async duplicate(): Promise<void> {
    const copy = await this.keeper.duplicate(this.gear());
    if (!copy) return;
    this.speech.say(`${copy.name} is on the shelf.`);
    this.copied.emit(copy.id);
  }

  protected putAway(): void {
    void this.keeper.putAway(this.gear(), !this.gear().archived);
  }
}
