import { CHEMISTRIES, familyOf, MODE_NAMES } from '@knapsack/core';
import type { Figure } from '../documents/figure.js';
import { GEAR_SCHEMA, GEAR_VERSION, type Gear } from '../documents/gear.js';
import {
  ACCESSORIES,
  AMPS_A_WATT,
  BACKED_OFF,
  BATTERIES,
  CABLE,
  CONTROLLERS,
  EURO_IN,
  PANELS,
  RADIOS,
  type Rule,
} from './typical-rules.js';

/** What a computer is on for. */
const DIGITAL = MODE_NAMES.filter((mode) => !familyOf(mode).byEar);

const PREFIX = 'typical-';
/** Stands on every typical item, so that one sees on the shelf what it is. */
const ABOUT = 'typical figures, not measured';

/** Whether an item was taken from the typical ones, whatever was made of it since. */
export const isTypical = ({ id }: Pick<Gear, 'id'>): boolean => id.startsWith(PREFIX);

const assumed = ({ value, spread }: Rule): Figure => {
  const tidy = Number(value.toPrecision(2));
  return { value: tidy, source: 'assumed', spread: Number((tidy * spread).toPrecision(2)) };
};
const times = ({ value, spread }: Rule, factor: number): Rule => ({ value: value * factor, spread });
const guessed = (value: number): Figure => ({ value, source: 'assumed' });

/** A price in the currency at hand, where there is one. */
type Priced = (euro: Rule) => { readonly price?: Figure };

/**
 * All typical gear, with prices in a currency where it is one whose size is known. The figures follow the rules of
 * typical-rules.ts; the ids are the same at every call.
 *
 * @param currency ISO 4217 code, or empty
 */
export function typicalGear(currency = ''): readonly Gear[] {
  const rate = EURO_IN.get(currency);
  const priced: Priced = (euro) => (rate === undefined ? {} : { price: assumed(times(euro, rate)) });
  return [
    ...RADIOS.map((radio) => typicalRadio(radio, priced)),
    ...BATTERIES.flatMap((battery) =>
      battery.sizesAh.map((ratedAh) => typicalBattery(battery, ratedAh, priced)),
    ),
    ...PANELS.flatMap((panel) => panel.sizesW.map((watts) => typicalPanel(panel, watts, priced))),
    ...CONTROLLERS.map((controller) => typicalController(controller, priced)),
    ...ACCESSORIES.map(typicalAccessory),
    typicalCable(),
  ];
}

const common = (id: string) =>
  // On the wish list until the user says that it is owned.
  ({
    schema: GEAR_SCHEMA,
    version: GEAR_VERSION,
    id: PREFIX + id,
    about: ABOUT,
    wished: true,
  }) as const;

function typicalRadio(radio: (typeof RADIOS)[number], priced: Priced): Gear {
  const fullA = radio.receiveA.value + radio.rfW * AMPS_A_WATT.value;
  const at = (rfW: number, amps: number) => ({
    rfW,
    amps: Number(amps.toPrecision(3)),
    source: 'assumed' as const,
    spread: Number((amps * AMPS_A_WATT.spread).toPrecision(2)),
  });
  return {
    ...common(`radio-${radio.rfW}w`),
    kind: 'radio',
    name: `Typical ${radio.rfW} W radio`,
    receiveA: assumed(radio.receiveA),
    transmit: [
      at(radio.rfW * BACKED_OFF.power, Math.max(radio.receiveA.value, fullA * BACKED_OFF.amps)),
      at(radio.rfW, fullA),
    ],
    dropoutV: guessed(radio.dropoutV),
    weightG: assumed(radio.weightG),
    ...priced(radio.price),
  };
}

/** How far the capacity on a label is off, as a share. */
const LABEL_SPREAD = 0.05;

function typicalBattery(battery: (typeof BATTERIES)[number], ratedAh: number, priced: Priced): Gear {
  const { label, nominalV, tableCells } = CHEMISTRIES[battery.chemistry];
  const wattHours = (ratedAh * nominalV * battery.cellsInSeries) / tableCells;
  return {
    ...common(`${battery.chemistry}-${ratedAh}ah`),
    kind: 'battery',
    name: `Typical ${ratedAh} Ah ${label}`,
    chemistry: battery.chemistry,
    cellsInSeries: battery.cellsInSeries,
    ratedAh: {
      value: ratedAh,
      source: 'assumed',
      spread: Number((ratedAh * LABEL_SPREAD).toPrecision(2)),
    },
    continuousA: guessed(ratedAh * battery.continuousC),
    ...(battery.protects && { protects: true }),
    weightG: assumed({
      value: (1000 * wattHours) / battery.whPerKg.value,
      spread: battery.whPerKg.spread,
    }),
    ...priced(times(battery.pricePerWh, wattHours)),
  };
}

const typicalPanel = (panel: (typeof PANELS)[number], watts: number, priced: Priced): Gear => ({
  ...common(`${panel.build}-${watts}w`),
  kind: 'panel',
  name: `Typical ${watts} W ${panel.build} panel`,
  technology: panel.technology,
  watts: guessed(watts),
  truth: assumed(panel.truth),
  weightG: assumed(times(panel.gPerW, watts)),
  ...priced(times(panel.pricePerW, watts)),
});

const typicalController = (controller: (typeof CONTROLLERS)[number], priced: Priced): Gear => ({
  ...common(`${controller.type}-${controller.maxA}a`),
  kind: 'controller',
  name: `Typical ${controller.maxA} A ${controller.type.toUpperCase()} controller`,
  type: controller.type,
  maxA: guessed(controller.maxA),
  maxInputV: guessed(50),
  selfUseA: assumed(controller.standbyA),
  weightG: assumed(controller.weightG),
  ...priced(controller.price),
});

const typicalAccessory = (accessory: (typeof ACCESSORIES)[number]): Gear => ({
  ...common(accessory.name.toLowerCase().replaceAll(' ', '-')),
  kind: 'accessory',
  name: `Typical ${accessory.name}`,
  drawW: assumed(accessory.watts),
  via: accessory.via,
  rule: accessory.when === 'computer' ? { when: 'operating', modes: DIGITAL } : { when: accessory.when },
  weightG: assumed(accessory.weightG),
});

const typicalCable = (): Gear => ({
  ...common('cable'),
  kind: 'lead',
  name: 'Typical radio cable, fused',
  wire: {
    areaMm2: CABLE.areaMm2,
    lengthM: CABLE.lengthM,
    contactPairs: 2,
    // 1.08 x the 21 A of a typical radio of 100 W.
    fusesA: [25],
    connectorA: 30,
  },
  weightG: assumed(CABLE.weightG),
});
