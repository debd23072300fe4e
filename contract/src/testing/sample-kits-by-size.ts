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
  panel,
  pwm,
  run,
} from './sample-gear.js';
import {
  kit,
  pocket,
  ten,
  twenty,
  fifty,
  hundred,
  toPocket,
  toTen,
  toTwenty,
  toFifty,
  toHundred,
  radioOn,
  sun,
  sunOf,
  type SampleKit,
} from './sample-kit.js';

export const DRY: readonly SampleKit[] = [
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

export const SMALL: readonly SampleKit[] = [
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

export const MIDDLE: readonly SampleKit[] = [
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
    says: [],
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

export const LARGE: readonly SampleKit[] = [
  kit('100 W on 20 Ah LiFePO4', true, {
    gear: [hundred, iron(20, { continuousA: { value: 25, source: 'datasheet' } }), antenna],
    runs: [toHundred],
    says: [],
  }),
  kit('100 W on 30 Ah LiFePO4', true, {
    gear: [hundred, iron(30), antenna],
    runs: [toHundred],
    says: ['note interrupts hundred'],
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
    says: ['look disconnect agm-20', 'look interrupts agm-20'],
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
