/** What a panel is made of. */
export const TECHNOLOGIES = {
  good_mono: { label: 'good crystalline', perKelvin: -0.004, lowLight: 0.03 },
  cheap_mono: { label: 'cheap crystalline', perKelvin: -0.004, lowLight: 0.06 },
  thin_film: { label: 'thin film', perKelvin: -0.0028, lowLight: 0.005 },
} as const;

export type Technology = keyof typeof TECHNOLOGIES;

/** A panel's label, at 1000 W/m2 and cells of 25 C. Needs impA < iscA and vmpV < vocV. */
export interface PanelLabel {
  readonly technology: Technology;
  readonly watts: number;
  readonly vmpV: number;
  readonly vocV: number;
  readonly impA: number;
  readonly iscA: number;
}

/** How air reaches the panel's back. Source of the factors: Faiman (2008), Progress in Photovoltaics 16, 307. */
export const MOUNTS = {
  propped: { label: 'propped', u0: 25, u1: 6.84 },
  flat: { label: 'lying on it', u0: 18, u1: 3.5 },
} as const;

export type Mount = keyof typeof MOUNTS;

const FULL_LIGHT_W_M2 = 1000;
const LABEL_CELL_C = 25;

/** Temperature of the cells, C: Ta + POA / (U0 + U1 wind), wind in m/s. Source: Faiman (2008). */
export function cellTemperature(mount: Mount, airC: number, lightWM2: number, windMS: number): number {
  const { u0, u1 } = MOUNTS[mount];
  return airC + lightWM2 / (u0 + u1 * windMS);
}

/**
 * A label from the watts alone: Vmp 18 V, Voc 21.6 V, Isc 1.08 Imp, as most folding panels for a 12 V bus have.
 *
 * @param watts above 0
 */
export function labelFromWatts(watts: number, technology: Technology): PanelLabel {
  const impA = watts / 18;
  return { technology, watts, vmpV: 18, vocV: 21.6, impA, iscA: 1.08 * impA };
}

/** What of a label's curve does not depend on light or heat; made once for a label. */
export interface PanelShape {
  readonly label: PanelLabel;
  readonly c1: number;
  /** C2 x label Voc, V. */
  readonly c2V: number;
  /** Volts of no current on the label's curve; a hair off the label's Voc, since C1 is not exactly exp(-1 / C2). */
  readonly zeroV: number;
  /** Volts of the greatest power on the label's curve, and that power, W. */
  readonly bestV: number;
  readonly bestW: number;
}

/** A panel in some light: its current at any voltage. */
export interface PanelCurve {
  readonly shape: PanelShape;
  /** Short-circuit current, A. */
  readonly iscA: number;
  /** Open-circuit volts. */
  readonly vocV: number;
  /** The label's curve is read at V / voltScale; 0 in the dark. */
  readonly voltScale: number;
}

/**
 * The explicit current-voltage curve I = Isc (1 - C1 (exp(V / (C2 Voc)) - 1)) of a label:
 * C2 = (Vmp / Voc - 1) / ln(1 - Imp / Isc), C1 = (1 - Imp / Isc) exp(-Vmp / (C2 Voc)).
 * Source: the explicit model in use since Rauschenbach (1980), Solar Cell Array Design Handbook; convention of this project, docs/model.md
 */
export function panelShape(label: PanelLabel): PanelShape {
  const { vmpV, vocV, impA, iscA } = label;
  const c2 = (vmpV / vocV - 1) / Math.log(1 - impA / iscA);
  const c1 = (1 - impA / iscA) * Math.exp(-vmpV / (c2 * vocV));
  const c2V = c2 * vocV;
  const bestV = greatestPowerAt(c1) * c2V;
  return {
    label,
    c1,
    c2V,
    zeroV: c2V * Math.log(1 + 1 / c1),
    bestV,
    bestW: bestV * iscA * (1 - c1 * Math.expm1(bestV / c2V)),
  };
}

const NEWTON_STEPS = 8;

/**
 * Where d(V I)/dV = 0, as x = V / (C2 Voc): 1 + C1 = C1 e^x (1 + x), solved by Newton's rule on
 * x + ln(1 + x) = ln((1 + C1) / C1), which rises and is concave, so that it converges for any C1.
 */
function greatestPowerAt(c1: number): number {
  const wanted = Math.log((1 + c1) / c1);
  let x = Math.max(wanted - Math.log(1 + wanted), 0.01);
  for (let step = 0; step < NEWTON_STEPS; step++) {
    x -= (x + Math.log(1 + x) - wanted) / (1 + 1 / (1 + x));
  }
  return x;
}

/**
 * The curve in some light and heat: the current scaled by light and (1 + 0.0005 (Tc - 25)), the volts by
 * (1 + g (Tc - 25)) (1 + d ln(light / 1000)), neither below 0. Source: convention of this project, docs/model.md.
 *
 * @param lightWM2 on the panel's plane
 * @param cellC temperature of the cells
 * @param truth share of the label's current that the panel really gives, above 0
 */
export function panelCurve(shape: PanelShape, lightWM2: number, cellC: number, truth = 1): PanelCurve {
  const { perKelvin, lowLight } = TECHNOLOGIES[shape.label.technology];
  const light = Math.max(0, lightWM2) / FULL_LIGHT_W_M2;
  const warmer = cellC - LABEL_CELL_C;
  const dim = light > 0 ? Math.max(0, 1 + lowLight * Math.log(light)) : 0;
  const voltScale = Math.max(0, 1 + perKelvin * warmer) * dim;
  return {
    shape,
    iscA: truth * shape.label.iscA * light * Math.max(0, 1 + 0.0005 * warmer),
    vocV: shape.zeroV * voltScale,
    voltScale,
  };
}

/** Current at a voltage, A, never below 0. */
export function currentAt({ shape, iscA, voltScale }: PanelCurve, volts: number): number {
  if (voltScale <= 0) return 0;
  return Math.max(0, iscA * (1 - shape.c1 * Math.expm1(volts / voltScale / shape.c2V)));
}

/** A point on the curve. */
export interface PowerPoint {
  readonly volts: number;
  readonly watts: number;
}

/** The point of the greatest power: the label's own, scaled, since light and heat only stretch the curve. */
export const greatestPower = ({ shape, iscA, voltScale }: PanelCurve): PowerPoint => ({
  volts: shape.bestV * voltScale,
  watts: shape.bestW * (iscA / shape.label.iscA) * voltScale,
});

/**
 * Open-circuit volts in the cold and full light, for the check against a controller's limit: label Voc (1 + g (T - 25)).
 *
 * @param perKelvin the label's own coefficient, a kelvin, where it gives one (about -0.003)
 */
export function coldOpenCircuitVolts(label: PanelLabel, lowestCellC: number, perKelvin?: number): number {
  const coefficient = perKelvin ?? TECHNOLOGIES[label.technology].perKelvin;
  return label.vocV * (1 + coefficient * (lowestCellC - LABEL_CELL_C));
}

/** Panels of one kind together: in parallel currents add, in series volts add. */
export function joined(label: PanelLabel, inSeries: number, inParallel: number): PanelLabel {
  return {
    technology: label.technology,
    watts: label.watts * inSeries * inParallel,
    vmpV: label.vmpV * inSeries,
    vocV: label.vocV * inSeries,
    impA: label.impA * inParallel,
    iscA: label.iscA * inParallel,
  };
}
