import { labelFromWatts, type PanelLabel } from '@knapsack/core';
import type { Panel } from '../documents/gear.js';

/** A panel's label, what is missing taken from its watts and volts. */
export function panelLabel({ technology, watts, vmpV, vocV, impA, iscA }: Panel): PanelLabel {
  const usual = labelFromWatts(watts.value, technology);
  const vmp = vmpV?.value ?? usual.vmpV;
  const imp = impA?.value ?? watts.value / vmp;
  return {
    technology,
    watts: watts.value,
    vmpV: vmp,
    vocV: vocV?.value ?? (vmp / usual.vmpV) * usual.vocV,
    impA: imp,
    iscA: iscA?.value ?? 1.08 * imp,
  };
}

/** The words of a label's figures that are taken from its watts. */
export const guessedOf = (panel: Panel): string[] => {
  const words: [string, unknown][] = [
    ['Vmp', panel.vmpV],
    ['Voc', panel.vocV],
    ['Isc', panel.iscA],
  ];
  return words.filter(([, figure]) => figure === undefined).map(([word]) => word);
};

/** No panel's best point lies nearer to its open or short circuit; a curve through one that does is no curve. */
const NEAREST_VMP = 0.97;
const NEAREST_IMP = 0.995;

/** What is wrong between the figures of a label, or null. */
export function panelProblem(panel: Panel): string | null {
  const { vmpV, vocV, impA, iscA } = panelLabel(panel);
  if (![vmpV, vocV, impA, iscA].every(Number.isFinite)) return null;
  if (vmpV > NEAREST_VMP * vocV) {
    return `The panel’s Vmp must be below its Voc, at most 97 % of it; ${tidy(vmpV)} V and ${tidy(vocV)} V cannot both be right. They may have been swapped.`;
  }
  if (impA > NEAREST_IMP * iscA) {
    return `The panel’s Imp must be below its Isc, at most 99.5 % of it; ${tidy(impA)} A and ${tidy(iscA)} A cannot both be right. They may have been swapped.`;
  }
  return null;
}

const tidy = (value: number): number => Number(value.toPrecision(4));
