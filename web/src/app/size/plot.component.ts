import {
  ChangeDetectionStrategy,
  Component,
  effect,
  inject,
  input,
  signal,
  viewChild,
  type ElementRef,
  type OnDestroy,
} from '@angular/core';
import { readPalette } from '../parts/palette';
import { ThemeService } from '../shell/theme.service';
import { PlotChart, type PlotArea, type PlotAxis, type PlotView } from './plot-chart';

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
      [style.left.px]="area().left"
      [style.right.px]="area().right"
      [style.top.px]="area().top"
      [style.bottom.px]="area().bottom"
    >
      <ng-content />
    </div>
  `,
})
export class PlotComponent implements OnDestroy {
  readonly view = input.required<PlotView>();
  protected readonly area = signal<PlotArea>({ left: 0, right: 0, top: 0, bottom: 0 });
  private readonly themes = inject(ThemeService);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private chart: PlotChart | null = null;

  constructor() {
    effect(() => {
      this.themes.theme();
      const canvas = this.canvas().nativeElement;
      this.chart ??= new PlotChart(canvas, (area) => this.area.set(area));
      this.chart.show(this.view(), readPalette(canvas));
    });
  }

  ngOnDestroy(): void {
    this.chart?.destroy();
  }
}
