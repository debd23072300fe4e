import { ChangeDetectionStrategy, Component, computed, effect, inject, untracked } from '@angular/core';
import { MODULES, type ModuleName } from '@knapsack/contract';
import { whatFor } from '@knapsack/contract/packing';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import { choicesOf, type Choice } from '../parts/choices';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { leaveModule, setCount, takeOut, putInBag, setModule } from '@knapsack/contract/edits';
import { OwnerDirective } from '../parts/owner.directive';
import { SpeechService } from '../shell/speech.service';
import { BagStore } from '../trip/bag.store';
import { TripStore } from '../trip/trip.store';
import { PackStore } from './pack.store';
import { withoutWords } from './pack-words';

const NO_BAG = '';

/** What is in hand: what it is for, where it lies, and what the outing would be without it. */
@Component({
  selector: 'ks-in-hand',
  imports: [InlineChoiceComponent, InlineNumberComponent, OwnerDirective],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (store.pieces().length > 0) {
      @for (piece of single(); track piece.gear.id) {
        <p class="sentence-line" [ksOwner]="plan.trip()?.id + ' ' + piece.gear.id">
          <ks-number
            field="count"
            label="How many"
            [value]="piece.item.count"
            (committed)="count(piece.index, $event)"
          />
          × <b>{{ piece.gear.name }}</b>, in
          <ks-choice
            label="Bag"
            [value]="piece.item.bag ?? ''"
            [choices]="bags()"
            (picked)="put(piece.index, $event)"
          />, module
          <ks-choice
            label="Module"
            [value]="piece.module"
            [choices]="modules"
            (picked)="module(piece.index, $event)"
          />. {{ whatFor(piece.gear) }}
        </p>
      } @empty {
        <p class="sentence-line">
          <b>{{ moduleWords() }}</b>: {{ names() }}.
        </p>
      }
      <p class="without">
        @if (without(); as words) {
          {{ words }}
        } @else if (store.failed()) {
          What is left without it cannot be calculated, by a fault in Knapsack. Reload the page.
        } @else {
          <span class="muted">Calculating without it …</span>
        }
      </p>
      <p>
        <button type="button" class="quiet" (click)="leave()">
          {{ optional() ? 'Leave the module at home' : 'Leave it at home' }}
        </button>
        <button type="button" class="quiet" (click)="store.inHand.set(null)">Back</button>
      </p>
    } @else {
      <p class="muted">Take something in hand to see what it is for and what the outing is without it.</p>
    }
  `,
})
export class InHandComponent {
  protected readonly store = inject(PackStore);
  protected readonly plan = inject(TripStore);
  private readonly bag = inject(BagStore);
  protected readonly whatFor = whatFor;
  protected readonly modules = choicesOf(MODULES);
  protected readonly bags = computed<readonly Choice[]>(() => [
    { value: NO_BAG, label: 'no bag yet' },
    ...(this.store.list()?.bags ?? []).map(({ bag }) => ({ value: bag.id, label: bag.name })),
  ]);
  /** The piece in hand, so that each has fields of its own; none where a whole module is. */
  protected readonly single = computed(() => {
    const hand = this.store.inHand();
    return hand && 'index' in hand ? this.store.pieces().slice(0, 1) : [];
  });
  protected readonly moduleWords = computed(() => {
    const hand = this.store.inHand();
    return hand && 'module' in hand ? `Module ${MODULES[hand.module]}` : '';
  });
  protected readonly names = computed(() =>
    this.store
      .pieces()
      .map(({ name }) => name)
      .join(', '),
  );
  protected readonly without = computed(() => {
    const answer = this.store.without();
    const zone = this.plan.trip()?.place.timeZone ?? 'UTC';
    return answer && withoutWords(answer.left, answer.odds, answer.oddsPacked, zone);
  });

  constructor() {
    const speech = inject(SpeechService);
    effect(() => {
      const words = this.without();
      if (words) untracked(() => speech.say(words));
    });
  }

  protected count(index: number, count: number): void {
    this.plan.edit((trip) => setCount(trip, index, count));
  }

  protected put(index: number, bag: string): void {
    this.plan.edit((trip) => putInBag(trip, index, bag === NO_BAG ? null : bag));
  }

  protected module(index: number, module: ModuleName): void {
    this.plan.edit((trip) => setModule(trip, index, module));
  }

  /** The module in hand, where it may stay at home as one. */
  protected readonly optional = computed(() => {
    const hand = this.store.inHand();
    return hand && 'module' in hand && hand.module !== 'base' ? hand.module : null;
  });

  protected leave(): void {
    const module = this.optional();
    if (module) this.plan.edit((trip) => leaveModule(trip, module, this.bag.gear()));
    else this.takeOut();
    this.store.inHand.set(null);
  }

  private takeOut(): void {
    const indexes = this.store.pieces().map(({ index }) => index);
    this.plan.edit((trip) => indexes.toSorted((a, b) => b - a).reduce(takeOut, trip));
  }
}
