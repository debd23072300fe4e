import type { Battery, Gear, Cable, Radio } from '../documents/gear.js';
import type { Block, Trip } from '../documents/trip.js';
import { MOST_DAYS } from '../fields/fields.js';
import { typicalIn, type Begun } from './begin-trip.js';
import { lightestLasting } from './lightest-lasting.js';
import { bestPoints, HOUR_MS, nextWeekday, usualShare, type ActivityName, type Mode } from '@knapsack/core';

/** Work of a template: hours from the outing's start. */
interface TemplateBlock {
  readonly from: number;
  readonly to: number;
  readonly activity: ActivityName;
  readonly mode: Mode;
  readonly repeat?: Block['repeat'];
}

export interface Template {
  readonly name: string;
  readonly about: string;
  readonly startHour: number;
  readonly hours: number;
  /** What the radio should be able to give, W. */
  readonly powerW: number;
  readonly carryLimitG?: number;
  /** Nobody is there; it comes back by itself. */
  readonly unattended?: true;
  readonly blocks: readonly TemplateBlock[];
}

/** Kinds of outing to begin with; every figure is there to be changed. */
export const TEMPLATES: readonly Template[] = [
  {
    name: 'Afternoon on a hill',
    about: '4 h on foot, calling with 10 W',
    startHour: 12,
    hours: 4,
    powerW: 10,
    carryLimitG: 5000,
    blocks: [
      { from: 0.5, to: 2, activity: 'calling', mode: 'SSB' },
      { from: 2.25, to: 3.5, activity: 'calling', mode: 'CW' },
    ],
  },
  {
    name: 'Night in a hut',
    about: '20 h, an evening and a morning, 5 W',
    startHour: 14,
    hours: 20,
    powerW: 5,
    carryLimitG: 8000,
    blocks: [
      { from: 3, to: 7, activity: 'answering', mode: 'CW' },
      { from: 16, to: 18, activity: 'answering', mode: 'SSB' },
    ],
  },
  {
    name: 'Two days on an island',
    about: '48 h, every evening and slots at night, 10 W',
    startHour: 10,
    hours: 48,
    powerW: 10,
    carryLimitG: 12_000,
    blocks: [
      { from: 8, to: 11, activity: 'calling', mode: 'CW', repeat: 'day' },
      { from: 12, to: 18, activity: 'slots', mode: 'FT8', repeat: 'day' },
    ],
  },
  {
    name: 'Contest from a van',
    about: '24 h, 100 W voice',
    startHour: 12,
    hours: 24,
    powerW: 100,
    blocks: [
      { from: 0, to: 10, activity: 'contest', mode: 'SSB' },
      { from: 14, to: 24, activity: 'contest', mode: 'SSB' },
    ],
  },
  {
    name: 'Relay',
    about: '7 days unattended, listening all day, 5 W voice',
    startHour: 10,
    hours: 7 * 24,
    powerW: 5,
    unattended: true,
    blocks: [{ from: 0, to: 7 * 24, activity: 'relay', mode: 'FM' }],
  },
  {
    name: 'Beacon',
    about: '7 days unattended, ten minutes of every hour, 5 W',
    startHour: 10,
    hours: 7 * 24,
    powerW: 5,
    unattended: true,
    blocks: [{ from: 0, to: 1 / 6, activity: 'slots', mode: 'WSPR', repeat: 'hour' }],
  },
];

const SATURDAY = 6;

/**
 * A trip of a kind of outing with a bag from the shelf: the lightest radio that gives the power, its cable, and the lightest
 * battery that reaches the target chance. A radio of the stated power that the shelf lacks is a typical one; anything else is left
 * out, to be put in. It begins on the Saturday to come.
 *
 * @param empty a trip with nothing in it yet, whose id, place and temperature it keeps
 * @param nowMs UTC epoch ms
 */
export function tripFrom(
  template: Template,
  shelf: readonly Gear[],
  empty: Trip,
  nowMs: number,
  typical: readonly Gear[] = [],
): Omit<Begun, 'lasts' | 'unmet'> {
  const startMs = nextWeekday(nowMs, SATURDAY, template.startHour, empty.place.timeZone);
  const iso = (hours: number) => new Date(startMs + hours * HOUR_MS).toISOString();
  // A radio of the stated power, a typical one if the shelf has none; without either the strongest of the shelf.
  const able = (gear: readonly Gear[]) => {
    const found = lightestRadio(gear, template.powerW);
    return found && topPower(found) >= template.powerW ? found : null;
  };
  const radio =
    able(shelf) ??
    able(typical.map((gear) => ({ ...gear, wished: false }))) ??
    lightestRadio(shelf, template.powerW);
  const powerW = radio ? Math.min(template.powerW, topPower(radio)) : template.powerW;
  const blocks = template.blocks.map(({ from, to, activity, mode, repeat }, index): Block => ({
    id: `b${index + 1}`,
    start: iso(from),
    end: iso(to),
    activity,
    mode,
    powerW,
    share: usualShare(activity, mode),
    ...(repeat && { repeat }),
  }));
  const cable = bestCable(shelf);
  const trip: Trip = {
    ...empty,
    name: template.name,
    start: iso(0),
    end: iso(Math.min(template.hours, MOST_DAYS * 24)),
    stepMinutes: template.hours > 96 ? 15 : 5,
    ...(template.unattended && { unattended: true, restart: true }),
    ...(template.carryLimitG && { carryLimitG: template.carryLimitG }),
    blocks,
    loadout: [
      ...(radio ? [{ gear: radio.id, count: 1 }] : []),
      ...(cable ? [{ gear: cable.id, count: 1 }] : []),
    ],
  };
  const batteries = shelf.filter(
    (gear): gear is Battery => gear.kind === 'battery' && !gear.archived && !gear.wished,
  );
  const battery = radio && lightestLasting(trip, [...shelf, ...typicalIn(trip, typical, shelf)], batteries);
  const largest = [...batteries].sort((a, b) => (b.weightG?.value ?? 0) - (a.weightG?.value ?? 0))[0];
  const taken = battery ?? (radio ? largest : undefined);
  const made = taken ? { ...trip, loadout: [...trip.loadout, { gear: taken.id, count: 1 }] } : trip;
  return { trip: made, typical: typicalIn(made, typical, shelf) };
}

/** The lead to the radio that loses least, where its resistance is known. */
const bestCable = (shelf: readonly Gear[]): Cable | undefined =>
  shelf
    .filter(
      (gear): gear is Cable =>
        gear.kind === 'lead' && !gear.archived && !gear.wished && (gear.run ?? 'radio') === 'radio',
    )
    .sort((a, b) => (a.loopOhm?.value ?? Infinity) - (b.loopOhm?.value ?? Infinity))[0];

const topPower = (radio: Radio): number => Math.max(...bestPoints(radio.transmit).map(({ rfW }) => rfW));

/** The lightest radio that gives a power, else the strongest. */
function lightestRadio(shelf: readonly Gear[], powerW: number): Radio | null {
  const radios = shelf.filter(
    (gear): gear is Radio => gear.kind === 'radio' && !gear.archived && !gear.wished,
  );
  const weight = ({ weightG }: Radio) => weightG?.value ?? Infinity;
  const able = radios.filter((radio) => topPower(radio) >= powerW).sort((a, b) => weight(a) - weight(b));
  return able[0] ?? [...radios].sort((a, b) => topPower(b) - topPower(a))[0] ?? null;
}
