import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { hoursOf, MINUTE_MS, sayDuration, sayMode, type Span } from '@knapsack/core';
import { newKey } from '../../data/new-id';
import {
  addBlock,
  moveBlock,
  QUARTER_MS,
  resizeBlock,
  spanOf,
  toQuarter,
  type Edge,
  workForNew,
} from '@knapsack/contract/edits';
import { CursorLineComponent } from '../cursor-line.component';
import { followPointer } from '../pointer-drag';
import { LanesStore } from '../../trip/lanes.store';
import { TripStore } from '../../trip/trip.store';
import { instantAt, fractionAt } from '../time-scale';
import { BLOCK_KEYS, handleBlockKey } from './block-keys';
import { elementOfBlock, injectWorkHands } from './new-block';
import { blockHeight, laneHeight, shownBlocks, TRACK_PX, tracksOf, trackTop } from './tracks';
import { SelectionStore } from '../../trip/selection.store';
import { BagStore } from '../../trip/bag.store';

/** Of the lane's width, percent: no words fit into a block this narrow. */
const NARROW_PERCENT = 2;

/** The hours of operating as blocks on the time axis: drawn, moved and stretched by pointer; keys act on the selected one. */
@Component({
  selector: 'ks-work-lane',
  imports: [CursorLineComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="lane-name" id="work-name" [class.unseen]="tracks().length > 1">work</div>
    @if (tracks().length > 1) {
      @for (track of tracks(); track track.position) {
        <div class="track-name" [style.top.px]="track.topPx" [title]="track.name">{{ track.name }}</div>
      }
    }
    <div
      #lane
      class="work-lane"
      role="group"
      [class.many]="tracks().length > 1"
      [style.height.px]="heightPx()"
      aria-labelledby="work-name"
      (pointerdown)="dragNew($event)"
      (pointermove)="hover($event)"
      (pointerleave)="selection.point(null)"
    >
      @for (track of tracks().slice(1); track track.position) {
        <span class="track-line" [style.top.px]="track.topPx"></span>
      }
      @for (again of repeats(); track again.key) {
        <div
          class="block again"
          aria-hidden="true"
          [class]="'tint-' + again.tint"
          [class.selected]="again.id === selection.selectedId()"
          [class.narrow]="again.width < NARROW"
          [style.left.%]="again.left"
          [style.width.%]="again.width"
          [style.top.px]="again.topPx"
          [style.height.px]="blockPx"
          (pointerdown)="pick($event, again.id)"
        >
          <span class="what"
            ><i class="bi bi-arrow-repeat" aria-hidden="true"></i> {{ say(again.mode) }}</span
          >
        </div>
      }
      @for (block of blocks(); track block.id) {
        <div
          class="block"
          tabindex="0"
          role="button"
          [class]="'tint-' + block.tint"
          [class.selected]="block.id === selection.selectedId()"
          [class.narrow]="block.width < NARROW"
          [attr.aria-pressed]="block.id === selection.selectedId()"
          [attr.aria-label]="block.spoken"
          [attr.data-block]="block.id"
          [attr.aria-keyshortcuts]="blockKeys"
          aria-describedby="block-keys"
          [style.left.%]="block.left"
          [style.width.%]="block.width"
          [style.top.px]="block.topPx"
          [style.height.px]="blockPx"
          (focus)="reach($event, block.id)"
          (keydown)="press($event, block.id)"
          (pointerdown)="drag($event, block.id)"
        >
          <span class="edge" data-edge="start" (pointerdown)="stretch($event, block.id, 'start')"></span>
          <span class="what"
            ><i class="bi" [class]="block.icon" aria-hidden="true"></i> {{ say(block.mode) }}
            {{ block.power }}</span
          >
          <span class="how">{{ block.activity }}</span>
          <span class="edge end" data-edge="end" (pointerdown)="stretch($event, block.id, 'end')"></span>
        </div>
      }
      <ks-cursor-line />
      @if (newSpan(); as span) {
        <div
          class="block ghost"
          [style.left.%]="percent(span.startMs)"
          [style.width.%]="percent(span.endMs) - percent(span.startMs)"
          [style.top.px]="topOf(newPosition())"
          [style.height.px]="blockPx"
        >
          <span class="what">{{ lengthOf(span) }}</span>
        </div>
      }
      @if (blocks().length === 0 && !newSpan()) {
        <p class="lane-hint">Drag across the hours you will operate, or add them below.</p>
      }
    </div>
  `,
})
export class WorkLaneComponent {
  protected readonly store = inject(TripStore);
  protected readonly bag = inject(BagStore);
  protected readonly selection = inject(SelectionStore);
  private readonly lane = viewChild.required<ElementRef<HTMLElement>>('lane');
  /** The block being drawn. */
  protected readonly newSpan = signal<Span | null>(null);

  private readonly visible = inject(LanesStore).visible;
  private readonly hands = injectWorkHands();
  protected readonly blockKeys = BLOCK_KEYS;

  protected readonly say = sayMode;
  protected readonly NARROW = NARROW_PERCENT;
  protected readonly newPosition = signal(1);

  protected readonly tracks = computed(() =>
    tracksOf(
      this.store.trip()?.blocks ?? [],
      this.bag.positions().map(({ name }) => name),
    ),
  );
  protected readonly heightPx = computed(() => laneHeight(this.tracks().length));
  private readonly shown = computed(() => {
    const trip = this.store.trip();
    return trip ? shownBlocks(trip, this.visible(), this.tracks()) : { blocks: [], repeats: [] };
  });
  protected readonly blocks = computed(() => this.shown().blocks);
  protected readonly repeats = computed(() => this.shown().repeats);
  protected get blockPx(): number {
    return blockHeight(this.tracks().length);
  }

  protected percent(timeMs: number): number {
    return 100 * fractionAt(this.visible(), timeMs);
  }

  protected lengthOf = (span: Span): string => sayDuration(hoursOf(span));

  /** The keys of a block are told when one is first reached by key. */
  protected reach(event: FocusEvent, id: string): void {
    this.selection.select(id);
    if ((event.target as Element).matches(':focus-visible')) this.selection.hint.set(true);
  }

  protected press(event: KeyboardEvent, id: string): void {
    if (handleBlockKey(this.hands, id, event)) event.preventDefault();
  }

  protected hover(event: PointerEvent): void {
    this.selection.point(this.instantUnder(event.clientX));
  }

  protected topOf(position: number): number {
    return trackTop(position, this.tracks().length);
  }

  /** A repeat stands for the block that it repeats. */
  protected pick(press: PointerEvent, id: string): void {
    press.stopPropagation();
    this.selection.select(id);
  }

  protected drag(press: PointerEvent, id: string): void {
    press.stopPropagation();
    this.selection.select(id);
    const block = this.store.trip()?.blocks.find((one) => one.id === id);
    if (!block) return;
    const from = spanOf(block).startMs;
    const msPerPixel = this.msPerPixel();
    const key = `drag ${id} ${press.timeStamp}`;
    followPointer(press, {
      move: (_event, dx) => {
        const toMs = from + toQuarter(dx * msPerPixel);
        this.store.edit((trip) => moveBlock(trip, id, toMs), key);
      },
      end: () => this.store.settle(),
      off: () => this.store.callOff(key),
    });
  }

  protected stretch(press: PointerEvent, id: string, edge: Edge): void {
    press.stopPropagation();
    this.selection.select(id);
    const key = `stretch ${id} ${edge} ${press.timeStamp}`;
    followPointer(press, {
      move: (event) => {
        const toMs = toQuarter(this.instantUnder(event.clientX));
        this.store.edit((trip) => resizeBlock(trip, id, edge, toMs), key);
      },
      end: () => this.store.settle(),
      off: () => this.store.callOff(key),
    });
  }

  protected dragNew(press: PointerEvent): void {
    const fromMs = this.instantUnder(press.clientX);
    const position = this.positionUnder(press.clientY);
    this.newPosition.set(position);
    const downTo = Math.floor(fromMs / QUARTER_MS) * QUARTER_MS;
    followPointer(press, {
      move: (event) => {
        const toMs = this.instantUnder(event.clientX);
        this.newSpan.set(
          toMs >= fromMs
            ? { startMs: downTo, endMs: Math.max(downTo + QUARTER_MS, toQuarter(toMs)) }
            : { startMs: toQuarter(toMs), endMs: downTo + QUARTER_MS },
        );
      },
      end: (_event, moved) => {
        const span = this.newSpan();
        this.newSpan.set(null);
        if (moved && span) this.add(span, position);
        else this.selection.select(null);
      },
      off: () => this.newSpan.set(null),
    });
  }

  private positionUnder(clientY: number): number {
    const { length } = this.tracks();
    if (length === 1) return 1;
    const { top } = this.lane().nativeElement.getBoundingClientRect();
    return Math.min(length, Math.max(1, Math.floor((clientY - top) / TRACK_PX) + 1));
  }

  private add(span: Span, position: number): void {
    const id = `b-${newKey()}`;
    const work = workForNew(
      this.store.trip(),
      this.selection.selected(),
      this.bag.positions()[position - 1] ?? null,
    );
    this.store.edit((trip) => addBlock(trip, id, span, work, position) ?? trip);
    this.selection.select(id);
    this.hands.focus.go(() => elementOfBlock(id));
  }

  private instantUnder(clientX: number): number {
    const { left, width } = this.lane().nativeElement.getBoundingClientRect();
    return Math.round(instantAt(this.visible(), (clientX - left) / width) / MINUTE_MS) * MINUTE_MS;
  }

  private msPerPixel(): number {
    const { startMs, endMs } = this.visible();
    return (endMs - startMs) / this.lane().nativeElement.getBoundingClientRect().width;
  }
}
