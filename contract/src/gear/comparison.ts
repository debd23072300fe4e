import { packLabelOf } from '../resolve/resolve-packs.js';
import type { Gear } from '../documents/gear.js';
import {
  assumedCurrents,
  fixed,
  here,
  packWorth,
  sayDuration,
  sayMoney,
  sayQuantity,
  transmitCurrent,
  unitHere,
} from '@knapsack/core';

/** A line of a comparison: what is compared, and what each item has; the best of them where one can say so. */
export interface CompareRow {
  readonly label: string;
  readonly cells: readonly string[];
  readonly best: number | null;
}

interface Measure {
  readonly label: string;
  readonly value: (gear: Gear) => number | null;
  readonly say: (value: number) => string;
  /** Less is better. */
  readonly less?: boolean;
}

/** Temperature that batteries are compared at, C. */
const ROOM_C = 20;

/** Compares items side by side; hours are at a typical load, A. Rows that say nothing of any item are left out. */
export function compare(items: readonly Gear[], loadA: number): readonly CompareRow[] {
  return measures(loadA)
    .map(({ label, value, say, less }): CompareRow => {
      const values = items.map(value);
      const known = values.filter((one) => one !== null);
      const best = known.length > 1 ? (less ? Math.min(...known) : Math.max(...known)) : NaN;
      const differ = known.some((one) => one !== known[0]);
      return {
        label,
        cells: values.map((one) => (one === null ? '' : say(one))),
        best: differ ? values.indexOf(best) : null,
      };
    })
    .filter(({ cells }) => cells.some((cell) => cell !== ''));
}

const measures = (loadA: number): readonly Measure[] => [
  ...batteryMeasures(loadA),
  ...RADIO_MEASURES,
  ...panelMeasures(),
  ...EVERY_MEASURE,
];

const amps = (value: number) => sayQuantity({ value, unit: 'A' });
const whole = (value: number) => fixed(value, value < 10 ? 1 : 0);
const perWeight = (unit: string) => (perKg: number) =>
  `${whole(perKg / here(1, 'kg'))} ${unit}/${unitHere('kg')}`;

function batteryMeasures(loadA: number): readonly Measure[] {
  const worth = (gear: Gear) => {
    if (gear.kind !== 'battery' && gear.kind !== 'station') return null;
    const { weightG, price } = gear;
    return packWorth(packLabelOf(gear, 1), ROOM_C, loadA, {
      ...(weightG && { weightG: weightG.value }),
      ...(price && { price: price.value }),
    });
  };
  return [
    {
      label: 'usable energy',
      value: (gear) => worth(gear)?.usableWh ?? null,
      say: (value) => `${whole(value)} Wh`,
    },
    {
      label: `usable energy per ${unitHere('kg')}`,
      value: (gear) => worth(gear)?.whPerKg ?? null,
      say: perWeight('Wh'),
    },
    {
      label: 'cost per usable Wh',
      value: (gear) => worth(gear)?.moneyPerWh ?? null,
      say: (value) => sayMoney(value, 2),
      less: true,
    },
    { label: 'hours of the typical load', value: (gear) => worth(gear)?.hours ?? null, say: sayDuration },
    { label: 'charge cycles', value: ({ cycles }) => cycles?.value ?? null, say: whole },
  ];
}

const RADIO_MEASURES: readonly Measure[] = [
  {
    label: 'receive current',
    value: (gear) => (gear.kind === 'radio' ? gear.receiveA.value : null),
    say: amps,
    less: true,
  },
  {
    label: 'transmit current at 5 W',
    value: (gear) =>
      gear.kind === 'radio' ? transmitCurrent(assumedCurrents(figuresOf(gear), 'measured'), 5) : null,
    say: amps,
    less: true,
  },
];

const panelMeasures = (): readonly Measure[] => [
  {
    label: 'rated power',
    value: (gear) => (gear.kind === 'panel' ? gear.watts.value : null),
    say: (value) => `${whole(value)} W`,
  },
  {
    label: `power per ${unitHere('kg')}`,
    value: (gear) =>
      gear.kind === 'panel' && gear.weightG ? (gear.watts.value * 1000) / gear.weightG.value : null,
    say: perWeight('W'),
  },
];

/** What every item may have. */
const EVERY_MEASURE: readonly Measure[] = [
  {
    label: 'price',
    value: ({ price }) => price?.value ?? null,
    say: (value) => sayMoney(value),
    less: true,
  },
  {
    label: 'packed size',
    value: ({ packedL }) => packedL?.value ?? null,
    say: (value) => `${whole(value)} l`,
    less: true,
  },
  {
    label: 'weight',
    value: ({ weightG }) => weightG?.value ?? null,
    say: (value) => sayQuantity({ value, unit: 'g' }),
    less: true,
  },
];

const figuresOf = (radio: Extract<Gear, { kind: 'radio' }>) => ({
  receive: [{ amps: radio.receiveA.value, source: radio.receiveA.source }],
  transmit: radio.transmit,
});
