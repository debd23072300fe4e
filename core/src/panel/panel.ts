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
  propped: { label: 'propped, air behind', u0: 25, u1: 6.84 },
  flat: { label: 'flat on the ground', u0: 18, u1: 3.5 },
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

/** A panel in some light: its current at any voltage. Made once for a light and a temperature. */
export interface PanelCurve {
  /** Short-circuit current, A. */
  readonly iscA: number;
  /** Open-circuit volts. */
  readonly vocV: number;
  /** Volts on the label for a volt in this light and heat: the label's curve is read at V / voltScale. */
  readonly voltScale: number;
  readonly c1: number;
  /** Label's C2 x Voc, V. */
  readonly c2V: number;
}

/**
 * The explicit current-voltage curve I = Isc (1 - C1 (exp(V / (C2 Voc)) - 1)), with C1 and C2 from the label, the current
 * scaled by light and (1 + 0.0005 (Tc - 25)), the volts by (1 + g (Tc - 25)) (1 + d ln(light / 1000)).
 * Source: the explicit model in use since Rauschenbach (1980), Solar Cell Array Design Handbook; design model, section 3.
 *
 * @param truth share of the label's current that the panel really gives, above 0
 */
export function panelCurve(label: PanelLabel, lightWM2: number, cellC: number, truth = 1): PanelCurve {
  const { vmpV, vocV, impA, iscA, technology } = label;
  const { perKelvin, lowLight } = TECHNOLOGIES[technology];
  const c2 = (vmpV / vocV - 1) / Math.log(1 - impA / iscA);
  const c1 = (1 - impA / iscA) * Math.exp(-vmpV / (c2 * vocV));
  const light = Math.max(0, lightWM2) / FULL_LIGHT_W_M2;
  const warmer = cellC - LABEL_CELL_C;
  const dim = light > 0 ? Math.max(0, 1 + lowLight * Math.log(light)) : 0;
  const voltScale = Math.max(0, 1 + perKelvin * warmer) * dim;
  // Where the curve meets zero current; a hair above the label's Voc, since C1 is not exactly exp(-1 / C2).
  const zeroV = c2 * vocV * Math.log(1 + 1 / c1);
  return {
    iscA: truth * iscA * light * Math.max(0, 1 + 0.0005 * warmer),
    vocV: zeroV * voltScale,
    voltScale,
    c1,
    c2V: c2 * vocV,
  };
}

/** Current at a voltage, A, never below 0. */
export function currentAt({ iscA, voltScale, c1, c2V }: PanelCurve, volts: number): number {
  if (voltScale <= 0) return 0;
  return Math.max(0, iscA * (1 - c1 * (Math.exp(volts / voltScale / c2V) - 1)));
}

/** A point on the curve. */
export interface PowerPoint {
  readonly volts: number;
  readonly watts: number;
}

const NEWTON_STEPS = 8;

/**
 * The point of the greatest power: where d(V I)/dV = 0, that is 1 + C1 = C1 e^x (1 + x) with x = V / C2Voc, solved by
 * Newton's rule on x + ln(1 + x) = ln((1 + C1) / C1), which converges from the right side for any C1.
 */
export function greatestPower(curve: PanelCurve): PowerPoint {
  const { iscA, voltScale, c1, c2V } = curve;
  if (iscA <= 0 || voltScale <= 0) return { volts: 0, watts: 0 };
  const wanted = Math.log((1 + c1) / c1);
  let x = Math.max(wanted - Math.log(1 + wanted), 0.01);
  for (let step = 0; step < NEWTON_STEPS; step++) {
    x -= (x + Math.log(1 + x) - wanted) / (1 + 1 / (1 + x));
  }
  const volts = x * c2V * voltScale;
  return { volts, watts: volts * currentAt(curve, volts) };
}

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
