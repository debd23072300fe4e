import type { Gear } from '../documents/gear.js';
import type { AddedPart, CableRunNote } from '../documents/harness-notes.js';
import type { Block, LoadoutItem, Trip } from '../documents/trip.js';
import {
  accessory,
  agm,
  amplifier,
  antenna,
  BARREL,
  barrels,
  battery,
  cells,
  controller,
  fedBy,
  FLAT,
  iron,
  ofUnknownMaximum,
  panel,
  pwm,
  RADIOS,
  run,
  station,
} from './sample-gear.js';
import { trip } from './documents.js';

/** A kind of kit that people carry, and what a careful practitioner says of its wiring. */
export interface SampleKit {
  readonly name: string;
  /** Nothing in it has to be changed before it is used. */
  readonly sound: boolean;
  readonly trip: Trip;
  readonly gear: readonly Gear[];
  /** The exact list, where one was written by hand before the code: severity, rule, place. */
  readonly says?: readonly string[];
}

interface KitParts {
  readonly gear: readonly (Gear | readonly [gear: Gear, count: number, inSeries?: number])[];
  readonly runs?: readonly CableRunNote[];
  readonly parts?: readonly AddedPart[];
  readonly mode?: Block['mode'];
  readonly powerW?: number;
  readonly change?: Partial<Trip>;
  readonly says?: readonly string[];
}

function kit(
  name: string,
  sound: boolean,
  { gear, runs, parts, mode, powerW, change, says }: KitParts,
): SampleKit {
  const items = gear.map((one) => ('kind' in one ? ([one, 1] as const) : one));
  const radio = items.map(([item]) => item).find((item) => item.kind === 'radio');
  const mostW = radio?.kind === 'radio' ? radio.transmit[0].rfW : 10;
  const plain = trip();
  const { harness: changed, ...others } = change ?? {};
  return {
    name,
    sound,
    gear: items.map(([item]) => item),
    ...(says && { says }),
    trip: {
      ...plain,
      id: name
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-|-$/g, ''),
      name,
      place: { name: 'a hill', timeZone: 'Europe/Oslo', latitudeDeg: 50, longitudeDeg: 10 },
      temperatureC: 15,
      weather: { air: 'ordinary', windMS: 2, climate: 'temperate' },
      panelPlace: { aim: { how: 'fixed', tiltDeg: 40, azimuthDeg: 180 }, mount: 'propped', ground: 'grass' },
      blocks: [{ ...plain.blocks[0], mode: mode ?? 'SSB', powerW: powerW ?? mostW, share: 0.3 }],
      loadout: [
        ...items.map(([{ id }, count, inSeries]): LoadoutItem => ({
          gear: id,
          count,
          ...(inSeries && { inSeries }),
        })),
      ],
      harness: { ...(runs && { runs }), ...(parts && { parts }), ...changed },
      ...others,
    },
  };
}

const { pocket, ten, twenty, fifty, hundred } = RADIOS;
const sun = (area = 2.5, fuseA = 15): readonly CableRunNote[] => [
  run('controller', area, 0.5, fuseA),
  run('panel-42', area, 3),
];
const sunOf = (watts: number, area = 2.5, fuseA = 15): readonly CableRunNote[] => [
  run('controller', area, 0.5, fuseA),
  run(`panel-${watts}`, area, 3),
];
/** A small panel on the barrel of a holder of cells. */
const sunOnCells: readonly CableRunNote[] = [
  run('controller', 1.5, 0.5, 3, { near: barrels.near }),
  run('panel-20', 1.5, 3),
];
const toPocket = run('pocket', 0.75, 0.5, 2, barrels);
const toTen = run('ten', 1.5, 0.8, 3);
const toTwenty = run('twenty', 2.5, 0.8, 7.5);
const toFifty = run('fifty', 4, 1, 15);
const toHundred = run('hundred', 6, 1, 30);
const radioOn = (connector: string) => ({ connectors: [connector] });

const DRY: readonly SampleKit[] = [
  kit('Pocket radio on eight alkaline AA', true, {
    gear: [pocket, cells('aa', 'alkaline', 8, 2.5), antenna],
    mode: 'CW',
    runs: [run('pocket', 0.75, 0.3, 0, barrels)],
    // Ten minutes of key-down at 0.95 A pull fresh cells to 10.6 V: enough. No fuse is asked of a holder, a note tells of one.
    says: ['note fuse pocket', 'note polarity pocket'],
  }),
  kit('Pocket radio on eight lithium AA', true, {
    gear: [pocket, cells('aa', 'lithiumaa', 8, 3), antenna],
    mode: 'CW',
    runs: [run('pocket', 0.75, 0.3, 0, barrels)],
  }),
  kit('Pocket radio on ten NiMH AA', true, {
    gear: [pocket, cells('aa', 'nimh', 10, 2), antenna],
    mode: 'CW',
    runs: [toPocket],
  }),
];

const SMALL: readonly SampleKit[] = [
  kit('Pocket radio on three Li-ion cells', true, {
    gear: [
      pocket,
      battery('liion-3', 'liion', 3, 3, {
        continuousA: { value: 6, source: 'datasheet' },
        protects: true,
        ...radioOn(BARREL),
      }),
      antenna,
    ],
    runs: [toPocket],
  }),
  kit('Pocket radio on 3 Ah LiFePO4', true, {
    gear: [pocket, iron(3, radioOn(FLAT)), antenna],
    runs: [run('pocket', 1, 0.5, 2, { far: barrels.far })],
  }),
  kit('10 W on 6 Ah LiFePO4', true, { gear: [ten, iron(6), antenna], runs: [toTen] }),
  kit('10 W on 6 Ah with 20 W of film', true, {
    gear: [ten, iron(6, { id: 'iron-6' }), panel(20, 'thin_film'), pwm(5), antenna],
    runs: [toTen, ...sunOf(20, 1.5, 3)],
    // PWM passes 1.25 x 1.3 A. Nothing to find.
    says: [],
  }),
  kit('10 W on 9 Ah LiFePO4', true, { gear: [ten, iron(9), antenna], runs: [toTen], mode: 'CW' }),
  kit('10 W on 12 Ah with 42 W', true, {
    gear: [ten, iron(12), panel(42), controller(), antenna],
    runs: [toTen, ...sun()],
  }),
  kit('10 W on 18 Ah with 42 W and a relay', true, {
    gear: [ten, iron(18), panel(42), controller(), accessory('relay', 0.06), antenna],
    runs: [toTen, ...sun(), run('relay', 0.75, 1, 1)],
  }),
  kit('10 W on three Li-ion cells of 10 Ah', true, {
    gear: [
      ten,
      battery('liion-10', 'liion', 3, 10, {
        continuousA: { value: 20, source: 'datasheet' },
        protects: true,
      }),
      antenna,
    ],
    runs: [toTen],
    change: { floorSoc: 0.3 },
  }),
  kit('10 W on a 7 Ah AGM', true, { gear: [ten, agm(7), antenna], runs: [toTen], mode: 'CW' }),
  kit('10 W on a 7 Ah AGM with 20 W', true, {
    gear: [ten, agm(7), panel(20), pwm(5), antenna],
    runs: [toTen, ...sunOf(20, 1.5, 3)],
  }),
  kit('10 W with a tablet on USB', true, {
    gear: [ten, iron(9), fedBy('tablet', 6, 'usb'), antenna],
    mode: 'FT8',
    runs: [toTen, run('tablet.via', 0.75, 0.5, 2)],
  }),
  kit('10 W with a laptop at 19 V', true, {
    gear: [ten, iron(20), fedBy('laptop', 30, 'laptop'), antenna],
    mode: 'FT8',
    runs: [toTen, run('laptop.via', 1.5, 0.8, 5)],
  }),
];

const MIDDLE: readonly SampleKit[] = [
  kit('20 W on 12 Ah LiFePO4', true, { gear: [twenty, iron(12), antenna], runs: [toTwenty] }),
  kit('20 W on 9 Ah with 42 W', true, {
    gear: [twenty, iron(9), panel(42), controller(), antenna],
    runs: [toTwenty, ...sun()],
  }),
  kit('50 W mobile on 12 Ah', true, {
    gear: [fifty, iron(12), antenna],
    mode: 'FM',
    runs: [toFifty],
    // 10.5 A against 12 A for as long as it lasts. 12 Ah shorted give a little over 1 kA.
    says: ['note interrupts iron-12'],
  }),
  kit('50 W mobile at 10 W on 9 Ah', true, {
    gear: [fifty, iron(9, { continuousA: { value: 12, source: 'datasheet' } }), antenna],
    mode: 'FM',
    powerW: 10,
    runs: [toFifty],
  }),
  kit('50 W mobile on 20 Ah with 50 W', true, {
    gear: [fifty, iron(20), panel(50), controller(), antenna],
    mode: 'FM',
    runs: [toFifty, ...sunOf(50)],
  }),
  kit('50 W mobile on a 33 Ah AGM', true, {
    gear: [fifty, agm(33), antenna],
    mode: 'FM',
    parts: [{ id: 'lvd', kind: 'disconnect', from: 'agm-33', disconnectV: 11, reconnectV: 12.6, maxA: 20 }],
    runs: [
      { ...run('lvd', 6, 0.3, 20), fuseKind: 'classT' },
      { ...run('fifty', 4, 1), from: 'lvd' },
    ],
  }),
];

const LARGE: readonly SampleKit[] = [
  kit('100 W on 20 Ah LiFePO4', true, {
    gear: [hundred, iron(20, { continuousA: { value: 25, source: 'datasheet' } }), antenna],
    runs: [toHundred],
    says: ['note interrupts iron-20'],
  }),
  kit('100 W on 30 Ah LiFePO4', true, {
    gear: [hundred, iron(30), antenna],
    runs: [toHundred],
    says: ['note interrupts iron-30'],
  }),
  kit('100 W on 100 Ah with 200 W', true, {
    gear: [
      hundred,
      iron(100),
      [panel(100), 2],
      controller({ maxA: { value: 20, source: 'datasheet' } }),
      antenna,
    ],
    runs: [
      { ...toHundred, fuseKind: 'terminal' },
      run('controller', 6, 0.5, 30, { fuseKind: 'terminal' }),
      run('panel-100', 4, 5),
    ],
    // Everything is entered; at 100 W five metres of panel cable are an antenna.
    says: ['note rf null'],
  }),
  kit('100 W on two 20 Ah AGM', true, {
    gear: [hundred, [agm(20), 2], antenna],
    runs: [run('agm-20', 6, 0.3, 30), run('agm-20.2', 6, 0.3, 30), run('hundred', 6, 1, 30)],
    // Shorted, the other one feeds each branch with some 1.8 kA; nothing opens but the fuse. Nothing takes the loads off.
    says: [
      'look disconnect agm-20',
      'look interrupts agm-20',
      'look disconnect agm-20.2',
      'look interrupts agm-20.2',
    ],
  }),
  kit('100 W turned down to 20 W on 12 Ah', true, {
    gear: [hundred, iron(12, { continuousA: { value: 15, source: 'datasheet' } }), antenna],
    powerW: 20,
    runs: [toHundred],
  }),
  kit('100 W on 50 Ah with a fuse box and a tuner', true, {
    gear: [hundred, iron(50), accessory('tuner', 0.4), accessory('lamp', 0.2), antenna],
    parts: [{ id: 'box', kind: 'distribution', from: 'iron-50', maxA: 40 }],
    runs: [
      run('box', 10, 0.4, 40, {
        fuseKind: 'terminal',
        near: { family: 'ring', end: 'plug' },
        far: { family: 'ring', end: 'plug' },
      }),
      { ...run('hundred', 6, 1, 30), from: 'box' },
      { ...run('tuner', 0.75, 1, 1), from: 'box' },
      { ...run('lamp', 0.75, 1, 1), from: 'box' },
    ],
  }),
  kit('100 W from the van, a fan and a laptop', true, {
    gear: [hundred, iron(60), fedBy('laptop', 40, 'laptop'), accessory('fan', 0.4), antenna],
    runs: [
      { ...toHundred, fuseKind: 'terminal' },
      run('laptop.via', 2.5, 1, 7.5, { fuseKind: 'classT', fuseA: 10 }),
      run('fan', 0.75, 1.5, 1, { fuseKind: 'classT' }),
    ],
  }),
  kit('Two 100 W radios on 100 Ah', true, {
    gear: [[hundred, 2], iron(100), antenna],
    runs: [
      { ...toHundred, fuseKind: 'terminal' },
      { ...toHundred, to: 'hundred.2', fuseKind: 'terminal' },
    ],
  }),
  kit('100 W with an amplifier on 28 V', true, {
    gear: [hundred, iron(100, { continuousA: { value: 100, source: 'datasheet' } }), amplifier(15), antenna],
    powerW: 50,
    parts: [{ id: 'up', kind: 'converter', name: '28 V converter', from: 'iron-100', outV: 28, maxA: 20 }],
    runs: [
      { ...toHundred, fuseKind: 'terminal' },
      run('up', 16, 0.5, 60, {
        fuseKind: 'terminal',
        near: { family: 'ring', end: 'plug' },
        far: { family: 'ring', end: 'plug' },
      }),
      { ...run('amplifier', 6, 1), from: 'up' },
    ],
    // 15 A at 28 V are 38 A at the battery: 16 mm2 on rings with a 60 A terminal fuse. Behind the converter its own limit guards.
    says: [],
  }),
];

const OTHERS: readonly SampleKit[] = [
  kit('Four Li-ion cells behind a 13.8 V regulator', true, {
    gear: [
      twenty,
      battery('liion-10', 'liion', 4, 10, {
        continuousA: { value: 20, source: 'datasheet' },
        protects: true,
      }),
      antenna,
    ],
    parts: [
      { id: 'reg', kind: 'converter', name: '13.8 V regulator', from: 'liion-10', outV: 13.8, maxA: 10 },
    ],
    runs: [run('reg', 2.5, 0.3, 7.5), { ...run('twenty', 2.5, 0.6), from: 'reg' }],
  }),
  kit('Power station with a 10 W radio', true, {
    gear: [{ ...ten, ...radioOn(FLAT) }, station(250), antenna],
    runs: [run('ten', 1.5, 1)],
  }),
  kit('Power station that takes a receiver of 40 mA for nothing', true, {
    gear: [
      { ...ten, ...radioOn(FLAT), receiveA: { value: 0.04, source: 'measured' } },
      station(250, { sleepsBelowW: { value: 3, source: 'datasheet' } }),
      antenna,
    ],
    runs: [run('ten', 1.5, 1)],
    says: ['look asleep station'],
  }),
  kit('Power station with a laptop at its mains outlet', true, {
    gear: [ten, station(500), fedBy('laptop', 60, 'mains'), antenna],
    mode: 'FT8',
    runs: [run('ten', 1.5, 1)],
    // The outlet is another place than the socket; no fuse is asked of a box that has its own.
    says: ['note outlet station.mains'],
  }),
  kit('Power station with 100 W of sun', true, {
    gear: [ten, station(250), panel(100), antenna],
    runs: [run('ten', 1.5, 1), run('panel-100', 4, 3)],
  }),
  kit('Relay with 15 W, unattended', true, {
    gear: [accessory('relay', 0.08), { ...ten, name: 'relay radio' }, agm(12), panel(15), pwm(5), antenna],
    mode: 'FM',
    powerW: 2,
    parts: [{ id: 'lvd', kind: 'disconnect', from: 'agm-12', disconnectV: 11.4, reconnectV: 12.6, maxA: 10 }],
    runs: [
      run('lvd', 2.5, 0.3, 5),
      { ...run('ten', 1.5, 0.5, 3), from: 'lvd' },
      { ...run('relay', 0.75, 0.5, 1), from: 'lvd' },
      ...sunOf(15, 1.5, 2),
    ],
    change: { unattended: true, restart: true },
    // Lead behind a disconnect that comes back; 12 Ah shorted are within what a blade breaks. Nothing to find.
    says: [],
  }),
  kit('Relay on LiFePO4 with 42 W, unattended', true, {
    gear: [{ ...ten, name: 'relay radio' }, iron(20), panel(42), controller(), antenna],
    mode: 'FM',
    powerW: 5,
    parts: [{ id: 'lvd', kind: 'disconnect', from: 'iron-20', disconnectV: 11.8, reconnectV: 13, maxA: 10 }],
    runs: [
      run('lvd', 2.5, 0.3, 5, { fuseKind: 'classT', fuseA: 6 }),
      { ...run('ten', 1.5, 0.5, 3), from: 'lvd' },
      ...sun(),
    ],
    change: { unattended: true, restart: true },
  }),
  kit('Beacon on 12 Ah with 20 W', true, {
    gear: [pocket, agm(7), panel(20), pwm(5), antenna],
    mode: 'CW',
    powerW: 1,
    parts: [{ id: 'lvd', kind: 'disconnect', from: 'agm-7', disconnectV: 11.4, reconnectV: 12.6, maxA: 10 }],
    runs: [
      run('lvd', 1.5, 0.3, 3),
      { ...run('pocket', 1, 0.5, 2, { far: barrels.far }), from: 'lvd' },
      ...sunOf(20, 1.5, 3),
    ],
    change: { unattended: true },
  }),
  kit('Winter hut: LiFePO4 that is protected against cold, with sun', true, {
    gear: [ten, iron(9, { coldProtected: true }), panel(42), controller(), antenna],
    runs: [toTen, ...sun()],
    change: { temperatureC: -5 },
  }),
  kit('Desert: 10 W on 9 Ah with sun at 38 °C', true, {
    gear: [ten, iron(9), panel(42), controller(), antenna],
    runs: [toTen, ...sun()],
    change: { temperatureC: 38 },
  }),
  kit('Two 9 Ah one after the other over a switch', true, {
    gear: [ten, [iron(9), 2], antenna],
    runs: [run('iron-9', 1.5, 0.3, 3), run('iron-9.2', 1.5, 0.3, 3), run('ten', 1.5, 0.8, 3)],
    change: { batteryUse: 'turns', harness: { changeover: { maxA: 20 } } },
  }),
  kit('Two 6 Ah in parallel', true, {
    gear: [ten, [iron(6), 2], antenna],
    runs: [run('iron-6', 1.5, 0.3, 3), run('iron-6.2', 1.5, 0.3, 3), run('ten', 1.5, 0.8, 3)],
  }),
  kit('Vehicle: 100 W on a 70 Ah flooded battery', true, {
    gear: [
      hundred,
      battery('flooded-70', 'flooded', 6, 70, { continuousA: { value: 100, source: 'datasheet' } }),
      antenna,
    ],
    parts: [
      { id: 'lvd', kind: 'disconnect', from: 'flooded-70', disconnectV: 11.4, reconnectV: 12.6, maxA: 40 },
    ],
    runs: [
      run('lvd', 10, 0.5, 40, {
        fuseKind: 'terminal',
        near: { family: 'ring', end: 'plug' },
        far: { family: 'ring', end: 'plug' },
      }),
      { ...run('hundred', 6, 1, 30), from: 'lvd' },
    ],
  }),
];

const UNSOUND: readonly SampleKit[] = [
  kit('Four Li-ion cells straight on a 13.8 V radio', false, {
    gear: [
      ofUnknownMaximum(twenty),
      battery('liion-10', 'liion', 4, 10, {
        continuousA: { value: 20, source: 'datasheet' },
        protects: true,
      }),
      antenna,
    ],
    runs: [toTwenty],
    // 16.8 V on a radio that is taken to stand 15.9 V.
    says: ['stop full twenty'],
  }),
  kit('A panel on alkaline cells', false, {
    gear: [pocket, cells('aa', 'alkaline', 8, 2.5), panel(20), pwm(5), antenna],
    runs: [toPocket, ...sunOnCells],
    says: ['stop primary aa', 'note polarity pocket', 'note polarity controller'],
  }),
  kit('NiMH on a controller that does not say', false, {
    gear: [
      pocket,
      cells('aa', 'nimh', 10, 2),
      panel(20),
      (({ profiles: _profiles, ...rest }) => rest)(pwm(5)),
      antenna,
    ],
    runs: [toPocket, ...sunOnCells],
    // 1.5 A into cells of which 0.4 A is usual, and no end of charge.
    says: [
      'stop profile controller',
      'look accepts controller',
      'note polarity pocket',
      'note polarity controller',
    ],
  }),
  kit('LiFePO4 in the frost with sun', false, {
    gear: [ten, iron(9), panel(42), controller(), antenna],
    runs: [toTen, ...sun()],
    change: { temperatureC: -5 },
    says: ['stop cold iron-9'],
  }),
  kit('Two batteries one after the other on one joint', false, {
    gear: [ten, iron(9), agm(7), antenna],
    runs: [run('iron-9', 1.5, 0.3, 3), run('agm-7', 1.5, 0.3, 3), run('ten', 1.5, 0.8, 3)],
    change: { batteryUse: 'turns' },
    says: ['stop changeover joint', 'look disconnect agm-7'],
  }),
  kit('A power station whose input ends at 28 V, two panels in series', false, {
    gear: [ten, station(250), [panel(50), 2, 2], antenna],
    runs: [run('ten', 1.5, 1), run('panel-50', 4, 3)],
    says: ['stop input station'],
  }),
  kit('100 W on a 10 A fuse and copper-clad wire', false, {
    gear: [hundred, iron(30), antenna],
    powerW: 20,
    runs: [run('hundred', 4, 1, 10, { clad: true })],
    // The knob opens it at 22 A, and 4 mm2 of clad wire carry 27.7 A: enough for the radio, not for the 30 A that it wants.
    says: ['stop carries hundred', 'look copper hundred', 'note interrupts iron-30'],
  }),
];

/** The kinds of kit that the rules are counted on. */
export const SAMPLE_KITS: readonly SampleKit[] = [
  ...DRY,
  ...SMALL,
  ...MIDDLE,
  ...LARGE,
  ...OTHERS,
  ...UNSOUND,
];
