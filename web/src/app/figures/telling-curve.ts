import type { Battery, Gear, Panel, Radio, PowerStation } from '@knapsack/contract';
import { notSimulated, panelLabel } from '@knapsack/contract';
import {
  CAPACITY_TEMPERATURES_C,
  cellTemperature,
  coldCapacityFactor,
  greatestPower,
  isEstimated,
  panelCurve,
  panelShape,
  assumedCurrents,
  sayQuantity,
  transmitCurrent,
} from '@knapsack/core';

/** The curve that tells what an item does: amps against watts, capacity against cold, output against light. */
export interface TellingCurve {
  readonly points: readonly { readonly x: number; readonly y: number }[];
  /** Marks on it: the figures that it goes through. */
  readonly marks: readonly { readonly x: number; readonly y: number }[];
  /** What the sheet says where something better is known: beside the curve. */
  readonly sheet: readonly { readonly x: number; readonly y: number }[];
  /** What the axes say at their ends. */
  readonly from: string;
  readonly to: string;
  readonly top: string;
  /** The whole of it, for a screen reader. */
  readonly words: string;
  /** Rests on one figure alone. */
  readonly guessed: boolean;
}

const STEPS = 24;
const USUAL_TRUTH = 0.9;
const AIR_C = 15;
const WIND_MS = 1.5;

/** The telling curve of an item; null for a kind that has none. */
export function tellingCurve(gear: Gear): TellingCurve | null {
  switch (gear.kind) {
    case 'radio':
      return ampsAgainstWatts(gear);
    case 'battery':
    case 'station':
      return capacityAgainstCold(gear);
    case 'panel':
      return outputAgainstLight(gear);
    default:
      return null;
  }
}

function ampsAgainstWatts(radio: Radio): TellingCurve {
  const currents = assumedCurrents(
    {
      receive: [{ amps: radio.receiveA.value, source: radio.receiveA.source }],
      transmit: radio.transmit,
    },
    'measured',
  );
  const topW = currents.points[currents.points.length - 1].rfW;
  const points = steps().map((share) => ({ x: share, y: transmitCurrent(currents, share * topW) }));
  const topA = points[points.length - 1].y;
  const sheet = radio.transmit.filter(
    ({ rfW, amps, source }) =>
      source === 'datasheet' && currents.points.some((point) => point.rfW === rfW && point.amps !== amps),
  );
  const against = sheet.map(
    ({ rfW, amps }) => `, where the data sheet has ${sayQuantity({ value: amps, unit: 'A' })} at ${rfW} W`,
  );
  return {
    points,
    marks: currents.points.map(({ rfW, amps }) => ({ x: rfW / topW, y: amps })),
    sheet: sheet.map(({ rfW, amps }) => ({ x: rfW / topW, y: amps })),
    from: '0 W',
    to: `${topW} W`,
    top: sayQuantity({ value: topA, unit: 'A' }),
    words: `Amps against watts: ${currents.points.map(({ rfW, amps }) => `${sayQuantity({ value: amps, unit: 'A' })} at ${rfW} W`).join(', ')}${against.join('')}`,
    guessed: isEstimated(currents),
  };
}

function capacityAgainstCold(gear: Battery | PowerStation): TellingCurve {
  const { chemistry } = gear;
  const full =
    gear.kind === 'station'
      ? gear.wattHours.value * (gear.health?.value ?? 1)
      : (notSimulated(gear.measuredAh)?.value ?? gear.ratedAh.value * (gear.health?.value ?? 1));
  const unit = gear.kind === 'station' ? 'Wh' : 'Ah';
  const [low, high] = [
    CAPACITY_TEMPERATURES_C[0],
    CAPACITY_TEMPERATURES_C[CAPACITY_TEMPERATURES_C.length - 1],
  ];
  const at = (celsius: number) => full * coldCapacityFactor(chemistry, celsius);
  const say = (celsius: number) => sayQuantity({ value: at(celsius), unit });
  return {
    points: steps().map((share) => ({ x: share, y: at(low + share * (high - low)) })),
    marks: [],
    sheet: [],
    from: sayQuantity({ value: low, unit: 'C' }),
    to: sayQuantity({ value: high, unit: 'C' }),
    top: say(high),
    words: `Capacity against cold: ${[high, 0, low].map((celsius) => `${say(celsius)} at ${sayQuantity({ value: celsius, unit: 'C' })}`).join(', ')}`,
    guessed:
      gear.kind === 'battery' ? gear.ratedAh.source === 'assumed' : gear.wattHours.source === 'assumed',
  };
}

function outputAgainstLight(panel: Panel): TellingCurve {
  const shape = panelShape(panelLabel(panel));
  const truth = panel.truth?.value ?? USUAL_TRUTH;
  const watts = (light: number) =>
    greatestPower(panelCurve(shape, light, cellTemperature('propped', AIR_C, light, WIND_MS), truth)).watts;
  return {
    points: steps().map((share) => ({ x: share, y: watts(share * 1000) })),
    marks: [],
    sheet: [],
    from: 'dark',
    to: 'full light',
    top: sayQuantity({ value: Math.round(watts(1000) * 10) / 10, unit: 'W' }),
    words: `Output against light: ${watts(1000).toFixed(0)} W in full light, ${watts(500).toFixed(0)} W in half, ${watts(100).toFixed(1)} W in a tenth`,
    guessed: panel.truth === undefined,
  };
}

const steps = (): number[] => Array.from({ length: STEPS + 1 }, (_, index) => index / STEPS);
