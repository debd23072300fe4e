import fc from 'fast-check';
import { CHEMISTRY_NAMES, CONVERTER_NAMES, MODE_NAMES, PROOF_NAMES } from '@knapsack/core';
import type { AccessoryRule } from '../documents/accessory-rule.js';
import type { Charger, ControllerGear, Generator } from '../documents/charging-gear.js';
import type {
  Accessory,
  Amplifier,
  Battery,
  Gear,
  Cable,
  Panel,
  Radio,
  PowerStation,
} from '../documents/gear.js';
import { panelProblem } from '../resolve/panel-label.js';
import { any, bare, figure, iso, maybe } from './any-field.js';

const common = { schema: 'knapsack.gear', version: 8, name: 'x' } as const;

const radios = fc
  .record({
    receiveA: figure('receiveA'),
    transmit: fc.array(
      fc.record({
        rfW: any('rfW'),
        amps: any('transmitA'),
        source: fc.constantFrom('datasheet', 'measured'),
      }),
      { minLength: 1, maxLength: 4 },
    ),
    dropoutV: figure('dropoutV'),
    fullPowerV: maybe('fullPowerV'),
    maxV: maybe('maxV'),
    receiveSheetA: maybe('receiveA'),
    receiveByEarA: maybe('receiveA'),
    overs: fc.option(
      fc.array(
        fc.record({
          mode: fc.constantFrom(...MODE_NAMES),
          factor: any('modeFactor'),
          source: fc.constant('measured' as const),
        }),
        { maxLength: 2 },
      ),
      { nil: undefined },
    ),
    internal: fc.option(
      fc.record({
        wattHours: figure('wattHours'),
        chargeW: figure('chargeW'),
        chargesWhileOperating: fc.boolean(),
      }),
      { nil: undefined },
    ),
  })
  .map((radio) => bare({ ...common, id: 'radio', kind: 'radio', ...radio }) as Radio);

/** Yes, no, or not entered. */
const yesNo = fc.option(fc.boolean(), { nil: undefined });

/** What it is proof against, or not entered. */
const proofs = fc.option(fc.constantFrom(...PROOF_NAMES), { nil: undefined });

/** What refuses a plan more often than not, in one of twelve. */
const seldom = <T>(arbitrary: fc.Arbitrary<T>) =>
  fc.oneof({ weight: 11, arbitrary: fc.constant(undefined) }, { weight: 1, arbitrary });

const batteries = fc
  .record({
    chemistry: fc.constantFrom(...CHEMISTRY_NAMES),
    cellsInSeries: any('cellsInSeries'),
    ratedAh: figure('ratedAh'),
    measuredAh: maybe('measuredAh'),
    health: maybe('health'),
    resistanceOhm: maybe('resistanceOhm'),
    cutoffV: maybe('cutoffV'),
    continuousA: maybe('dischargeA'),
    peakA: maybe('dischargeA'),
    peakS: maybe('peakS'),
    maxChargeA: maybe('chargeA'),
    protects: yesNo,
    coldProtected: yesNo,
    keepsCharge: fc.boolean(),
    proof: proofs,
    sockets: fc.option(any('sockets'), { nil: undefined }),
  })
  .map((battery) => bare({ ...common, id: 'battery', kind: 'battery', ...battery }) as Battery);

const stations = fc
  .record({
    chemistry: fc.constantFrom(...CHEMISTRY_NAMES),
    cellsInSeries: any('cellsInSeries'),
    wattHours: figure('wattHours'),
    health: maybe('health'),
    socketV: maybe('socketV'),
    socketA: maybe('socketA'),
    efficiency: maybe('efficiency'),
    idleW: maybe('idleW'),
    solarW: maybe('solarW'),
    solarMaxV: seldom(figure('inputV')),
    sleepsBelowW: maybe('idleW'),
    proof: proofs,
  })
  .map((station) => bare({ ...common, id: 'station', kind: 'station', ...station }) as PowerStation);

const rules: fc.Arbitrary<AccessoryRule> = fc.oneof(
  fc.constantFrom<AccessoryRule>({ when: 'always' }, { when: 'operating' }, { when: 'dark' }),
  any('anHour').map((anHour): AccessoryRule => ({ when: 'minutes', anHour })),
  any('anHour').map((white): AccessoryRule => ({ when: 'dark', white })),
  any('aboveC').map((aboveC): AccessoryRule => ({ when: 'warm', aboveC })),
  fc.constant<AccessoryRule>({ when: 'hours', hours: [{ start: iso(1), end: iso(3.3) }] }),
);

const accessories = fc
  .record({
    draw: fc.oneof(
      figure('drawA').map((drawA) => ({ drawA })),
      fc.record({ drawW: figure('drawW'), via: fc.constantFrom(...CONVERTER_NAMES) }),
    ),
    rule: fc.oneof(
      rules.map((rule) => ({ rule })),
      figure('transmitDraw').map((transmitDraw) => ({
        transmitDraw,
        rule: { when: 'transmitting' as const },
      })),
    ),
    internal: fc.option(fc.record({ wattHours: figure('wattHours'), chargeW: figure('chargeW') }), {
      nil: undefined,
    }),
    colourDraw: maybe('colourDraw'),
  })
  .map(
    ({ draw, rule, internal, colourDraw }) =>
      bare({
        ...common,
        id: 'accessory',
        kind: 'accessory',
        ...draw,
        ...rule,
        internal,
        colourDraw,
      }) as Accessory,
  );

const amplifiers = fc
  .record({
    standbyA: figure('drawA'),
    transmitA: figure('transmitA'),
    startA: maybe('startA'),
    outputW: maybe('outputW'),
  })
  .map((amplifier) => bare({ ...common, id: 'amplifier', kind: 'amplifier', ...amplifier }) as Amplifier);

const leads = fc
  .oneof(
    figure('loopOhm').map((loopOhm) => ({ loopOhm })),
    fc
      .record({
        size: fc.oneof(
          any('awg').map((awg) => ({ awg })),
          any('areaMm2').map((areaMm2) => ({ areaMm2 })),
        ),
        lengthM: any('lengthM'),
        contactPairs: any('contactPairs'),
        fusesA: fc.array(any('fuseA'), { maxLength: 2 }),
        connectorA: any('connectorA'),
        bundled: fc.boolean(),
        clad: fc.boolean(),
      })
      .map(({ size, ...wire }) => ({ wire: { ...wire, ...size } })),
  )
  .map((made): Cable => ({ ...common, id: 'lead', kind: 'lead', ...made }));

const panels = fc
  .record({
    technology: fc.constantFrom('good_mono', 'cheap_mono', 'thin_film'),
    watts: figure('panelW'),
    vmpV: maybe('panelV'),
    vocV: maybe('panelV'),
    impA: maybe('panelA'),
    iscA: maybe('panelA'),
    truth: maybe('truth'),
    vocPerKelvin: maybe('vocPerKelvin'),
  })
  .map((panel) => bare({ ...common, id: 'panel', kind: 'panel', ...panel }) as Panel)
  // A label that contradicts itself is no document; its watts alone are one.
  .map((panel): Panel => {
    const { vmpV: _vmp, vocV: _voc, impA: _imp, iscA: _isc, ...bareLabel } = panel;
    return panelProblem(panel) ? bareLabel : panel;
  });

const controllers = fc
  .record({
    type: fc.constantFrom('mppt', 'boost', 'pwm', 'usb'),
    slots: fc.option(any('slots'), { nil: undefined }),
    endsV: maybe('cellEndsV'),
    socketW: maybe('usbW'),
    maxA: figure('chargeA'),
    selfUseA: maybe('selfUseA'),
    wakeShare: maybe('wakeShare'),
    maxInputV: seldom(figure('inputV')),
    chargesToV: maybe('chargesToV'),
    compensates: yesNo,
    equalises: yesNo,
    wakesBattery: yesNo,
    profiles: fc.oneof(
      { weight: 6, arbitrary: fc.constant(undefined) },
      { weight: 6, arbitrary: fc.constant(CHEMISTRY_NAMES) },
      { weight: 1, arbitrary: fc.uniqueArray(fc.constantFrom(...CHEMISTRY_NAMES)) },
    ),
  })
  .map(
    (controller) =>
      bare({ ...common, id: 'controller', kind: 'controller', ...controller }) as ControllerGear,
  );

const chargers = fc
  .record({
    from: fc.constantFrom('mains', 'vehicle'),
    maxA: figure('chargeA'),
    law: fc.option(fc.constantFrom('cc', 'cv', 'stages', 'trickle'), { nil: undefined }),
    isolated: yesNo,
  })
  .map((charger) => bare({ ...common, id: 'charger', kind: 'charger', ...charger }) as Charger);

const generators = fc
  .record({ ratedW: figure('generatorW'), fuelLh: maybe('fuelLh'), noiseDb: maybe('soundDb') })
  .map((made) => bare({ ...common, id: 'generator', kind: 'generator', ...made }) as Generator);

/** One item of each kind that takes part in a sum. */
export const bags = fc
  .tuple(
    radios,
    batteries,
    stations,
    amplifiers,
    accessories,
    leads,
    panels,
    controllers,
    chargers,
    generators,
  )
  .map((gear): readonly Gear[] => gear);
