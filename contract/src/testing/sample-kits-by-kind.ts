import {
  accessory,
  agm,
  antenna,
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
  run,
  station,
} from './sample-gear.js';
import {
  kit,
  pocket,
  ten,
  twenty,
  hundred,
  toPocket,
  toTen,
  toTwenty,
  radioOn,
  sun,
  sunOf,
  sunOnCells,
  type SampleKit,
} from './sample-kit.js';

export const OTHERS: readonly SampleKit[] = [
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

export const UNSOUND: readonly SampleKit[] = [
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
  kit('100 W turned down to 20 W on a 10 A fuse and copper-clad wire', true, {
    gear: [hundred, iron(30), antenna],
    powerW: 20,
    runs: [run('hundred', 4, 1, 10, { clad: true })],
    // The radio's full power opens the fuse at 22 A; the 20 W of the plan do not.
    says: ['look carries hundred', 'look copper hundred', 'note interrupts hundred'],
  }),
];
