import { atChance, CHEMISTRIES, smallestAh, withIdealPanel, type ChemistryName } from '@knapsack/core';
import type { Gear, Radio } from '../documents/gear.js';
import { targetOf, type Trip } from '../documents/trip.js';
import { USUAL_CELLS } from '../resolve/quick-trip.js';
import { kitForOuting, type KitForOuting } from './kit-for-outing.js';
import { idealPlan } from '../size/ideal-figures.js';
import { BATTERIES, CONTROLLERS, PANELS } from '../typical/typical-rules.js';

/** The lightest battery and panel, as nobody sells them, with which a radio works an outing at its target chance. */
export interface RadioNeed {
  readonly radio: string;
  /** Null where the outing cannot be worked with it, and why in a sentence. */
  readonly need: {
    readonly ampereHours: number;
    readonly watts: number;
    /** At typical weights, g: the battery; the panel and its controller. The radio itself, g, or null where nobody has weighed it. */
    readonly batteryG: number;
    readonly panelG: number;
    readonly radioG: number | null;
    /** The radio cannot give the power that the outing asks for and works at its own highest. */
    readonly lessPower: boolean;
  } | null;
  readonly problem: string | null;
  /** What of the shelf would do without sun. */
  readonly kit: KitForOuting;
}

/** Watts of panel that are tried. */
const WATTS = [0, 10, 20, 40, 60, 100, 160];
const BATTERY_WH_KG = new Map(BATTERIES.map(({ chemistry, whPerKg }) => [chemistry, whPerKg.value]));
const PANEL_G_W = PANELS.find(({ build }) => build === 'folding')!.gPerW.value;
const CONTROLLER_G = CONTROLLERS.find(({ type }) => type === 'mppt')!.weightG.value;

/** What each radio needs for one and the same outing, one after another as they are worked out. */
export function* radioNeeds(
  trip: Trip,
  shelf: readonly Gear[],
  radios: readonly Radio[],
): Generator<RadioNeed> {
  for (const radio of radios) {
    const topW = topOf(radio);
    const lessPower = trip.blocks.some(({ powerW }) => powerW > topW);
    const kit = kitForOuting(trip, shelf, radio);
    yield { radio: radio.id, kit, ...needOf(withRadio(trip, shelf, radio), shelf, radio, lessPower) };
  }
}

const topOf = ({ transmit }: Radio): number => Math.max(...transmit.map(({ rfW }) => rfW));

/** The trip with a radio in the place of all that are in the bag, at no more power than it has. */
function withRadio(trip: Trip, shelf: readonly Gear[], radio: Radio): Trip {
  const kinds = new Map([...(trip.gear ?? []), ...shelf].map(({ id, kind }) => [id, kind]));
  const topW = topOf(radio);
  const { variants: _variants, ...rest } = trip;
  return {
    ...rest,
    blocks: trip.blocks.map(({ station: _station, ...block }) => ({
      ...block,
      powerW: Math.min(block.powerW, topW),
    })),
    loadout: [
      { gear: radio.id, count: 1 },
      ...trip.loadout.filter(({ gear }) => kinds.get(gear) !== 'radio'),
    ],
  };
}

function needOf(
  trip: Trip,
  shelf: readonly Gear[],
  radio: Radio,
  lessPower: boolean,
): Pick<RadioNeed, 'need' | 'problem'> {
  const resolved = idealPlan(trip, shelf);
  if (!resolved.ok) return { need: null, problem: resolved.problems[0].sentence };
  const { plan, chemistry, ideal } = resolved.value;
  const whPerKg = BATTERY_WH_KG.get(chemistry);
  const of: ChemistryName = whPerKg === undefined ? 'lifepo4' : chemistry;
  const volts = nominalVolts(of);
  let best: { ampereHours: number; watts: number; batteryG: number; panelG: number } | null = null;
  for (const watts of plan.sun ? WATTS : [0]) {
    const ampereHours = atChance(smallestAh(withIdealPanel(ideal(of), watts)), targetOf(trip));
    if (ampereHours === null) continue;
    const batteryG = (1000 * ampereHours * volts) / BATTERY_WH_KG.get(of)!;
    const panelG = watts > 0 ? watts * PANEL_G_W + CONTROLLER_G : 0;
    if (!best || batteryG + panelG < best.batteryG + best.panelG)
      best = { ampereHours, watts, batteryG, panelG };
  }
  return {
    need: best && { ...best, radioG: radio.weightG?.value ?? null, lessPower },
    problem: best ? null : 'No battery up to 400 Ah reaches the target.',
  };
}

/** Nominal volts of as many cells as a 12 V bus wants. */
const nominalVolts = (of: ChemistryName): number =>
  (CHEMISTRIES[of].nominalV * USUAL_CELLS[of]) / CHEMISTRIES[of].tableCells;
