import {
  USUAL_CELLS,
  type Accessory,
  type Battery,
  type Figure,
  type Gear,
  type Cable,
  type Radio,
  type Wire,
} from '@knapsack/contract';
import {
  CABLE_RUNS,
  type CableRunName,
  CHEMISTRIES,
  CHEMISTRY_NAMES,
  type ChemistryName,
  type ConverterName,
  CONVERTERS,
  sayQuantity,
  TECHNOLOGIES,
} from '@knapsack/core';
import { choicesOf as wordsOf, type Choice } from '../parts/choices';
import { chargerChoices, controllerChoices } from './charging-choices';
import { among, yesNo, type GearChoice } from './gear-choice';

const assumed = (value: number): Figure => ({ value, source: 'assumed' });

const CHEMISTRY_CHOICES: readonly Choice<ChemistryName>[] = CHEMISTRY_NAMES.map((value) => ({
  value,
  label: CHEMISTRIES[value].label,
}));

/** What can be said of an item in a few words besides its figures. */
export function choicesOf(gear: Gear): readonly GearChoice[] {
  switch (gear.kind) {
    case 'radio':
      return [
        yesNo(gear, 'quiet', 'Beside a charge controller', ['stays quiet', 'is disturbed']),
        batteryInside(gear),
      ];
    case 'battery':
      return batteryChoices(gear);
    case 'station':
      return [
        among({
          label: 'Chemistry',
          value: gear.chemistry,
          choices: CHEMISTRY_CHOICES,
          picked: (chemistry) => ({ ...gear, chemistry, cellsInSeries: 2 * USUAL_CELLS[chemistry] }),
        }),
      ];
    case 'accessory':
      return [
        among({
          label: 'How it is fed',
          value: feedOf(gear),
          choices: FEEDS,
          picked: (feed) => fedBy(gear, feed),
        }),
        cellsInside(gear),
      ];
    case 'lead':
      return cableChoices(gear);
    case 'panel':
      return [
        among({
          label: 'Made of',
          value: gear.technology,
          choices: wordsOf(TECHNOLOGIES),
          picked: (technology) => ({ ...gear, technology }),
        }),
        yesNo(gear, 'diodes', 'Bypass diodes', ['one to each leaf', 'none of its own']),
      ];
    case 'controller':
      return controllerChoices(gear);
    case 'charger':
      return chargerChoices(gear);
    default:
      return [];
  }
}

const batteryChoices = (gear: Battery): readonly GearChoice[] => [
  among({
    label: 'Chemistry',
    value: gear.chemistry,
    choices: CHEMISTRY_CHOICES,
    picked: (chemistry) => ({ ...gear, chemistry, cellsInSeries: USUAL_CELLS[chemistry] }),
  }),
  yesNo(gear, 'keepsCharge', 'In storage', ['keeps its charge', 'loses it by itself']),
  yesNo(gear, 'protects', 'Emptied too far', ['BMS cuts off', 'nothing cuts off']),
  yesNo(gear, 'coldProtected', `Charged below ${sayQuantity({ value: 0, unit: 'C' })}`, [
    'BMS cuts off',
    'nothing cuts off',
  ]),
];

const cableChoices = (gear: Cable): readonly GearChoice[] => [
  among<CableRunName | ''>({
    label: 'Its place',
    value: gear.run ?? '',
    choices: [{ value: '', label: 'wherever it is put' }, ...wordsOf(CABLE_RUNS)],
    picked: (run) => withRun(gear, run),
  }),
  { label: 'Known by', value: knownBy(gear), choices: KNOWN_BY, picked: (by) => describedBy(gear, by) },
  ...(gear.wire ? [metalOf(gear, gear.wire)] : []),
];

/** The battery inside a radio; a new one starts out with assumed figures. */
function batteryInside(gear: Radio): GearChoice {
  const { internal, ...without } = gear;
  return {
    label: 'Battery inside',
    value: internal ? (internal.chargesWhileOperating ? 'always' : 'idle') : 'none',
    choices: [
      { value: 'none', label: 'none' },
      { value: 'always', label: 'charges while it works' },
      { value: 'idle', label: 'charges only when it rests' },
    ],
    picked: (word) =>
      word === 'none'
        ? without
        : {
            ...without,
            internal: {
              wattHours: internal?.wattHours ?? assumed(20),
              chargeW: internal?.chargeW ?? assumed(10),
              chargesWhileOperating: word === 'always',
            },
          },
  };
}

/** Cells inside of a device; new ones start out with assumed figures. */
function cellsInside(gear: Accessory): GearChoice {
  const { internal, ...without } = gear;
  return {
    label: 'Battery inside',
    value: internal ? 'yes' : 'none',
    choices: [
      { value: 'none', label: 'none' },
      { value: 'yes', label: 'it has one' },
    ],
    picked: (word) =>
      word === 'none'
        ? without
        : { ...without, internal: internal ?? { wattHours: assumed(25), chargeW: assumed(10) } },
  };
}

/** The choice of a draw in amps, which no converter stands before. */
const AMPS = 'amps';
type Feed = ConverterName | typeof AMPS;
const BUS_V = 13;
const FEEDS: readonly Choice<Feed>[] = [
  { value: AMPS, label: 'amps at the battery' },
  ...wordsOf(CONVERTERS).map(({ value, label }) => ({ value, label: `watts, ${label}` })),
];

const feedOf = ({ drawW, via }: Accessory): Feed => (drawW ? (via ?? 'bus') : AMPS);

/** An accessory fed another way; amps become watts at 13 V and back, so that the draw stays about the same. */
function fedBy(gear: Accessory, feed: Feed): Accessory {
  const { drawA, drawW, via, ...rest } = gear;
  const source = (drawA ?? drawW)?.source ?? 'assumed';
  const about = (value: number): Figure => ({ value: Number(value.toPrecision(2)), source });
  if (feed === AMPS) return { ...rest, drawA: drawA ?? about((drawW?.value ?? 0) / BUS_V) };
  return { ...rest, drawW: drawW ?? about((drawA?.value ?? 0) * BUS_V), via: feed };
}

const KNOWN_BY = [
  { value: 'ohm', label: 'its resistance' },
  { value: 'awg', label: 'its gauge and length' },
  { value: 'area', label: 'its cross section and length' },
];

const knownBy = ({ wire }: Cable): string => (wire ? (wire.awg === undefined ? 'area' : 'awg') : 'ohm');

/** A usual cable where nothing is known of one yet. */
const USUAL_WIRE: Wire = { lengthM: 2, contactPairs: 2, connectorA: 30 };

/** A cable described another way; what was said the other way is gone, so it starts from a usual one. */
function describedBy(gear: Cable, by: string): Cable {
  const { loopOhm, wire, ...rest } = gear;
  if (by === 'ohm') return { ...rest, loopOhm: loopOhm ?? assumed(0.025) };
  const { awg, areaMm2, ...made } = wire ?? USUAL_WIRE;
  return {
    ...rest,
    wire: by === 'awg' ? { ...made, awg: awg ?? 14 } : { ...made, areaMm2: areaMm2 ?? 2 },
  };
}

/** What its wire is of. */
const metalOf = (gear: Cable, wire: Wire): GearChoice => ({
  label: 'Wire',
  value: wire.clad ? 'clad' : 'copper',
  choices: [
    { value: 'copper', label: 'copper' },
    { value: 'clad', label: 'copper-clad aluminium' },
  ],
  picked: (metal) => {
    const { clad: _clad, ...copper } = wire;
    return { ...gear, wire: metal === 'clad' ? { ...copper, clad: true } : copper };
  },
});

function withRun(gear: Cable, run: CableRunName | ''): Cable {
  const { run: before, ...rest } = gear;
  return run ? { ...rest, run } : rest;
}
