import type { FieldName, Figure, Gear } from '@knapsack/contract';

/** A figure of a gear item as the page edits it. */
export interface GearField {
  readonly key: string;
  readonly label: string;
  readonly field: FieldName;
  /** May be without a value. */
  readonly optional: boolean;
}

const figure = (key: string, label: string, field: FieldName, optional = false): GearField => ({
  key,
  label,
  field,
  optional,
});
const WEIGHT = figure('weightG', 'weight', 'weightG', true);

/** The figures of each kind that have one value; a radio's transmit points come besides. */
export const GEAR_FIELDS: Record<Gear['kind'], readonly GearField[]> = {
  radio: [
    figure('receiveA', 'receives on', 'receiveA'),
    figure('dropoutV', 'drops out below', 'dropoutV'),
    figure('fullPowerV', 'full power above', 'fullPowerV', true),
    WEIGHT,
  ],
  battery: [
    figure('ratedAh', 'label says', 'ratedAh'),
    figure('measuredAh', 'a test gave', 'measuredAh', true),
    figure('continuousA', 'gives steadily up to', 'dischargeA', true),
    figure('peakA', 'gives briefly up to', 'dischargeA', true),
    figure('resistanceOhm', 'inner resistance', 'resistanceOhm', true),
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
    WEIGHT,
  ],
  controller: [
    figure('maxA', 'charges with up to', 'chargeA'),
    figure('maxInputV', 'input survives', 'inputV', true),
    figure('selfUseA', 'draws itself', 'selfUseA', true),
    WEIGHT,
  ],
  other: [WEIGHT],
};

export const figureOf = (gear: Gear, key: string): Figure | null =>
  (gear as unknown as Record<string, Figure | undefined>)[key] ?? null;

export const withFigure = (gear: Gear, key: string, value: Figure): Gear => ({ ...gear, [key]: value });
