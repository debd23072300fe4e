import { habits, speakIn } from '@knapsack/core';
import { readPalette } from '../../parts/palette';
import { RidgeChart } from './ridge-chart';
import type { Scene } from './scene';

const HOUR_MS = 3_600_000;

/** A ridge that falls from full to a level over two days. */
const scene = (lowest: number, more: Partial<Scene> = {}): Scene => {
  const edgesMs = Float64Array.from({ length: 577 }, (_, step) => step * 300_000);
  const values = edgesMs.map((_, step) => 1 - ((1 - lowest) * step) / 576);
  const picture = {
    values,
    least: 0,
    most: 1,
    ticks: [0, 0.5, 1],
    say: String,
    water: 0.2,
    waterWords: 'reserve',
    lowest: null,
  };
  return {
    view: { edgesMs, startMs: 0, endMs: 48 * HOUR_MS, verdict: { endMs: null, events: [] } },
    picture,
    beside: [],
    haze: null,
    visible: VISIBLE,
    zone: 'UTC',
    palette: PALETTE,
    margins: MARGINS,
    ...more,
  } as unknown as Scene;
};
const VISIBLE = { startMs: 0, endMs: 48 * HOUR_MS };
const PALETTE = readPalette(document.documentElement);
const MARGINS = { left: 40, right: 20 };

describe('the ridge on its canvas', () => {
  let box: HTMLElement;
  let charts: RidgeChart[];
  const spoken = habits();

  const shown = (first: Scene, ...then: Scene[]): string => {
    const canvas = document.createElement('canvas');
    box.replaceChildren(canvas);
    const chart = new RidgeChart(canvas, first);
    charts.push(chart);
    for (const next of then) chart.show(next);
    return canvas.toDataURL();
  };

  beforeEach(() => {
    speakIn({ ...spoken, clock: 24 });
    charts = [];
    box = document.createElement('div');
    box.style.cssText = 'position: relative; width: 600px; height: 200px';
    document.body.append(box);
  });
  afterEach(() => {
    for (const chart of charts) chart.destroy();
    box.remove();
    speakIn(spoken);
  });

  it('looks the same moved from another as drawn at once', () => {
    const low = shown(scene(0.2));
    expect(shown(scene(0.6), scene(0.2))).toBe(low);
    expect(shown(scene(0.6), scene(0.9), scene(0.2))).toBe(low);
    expect(shown(scene(0.6))).not.toBe(low);
  });

  it('looks the same where the edges, the hours or the lines were others before', () => {
    const low = shown(scene(0.2));
    const higher = scene(0.6);
    const before = [
      scene(0.6, { picture: { ...higher.picture, most: 2 } }),
      scene(0.6, { visible: { startMs: 6 * HOUR_MS, endMs: 12 * HOUR_MS } }),
      scene(0.6, { margins: { left: 60, right: 20 } }),
      scene(0.6, {
        beside: [{ name: 'before', edgesMs: higher.view.edgesMs, picture: higher.picture, dash: [5, 4] }],
      }),
    ];
    for (const other of before) {
      const otherwise = shown(other);
      expect(otherwise).not.toBe(low);
      expect(shown(other, scene(0.2))).toBe(low);
    }
  });

  it('gives a line beside it the look of that line, where another had stood there before', () => {
    const { view, picture } = scene(0.6);
    const beside = (dash: readonly number[]) =>
      scene(0.2, { beside: [{ name: 'other', edgesMs: view.edgesMs, picture, dash }] });
    expect(shown(beside([5, 4]))).not.toBe(shown(beside([9, 4])));
    expect(shown(beside([5, 4]), beside([9, 4]))).toBe(shown(beside([9, 4])));
  });
});
