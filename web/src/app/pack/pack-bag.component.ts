import { CdkDrag, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MODULES } from '@knapsack/contract';
import type { PackedBag, PackedPiece } from '@knapsack/contract/packing';
import { fixed, PROOF_NAMES, PROOFS } from '@knapsack/core';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { InlineTextComponent } from '../parts/inline-text.component';
import { TicksStore } from '../trip/ticks.store';
import { TripStore } from '../trip/trip.store';
import { changeBag, putInBag, removeBag, tick } from '@knapsack/contract/edits';
import { PackStore } from './pack.store';
import { kilograms } from './pack-words';

/** One bag, or what lies in none: drop things in, tick them off. */
@Component({
  selector: 'ks-pack-bag',
  imports: [CdkDrag, CdkDropList, InlineChoiceComponent, InlineNumberComponent, InlineTextComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section
      class="pack-bag"
      [class.over]="over()"
      cdkDropList
      cdkDropListSortingDisabled
      [cdkDropListData]="bag()?.bag?.id ?? null"
      (cdkDropListDropped)="dropped($event)"
      [attr.aria-label]="bag()?.bag?.name ?? 'In no bag yet'"
    >
      @if (bag(); as filled) {
        <h2>
          <ks-text
            [label]="'Name of bag ' + number()"
            [value]="filled.bag.name"
            [most]="40"
            (committed)="rename($event)"
          />
          <span class="figure">{{ weigh(filled.grams) }}</span>
        </h2>
        <p class="pack-limits muted">
          @if (operators() > 1) {
            carried by no.
            <ks-number
              field="operators"
              [label]="'Who carries ' + filled.bag.name"
              [value]="filled.bag.operator ?? 1"
              (committed)="change({ operator: $event })"
            />,
          }
          @if (filled.bag.limitG) {
            holds
            <ks-number
              field="carryLimitG"
              [label]="'What ' + filled.bag.name + ' may weigh'"
              [value]="filled.bag.limitG"
              (committed)="change({ limitG: $event })"
            />
          } @else {
            <button type="button" class="quiet" (click)="change({ limitG: 10000 })">
              Set a weight<span class="visually-hidden"> for {{ filled.bag.name }}</span>
            </button>
          }
          @if (filled.bag.litres) {
            and {{ litres(filled.litres) }} of
            <ks-number
              field="packedL"
              [label]="'What goes into ' + filled.bag.name"
              [value]="filled.bag.litres"
              (committed)="change({ litres: $event })"
            />
          } @else {
            <button type="button" class="quiet" (click)="change({ litres: 30 })">
              Set its volume<span class="visually-hidden">, {{ filled.bag.name }}</span>
            </button>
          }
          <span>
            keeps out
            <ks-choice
              [label]="'What ' + filled.bag.name + ' keeps out'"
              [value]="filled.bag.proof ?? 'none'"
              [choices]="proofs"
              (picked)="change({ proof: $event })"
            />
          </span>
          @if (filled.pieces.length === 0) {
            <button type="button" class="quiet" (click)="remove()">
              Remove the bag<span class="visually-hidden"> {{ filled.bag.name }}</span>
            </button>
          }
        </p>
        @if (over(); as words) {
          <p class="over-words"><i class="bi bi-octagon-fill" aria-hidden="true"></i> {{ words }}</p>
        }
      } @else {
        <h2>In no bag yet</h2>
      }
      <ul>
        @for (piece of pieces(); track piece.index) {
          <li
            cdkDrag
            [cdkDragData]="piece"
            [class.chosen]="isInHand(piece)"
            [class.ticked]="ticks.packed().has(piece.gear.id)"
          >
            <label class="pack-tick">
              <input
                type="checkbox"
                [checked]="ticks.packed().has(piece.gear.id)"
                [attr.aria-label]="piece.name + ' is packed'"
                (change)="tickOff(piece)"
              />
            </label>
            <button type="button" [attr.aria-pressed]="isInHand(piece)" (click)="take(piece)">
              {{ piece.name }}
              @if (piece.module !== 'base') {
                <span class="muted">{{ modules[piece.module] }}</span>
              }
            </button>
            <span class="figure">{{ piece.grams === null ? 'not weighed' : weigh(piece.grams) }}</span>
          </li>
        } @empty {
          <li class="hint">{{ bag() ? 'Drop things here.' : 'Everything lies in a bag.' }}</li>
        }
      </ul>
    </section>
  `,
})
export class PackBagComponent {
  /** Null for what lies in no bag. */
  readonly bag = input.required<PackedBag | null>();
  private readonly plan = inject(TripStore);
  private readonly store = inject(PackStore);
  protected readonly ticks = inject(TicksStore);
  protected readonly modules = MODULES;
  protected readonly proofs = PROOF_NAMES.map((value) => ({
    value,
    label: PROOFS[value].label,
  }));
  protected readonly weigh = kilograms;
  protected readonly operators = computed(() => this.store.list()?.operators ?? 1);
  /** Which of the bags it is, from 1. */
  protected readonly number = computed(() => {
    const bags = this.store.list()?.bags ?? [];
    return bags.findIndex(({ bag }) => bag.id === this.bag()?.bag.id) + 1;
  });
  protected readonly pieces = computed(() => this.bag()?.pieces ?? this.store.list()?.loose ?? []);
  protected readonly over = computed(() => {
    const bag = this.bag();
    if (!bag) return '';
    const { overG, overL } = bag;
    const words = [
      ...(overG > 0 ? [`${kilograms(overG)} too heavy`] : []),
      ...(overL > 0 ? [`${litres(overL)} too full`] : []),
    ];
    return words.join(', ');
  });
  protected readonly litres = litres;

  protected isInHand({ index }: PackedPiece): boolean {
    return this.store.pieces().some((piece) => piece.index === index);
  }

  protected take({ index }: PackedPiece): void {
    this.store.inHand.set({ index });
  }

  protected dropped({ item, container }: CdkDragDrop<string | null, string | null, PackedPiece>): void {
    const { index, item: before } = item.data;
    if ((before.bag ?? null) !== container.data) {
      this.plan.edit((trip) => putInBag(trip, index, container.data));
    }
    this.store.inHand.set({ index });
  }

  protected tickOff({ gear }: PackedPiece): void {
    this.ticks.packing.change((packing) => tick(packing, gear.id));
  }

  protected rename(name: string): void {
    if (name.trim() !== '') this.change({ name: name.trim() });
  }

  protected change(change: Parameters<typeof changeBag>[2]): void {
    const id = this.bag()?.bag.id;
    if (id !== undefined) this.plan.edit((trip) => changeBag(trip, id, change));
  }

  protected remove(): void {
    const id = this.bag()?.bag.id;
    if (id !== undefined) this.plan.edit((trip) => removeBag(trip, id));
  }
}

const litres = (value: number): string => `${fixed(value, 1)} l`;
