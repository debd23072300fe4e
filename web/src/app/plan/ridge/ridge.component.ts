import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  viewChild,
  type ElementRef,
  type OnDestroy,
} from '@angular/core';
import { MINUTE_MS } from '@knapsack/core';
import { ThemeService } from '../../shell/theme.service';
import { QUARTER_MS } from '../edits/blocks';
import { PlanStore } from '../plan.store';
import { readingAt } from '../reading/reading';
import { instantAt } from '../time-scale';
import { readPalette } from './palette';
import { RidgeChart } from './ridge-chart';
import { readMargins } from './scene';

/** Charge over time as a ridge line; the arrow keys walk the cursor along it and it reads out where it stands. */
@Component({
  selector: 'ks-ridge',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="lane-name">charge</div>
    <div
      class="ridge"
      role="slider"
      tabindex="0"
      aria-label="Charge in the battery over the outing"
      aria-valuemin="0"
      aria-valuemax="100"
      [attr.aria-valuenow]="percent()"
      [attr.aria-valuetext]="spoken()"
      (pointermove)="hover($event)"
      (pointerdown)="hover($event)"
      (pointerleave)="store.cursorMs.set(null)"
      (keydown)="walk($event)"
    >
      <canvas #canvas aria-hidden="true"></canvas>
    </div>
  `,
})
export class RidgeComponent implements OnDestroy {
  protected readonly store = inject(PlanStore);
  private readonly themes = inject(ThemeService);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private chart: RidgeChart | null = null;

  private readonly palette = computed(() => {
    this.themes.theme();
    return readPalette(this.canvas().nativeElement);
  });
  private readonly reading = computed(() => {
    const view = this.store.view();
    return view && readingAt(view, this.store.trip(), this.store.cursorMs());
  });
  protected readonly percent = computed(() => Math.round((this.reading()?.soc ?? 0) * 100));
  protected readonly spoken = computed(() => this.reading()?.words ?? 'no forecast yet');

  constructor() {
    effect(() => {
      const view = this.store.view();
      const trip = this.store.trip();
      const canvas = this.canvas().nativeElement;
      const palette = this.palette();
      const cursorMs = this.store.cursorMs();
      if (!view || !trip) return;
      this.chart ??= new RidgeChart(canvas);
      this.chart.show({ view, zone: trip.place.timeZone, cursorMs, palette, margins: readMargins(canvas) });
    });
  }

  ngOnDestroy(): void {
    this.chart?.destroy();
  }

  protected hover(event: PointerEvent): void {
    const view = this.store.view();
    if (!view) return;
    const element = event.currentTarget as HTMLElement;
    const { left, width } = element.getBoundingClientRect();
    const margins = readMargins(element);
    const share = (event.clientX - left - margins.left) / (width - margins.left - margins.right);
    this.store.cursorMs.set(Math.round(instantAt(view, share) / MINUTE_MS) * MINUTE_MS);
  }

  protected walk(event: KeyboardEvent): void {
    const view = this.store.view();
    const steps = { ArrowLeft: -1, ArrowRight: 1, PageDown: -4, PageUp: 4 }[event.key];
    if (!view) return;
    const from = this.store.cursorMs() ?? view.verdict.lowestMs;
    const toMs =
      event.key === 'Home'
        ? view.startMs
        : event.key === 'End'
          ? view.endMs
          : steps
            ? from + steps * QUARTER_MS
            : null;
    if (toMs === null) return;
    event.preventDefault();
    this.store.cursorMs.set(Math.min(view.endMs, Math.max(view.startMs, toMs)));
  }
}
