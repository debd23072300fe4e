import {
  Chart,
  LinearScale,
  LineElement,
  PointElement,
  ScatterController,
  type ChartDataset,
} from 'chart.js';
import type { Palette } from '../parts/palette';

Chart.register(ScatterController, LineElement, PointElement, LinearScale);

export interface PlotPoint {
  readonly x: number;
  readonly y: number;
}

/** A stretch of values, and what is written at some of them. */
export interface PlotAxis {
  readonly least: number;
  readonly most: number;
  readonly ticks: readonly { readonly value: number; readonly words: string }[];
}

/** Points that are joined, or stand alone. */
export interface PlotMarks {
  readonly points: readonly PlotPoint[];
  readonly colour: Exclude<keyof Palette, 'line'>;
  /** Width of the line, px, or "ridge" for that of the ridge; none if absent. */
  readonly line?: number | 'ridge';
  readonly dash?: readonly number[];
  /** Radius of the dots, px; none if absent. */
  readonly dot?: number;
}

export interface PlotView {
  readonly x: PlotAxis;
  readonly y: PlotAxis;
  /** The first lie under the others. */
  readonly marks: readonly PlotMarks[];
}

/** Room around the plot for what is written at its axes, px. */
const MARGINS = { left: 48, right: 14, top: 12, bottom: 28 } as const;

export interface PlotArea {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** A plot on its canvas: Chart.js draws axes, lines and dots; what is pressed lies over it as elements. */
export class PlotChart {
  private readonly chart: Chart<'scatter'>;

  /** @param placed told where the plot's area lies within the canvas each time it is laid out, px from each side */
  constructor(
    private readonly canvas: HTMLCanvasElement,
    placed: (area: PlotArea) => void,
  ) {
    this.chart = new Chart(canvas, {
      type: 'scatter',
      data: { datasets: [] },
      options: {
        animation: false,
        events: [],
        parsing: false,
        responsive: true,
        maintainAspectRatio: false,
        layout: { padding: { right: MARGINS.right, top: MARGINS.top } },
      },
      plugins: [
        {
          id: 'placed',
          afterLayout: ({ chartArea: { left, top, right, bottom }, width, height }) =>
            placed({ left, top, right: width - right, bottom: height - bottom }),
        },
      ],
    });
  }

  show({ x, y, marks }: PlotView, palette: Palette): void {
    this.chart.data.datasets = marks.map((one): ChartDataset<'scatter'> => ({
      data: [...one.points],
      showLine: one.line !== undefined,
      borderColor: palette[one.colour],
      backgroundColor: palette[one.colour],
      borderWidth: one.line === 'ridge' ? palette.line : (one.line ?? 0),
      borderJoinStyle: 'round',
      borderDash: [...(one.dash ?? [])],
      pointRadius: one.dot ?? 0,
      pointBorderWidth: 0,
      // A dot at the edge is seen whole.
      clip: one.dot ?? 0,
    }));
    const { fontFamily } = getComputedStyle(this.canvas);
    const scale = ({ least, most, ticks }: PlotAxis) => ({
      type: 'linear' as const,
      min: least,
      max: most,
      border: { display: false },
      grid: { color: palette.hairline, lineWidth: 0.7, drawTicks: false },
      ticks: {
        color: palette.muted,
        font: { family: fontFamily, size: 12 },
        padding: 8,
        autoSkip: false,
        maxRotation: 0,
        callback: (_: unknown, index: number) => ticks[index]?.words ?? '',
      },
    });
    const valuesOf = ({ ticks }: PlotAxis) => ticks.map(({ value }) => ({ value }));
    this.chart.options.scales = {
      x: {
        ...scale(x),
        afterBuildTicks: (axis) => (axis.ticks = valuesOf(x)),
        afterFit: (axis) => (axis.height = MARGINS.bottom),
      },
      y: {
        ...scale(y),
        afterBuildTicks: (axis) => (axis.ticks = valuesOf(y)),
        afterFit: (axis) => (axis.width = MARGINS.left),
      },
    };
    this.chart.update('none');
  }

  destroy(): void {
    this.chart.destroy();
  }
}
