import {
  rows,
  charging,
  draws,
  mppt,
  pack,
  panel,
  radio,
  sound,
  stationed,
  strong,
  toldOf,
  withPart,
  withRun,
} from '../testing/sound-harness.js';
import { copper, still } from '../testing/harness.js';

describe('a harness with something of each kind', () => {
  it('has nothing wrong', () => expect(toldOf(sound)).toEqual([]));
});

rows('the fuses of a harness', [
  ['none in the battery’s own run', withRun('box', { fuseA: null }), {}, ['stop fuse box']],
  ['one that nobody entered', withRun('box', { fuseA: undefined }), {}, ['look fuse box']],
  ['none in the controller’s run', withRun('mppt', { fuseA: null }), {}, ['stop fuse mppt']],
  ['none behind the box, whose own guards that run', withRun('radio', { fuseA: null }), {}, []],
  ['too far from the battery', withRun('box', { fuseAtM: 0.5 }), {}, ['look reach box']],
  ['far from the box, which is fused itself', withRun('radio', { fuseAtM: 0.5 }), {}, []],
  // 4 A with a quarter to spare are 5 A.
  ['one that opens with the key down', withRun('radio', { fuseA: 3 }), {}, ['stop carries radio']],
  ['one that may open with the key down', withRun('radio', { fuseA: 4 }), {}, ['look carries radio']],
  // The pair may carry 30 A.
  ['one over what its connectors carry', withRun('box', { fuseA: 40 }), {}, ['stop guards box']],
  ['one of the controller that the sun opens', withRun('mppt', { fuseA: 3 }), {}, ['stop carries mppt']],
  // The panel gives what it gives: no fuse guards its run, one that is there has to carry it.
  ['one in the panel’s run over its wire', withRun('panel', { fuseA: 40 }), {}, []],
  ['one in the panel’s run that opens', withRun('panel', { fuseA: 3 }), {}, ['stop carries panel']],
  // 26 V in the cold, 15 strings of volts more.
  [
    'a blade in a run of 60 V',
    withRun('panel', { fuseA: 10 }),
    { panels: [{ ...panel, coldV: 60 }], controllers: [{ ...mppt, maxInputV: 100 }] },
    ['stop fuseVolts panel'],
  ],
  [
    'a blade behind a converter to 48 V',
    withPart('buck', { supply: { volts: 48, efficiency: 0.9 } }).map((one) =>
      one.id === 'lamp' ? { ...one, run: { ...one.run!, fuseA: 5 } } : one,
    ),
    {},
    ['stop fuseVolts lamp'],
  ],
  // 13.8 V stand there: under 32.
  ['a blade behind a converter to 13.8 V', withRun('lamp', { fuseA: 5 }), {}, []],
  [
    'a blade at a battery of 16 cells',
    sound,
    { packs: [pack({ cellsInSeries: 16 })], radios: [], controllers: [{ ...mppt, chargesToV: 57.6 }] },
    [
      'stop fuseVolts box',
      'stop fuseVolts radio',
      'stop fuseVolts buck',
      'stop fuseVolts mppt',
      'stop panelVolts mppt',
      'note supplyVolts buck',
    ],
  ],
  // 4 mm² and 30 A pairs: between 27 x 1.25 A and 30 A no fuse is sold.
  [
    'none that both carries and protects',
    withRun('radio', { fuseA: undefined }),
    {
      flow: still({ draws: draws(27), charging: charging(4) }),
      packs: [pack({ continuousA: 50, peakA: 50 })],
    },
    ['stop carries box', 'look sold radio'],
  ],
]);

rows('the batteries of a harness', [
  // 4 A key down and half an ampere of lamp behind 0.9 at 12.6 V
  [
    'one that gives too little with the key down',
    sound,
    { packs: [pack({ peakA: 3 })] },
    ['stop peak battery'],
  ],
  [
    'one that gives too little for long',
    sound,
    { packs: [pack({ continuousA: 0.5 })] },
    ['stop continuous battery'],
  ],
  [
    'one whose label states a limit for long only',
    sound,
    { packs: [pack({ peakA: undefined as never, continuousA: 3 })] },
    ['stop peak battery'],
  ],
  [
    'one whose label states no limit',
    sound,
    { packs: [pack({ peakA: undefined as never, continuousA: undefined as never, capacityAh: 3 })] },
    ['look limit battery'],
  ],
  [
    'one that nothing protects',
    sound,
    { packs: [pack({ protects: false })] },
    ['stop disconnect battery', 'look overcharge mppt'],
  ],
  [
    'lead that is nearly empty in the frost',
    sound,
    {
      packs: [pack({ chemistry: 'agm', cellsInSeries: 6, lowestSoc: 0.1 })],
      coldC: -20,
      controllers: [{ ...mppt, profiles: ['agm'], chargesToV: 14.7 }],
      radios: [{ ...radio, maxV: 20 }],
    },
    ['stop freeze battery'],
  ],
  ['one on its way by air', sound, { packs: [pack({ wattHours: 120 })], byAir: true }, ['look air battery']],
  ['one that goes by road', sound, { packs: [pack({ wattHours: 120 })] }, []],
  ['one that is emptied in store', sound, { standingA: 0.05, storedDays: 7 }, ['look storage battery']],
  [
    'one that nobody can wake, unattended',
    sound,
    { isUnattended: true },
    ['look resort battery', 'look wake mppt'],
  ],
  ['a station whose socket gives too little', sound, stationed({ socketA: 3 }), ['stop supply battery']],
  ['a station that falls asleep', sound, stationed({ sleepsBelowW: 10, leastW: 4 }), ['look asleep battery']],
  ['a station that stays awake', sound, stationed({ sleepsBelowW: 10, leastW: 12 }), []],
  ['a station of which nobody knows what is drawn', sound, stationed({ sleepsBelowW: 10 }), []],
  [
    'one whose short circuit burns on in the fuse',
    sound,
    {
      packs: [pack({ capacityAh: 40 })],
      flow: still({ draws: draws(), charging: charging(4), sources: strong }),
    },
    ['note interrupts box'],
  ],
  [
    'one whose first fuse breaks it',
    withRun('box', { fuseKind: 'classT' }).map((one) =>
      one.id === 'mppt' ? { ...one, run: { ...one.run!, fuseKind: 'classT' as const } } : one,
    ),
    {
      packs: [pack({ capacityAh: 40 })],
      flow: still({ draws: draws(), charging: charging(4), sources: strong }),
    },
    [],
  ],
  [
    'one of whose two first fuses only one breaks it',
    withRun('box', { fuseKind: 'classT' }),
    {
      packs: [pack({ capacityAh: 40 })],
      flow: still({ draws: draws(), charging: charging(4), sources: strong }),
    },
    ['note interrupts mppt'],
  ],
]);

rows('the radio of a harness', [
  [
    'one that shuts off where the battery is lowest',
    sound,
    { radios: [{ ...radio, dropoutV: 12.8 }] },
    ['look floor radio'],
  ],
  [
    'one that the plan itself shuts off',
    sound,
    { radios: [{ ...radio, dropoutV: 12.8 }], getsToDropout: true },
    ['stop floor radio'],
  ],
  ['one without full power', sound, { radios: [{ ...radio, fullPowerV: 13 }] }, ['look floor radio']],
  // 14.6 V at the end of a charge
  ['one that the charge destroys', sound, { radios: [{ ...radio, maxV: 14 }] }, ['stop charging radio']],
  // 13.5 V an hour after it
  ['one that a full battery destroys', sound, { radios: [{ ...radio, maxV: 13 }] }, ['stop full radio']],
  [
    'one that nothing charges',
    sound.slice(0, 5),
    {
      radios: [{ ...radio, maxV: 14 }],
      panels: [],
      controllers: [],
    },
    [],
  ],
  [
    'one on a station, whose socket holds its volts',
    sound,
    stationed({}, { radios: [{ ...radio, maxV: 13 }] }),
    [],
  ],
  [
    'one behind a converter, which holds its volts',
    withPart('radio', { from: 'buck' }),
    { radios: [{ ...radio, maxV: 13 }] },
    // Its 4.5 A at 16 V are 6.3 A before it.
    ['stop carries buck', 'stop supply buck', 'stop supplyVolts radio'],
  ],
  [
    'one on a cable of which nothing is known',
    withRun('radio', { wire: null }),
    { radios: [{ ...radio, dropoutV: 12.8 }] },
    ['note unknown null'],
  ],
  [
    'one of two that the volts of either battery are too many for: the gravest word',
    sound,
    {
      inParallel: false,
      packs: [pack({ cellsInSeries: 4 }), pack({ part: 'battery', cellsInSeries: 5 })],
      radios: [{ ...radio, maxV: 15 }],
      controllers: [{ ...mppt, chargesToV: 16 }],
    },
    ['stop changeover battery', 'stop full radio', 'stop setpoint mppt', 'note supplyVolts buck'],
  ],
  ['much power beside long cables', sound, { radios: [{ ...radio, mostW: 100 }] }, ['note rf null']],
  [
    'much power beside short ones',
    withRun('panel', copper(4, 1, 1)),
    {
      radios: [
        { ...radio, mostW: 100 },
        { ...radio, mostW: 5 },
      ],
    },
    [],
  ],
]);
