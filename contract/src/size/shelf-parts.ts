import { weakest, type Burden, type ChemistryName } from '@knapsack/core';
import type { ControllerGear } from '../documents/charging-gear.js';
import type { Battery, Gear, Panel, PowerStation } from '../documents/gear.js';
import type { LoadoutItem } from '../documents/trip.js';
import { priceToBuy } from '../money/still-to-buy.js';
import { isTypical } from '../typical/typical-gear.js';
import { counted } from '../resolve/look-up.js';
import type { SizeAim } from './size-options.js';

/** Most of one battery and of one panel that a kit is made of. */
const MOST_BATTERIES = 4;
const MOST_PANELS = 3;
/** Typical gear comes in every size that is sold: a second battery is a spare, more panels are a larger one. */
const MOST_TYPICAL_BATTERIES = 2;

/** A battery part of a bag. */
export interface BatteryPart extends Burden {
  readonly name: string;
  readonly items: readonly LoadoutItem[];
  readonly use: 'parallel' | 'turns';
  readonly chemistry: ChemistryName;
  readonly isPowerStation: boolean;
}

/** A sun part of a bag, laid out one way; without items it is none at all. */
export interface SunPart extends Burden {
  readonly name: string;
  readonly items: readonly LoadoutItem[];
  readonly aim: SizeAim | null;
  readonly selfUseA: number;
  readonly throughPowerStation: boolean;
}

/** The batteries and power stations of a shelf, each alone and several of it: in parallel, or one after the other. */
export function batteryParts(gear: readonly Gear[]): readonly BatteryPart[] {
  return gear.filter(isStore).flatMap((store): BatteryPart[] => {
    const part = (count: number, use: BatteryPart['use']): BatteryPart => ({
      name: counted(store.name, count) + (count > 1 && use === 'turns' ? ', one after another' : ''),
      items: [{ gear: store.id, count }],
      use,
      chemistry: store.chemistry,
      isPowerStation: store.kind === 'station',
      ...burdenOf([{ gear: store, count }]),
    });
    const most = isTypical(store) ? MOST_TYPICAL_BATTERIES : MOST_BATTERIES;
    const several = Array.from({ length: most - 1 }, (_, index) => index + 2);
    return [
      part(1, 'parallel'),
      ...several.flatMap((count) =>
        store.kind === 'station' ? [part(count, 'turns')] : [part(count, 'parallel'), part(count, 'turns')],
      ),
    ];
  });
}

/** No panel first; then the panels of a shelf, one or several in parallel or in series, on each controller, laid out each way. */
export function sunParts(gear: readonly Gear[], aims: readonly SizeAim[]): readonly SunPart[] {
  const panels = gear.filter((item): item is Panel => item.kind === 'panel');
  const chargers: readonly (ControllerGear | null)[] = [
    // Single cells on USB are a way of their own, not one of many controllers for any battery.
    ...gear.filter((item): item is ControllerGear => item.kind === 'controller' && item.type !== 'usb'),
    ...(gear.some(({ kind }) => kind === 'station') ? [null] : []),
  ];
  const none: SunPart = {
    name: 'no panel',
    items: [],
    aim: null,
    selfUseA: 0,
    throughPowerStation: false,
    grams: 0,
    price: 0,
    litres: 0,
    pieces: 0,
  };
  return [
    none,
    ...panels.flatMap((panel) =>
      chargers.flatMap((charger) =>
        joinedWays(isTypical(panel) ? 1 : MOST_PANELS).flatMap(({ count, inSeries }) =>
          aims.map((aim): SunPart => ({
            name: `${counted(panel.name, count)}${inSeries > 1 ? ' in series' : ''}${charger ? ` on ${charger.name}` : ''}, ${AIM_WORDS[aim]}`,
            items: [
              { gear: panel.id, count, ...(inSeries > 1 && { inSeries }) },
              ...(charger ? [{ gear: charger.id, count: 1 }] : []),
            ],
            aim,
            selfUseA: charger?.selfUseA?.value ?? 0,
            throughPowerStation: charger === null,
            ...burdenOf([{ gear: panel, count }, ...(charger ? [{ gear: charger, count: 1 }] : [])]),
          })),
        ),
      ),
    ),
  ];
}

const AIM_WORDS: Record<SizeAim, string> = {
  planned: 'as planned',
  flat: 'flat',
  propped: 'propped',
  turned: 'turned',
};

const joinedWays = (most: number): readonly { count: number; inSeries: number }[] =>
  Array.from({ length: most }, (_, index) => index + 1).flatMap((count) => [
    { count, inSeries: 1 },
    ...(count === 2 ? [{ count, inSeries: 2 }] : []),
  ]);

const isStore = (gear: Gear): gear is Battery | PowerStation =>
  gear.kind === 'battery' || gear.kind === 'station';

function burdenOf(parts: readonly { readonly gear: Gear; readonly count: number }[]): Burden {
  const toBuy = priceToBuy(parts);
  const sum = (of: (gear: Gear) => number | undefined) =>
    parts.reduce<number | null>((total, { gear, count }) => {
      const value = of(gear);
      return total === null || value === undefined ? null : total + value * count;
    }, 0);
  return {
    grams: sum(({ weightG }) => weightG?.value),
    price: sum(({ price }) => price?.value),
    toBuy: toBuy.unpriced.length > 0 ? null : toBuy.price,
    litres: sum(({ packedL }) => packedL?.value),
    pieces: parts.reduce((total, { count }) => total + count, 0),
    proof: weakest(parts.map(({ gear }) => gear.proof)),
  };
}
