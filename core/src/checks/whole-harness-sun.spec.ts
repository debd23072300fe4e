import {
  rows,
  flat,
  mppt,
  pack,
  panel,
  sound,
  stationed,
  wired,
  withPart,
  withRun,
} from '../testing/sound-harness.js';
import { copper, part } from '../testing/harness.js';
import type { CheckedPack } from './facts.js';

const second: CheckedPack = pack({ part: 'second', name: 'second' });
const lead = { chemistry: 'agm', cellsInSeries: 6 } as const;

rows('the sun in a harness', [
  [
    'a panel that goes straight to the battery',
    withPart('panel', { from: 'battery' }),
    {},
    ['stop straight panel', 'look fuse panel'],
  ],
  ['volts that destroy the controller', sound, { panels: [{ ...panel, coldV: 41 }] }, ['stop input mppt']],
  [
    'volts that give a shock',
    sound,
    { panels: [{ ...panel, coldV: 61 }], controllers: [{ ...mppt, maxInputV: 100 }] },
    ['look shock panel'],
  ],
  ['three strings without fuses', sound, { panels: [{ ...panel, strings: 3 }] }, ['look strings panel']],
  [
    'three strings with one each',
    withRun('panel', { stringFuseA: 5 }),
    { panels: [{ ...panel, strings: 3 }] },
    [],
  ],
  [
    'more than the controller is made for',
    sound,
    { panels: [{ ...panel, shortA: 9 }], controllers: [{ ...mppt, limits: false }] },
    ['stop current mppt'],
  ],
  ['a controller at its limit', sound, { panels: [{ ...panel, bestA: 8 }] }, ['note current mppt']],
  [
    'two panels through one controller, that together give more than it is made for',
    [...sound, part('wing', 'panel', 'mppt', { ...copper(4, 3, 1), near: flat, far: flat })],
    {
      panels: [
        { ...panel, shortA: 5 },
        { ...panel, part: 'wing', shortA: 5 },
      ],
      controllers: [{ ...mppt, limits: false }],
    },
    ['stop current mppt'],
  ],
  [
    'a controller with no panel behind it',
    sound.slice(0, 6),
    { panels: [], controllers: [{ ...mppt, profiles: [], chargesToV: 20 }] },
    [],
  ],
  [
    'no profile for the battery',
    sound,
    { controllers: [{ ...mppt, profiles: ['agm'] }] },
    ['stop profile mppt'],
  ],
  ['a set point far too high', sound, { controllers: [{ ...mppt, chargesToV: 16 }] }, ['stop setpoint mppt']],
  ['a set point far too low', sound, { controllers: [{ ...mppt, chargesToV: 13 }] }, ['look setpoint mppt']],
  ['more than the battery takes', sound, { packs: [pack({ maxChargeA: 3 })] }, ['stop accepts mppt']],
  [
    'more than the battery usually takes',
    sound,
    { packs: [pack({ maxChargeA: 3, chargeEntered: undefined as never })] },
    ['look accepts mppt'],
  ],
  // 4 A between two of 3 A each
  [
    'as much as two batteries take between them',
    [
      part('joint', 'joint', null),
      part('battery', 'battery', 'joint', { ...wired, fuseA: 30 }),
      part('second', 'battery', 'joint', { ...wired, fuseA: 30 }),
      ...sound.slice(1).map((one) => (one.from === 'battery' ? { ...one, from: 'joint' } : one)),
    ],
    { packs: [pack({ maxChargeA: 3 }), { ...second, maxChargeA: 3 }] },
    [],
  ],
  [
    'more than the one of two takes that the sun fills at a time',
    [
      part('joint', 'changeover', null),
      part('battery', 'battery', 'joint', { ...wired, fuseA: 30 }),
      part('second', 'battery', 'joint', { ...wired, fuseA: 30 }),
      ...sound.slice(1).map((one) => (one.from === 'battery' ? { ...one, from: 'joint' } : one)),
    ],
    { packs: [pack({ maxChargeA: 5 }), { ...second, maxChargeA: 3 }], inParallel: false },
    ['stop accepts mppt'],
  ],
  [
    'one that cannot wake a battery',
    sound,
    { controllers: [{ ...mppt, wakesBattery: false }] },
    ['note wake mppt'],
  ],
  [
    'load terminals that carry too little',
    sound,
    { controllers: [{ ...mppt, hasLoads: true, loadA: 3 }] },
    ['stop terminals mppt'],
  ],
  ['load terminals that carry it', sound, { controllers: [{ ...mppt, hasLoads: true, loadA: 5 }] }, []],
  [
    'one that was heard',
    sound,
    { controllers: [{ ...mppt, heard: [{ band: '20 m' }] }] },
    ['look noise mppt'],
  ],
  ['one that the user has not listened to yet', sound, { controllers: [{ ...mppt, heard: null }] }, []],
  ['frost', sound, { coldC: -2, packs: [pack({ coldProtected: false })] }, ['stop cold battery']],
  ['heat', sound, { hotC: 35 }, ['look hot battery']],
  [
    'frost without sun',
    sound.slice(0, 5),
    { coldC: -2, packs: [pack({ coldProtected: false })], panels: [], controllers: [] },
    [],
  ],
  [
    'cells that are charged one by one, to too few volts',
    sound,
    {
      packs: [pack({ chemistry: 'nimh', cellsInSeries: 10, ofCells: true })],
      controllers: [{ ...mppt, profiles: ['nimh'], ofCells: { endsV: 1.2, oneWaits: true } }],
    },
    ['stop cellEnd mppt'],
  ],
  [
    'cells on a charger that are not in the radio',
    sound,
    {
      packs: [pack({ chemistry: 'nimh', cellsInSeries: 10, ofCells: true })],
      controllers: [{ ...mppt, profiles: ['nimh'], ofCells: { oneWaits: false } }],
    },
    ['look cellsOut mppt'],
  ],
  [
    'a charger of cells for a battery',
    sound,
    { controllers: [{ ...mppt, ofCells: { oneWaits: true } }] },
    ['stop cellsOut mppt'],
  ],
  [
    'a stop of the second battery before a look of the first',
    sound,
    {
      inParallel: false,
      packs: [
        pack({ maxChargeA: undefined as never }),
        { ...second, ...lead, maxChargeA: undefined as never },
      ],
      controllers: [{ ...mppt, chargesToV: 13.9, profiles: ['lifepo4', 'agm'] }],
    },
    ['stop changeover battery', 'look setpoint mppt'],
  ],
]);

rows('the whole kit', [
  [
    'what is missing',
    sound,
    { missing: [{ part: 'box', name: 'fuse box', sentence: 'None is in the bag.' }] },
    ['stop missing box'],
  ],
  ['currents that nobody knows', sound, { suspended: 'It feeds itself.' }, ['look suspended null']],
  [
    'an amplifier that starts with more than the battery gives',
    sound,
    { startUps: [{ part: 'radio', name: 'booster', startA: 25 }] },
    ['look startUp radio'],
  ],
  // 20 A for a moment, 10 A for long
  [
    'one that starts with less than it gives for a moment',
    sound,
    { startUps: [{ part: 'radio', name: 'booster', startA: 15 }] },
    [],
  ],
  [
    'one that starts with more than the socket gives',
    sound,
    stationed({}, { startUps: [{ part: 'radio', name: 'booster', startA: 15 }] }),
    ['look startUp radio'],
  ],
  [
    'one behind a converter',
    sound,
    { startUps: [{ part: 'lamp', name: 'lamp', startA: 4 }] },
    ['look startUp lamp'],
  ],
  [
    'an inverter',
    sound,
    { inverters: [{ part: 'lamp', name: 'inverter', standingW: 6, hours: 4 }] },
    ['look inverter lamp'],
  ],
  [
    'a disconnect of which nothing is entered',
    sound,
    { disconnects: [{ part: 'box', name: 'disconnect' }] },
    ['look settings box'],
  ],
  [
    'a disconnect that opens after the battery',
    sound,
    {
      packs: [pack({ cutoffV: 10 })],
      disconnects: [{ part: 'box', name: 'disconnect', disconnectV: 9, reconnectV: 12, maxA: 20 }],
    },
    ['look settings box'],
  ],
  ['a box that carries too little', withPart('box', { maxA: 4 }), {}, ['stop supply box']],
  // 0.5 A at 13.8 V
  ['a converter that gives too little', withPart('buck', { maxA: 0.4 }), {}, ['stop supply buck']],
  ['a converter that gives just enough', withPart('buck', { maxA: 0.5 }), {}, []],
  [
    'ends that do not mate',
    withPart('radio', { connectors: [{ family: 'barrel25', end: 'socket' }] }),
    {},
    ['look mating radio'],
  ],
  [
    'a wire of clad aluminium',
    withRun('radio', { wire: { ...wired.wire!, size: { awg: null, areaMm2: 4, isClad: true } } }),
    {},
    ['look copper radio'],
  ],
]);
