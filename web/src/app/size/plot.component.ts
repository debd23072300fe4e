import {
  ChangeDetectionStrategy,
  Component,
  effect,
  inject,
  input,
  viewChild,
  type ElementRef,
  type OnDestroy,
} from '@angular/core';
import { readPalette } from '../parts/palette';
import { ThemeService } from '../shell/theme.service';
import { PLOT_MARGINS, PlotChart, type PlotAxis, type PlotView } from './plot-chart';

/** Where a value stands along an axis, % from its least. */
export const along = ({ least, most }: PlotAxis, value: number): number =>
  (100 * (value - least)) / Math.max(most - least, 1e-9);

/** A plot with axes. What stands in it lies over its area: places of {@link along}, from the left and from below. */
@Component({
  selector: 'ks-plot',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <canvas #canvas aria-hidden="true"></canvas>
    <div
      class="plot-area"
      [style.left.px]="margins.left"
      [style.right.px]="margins.right"
      [style.top.px]="margins.top"
      [style.bottom.px]="margins.bottom"
    >
      <ng-content />
    </div>
  `,
})
export class PlotComponent implements OnDestroy {
  readonly view = input.required<PlotView>();
  protected readonly margins = PLOT_MARGINS;
  private readonly themes = inject(ThemeService);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private chart: PlotChart | null = null;

  constructor() {
    effect(() => {
      this.themes.theme();
      const canvas = this.canvas().nativeElement;
      this.chart ??= new PlotChart(canvas);
      this.chart.show(this.view(), readPalette(canvas));
    });
  }

  ngOnDestroy(): void {
    this.chart?.destroy();
  }
}
