import type { ChemistryName, Technology } from '@knapsack/core';

/**
 * What gear of a kind is usually like, for those who have no figures of their own yet: one rule a kind, made from the physics of
 * the kind and rounded to what one finds sold, and how far single items lie from it. No maker's figure stands here. Every figure
 * that comes of it is marked as assumed and carries the spread (one standard deviation, as a share of it) into the chances.
 * Source of all of them: convention of this project, docs/typical-gear.md.
 */
export interface Rule {
  readonly value: number;
  /** Standard deviation, a share of the value. */
  readonly spread: number;
}

const rule = (value: number, spread: number): Rule => ({ value, spread });

/** Amps that a watt of output takes at 13.8 V: an output stage of 36 % efficiency at full power. */
export const AMPS_A_WATT = rule(0.2, 0.15);
/** At a quarter of its power an output stage still takes half of the current: amps go with the square root of watts. */
export const BACKED_OFF = { power: 0.25, amps: 0.5 } as const;

/** A class of radio by its output. */
export interface RadioClass {
  readonly rfW: number;
  readonly receiveA: Rule;
  readonly dropoutV: number;
  readonly weightG: Rule;
  readonly price: Rule;
}

export const RADIOS: readonly RadioClass[] = [
  { rfW: 5, receiveA: rule(0.12, 0.4), dropoutV: 9, weightG: rule(400, 0.3), price: rule(450, 0.4) },
  { rfW: 10, receiveA: rule(0.3, 0.35), dropoutV: 10.5, weightG: rule(900, 0.3), price: rule(800, 0.4) },
  { rfW: 20, receiveA: rule(0.5, 0.35), dropoutV: 11, weightG: rule(1300, 0.3), price: rule(800, 0.4) },
  { rfW: 50, receiveA: rule(0.7, 0.3), dropoutV: 11.5, weightG: rule(2000, 0.3), price: rule(750, 0.4) },
  { rfW: 100, receiveA: rule(1, 0.3), dropoutV: 11.7, weightG: rule(3000, 0.3), price: rule(1000, 0.4) },
];

/** Batteries of a chemistry for a 12 V bus, and the sizes that they are sold in. */
export interface BatteryClass {
  readonly chemistry: ChemistryName;
  readonly cellsInSeries: number;
  readonly sizesAh: readonly number[];
  /** Nominal Wh of the label a kilogram, case and protection included. */
  readonly whPerKg: Rule;
  /** Money a nominal Wh, euro. */
  readonly pricePerWh: Rule;
  /** Continuous discharge, multiples of the rated Ah an hour. */
  readonly continuousC: number;
  readonly protects: boolean;
}

export const BATTERIES: readonly BatteryClass[] = [
  {
    chemistry: 'lifepo4',
    cellsInSeries: 4,
    sizesAh: [3, 6, 10, 15, 20, 30, 50, 100],
    whPerKg: rule(102, 0.15),
    pricePerWh: rule(0.45, 0.4),
    continuousC: 1,
    protects: true,
  },
  {
    chemistry: 'liion',
    cellsInSeries: 4,
    sizesAh: [3, 5, 10, 20],
    whPerKg: rule(150, 0.15),
    pricePerWh: rule(0.6, 0.4),
    continuousC: 1,
    protects: true,
  },
  {
    chemistry: 'agm',
    cellsInSeries: 6,
    sizesAh: [7, 12, 18, 35],
    whPerKg: rule(33, 0.1),
    pricePerWh: rule(0.25, 0.3),
    continuousC: 1,
    protects: false,
  },
  {
    chemistry: 'nimh',
    cellsInSeries: 10,
    sizesAh: [2, 4],
    whPerKg: rule(65, 0.15),
    pricePerWh: rule(1, 0.4),
    continuousC: 1,
    protects: false,
  },
];

/** Panels of a build, and the watts that they are sold in. */
export interface PanelClass {
  readonly build: 'folding' | 'rigid';
  readonly technology: Technology;
  readonly sizesW: readonly number[];
  readonly gPerW: Rule;
  readonly pricePerW: Rule;
  /** Output against label. */
  readonly truth: Rule;
}

export const PANELS: readonly PanelClass[] = [
  {
    build: 'folding',
    technology: 'good_mono',
    sizesW: [10, 20, 40, 60, 100],
    gPerW: rule(36, 0.25),
    pricePerW: rule(2.5, 0.4),
    truth: rule(0.85, 0.1),
  },
  {
    build: 'rigid',
    technology: 'good_mono',
    sizesW: [50, 100],
    gPerW: rule(70, 0.15),
    pricePerW: rule(1, 0.4),
    truth: rule(0.93, 0.05),
  },
];

/** Charge controllers by type. */
export const CONTROLLERS = [
  { type: 'pwm', maxA: 10, standbyA: rule(0.008, 0.5), weightG: rule(150, 0.3), price: rule(20, 0.4) },
  { type: 'mppt', maxA: 10, standbyA: rule(0.015, 0.5), weightG: rule(350, 0.4), price: rule(80, 0.4) },
] as const;

/** What else is on: watts behind a USB or laptop converter. */
export const ACCESSORIES = [
  { name: 'laptop', via: 'laptop', watts: rule(18, 0.35), when: 'computer', weightG: rule(1500, 0.25) },
  { name: 'tablet', via: 'usb', watts: rule(5, 0.35), when: 'computer', weightG: rule(500, 0.25) },
  {
    name: 'single-board computer',
    via: 'usb',
    watts: rule(4, 0.35),
    when: 'computer',
    weightG: rule(250, 0.3),
  },
  { name: 'phone on charge', via: 'usb', watts: rule(5, 0.4), when: 'always', weightG: rule(200, 0.2) },
  { name: 'LED lamp', via: 'usb', watts: rule(1, 0.5), when: 'dark', weightG: rule(80, 0.4) },
] as const;

/** A cable to the radio: 2.5 mm2, 1.5 m one way, one blade fuse. */
export const CABLE = { areaMm2: 2.5, lengthM: 1.5, weightG: rule(180, 0.2) } as const;

/**
 * What a euro is in other money, coarsely, so that a typical price has the right size; the spread of the price covers the rest.
 * A currency that is not here has no typical prices. Source: convention of this project, end of 2026.
 */
export const EURO_IN: ReadonlyMap<string, number> = new Map([
  ['EUR', 1],
  ['USD', 1.1],
  ['GBP', 0.85],
  ['CHF', 0.95],
  ['CAD', 1.5],
  ['AUD', 1.7],
  ['NZD', 1.9],
  ['NOK', 11.5],
  ['SEK', 11.2],
  ['DKK', 7.5],
  ['PLN', 4.3],
  ['CZK', 25],
  ['JPY', 165],
]);
