import { Chart, Filler, LinearScale, LineController, LineElement, PointElement, type Plugin } from 'chart.js';
import { OVER_THE_RIDGE, UNDER_THE_RIDGE } from './layers';
import { HOURS_PX, MARGIN_TOP_PX, type Frame, type Scene } from './scene';

Chart.register(LineController, LineElement, PointElement, LinearScale, Filler);

/** The ridge on its canvas: Chart.js draws the line, the layers draw the map around it. */
export class RidgeChart {
  private scene: Scene | null = null;
  private readonly chart: Chart<'line'>;

  constructor(canvas: HTMLCanvasElement) {
    const layers: Plugin<'line'> = {
      id: 'layers',
      beforeDatasetsDraw: (chart) => this.paint(chart, UNDER_THE_RIDGE),
      afterDatasetsDraw: (chart) => this.paint(chart, OVER_THE_RIDGE),
    };
    this.chart = new Chart(canvas, {
      type: 'line',
      data: { datasets: [{ data: [], pointRadius: 0, tension: 0, fill: 'origin' }] },
      options: {
        animation: false,
        events: [],
        parsing: false,
        normalized: true,
        responsive: true,
        maintainAspectRatio: false,
        scales: {
          x: { type: 'linear', display: false },
          y: { type: 'linear', display: false, min: 0, max: 1 },
        },
      },
      plugins: [layers],
    });
  }

  show(scene: Scene): void {
    const sameLine =
      this.scene?.view === scene.view &&
      this.scene.palette === scene.palette &&
      this.scene.margins.left === scene.margins.left;
    this.scene = scene;
    if (sameLine) this.chart.draw();
    else this.redraw(scene);
  }

  destroy(): void {
    this.chart.destroy();
  }

  private redraw({ view, palette, margins }: Scene): void {
    const [dataset] = this.chart.data.datasets;
    const endMs = view.verdict.endMs ?? Infinity;
    dataset.data = Array.from(view.edgesMs, (x, edge) => ({ x, y: view.soc[edge] }));
    dataset.borderColor = palette.slate;
    dataset.borderWidth = palette.line;
    dataset.backgroundColor = palette.slateSoft;
    dataset.segment = {
      borderDash: ({ p0 }) => ((p0.parsed.x ?? 0) >= endMs ? [2, 4] : undefined),
    };
    this.chart.options.layout = { padding: { ...margins, top: MARGIN_TOP_PX, bottom: HOURS_PX } };
    const { x } = this.chart.options.scales ?? {};
    if (x) {
      x.min = view.startMs;
      x.max = view.endMs;
    }
    this.chart.update('none');
    performance.mark('ridge-drawn');
  }

  private paint(chart: Chart<'line'>, layers: typeof OVER_THE_RIDGE): void {
    const { scene } = this;
    if (!scene) return;
    const { left, right, top, bottom } = chart.chartArea;
    const { x, y } = chart.scales;
    const frame: Frame = {
      left,
      right,
      top,
      bottom,
      x: (timeMs) => x.getPixelForValue(timeMs),
      y: (soc) => y.getPixelForValue(soc),
    };
    for (const layer of layers) {
      chart.ctx.save();
      layer(chart.ctx, frame, scene);
      chart.ctx.restore();
    }
  }
}
