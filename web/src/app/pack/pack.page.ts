import { CdkDropListGroup } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { WAYS_IN, type ModuleName, type WayIn } from '@knapsack/contract';
import { shareAmong } from '@knapsack/contract/packing';
import { newKey } from '../data/new-id';
import { ShelfService } from '../data/shelf.service';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import { choicesOf } from '../parts/choices';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { NoticesService } from '../shell/notices.service';
import { SetAsideComponent } from '../trip/set-aside.component';
import { TicksStore } from '../trip/ticks.store';
import { PlanSpeech } from '../trip/plan-speech';
import { TripStore } from '../trip/trip.store';
import { RoomKeysDirective } from '../trip/room-keys.directive';
import { InHandComponent } from './in-hand.component';
import { MoneyComponent } from './money.component';
import { PackBagComponent } from './pack-bag.component';

import { addBag, setOperators, setWayIn, untickAll, usualLimit } from '@knapsack/contract/edits';
import { PackStore } from './pack.store';
import { kilograms, packVerdict, roomWords } from './pack-words';
import { RainComponent } from './rain.component';
import { SparesAndTradeComponent } from './spares-and-trade.component';
import { InViewDirective } from '../parts/in-view.directive';

const SIGNS = { stop: 'bi-octagon-fill', look: 'bi-triangle-fill', fine: 'bi-diamond-fill' } as const;

/** The Pack room: what lies in which bag, who carries it, and what could stay at home. */
@Component({
  selector: 'ks-pack',
  imports: [
    InViewDirective,
    CdkDropListGroup,
    InHandComponent,
    InlineChoiceComponent,
    InlineNumberComponent,
    MoneyComponent,
    PackBagComponent,
    RainComponent,
    SetAsideComponent,
    SparesAndTradeComponent,
  ],
  hostDirectives: [RoomKeysDirective],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (store.list(); as list) {
      <div class="pack">
        <p class="room-verdict sentence">
          @if (store.sign(); as sign) {
            <i class="bi blaze" [class]="signs[sign] + ' ' + sign" role="img" [attr.aria-label]="sign"></i>
          }
          {{ verdict() }}
        </p>
        <p class="sentence-line">
          Carried
          <ks-choice label="The way in" [value]="list.wayIn" [choices]="ways" (picked)="wayIn($event)" />
          by
          <ks-number
            field="operators"
            label="How many carry"
            [value]="list.operators"
            (committed)="operators($event)"
          />
          {{ list.operators === 1 ? 'person' : 'people' }}, at the most
          <ks-number
            field="carryLimitG"
            label="What may be carried in all"
            [value]="list.limitG"
            (committed)="limit($event)"
          />
          in all{{ list.limitTyped ? '.' : ', the usual limit.' }}
          @if (list.limitTyped) {
            <button type="button" class="quiet" (click)="usual()">Use the usual limit</button>
          }
          {{ room() }}
          @if (list.operators > 1 || list.loose.length > 0) {
            <button type="button" class="quiet" (click)="share()">
              {{ list.operators > 1 ? 'Share it evenly' : 'Put everything in' }}
            </button>
          }
          <button type="button" class="quiet" (click)="bag()">One more bag</button>
          <button type="button" class="quiet" (click)="print()">Print the list</button>
        </p>
        @if (list.operators > 1) {
          <p class="carriers">
            @for (carrier of list.carriers; track carrier.operator) {
              <span [class.over]="carrier.overG > 0"
                >no. {{ carrier.operator }} carries <b>{{ weigh(carrier.grams) }}</b>{{
                  carrier.overG > 0 ? ', ' + weigh(carrier.overG) + ' too much' : ''
                }}</span
              >
            }
          </p>
        }
        <div class="scale" [class.over]="list.overG > 0">
          <div class="scale-bar" aria-hidden="true"><span [style.width.%]="share100()"></span></div>
        </div>
        <ks-rain />
        <p class="modules">
          <span class="muted">Modules:</span>
          @for (module of list.modules; track module.name) {
            &ngsp;<button
              type="button"
              class="toggle"
              [attr.aria-pressed]="isInHand(module.name)"
              (click)="take(module.name)"
            >
              {{ module.label }} {{ weigh(module.grams) }}
            </button>
          }
          <span class="muted ticks">
            {{ store.packedLines() }} of {{ list.lines }} packed
            @if (store.packedLines() > 0) {
              <button type="button" class="quiet" (click)="untick()">Untick all</button>
            }
          </span>
        </p>
        <ks-set-aside />
        <div class="pack-body">
          <div class="pack-bags" cdkDropListGroup>
            @if (list.loose.length > 0 || list.bags.length === 0) {
              <ks-pack-bag [bag]="null" />
            }
            @for (bag of list.bags; track bag.bag.id) {
              <ks-pack-bag [bag]="bag" />
            }
          </div>
          <div class="pack-side">
            <ks-in-hand [ksInView]="store.inHand()" />
            <ks-spares-and-trade />
            <ks-money />
          </div>
        </div>
      </div>
    }
  `,
})
export class PackPage {
  protected readonly store = inject(PackStore);
  private readonly plan = inject(TripStore);
  private readonly ticks = inject(TicksStore);
  private readonly notices = inject(NoticesService);
  private readonly shelf = inject(ShelfService);
  protected readonly signs = SIGNS;
  protected readonly weigh = kilograms;
  protected readonly ways = choicesOf(WAYS_IN);
  protected readonly verdict = computed(() => {
    const list = this.store.list();
    if (!list) return '';
    return list.lines === 0
      ? 'The bag is empty: put a radio and a battery in, in the Plan.'
      : packVerdict(list);
  });
  protected readonly room = computed(() => {
    const list = this.store.list();
    return list ? roomWords(list) : '';
  });
  protected readonly share100 = computed(() => {
    const list = this.store.list();
    return list ? Math.min(100, (100 * list.grams) / list.limitG) : 0;
  });

  constructor() {
    inject(PlanSpeech).standsBy(() => this.verdict());
  }

  protected isInHand(module: ModuleName): boolean {
    const hand = this.store.inHand();
    return hand !== null && 'module' in hand && hand.module === module;
  }

  protected take(module: ModuleName): void {
    this.store.inHand.set(this.isInHand(module) ? null : { module });
  }

  protected wayIn(value: WayIn): void {
    this.plan.edit((trip) => setWayIn(trip, value));
  }

  protected operators(count: number): void {
    this.plan.edit((trip) => setOperators(trip, count));
  }

  protected limit(carryLimitG: number): void {
    this.plan.edit((trip) => ({ ...trip, carryLimitG }));
  }

  protected usual(): void {
    this.plan.edit(usualLimit);
  }

  protected share(): void {
    this.plan.edit((trip) => shareAmong(trip, this.shelf.gear()));
  }

  protected bag(): void {
    this.plan.edit((trip) => addBag(trip, `bag-${newKey()}`));
  }

  protected untick(): void {
    const { packing } = this.ticks;
    const before = packing.document();
    if (!before) return;
    packing.change(untickAll);
    // Ticks are no part of what Undo takes back.
    this.notices.show({
      text: 'All ticks were removed.',
      action: { label: 'Undo', run: () => packing.change(() => before) },
    });
  }

  protected print(): void {
    window.print();
  }
}
