import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { fixed } from '@knapsack/core';
import { followPointer } from '../lanes/pointer-drag';
import { ThemeService } from '../shell/theme.service';
import { BenchStore } from './bench.store';
import { instantAt, traceColumns } from './trace';

/** The trace of the current, newest at the right; a drag across it marks a stretch. */
@Component({
  selector: 'ks-trace',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div #lane class="trace" title="Drag across the trace to mark a segment" (pointerdown)="press($event)">
      <canvas #canvas role="img" [attr.aria-label]="words()"></canvas>
      @for (band of bands(); track band.id) {
        <button
          type="button"
          class="band"
          [class.selected]="band.id === store.selectedId()"
          [class.saved]="band.saved"
          [style.left.%]="band.left"
          [style.width.%]="band.width"
          [attr.aria-label]="band.words"
          (pointerdown)="$event.stopPropagation()"
          (click)="store.selectedId.set(band.id)"
        ></button>
      }
      @if (marking(); as now) {
        <span class="band draft" [style.left.%]="100 * now.left" [style.width.%]="100 * now.width"></span>
      }
      @if (store.readings().amps.length > 0) {
        <span class="trace-top">{{ top() }}</span>
      }
    </div>
  `,
})
export class TraceComponent {
  protected readonly store = inject(BenchStore);
  private readonly themes = inject(ThemeService);
  private readonly lane = viewChild.required<ElementRef<HTMLElement>>('lane');
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  /** A stretch being drawn, in shares of the width. */
  protected readonly marking = signal<{ readonly left: number; readonly width: number } | null>(null);

  private readonly most = computed(() => {
    let most = 0.1;
    for (const amps of this.store.readings().amps) if (amps > most) most = amps;
    return most;
  });
  protected readonly top = computed(() => `${fixed(this.most(), 2)} A`);
  protected readonly words = computed(() => {
    const { amps, timesMs } = this.store.readings();
    return amps.length === 0
      ? 'No readings yet'
      : `Trace of ${amps.length} readings over ${fixed((timesMs[amps.length - 1] - timesMs[0]) / 1000, 0)} seconds, up to ${this.top()}`;
  });
  protected readonly bands = computed(() => {
    const { timesMs } = this.store.readings();
    if (timesMs.length < 2) return [];
    const startMs = timesMs[0];
    const lengthMs = timesMs[timesMs.length - 1] - startMs;
    return this.store.marks().map(({ id, fromMs, toMs, saved = false }, index) => ({
      id,
      saved,
      left: (100 * (fromMs - startMs)) / lengthMs,
      width: (100 * (toMs - fromMs)) / lengthMs,
      words: `Segment ${index + 1}`,
    }));
  });

  constructor() {
    effect(() => {
      this.themes.theme();
      this.paint();
    });
  }

  protected press(press: PointerEvent): void {
    const { left, width } = this.lane().nativeElement.getBoundingClientRect();
    const shareAt = (event: PointerEvent) => Math.min(1, Math.max(0, (event.clientX - left) / width));
    const from = shareAt(press);
    const readings = this.store.readings();
    followPointer(press, {
      move: (event) => {
        const to = shareAt(event);
        this.marking.set({ left: Math.min(from, to), width: Math.abs(to - from) });
      },
      end: () => {
        const marking = this.marking();
        this.marking.set(null);
        if (marking && marking.width > 0.003) {
          this.store.mark(
            instantAt(readings, marking.left),
            instantAt(readings, marking.left + marking.width),
          );
        }
      },
      off: () => this.marking.set(null),
    });
  }

  private paint(): void {
    const canvas = this.canvas().nativeElement;
    const readings = this.store.readings();
    const most = this.most() * 1.08;
    const ratio = devicePixelRatio || 1;
    const width = Math.max(1, Math.round(canvas.clientWidth * ratio));
    const height = Math.max(1, Math.round(canvas.clientHeight * ratio));
    canvas.width = width;
    canvas.height = height;
    const context = canvas.getContext('2d');
    if (!context) return;
    context.strokeStyle = getComputedStyle(canvas).color;
    context.lineWidth = 1.5 * ratio;
    context.lineJoin = 'round';
    const { low, high } = traceColumns(readings, width);
    const y = (amps: number) => height * (1 - amps / most);
    context.beginPath();
    let begun = false;
    for (let column = 0; column < width; column++) {
      if (Number.isNaN(low[column])) continue;
      if (begun) context.lineTo(column, y(low[column]));
      else context.moveTo(column, y(low[column]));
      context.lineTo(column, y(high[column]));
      begun = true;
    }
    context.stroke();
  }
}
