import type { ChemistryName, Connector, Technology } from '@knapsack/core';
import type { ControllerGear } from '../documents/charging-gear.js';
import type {
  Accessory,
  Amplifier,
  Antenna,
  Battery,
  Panel,
  Radio,
  PowerStation,
} from '../documents/gear.js';
import type { CableRunNote } from '../documents/harness-notes.js';

const common = { schema: 'knapsack.gear', version: 8 } as const;
const sheet = (value: number) => ({ value, source: 'datasheet' as const });

export const FLAT = '30 A flat-contact pair';
export const BARREL = '2.1 mm barrel socket';

/** A radio of a class, as its sheet has it: power, key-down and receive current, minimum, full-power and maximum volts. */
const radio = (
  id: string,
  [rfW, keyDownA, receiveA]: readonly [number, number, number],
  [dropoutV, fullPowerV, maxV]: readonly [number, number, number | null],
  connector: string,
): Radio => ({
  ...common,
  id,
  kind: 'radio',
  name: `${rfW} W radio`,
  receiveA: sheet(receiveA),
  transmit: [
    { rfW, amps: keyDownA, source: 'datasheet' },
    { rfW: rfW / 2, amps: 0.7 * keyDownA, source: 'datasheet' },
    { rfW: rfW / 5, amps: 0.45 * keyDownA, source: 'datasheet' },
  ],
  dropoutV: sheet(dropoutV),
  fullPowerV: sheet(fullPowerV),
  ...(maxV !== null && { maxV: sheet(maxV) }),
  connectors: [connector],
});

export const RADIOS = {
  pocket: radio('pocket', [5, 0.95, 0.05], [7, 9.5, 15], BARREL),
  ten: radio('ten', [10, 2.2, 0.2], [9.5, 12, 15], FLAT),
  twenty: radio('twenty', [20, 4.2, 0.3], [10.5, 12, 15], FLAT),
  fifty: radio('fifty', [50, 10.5, 0.4], [10.8, 12, 15.8], FLAT),
  hundred: radio('hundred', [100, 22, 1], [11, 12, 15.9], FLAT),
} as const;

/** The same radio with a maximum that nobody has entered. */
export function ofUnknownMaximum({ maxV: _maxV, ...rest }: Radio): Radio {
  return rest;
}

/** A battery of a class; lithium with a protection of its own. */
export const battery = (
  id: string,
  chemistry: ChemistryName,
  cellsInSeries: number,
  ampereHours: number,
  more: Partial<Battery> = {},
): Battery => ({
  ...common,
  id,
  kind: 'battery',
  name: `${ampereHours} Ah ${chemistry}`,
  chemistry,
  cellsInSeries,
  ratedAh: sheet(ampereHours),
  ...more,
});

/** LiFePO4 as it is sold: 1 C for as long as it lasts, 2 C for seconds, half of it for a charge. */
export const iron = (ampereHours: number, more: Partial<Battery> = {}): Battery =>
  battery(`iron-${ampereHours}`, 'lifepo4', 4, ampereHours, {
    continuousA: sheet(ampereHours),
    peakA: sheet(2 * ampereHours),
    maxChargeA: sheet(ampereHours / 2),
    protects: true,
    ...more,
  });

/** AGM as it is sold: a few C for minutes. */
export const agm = (ampereHours: number, more: Partial<Battery> = {}): Battery =>
  battery(`agm-${ampereHours}`, 'agm', 6, ampereHours, {
    continuousA: sheet(ampereHours),
    peakA: sheet(5 * ampereHours),
    ...more,
  });

export const cells = (id: string, chemistry: ChemistryName, count: number, ampereHours: number): Battery =>
  battery(id, chemistry, count, ampereHours, {
    name: `${count} AA ${chemistry}`,
    continuousA: sheet(chemistry === 'alkaline' ? 1.2 : 2 * ampereHours),
    connectors: [BARREL],
  });

export const panel = (
  watts: number,
  technology: Technology = 'good_mono',
  more: Partial<Panel> = {},
): Panel => ({
  ...common,
  id: `panel-${watts}`,
  kind: 'panel',
  name: `${watts} W panel`,
  technology,
  watts: sheet(watts),
  ...more,
});

/** A controller as a careful person has entered it: listened to, its profiles known. */
export const controller = (more: Partial<ControllerGear> = {}): ControllerGear => ({
  ...common,
  id: 'controller',
  kind: 'controller',
  name: 'MPPT controller',
  type: 'mppt',
  maxA: sheet(10),
  maxInputV: sheet(50),
  profiles: ['lifepo4', 'agm', 'gel', 'flooded'],
  wakesBattery: true,
  selfUseA: sheet(0.01),
  noise: [{ band: '20 m', unit: 'S', off: 2, on: 2 }],
  ...more,
});

export const pwm = (maxA: number, more: Partial<ControllerGear> = {}): ControllerGear =>
  controller({ name: 'PWM controller', type: 'pwm', maxA: sheet(maxA), limitsCurrent: false, ...more });

export const station = (wattHours: number, more: Partial<PowerStation> = {}): PowerStation => ({
  ...common,
  id: 'station',
  kind: 'station',
  name: `${wattHours} Wh power station`,
  chemistry: 'lifepo4',
  cellsInSeries: 8,
  wattHours: sheet(wattHours),
  socketV: sheet(13.1),
  socketA: sheet(10),
  solarW: sheet(100),
  solarMaxV: sheet(28),
  ...more,
});

export const accessory = (id: string, amps: number, more: Partial<Accessory> = {}): Accessory => ({
  ...common,
  id,
  kind: 'accessory',
  name: id,
  drawA: sheet(amps),
  rule: { when: 'operating' },
  ...more,
});

/** Watts behind a converter. */
export function fedBy(id: string, watts: number, via: NonNullable<Accessory['via']>): Accessory {
  const { drawA: _drawA, ...rest } = accessory(id, 0);
  return { ...rest, drawW: sheet(watts), via };
}

export const amplifier = (transmitA: number): Amplifier => ({
  ...common,
  id: 'amplifier',
  kind: 'amplifier',
  name: 'amplifier',
  standbyA: sheet(0.3),
  transmitA: sheet(transmitA),
});

export const antenna: Antenna = { ...common, id: 'antenna', kind: 'antenna', name: 'wire and mast' };

const flat: Connector = { family: 'flat30', end: 'plug' };

/** What is said of a run: so much wire of so many metres, a fuse where there is one, flat contacts at both ends unless said. */
export const run = (
  to: string,
  areaMm2: number,
  lengthM: number,
  fuseA?: number,
  more: Partial<CableRunNote> = {},
): CableRunNote => ({
  to,
  areaMm2,
  lengthM,
  contactPairs: 2,
  near: flat,
  far: flat,
  ...(fuseA !== undefined && { fuseA }),
  ...more,
});

/** A cable from one barrel to another, between a holder of cells and a pocket radio. */
export const barrels = {
  near: { family: 'barrel21', end: 'plug' },
  far: { family: 'barrel21', end: 'plug' },
} as const;
