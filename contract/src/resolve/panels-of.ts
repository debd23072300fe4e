import { fail, goTogether, inParallel, joined, succeed, type PanelLabel, type Result } from '@knapsack/core';
import { notSimulated } from '../documents/figure.js';
import type { Panel } from '../documents/gear.js';
import type { Carried } from './look-up.js';
import { panelLabel } from './panel-label.js';

const USUAL_TRUTH = 0.9;

/** The panels of a bag as one, on one controller. */
export interface PanelsTogether {
  /** All of them in parallel, each kind in its own strings. */
  readonly label: PanelLabel;
  /** The largest of them, which stands for all where one has to. */
  readonly main: Carried<Panel>;
  /** Share of their labels that they really give, by their watts. */
  readonly truth: number;
  /** What they give less, in full light, than each at its own best volts, W. */
  readonly lostW: number;
}

/** A line of panels in its strings. */
export const stringsOf = ({ gear, item }: Carried<Panel>): PanelLabel =>
  joined(panelLabel(gear), item.inSeries ?? 1, item.count / (item.inSeries ?? 1));

/** Panels in parallel on one controller; refused where their volts differ too much. @param panels at least one */
export function panelsTogether(panels: readonly Carried<Panel>[]): Result<PanelsTogether> {
  const labels = panels.map(stringsOf);
  const watts = labels.reduce((sum, label) => sum + label.watts, 0);
  const largest = labels.reduce((most, label, index) => (label.watts > labels[most].watts ? index : most), 0);
  const main = panels[largest];
  const truth =
    panels.reduce(
      (sum, { gear }, index) => sum + (notSimulated(gear.truth)?.value ?? USUAL_TRUTH) * labels[index].watts,
      0,
    ) / watts;
  if (panels.length === 1) return succeed({ label: labels[0], main, truth, lostW: 0 });
  if (!goTogether(labels)) {
    const volts = (index: number) => `${panels[index].gear.name} at ${Math.round(labels[index].vmpV)} V`;
    return fail({
      code: 'unlike-panels',
      pointer: `/loadout/${panels[1].index}`,
      sentence: `These panels give their power at different volts, ${panels.map((_, index) => volts(index)).join(' and ')}: in parallel the higher would work at the volts of the lower. Take panels of like volts, or put two of the lower in series.`,
    });
  }
  const label = inParallel(labels);
  const alone = labels.reduce((sum, one) => sum + inParallel([one]).watts, 0);
  return succeed({ label, main, truth, lostW: Math.max(0, alone - label.watts) });
}
