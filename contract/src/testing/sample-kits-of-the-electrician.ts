import type { Charger } from '../documents/charging-gear.js';
import type { Battery } from '../documents/gear.js';
import {
  accessory,
  agm,
  amplifier,
  antenna,
  battery,
  controller,
  FLAT,
  iron,
  panel,
  pwm,
  run,
  station,
} from './sample-gear.js';
import {
  hundred,
  kit,
  radioOn,
  sun,
  sunOf,
  ten,
  toHundred,
  toTen,
  toTwenty,
  twenty,
  type SampleKit,
} from './sample-kit.js';

const sheet = (value: number) => ({ value, source: 'datasheet' as const });

/** Fed through a converter at the battery, on its own lead. */
const converter = (from: string, outV: number | undefined, maxA: number, name?: string) => ({
  id: 'reg',
  kind: 'converter' as const,
  from,
  maxA,
  ...(outV !== undefined && { outV }),
  ...(name !== undefined && { name }),
});

const charger = (more: Partial<Charger>): Charger => ({
  schema: 'knapsack.gear',
  version: 8,
  id: 'charger',
  kind: 'charger',
  name: 'charger',
  from: 'mains',
  maxA: sheet(2),
  profiles: ['lifepo4', 'agm'],
  ...more,
});

/** A charger that charges for some hours of the outing. */
const charges = (hours: number) => ({
  loadout: [
    { gear: 'twenty', count: 1 },
    { gear: 'charged', count: 1 },
    {
      gear: 'charger',
      count: 1,
      charging: {
        hours: [
          { start: '2027-09-04T10:00:00Z', end: new Date(Date.UTC(2027, 8, 4, 10 + hours)).toISOString() },
        ],
      },
    },
  ],
});

/** Two batteries in parallel, each on its own cable. */
const both = (first: Battery, second: Battery, amps: number) => [
  run(first.id, 6, 0.2, amps),
  run(second.id, 6, 0.2, amps),
];

/** Kits of a second reading by an electrician: each with the verdict that he gives, sound or not. */
export const ELECTRICIANS_KITS: readonly SampleKit[] = [
  kit('20 W radio behind a 24 V converter', false, {
    gear: [twenty, iron(20), antenna],
    parts: [converter('iron-20', 24, 10, '24 V converter')],
    runs: [run('reg', 4, 0.3, 15), { ...run('twenty', 2.5, 0.6), from: 'reg' }],
    says: ['stop supplyVolts twenty'],
  }),
  kit('20 W radio on a 24 V socket', false, {
    gear: [{ ...twenty, ...radioOn(FLAT) }, station(500, { socketV: sheet(24) }), antenna],
    runs: [run('twenty', 2.5, 1)],
    says: ['stop supplyVolts twenty'],
  }),
  kit('20 W radio on a 16.4 V socket', false, {
    gear: [{ ...twenty, ...radioOn(FLAT) }, station(500, { socketV: sheet(16.4) }), antenna],
    runs: [run('twenty', 2.5, 1)],
    says: ['stop supplyVolts twenty'],
  }),
  kit('100 W on a 13.8 V converter and 5 m of thin cable', true, {
    gear: [{ ...hundred, fullPowerV: sheet(12.8) }, iron(100), antenna],
    parts: [converter('iron-100', 13.8, 30)],
    runs: [
      run('reg', 16, 0.2, 50, {
        near: { family: 'ring', end: 'plug' },
        far: { family: 'ring', end: 'plug' },
      }),
      { ...run('hundred', 4, 6), from: 'reg' },
    ],
    says: [
      'look drop hundred',
      'look floor hundred',
      'look interrupts reg',
      'note rf null',
      'note supplyVolts reg',
    ],
  }),
  kit('20 W radio behind a converter without an entered voltage', true, {
    gear: [twenty, iron(20), antenna],
    parts: [converter('iron-20', undefined, 10)],
    runs: [run('reg', 2.5, 0.3, 7.5), { ...run('twenty', 2.5, 0.6), from: 'reg' }],
    says: ['look supplyVolts reg'],
  }),
  kit('20 W radio on a power station without an entered voltage', true, {
    gear: [{ ...twenty, ...radioOn(FLAT) }, { ...station(500), socketV: undefined as never }, antenna],
    runs: [run('twenty', 2.5, 1)],
    says: ['look supplyVolts station'],
  }),
  kit('LiFePO4 and AGM in turns without a switch', false, {
    gear: [twenty, iron(20), agm(20), antenna],
    runs: [run('iron-20', 4, 0.3, 10), run('agm-20', 4, 0.3, 10), toTwenty],
    change: { batteryUse: 'turns' },
    says: ['stop changeover joint', 'look disconnect agm-20'],
  }),
  kit('Full NiMH on a constant current of 1 C', false, {
    gear: [
      twenty,
      { ...battery('charged', 'nimh', 10, 10, { continuousA: sheet(10) }), maxChargeA: sheet(10) },
      charger({ law: 'cc', profiles: ['nimh'], maxA: sheet(8) }),
    ],
    runs: [run('twenty', 2.5, 0.8, 7.5)],
    change: charges(4),
    says: ['stop noEnd charged'],
  }),
  kit('Three Li-ion cells on a charger without an entered profile', true, {
    gear: [
      twenty,
      battery('charged', 'liion', 3, 12, { protects: true, continuousA: sheet(12), maxChargeA: sheet(4) }),
      (({ profiles: _profiles, ...rest }) => rest)(charger({})),
    ],
    runs: [run('twenty', 2.5, 0.8, 7.5)],
    change: charges(2),
    says: ['look profile charged'],
  }),
  kit('100 W through a change-over switch of 10 A', false, {
    gear: [hundred, iron(20), iron(30)],
    runs: [run('iron-20', 6, 0.3, 30), run('iron-30', 6, 0.3, 30), toHundred],
    change: { batteryUse: 'turns', harness: { changeover: { maxA: 10 } } },
    says: ['stop supply joint', 'note interrupts iron-30'],
  }),
  kit('100 Ah and 12 Ah of LiFePO4 in parallel', true, {
    gear: [hundred, iron(100), iron(12)],
    runs: [
      ...both(iron(100), iron(12), 30).map((one) => ({ ...one, fuseKind: 'terminal' as const })),
      toHundred,
    ],
    says: [],
  }),
  kit('12 V panel on a step-down controller and 24 V battery', false, {
    gear: [
      { ...ten, maxV: sheet(32) },
      battery('iron-24', 'lifepo4', 8, 10, {
        protects: true,
        continuousA: sheet(10),
        maxChargeA: sheet(5),
      }),
      panel(42),
      controller(),
    ],
    runs: [toTen, ...sun()],
    says: ['stop panelVolts controller'],
  }),
  kit('31 V panel on a PWM controller', true, {
    gear: [
      ten,
      iron(20),
      panel(100, 'good_mono', { vmpV: sheet(31), vocV: sheet(37), impA: sheet(3.2), iscA: sheet(3.5) }),
      pwm(10),
    ],
    runs: [toTen, ...sunOf(100)],
    says: ['look panelVolts controller'],
  }),
  kit('Flooded lead-acid by air', false, {
    gear: [ten, battery('wet', 'flooded', 6, 20, { continuousA: sheet(20), protects: true })],
    runs: [toTen],
    change: { packing: { wayIn: 'air' } },
    says: ['stop air wet'],
  }),
  kit('AGM stored half charged', true, {
    gear: [ten, { ...agm(20), protects: true }],
    runs: [toTen],
    change: { storedDays: 60, startSoc: 0.7 },
    says: ['look storage agm-20'],
  }),
  kit('Sealed AGM on a controller that equalises', true, {
    gear: [
      ten,
      { ...agm(20), protects: true },
      panel(42),
      controller({ equalises: true, profiles: ['agm'] }),
    ],
    runs: [toTen, ...sun()],
    says: ['look equalising controller'],
  }),
  kit('Three Li-ion cells without a protection on a panel', false, {
    gear: [
      { ...ten, fullPowerV: sheet(9.6), dropoutV: sheet(9) },
      battery('bare', 'liion', 3, 10, {
        protects: false,
        continuousA: sheet(10),
        maxChargeA: sheet(5),
      }),
      panel(20),
      controller({ profiles: ['liion'], type: 'mppt' }),
    ],
    parts: [{ id: 'lvd', kind: 'disconnect', from: 'bare', disconnectV: 9.6, reconnectV: 11, maxA: 10 }],
    runs: [run('lvd', 2.5, 0.2, 5), { ...run('ten', 1.5, 0.8), from: 'lvd' }, ...sunOf(20, 2.5, 5)],
    says: ['stop overcharge controller'],
  }),
  kit('Power station charged below freezing', true, {
    gear: [{ ...ten, ...radioOn(FLAT) }, station(250), panel(42), antenna],
    runs: [run('ten', 1.5, 1), run('panel-42', 2.5, 3)],
    change: { temperatureC: -6 },
    says: ['look cold station'],
  }),
  kit('LiFePO4 at −30 °C', true, {
    gear: [ten, iron(20)],
    runs: [toTen],
    change: { temperatureC: -30 },
    says: ['look coldUse iron-20'],
  }),
  kit('100 W with the 25 A fuse of its maker', true, {
    gear: [hundred, iron(30), antenna],
    runs: [run('hundred', 6, 1, 25)],
    says: ['note interrupts hundred'],
  }),
  kit('Lamp on a fused output of 10 A over 1 mm²', true, {
    gear: [ten, iron(20), accessory('lamp', 0.3)],
    parts: [{ id: 'box', kind: 'distribution', from: 'iron-20', maxA: 30 }],
    runs: [
      run('box', 4, 0.3, 10),
      { ...run('ten', 1.5, 0.8, 3), from: 'box' },
      { ...run('lamp', 1, 2), from: 'box' },
    ],
    says: [],
  }),
  kit('100 W amplifier on a battery that gives too little', false, {
    gear: [ten, amplifier(35), iron(20, { peakA: sheet(25) })],
    runs: [
      toTen,
      run('amplifier', 10, 0.5, 50, {
        near: { family: 'ring', end: 'plug' },
        far: { family: 'ring', end: 'plug' },
      }),
    ],
    says: ['stop peak iron-20'],
  }),
  kit('Lugs of 25 mm² at 100 A', true, {
    gear: [ten, amplifier(70), iron(200)],
    runs: [
      toTen,
      run('amplifier', 25, 0.5, 100, {
        near: { family: 'ring8', end: 'plug' },
        far: { family: 'ring8', end: 'plug' },
        fuseKind: 'classT',
      }),
    ],
    says: ['look interrupts ten'],
  }),
];
