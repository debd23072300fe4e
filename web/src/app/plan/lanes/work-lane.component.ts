import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import type { Block } from '@knapsack/contract';
import { ACTIVITIES, fixed, MINUTE_MS, sayDuration, sayTime, hoursOf, type Span } from '@knapsack/core';
import { newKey } from '../../data/new-id';
import { addBlock, moveBlock, QUARTER_MS, resizeBlock, spanOf, toQuarter, type Edge } from '../edits/blocks';
import { workForNew } from '../edits/new-work';
import { CursorLineComponent } from '../cursor-line.component';
import { followPointer } from '../pointer-drag';
import { PlanStore } from '../plan.store';
import { instantAt, shareOf } from '../time-scale';
import { lookOf } from './mode-look';

/** The hours of operating as blocks on the time axis: drawn, moved and stretched by pointer; keys act on the selected one. */
@Component({
  selector: 'ks-work-lane',
  imports: [CursorLineComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="lane-name" id="work-name">work</div>
    <div
      #lane
      class="work-lane"
      role="group"
      aria-labelledby="work-name"
      (pointerdown)="draw($event)"
      (pointermove)="hover($event)"
      (pointerleave)="store.cursorMs.set(null)"
    >
      @for (block of blocks(); track block.id) {
        <div
          class="block"
          tabindex="0"
          role="button"
          [class]="'tint-' + block.tint"
          [class.selected]="block.id === store.selectedId()"
          [attr.aria-pressed]="block.id === store.selectedId()"
          [attr.aria-label]="block.spoken"
          [attr.data-block]="block.id"
          [style.left.%]="block.left"
          [style.width.%]="block.width"
          (focus)="store.selectedId.set(block.id)"
          (pointerdown)="drag($event, block.id)"
        >
          <span class="edge" data-edge="start" (pointerdown)="stretch($event, block.id, 'start')"></span>
          <span class="what"
            ><i class="bi" [class]="block.icon" aria-hidden="true"></i> {{ block.mode }}
            {{ block.power }}</span
          >
          <span class="how">{{ block.activity }}</span>
          <span class="edge end" data-edge="end" (pointerdown)="stretch($event, block.id, 'end')"></span>
        </div>
      }
      <ks-cursor-line />
      @if (drawn(); as span) {
        <div
          class="block ghost"
          [style.left.%]="percent(span.startMs)"
          [style.width.%]="percent(span.endMs) - percent(span.startMs)"
        >
          <span class="what">{{ lengthOf(span) }}</span>
        </div>
      }
      @if (blocks().length === 0 && !drawn()) {
        <p class="lane-hint">Drag across the hours you will operate, or press n.</p>
      }
    </div>
  `,
})
export class WorkLaneComponent {
  protected readonly store = inject(PlanStore);
  private readonly lane = viewChild.required<ElementRef<HTMLElement>>('lane');
  /** The block being drawn. */
  protected readonly drawn = signal<Span | null>(null);

  private readonly outing = computed<Span>(() => {
    const trip = this.store.trip();
    return trip ? spanOf(trip) : { startMs: 0, endMs: 1 };
  });

  protected readonly blocks = computed(() => {
    const zone = this.store.trip()?.place.timeZone ?? 'UTC';
    return (this.store.trip()?.blocks ?? []).map((block) => {
      const span = spanOf(block);
      return {
        id: block.id,
        ...lookOf(block.mode),
        mode: block.mode,
        power: `${fixed(block.powerW, Number.isInteger(block.powerW) ? 0 : 1)} W`,
        activity: ACTIVITIES[block.activity].short,
        left: this.percent(span.startMs),
        width: this.percent(span.endMs) - this.percent(span.startMs),
        spoken: spoken(block, span, zone),
      };
    });
  });

  protected percent(timeMs: number): number {
    return 100 * shareOf(this.outing(), timeMs);
  }

  protected lengthOf = (span: Span): string => sayDuration(hoursOf(span));

  protected hover(event: PointerEvent): void {
    this.store.cursorMs.set(this.instantUnder(event.clientX));
  }

  protected drag(press: PointerEvent, id: string): void {
    press.stopPropagation();
    this.store.selectedId.set(id);
    const block = this.store.trip()?.blocks.find((one) => one.id === id);
    if (!block) return;
    const from = spanOf(block).startMs;
    followPointer(press, {
      move: (event, dx) => {
        this.hover(event);
        const toMs = from + toQuarter(dx * this.msPerPixel());
        this.store.edit((trip) => moveBlock(trip, id, toMs), `drag ${id}`);
      },
      end: () => this.store.settle(),
    });
  }

  protected stretch(press: PointerEvent, id: string, edge: Edge): void {
    press.stopPropagation();
    this.store.selectedId.set(id);
    followPointer(press, {
      move: (event) => {
        this.hover(event);
        const toMs = toQuarter(this.instantUnder(event.clientX));
        this.store.edit((trip) => resizeBlock(trip, id, edge, toMs), `stretch ${id} ${edge}`);
      },
      end: () => this.store.settle(),
    });
  }

  protected draw(press: PointerEvent): void {
    const fromMs = this.instantUnder(press.clientX);
    const downTo = Math.floor(fromMs / QUARTER_MS) * QUARTER_MS;
    followPointer(press, {
      move: (event) => {
        this.hover(event);
        const toMs = this.instantUnder(event.clientX);
        this.drawn.set(
          toMs >= fromMs
            ? { startMs: downTo, endMs: Math.max(downTo + QUARTER_MS, toQuarter(toMs)) }
            : { startMs: toQuarter(toMs), endMs: downTo + QUARTER_MS },
        );
      },
      end: (_event, moved) => {
        const span = this.drawn();
        this.drawn.set(null);
        if (moved && span) this.add(span);
        else this.store.selectedId.set(null);
      },
    });
  }

  private add(span: Span): void {
    const id = `b-${newKey()}`;
    const work = workForNew(this.store.trip(), this.store.selected(), this.store.radio());
    this.store.edit((trip) => addBlock(trip, id, span, work) ?? trip);
    this.store.selectedId.set(id);
  }

  private instantUnder(clientX: number): number {
    const { left, width } = this.lane().nativeElement.getBoundingClientRect();
    return Math.round(instantAt(this.outing(), (clientX - left) / width) / MINUTE_MS) * MINUTE_MS;
  }

  private msPerPixel(): number {
    const { startMs, endMs } = this.outing();
    return (endMs - startMs) / this.lane().nativeElement.getBoundingClientRect().width;
  }
}

function spoken(block: Block, span: Span, zone: string): string {
  const share = Math.round(block.share * 100);
  return `${block.mode} ${block.powerW} W, ${ACTIVITIES[block.activity].label}, ${share} % on transmit, ${sayTime(span.startMs, zone)} to ${sayTime(span.endMs, zone)}`;
}
