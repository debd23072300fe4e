import { currentAt, panelCurve, panelShape, type PanelLabel } from './panel.js';

/** Full light and cells of 25 C, at which labels are given. */
const LABEL_LIGHT_W_M2 = 1000;
const LABEL_CELL_C = 25;
/** Volts in which the greatest power is looked for, as shares of the highest Voc; then halved in between. */
const LOOKS = 200;
const THIRDS = 40;
/** A curve through a point nearer to its open or short circuit is no curve. */
const NEAREST_VMP = 0.97;
const NEAREST_IMP = 0.995;

/**
 * Panels in parallel, one of each label, as one: at every voltage their currents add, and one controller finds the greatest power
 * of the sum. Of like panels it is their sum; unlike ones give less, since neither works at its own best volts.
 * Source: convention of this project, from the explicit curve of each (see {@link panelShape}).
 *
 * @param labels at least one; of the technology of the largest
 */
export function inParallel(labels: readonly PanelLabel[]): PanelLabel {
  const curves = labels.map((label) => panelCurve(panelShape(label), LABEL_LIGHT_W_M2, LABEL_CELL_C));
  const amps = (volts: number) => curves.reduce((sum, curve) => sum + currentAt(curve, volts), 0);
  const highestV = Math.max(...labels.map(({ vocV }) => vocV));
  const watts = (volts: number) => volts * amps(volts);
  let best = 0;
  for (let look = 1; look <= LOOKS; look++) {
    const volts = (look / LOOKS) * highestV;
    if (watts(volts) > watts(best)) best = volts;
  }
  let [low, high] = [best - highestV / LOOKS, best + highestV / LOOKS];
  for (let step = 0; step < THIRDS; step++) {
    const third = (high - low) / 3;
    if (watts(low + third) < watts(high - third)) low += third;
    else high -= third;
  }
  const vmpV = (low + high) / 2;
  const iscA = labels.reduce((sum, label) => sum + label.iscA, 0);
  const vocV = labels.reduce((sum, label) => sum + label.vocV * label.iscA, 0) / iscA;
  const largest = labels.reduce((most, label) => (label.watts > most.watts ? label : most));
  return {
    technology: largest.technology,
    watts: watts(vmpV),
    vmpV,
    vocV: Math.max(vocV, vmpV / NEAREST_VMP),
    impA: Math.min(amps(vmpV), NEAREST_IMP * iscA),
    iscA,
  };
}

/** Volts of one panel that are this far under another's leave too little of it to be worth a curve. Source: convention of this project. */
const LEAST_VOLTS_SHARE = 0.8;

/** Whether panels give their power at volts near enough to lie in parallel. */
export function goTogether(labels: readonly PanelLabel[]): boolean {
  const volts = labels.map(({ vmpV }) => vmpV);
  return Math.min(...volts) >= LEAST_VOLTS_SHARE * Math.max(...volts);
}
