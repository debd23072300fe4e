import type { Radio } from '@knapsack/contract';
import type { RadioNeed } from '@knapsack/contract/gear';
import { sayQuantity } from '@knapsack/core';

type Need = NonNullable<RadioNeed['need']>;

/** What an outing needs with a radio. */
export interface NeedView {
  readonly words: string;
  readonly shelf: string;
  /** Shares of the heaviest, %. */
  readonly bar: { readonly radio: number; readonly battery: number; readonly panel: number } | null;
}

/** What an outing needs with a radio, in words and as a bar against the heaviest of all. */
export function needView({ id, name }: Radio, needs: readonly RadioNeed[]): NeedView {
  const found = needs.find(({ radio }) => radio === id);
  if (!found) return { words: `${name}: calculating …`, shelf: '', bar: null };
  const { need, problem, kit } = found;
  if (!need) return { words: problem ?? '', shelf: '', bar: null };
  const { ampereHours, watts, batteryG, panelG, radioG, lessPower } = need;
  const grams = weightOf(need);
  const all = needs.flatMap((one) => (one.need ? [weightOf(one.need)] : []));
  const more = grams - Math.min(...all);
  const size = `${sayQuantity({ value: ampereHours, unit: 'Ah' })}${watts > 0 ? ` and ${watts} W` : ', no panel'}`;
  const against = more >= 10 ? `, ${weigh(more)} more than the lightest` : '';
  const power = lessPower ? ', at its own highest power' : '';
  const share = (part: number) => (100 * part) / Math.max(...all);
  return {
    words: `${size}: ${weigh(grams)}${radioG === null ? ' without the radio' : ' with the radio'}${against}${power}.`,
    shelf: kit.battery
      ? `Of the shelf without sun: ${kit.battery.name}, ${sayQuantity({ value: kit.marginAh, unit: 'Ah' })} to spare.`
      : 'No battery of the shelf lasts without sun.',
    bar: { radio: share(radioG ?? 0), battery: share(batteryG), panel: share(panelG) },
  };
}

const weigh = (grams: number): string => sayQuantity({ value: grams, unit: 'g' });
const weightOf = ({ batteryG, panelG, radioG }: Need): number => batteryG + panelG + (radioG ?? 0);

/** A radio as it is scored. */
export function traitsOf(radio: Radio) {
  const { receiveA, receiveByEarA, transmit, dropoutV, fullPowerV, maxV, internal, quiet } = radio;
  return {
    figures: {
      receive: [{ amps: receiveA.value, source: receiveA.source }],
      ...(receiveByEarA && { receiveByEar: [{ amps: receiveByEarA.value, source: receiveByEarA.source }] }),
      transmit,
    },
    dropoutV: dropoutV.value,
    ...(fullPowerV && { fullPowerV: fullPowerV.value }),
    ...(maxV && { maxV: maxV.value }),
    chargesWhileOperating: internal?.chargesWhileOperating ?? false,
    ...(quiet !== undefined && { quiet }),
  };
}
