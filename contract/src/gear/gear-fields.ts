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
    figure('receiveA', 'receives on', 'receiveA'),
    figure('receiveSheetA', 'the sheet says', 'receiveA', true),
    figure('receiveByEarA', 'at listening volume', 'receiveA', true),
    figure('dropoutV', 'drops out below', 'dropoutV'),
    figure('fullPowerV', 'full power above', 'fullPowerV', true),
    figure('maxV', 'never above', 'maxV', true),
    WEIGHT,
  ],
  battery: [
    figure('ratedAh', 'label says', 'ratedAh'),
    plain('cellsInSeries', 'cells in series', 'cellsInSeries'),
    figure('measuredAh', 'a test gave', 'measuredAh', true),
    figure('health', 'health', 'health', true),
    figure('continuousA', 'gives steadily up to', 'dischargeA', true),
    figure('peakA', 'gives briefly up to', 'dischargeA', true),
    figure('peakS', 'for up to', 'peakS', true),
    figure('maxChargeA', 'takes up to', 'chargeA', true),
    figure('resistanceOhm', 'inner resistance', 'resistanceOhm', true),
    WEIGHT,
  ],
  station: [
    figure('wattHours', 'label says', 'wattHours'),
    plain('cellsInSeries', 'cells in series', 'cellsInSeries'),
    figure('socketV', 'its socket holds', 'socketV', true),
    figure('socketA', 'and gives up to', 'socketA', true),
    figure('efficiency', 'passes on', 'efficiency', true),
    figure('idleW', 'draws itself', 'idleW', true),
    figure('solarW', 'takes from panels', 'solarW', true),
    figure('solarMaxV', 'its input survives', 'inputV', true),
    WEIGHT,
  ],
  amplifier: [
    figure('standbyA', 'draws between overs', 'drawA'),
    figure('transmitA', 'draws in overs', 'transmitA'),
    WEIGHT,
  ],
  accessory: [figure('drawA', 'draws', 'drawA'), WEIGHT],
  lead: [figure('loopOhm', 'there and back', 'loopOhm'), WEIGHT],
  panel: [
    figure('watts', 'label says', 'panelW'),
    figure('truth', 'really gives', 'truth', true),
    figure('vmpV', 'Vmp', 'panelV', true),
    figure('vocV', 'Voc', 'panelV', true),
    figure('impA', 'Imp', 'panelA', true),
    figure('iscA', 'Isc', 'panelA', true),
    figure('vocPerKelvin', 'Voc changes by', 'vocPerKelvin', true),
    WEIGHT,
  ],
  controller: [
    figure('maxA', 'charges with up to', 'chargeA'),
    figure('maxInputV', 'input survives', 'inputV', true),
    figure('chargesToV', 'charges up to', 'chargesToV', true),
    figure('selfUseA', 'draws itself', 'selfUseA', true),
    figure('loadA', 'its load terminals carry', 'drawA', true),
    figure('disconnectV', 'disconnects at', 'disconnectV', true),
    figure('reconnectV', 'reconnects at', 'reconnectV', true),
    WEIGHT,
  ],
  charger: [figure('maxA', 'charges with', 'chargeA'), WEIGHT],
  distribution: [figure('maxA', 'carries', 'chargeA', true), WEIGHT],
  antenna: [WEIGHT],
  other: [WEIGHT],
};

/** Of a radio with its own battery. */
const INSIDE: readonly GearField[] = [
  figure('internal.wattHours', 'battery inside holds', 'wattHours'),
  figure('internal.chargeW', 'is charged with', 'chargeW'),
];

/** The figures of one item: those of its kind, or what stands in their place in this one. */
export function fieldsOf(gear: Gear): readonly GearField[] {
  if (gear.kind === 'radio' && gear.internal) return [...GEAR_FIELDS.radio, ...INSIDE];
  if (gear.kind === 'accessory') {
    const draw = gear.drawW ? figure('drawW', 'draws', 'drawW') : figure('drawA', 'draws', 'drawA');
    const more =
      gear.rule.when === 'transmitting' ? [figure('transmitDraw', 'in overs', 'transmitDraw', true)] : [];
    return [draw, ...more, WEIGHT];
  }
  if (gear.kind === 'lead' && gear.wire) {
    return [
      gear.wire.awg === undefined
        ? plain('wire.areaMm2', 'cross section', 'areaMm2')
        : plain('wire.awg', 'gauge', 'awg'),
      plain('wire.lengthM', 'length one way', 'lengthM'),
      plain('wire.contactPairs', 'contact pairs', 'contactPairs'),
      plain('wire.connectorA', 'connectors carry', 'connectorA'),
      WEIGHT,
    ];
  }
  return GEAR_FIELDS[gear.kind];
}

/** A figure with a value typed over it: a label's word unless it was something better; what stood there becomes its history unless it was assumed. */
export function typedOver(before: Figure | null, value: number, date: string): Figure {
  if (!before || before.source === 'assumed') return { value, source: 'datasheet' };
  const { others = [], pinned, ...entry } = before;
  return {
    value,
    source: before.source,
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
