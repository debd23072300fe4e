import {
  Chart,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  type ChartDataset,
  type Plugin,
} from 'chart.js';
import { hourMarks, OVER_THE_RIDGE, UNDER_THE_RIDGE } from './layers';
import { ridgePoints, splitAt } from './ridge-points';
import { HOURS_PX, MARGIN_TOP_PX, type Frame, type Scene } from './scene';

Chart.register(LineController, LineElement, PointElement, LinearScale, Filler);

/** Where there are many points, the line is thinned to columns of this width. */
const COLUMN_PX = 2;

/** A scale of which nothing is drawn: its marks are not worked out either, nor are their words. */
const BARE = {
  type: 'linear',
  display: false,
  ticks: { display: false },
  afterBuildTicks: (scale: { ticks: unknown[] }) => (scale.ticks = []),
} as const;

const layoutOf = ({ margins }: Scene) => ({
  padding: { ...margins, top: MARGIN_TOP_PX, bottom: HOURS_PX },
});
const limitsX = ({ visible }: Scene) => ({ min: visible.startMs, max: visible.endMs });
const limitsY = ({ picture }: Scene) => ({ min: picture.least, max: picture.most });

/** Whether two scenes are drawn with the same lines, in the same colours, between the same edges: the chart keeps the look of a line. */
const isSameFrame = (a: Scene, b: Scene): boolean =>
  a.visible === b.visible &&
  a.palette === b.palette &&
  a.margins.left === b.margins.left &&
  a.margins.right === b.margins.right &&
  a.picture.least === b.picture.least &&
  a.picture.most === b.picture.most &&
  dashesOf(a) === dashesOf(b);

const dashesOf = ({ beside }: Scene): string => beside.map(({ dash }) => dash.join(' ')).join();

/** The ridge as far as it lasts and beyond, and what is held against it. @param widthPx of the chart */
function linesOf({ view, picture, beside, visible, palette, margins }: Scene, widthPx: number) {
  // Gear that comes back by itself goes on after its first outage.
  const endMs = view.verdict.availability ? Infinity : (view.verdict.endMs ?? Infinity);
  const columns = Math.max(100, (widthPx - margins.left - margins.right) / COLUMN_PX);
  const plain = { pointRadius: 0, tension: 0 } as const;
  const [lasting, beyond] = splitAt(ridgePoints(view.edgesMs, picture.values, visible, columns), endMs);
  const ridge = {
    ...plain,
    fill: 'start',
    borderColor: palette.slate,
    borderWidth: palette.line,
    backgroundColor: palette.slateSoft,
  } as const;
  const lines: ChartDataset<'line'>[] = [
    // Two lines, not one with a style for each piece: the chart would ask for that at every point.
    { ...ridge, data: lasting },
    { ...ridge, data: beyond, borderDash: [2, 4] },
    ...beside.map((other): ChartDataset<'line'> => ({
      ...plain,
      data: ridgePoints(other.edgesMs, other.picture.values, visible, columns),
      fill: false,
      borderColor: palette.muted,
      borderWidth: Math.max(1.4, palette.line * 0.6),
      borderDash: [...other.dash],
    })),
  ];
  return lines;
}

/** The ridge on its canvas: Chart.js draws the lines, the layers draw the map around them. */
export class RidgeChart {
  /** The marks of the hours, for as long as the visible stretch stays. */
  private marked: {
    readonly of: Scene;
    readonly width: number;
    readonly hours: ReturnType<typeof hourMarks>;
  } | null = null;
  private readonly chart: Chart<'line'>;

  /** A chart that shows a scene from the first: an empty one would be laid out once more. */
  constructor(
    canvas: HTMLCanvasElement,
    private scene: Scene,
  ) {
    const layers: Plugin<'line'> = {
      id: 'layers',
      beforeDatasetsDraw: (chart) => this.paint(chart, UNDER_THE_RIDGE),
      afterDatasetsDraw: (chart) => this.paint(chart, OVER_THE_RIDGE),
    };
    this.chart = new Chart(canvas, {
      type: 'line',
      data: { datasets: linesOf(scene, canvas.parentElement?.clientWidth ?? 0) },
      options: {
        animation: false,
        events: [],
        parsing: false,
        normalized: true,
        responsive: true,
        maintainAspectRatio: false,
        layout: layoutOf(scene),
        scales: {
          x: { ...BARE, ...limitsX(scene) },
          y: { ...BARE, ...limitsY(scene) },
        },
      },
      plugins: [layers],
    });
    performance.mark('ridge-drawn');
  }

  show(scene: Scene): void {
    const before = this.scene;
    const sameLines =
      before.view === scene.view &&
      before.picture === scene.picture &&
      before.beside === scene.beside &&
      before.visible === scene.visible &&
      before.palette === scene.palette &&
      before.margins.left === scene.margins.left;
    this.scene = scene;
    if (sameLines) this.chart.draw();
    else this.repaint(scene, before);
  }

  destroy(): void {
    this.chart.destroy();
  }

  private repaint(scene: Scene, before: Scene): void {
    const { chart } = this;
    const lines = linesOf(scene, chart.width);
    const { datasets } = chart.data;
    // The same objects for as long as there are as many lines: what the chart knows of them stays.
    if (datasets.length === lines.length) lines.forEach((line, at) => Object.assign(datasets[at], line));
    else chart.data.datasets = lines;
    if (isSameFrame(scene, before)) {
      // Only the points have moved: no scale and no layout is worked out anew.
      for (const { controller } of chart.getSortedVisibleDatasetMetas()) {
        controller.buildOrUpdateElements(false);
        controller.update('none');
      }
      chart.draw();
    } else {
      chart.options.layout = layoutOf(scene);
      const { x, y } = chart.options.scales ?? {};
      if (x) Object.assign(x, limitsX(scene));
      if (y) Object.assign(y, limitsY(scene));
      chart.update('none');
    }
    performance.mark('ridge-drawn');
  }

  private paint(chart: Chart<'line'>, layers: typeof OVER_THE_RIDGE): void {
    const { scene } = this;
    const { left, right, top, bottom } = chart.chartArea;
    const { x, y } = chart.scales;
    const frame: Frame = {
      left,
      right,
      top,
      bottom,
      x: (timeMs) => x.getPixelForValue(timeMs),
      y: (value) => y.getPixelForValue(value),
      hours: this.hoursOf(scene, right - left),
    };
    for (const layer of layers) {
      chart.ctx.save();
      layer(chart.ctx, frame, scene);
      chart.ctx.restore();
    }
  }

  private hoursOf(scene: Scene, width: number): ReturnType<typeof hourMarks> {
    const { marked } = this;
    if (marked?.width === width && marked.of.visible === scene.visible && marked.of.zone === scene.zone) {
      return marked.hours;
    }
    const hours = hourMarks(scene, width);
    this.marked = { of: scene, width, hours };
    return hours;
  }
}
