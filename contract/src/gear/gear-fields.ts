import { MOST_ENTRIES, type Figure } from '../documents/figure.js';
import type { FieldName } from '../fields/fields.js';
import type { Gear } from '../documents/gear.js';

/** A figure of a gear item as the page edits it. */
export interface GearField {
  /** Its name in the document; "wire.lengthM" for one within. */
  readonly key: string;
  readonly label: string;
  readonly field: FieldName;
  /** May be without a value. */
  readonly optional: boolean;
  /** A plain number that has no source of its own. */
  readonly plain: boolean;
}

const figure = (key: string, label: string, field: FieldName, optional = false): GearField => ({
  key,
  label,
  field,
  optional,
  plain: false,
});
const plain = (key: string, label: string, field: FieldName): GearField => ({
  ...figure(key, label, field),
  plain: true,
});
const WEIGHT = figure('weightG', 'weight', 'weightG', true);

/** The figures of each kind that have one value; a radio's transmit points come besides. */
export const GEAR_FIELDS: Record<Gear['kind'], readonly GearField[]> = {
  radio: [
    figure('receiveA', 'receive current', 'receiveA'),
    figure('receiveSheetA', 'receive, data sheet', 'receiveA', true),
    figure('receiveByEarA', 'receive, at normal volume', 'receiveA', true),
    figure('dropoutV', 'minimum supply voltage', 'dropoutV'),
    figure('fullPowerV', 'voltage for full power', 'fullPowerV', true),
    figure('maxV', 'maximum supply voltage', 'maxV', true),
    WEIGHT,
  ],
  battery: [
    figure('ratedAh', 'rated capacity', 'ratedAh'),
    plain('cellsInSeries', 'cells in series', 'cellsInSeries'),
    figure('measuredAh', 'measured capacity', 'measuredAh', true),
    figure('health', 'state of health', 'health', true),
    figure('continuousA', 'continuous discharge', 'dischargeA', true),
    figure('peakA', 'peak discharge', 'dischargeA', true),
    figure('peakS', 'peak lasts', 'peakS', true),
    figure('maxChargeA', 'max charge current', 'chargeA', true),
    figure('resistanceOhm', 'internal resistance', 'resistanceOhm', true),
    WEIGHT,
  ],
  station: [
    figure('wattHours', 'rated energy', 'wattHours'),
    plain('cellsInSeries', 'cells in series', 'cellsInSeries'),
    figure('socketV', 'socket voltage', 'socketV', true),
    figure('socketA', 'socket current', 'socketA', true),
    figure('efficiency', 'efficiency', 'efficiency', true),
    figure('idleW', 'standby power', 'idleW', true),
    figure('sleepsBelowW', 'switches off below', 'idleW', true),
    figure('solarW', 'solar input', 'solarW', true),
    figure('solarMaxV', 'max panel voltage (Voc)', 'inputV', true),
    WEIGHT,
  ],
  amplifier: [
    figure('standbyA', 'current between overs', 'drawA'),
    figure('transmitA', 'current in overs', 'transmitA'),
    figure('outputW', 'output power', 'outputW', true),
    figure('startA', 'start-up current', 'startA', true),
    WEIGHT,
  ],
  accessory: [figure('drawA', 'current', 'drawA'), WEIGHT],
  lead: [figure('loopOhm', 'loop resistance', 'loopOhm'), WEIGHT],
  panel: [
    figure('watts', 'rated power', 'panelW'),
    figure('truth', 'output against label', 'truth', true),
    figure('vmpV', 'Vmp', 'panelV', true),
    figure('vocV', 'Voc', 'panelV', true),
    figure('impA', 'Imp', 'panelA', true),
    figure('iscA', 'Isc', 'panelA', true),
    figure('vocPerKelvin', 'Voc, change with temperature', 'vocPerKelvin', true),
    WEIGHT,
  ],
  controller: [
    figure('maxA', 'max charge current', 'chargeA'),
    figure('maxInputV', 'max panel voltage (Voc)', 'inputV', true),
    figure('chargesToV', 'charge voltage', 'chargesToV', true),
    figure('selfUseA', 'standby current', 'selfUseA', true),
    figure('loadA', 'load output, max current', 'drawA', true),
    figure('disconnectV', 'disconnects at', 'disconnectV', true),
    figure('reconnectV', 'reconnects at', 'reconnectV', true),
    WEIGHT,
  ],
  charger: [figure('maxA', 'charge current', 'chargeA'), WEIGHT],
  generator: [
    figure('ratedW', 'continuous power', 'generatorW'),
    figure('fuelLh', 'fuel at that power', 'fuelLh', true),
    figure('noiseDb', 'sound at 7 m', 'soundDb', true),
    WEIGHT,
  ],
  distribution: [figure('maxA', 'rated current', 'chargeA', true), WEIGHT],
  antenna: [
    figure('gainDbi', 'gain', 'gainDbi', true),
    figure('tallM', 'height, with its mast', 'tallM', true),
    WEIGHT,
  ],
  other: [WEIGHT],
};

/** Of a radio with its own battery. */
const INSIDE: readonly GearField[] = [
  figure('internal.wattHours', 'internal battery', 'wattHours'),
  figure('internal.chargeW', 'charging power, internal battery', 'chargeW'),
];

/** Of a charger of cells on USB, in place of what a controller has. */
const USB: readonly GearField[] = [
  figure('maxA', 'charge current, each cell', 'chargeA'),
  plain('slots', 'cells at once', 'slots'),
  figure('endsV', 'ends at, each cell', 'cellEndsV', true),
  figure('socketW', 'USB socket of the panel', 'usbW', true),
  WEIGHT,
];

/** The figures of one item: those of its kind, or what stands in their place in this one. */
export function fieldsOf(gear: Gear): readonly GearField[] {
  if (gear.kind === 'controller' && gear.type === 'usb') return USB;
  if (gear.kind === 'radio' && gear.internal) return [...GEAR_FIELDS.radio, ...INSIDE];
  if (gear.kind === 'accessory') {
    const draw = gear.drawW ? figure('drawW', 'power', 'drawW') : figure('drawA', 'current', 'drawA');
    const more =
      gear.rule.when === 'transmitting'
        ? [figure('transmitDraw', 'in overs', 'transmitDraw', true)]
        : gear.rule.when === 'dark'
          ? [figure('colourDraw', 'in one colour', 'colourDraw', true)]
          : [];
    return [draw, ...more, WEIGHT, ...(gear.internal ? INSIDE : [])];
  }
  if (gear.kind === 'lead' && gear.wire) {
    return [
      gear.wire.awg === undefined
        ? plain('wire.areaMm2', 'cross section', 'areaMm2')
        : plain('wire.awg', 'gauge', 'awg'),
      plain('wire.lengthM', 'length one way', 'lengthM'),
      plain('wire.contactPairs', 'contact pairs', 'contactPairs'),
      plain('wire.connectorA', 'connector rating', 'connectorA'),
      WEIGHT,
    ];
  }
  return GEAR_FIELDS[gear.kind];
}

/** A figure with a value typed over it: a label's word unless it was something better; what stood there becomes its history unless it was assumed. */
export function typedOver(before: Figure | null, value: number, date: string): Figure {
  // The same value typed again confirms nothing.
  if (before?.source === 'assumed' && before.value === value) return before;
  if (!before || before.source === 'assumed' || before.source === 'simulated') {
    return { value, source: 'datasheet' };
  }
  const { others = [], pinned, ...entry } = before;
  return {
    value,
    // No outing has taught what somebody types.
    source: before.source === 'learned' ? 'measured' : before.source,
    date,
    ...(pinned && { pinned }),
    others: [entry, ...others].slice(0, MOST_ENTRIES),
  };
}

type Data = Readonly<Record<string, unknown>>;

/** A figure by its name; a plain number as one of the label's. */
export function figureOf(gear: Gear, key: string): Figure | null {
  const [name, within] = key.split('.');
  const own = (gear as unknown as Data)[name];
  const value = within ? (own as Data | undefined)?.[within] : own;
  return typeof value === 'number' ? { value, source: 'datasheet' } : ((value as Figure | undefined) ?? null);
}

/** The item with another figure; of a plain number only the value is kept. */
export function withFigure(
  gear: Gear,
  { key, plain }: Pick<GearField, 'key' | 'plain'>,
  figure: Figure,
): Gear {
  const [name, within] = key.split('.');
  const stored = plain ? figure.value : figure;
  if (!within) return { ...gear, [name]: stored };
  const before = (gear as unknown as Record<string, Data | undefined>)[name];
  return { ...gear, [name]: { ...before, [within]: stored } };
}
