/** What is on while something is read. */
export const READING_STATES = ['off', 'listening', 'keyDown', 'charging', 'unknown'] as const;
export type ReadingState = (typeof READING_STATES)[number];

/** Who read it: a person off a display, an inline meter, a battery monitor, a charge controller. */
export const READING_SOURCES = ['typed', 'meter', 'monitor', 'controller'] as const;
export type ReadingSource = (typeof READING_SOURCES)[number];

/** What can be read: V at the battery and at the radio, A out, A and W of the panel, Ah out and in since the reset, per cent. */
export const READ_QUANTITIES = [
  'volts',
  'radioVolts',
  'amps',
  'panelAmps',
  'panelWatts',
  'outAh',
  'inAh',
  'percent',
] as const;
export type ReadQuantity = (typeof READ_QUANTITIES)[number];

/** Something read during an outing. */
export interface FieldReading {
  readonly id: string;
  /** UTC epoch ms. */
  readonly timeMs: number;
  readonly state: ReadingState;
  readonly source: ReadingSource;
  readonly values: Readonly<Partial<Record<ReadQuantity, number>>>;
  /** It counts even where it does not fit, because somebody says so. */
  readonly counts?: boolean;
}

/** Whose counters are set to zero. A person resets the meter that he reads. */
export interface CounterReset {
  readonly kind: 'reset';
  readonly timeMs: number;
  readonly source: ReadingSource;
}

/** What the sky does, as somebody sees it. */
export interface SkyNote {
  readonly kind: 'sky';
  readonly timeMs: number;
  /** 0 to 1. */
  readonly cloud: number;
  readonly rain: boolean;
  readonly fog: boolean;
}

/** Something done to a battery, by its place among the packs of the plan. */
export interface BatteryEvent {
  readonly kind: 'battery';
  readonly timeMs: number;
  readonly does: 'swapIn' | 'charge' | 'full';
  readonly pack: number;
}

export type FieldEvent = CounterReset | SkyNote | BatteryEvent;

/**
 * Where an instrument sits, each with a gain of its own: in the lead to the loads (a person reads such a meter), in the lead of
 * the battery, behind the panel. Source: convention of this project.
 */
export type Instrument = 'loads' | 'battery' | 'panel';
export const INSTRUMENTS = ['loads', 'battery', 'panel'] as const satisfies readonly Instrument[];

/** The instrument that a quantity comes from; null for volts and per cent, which have no gain. */
export function instrumentOf(source: ReadingSource, quantity: ReadQuantity): Instrument | null {
  switch (quantity) {
    case 'volts':
    case 'radioVolts':
    case 'percent':
      return null;
    case 'panelAmps':
    case 'panelWatts':
      return 'panel';
    case 'amps':
    case 'outAh':
      return source === 'monitor' ? 'battery' : 'loads';
    case 'inAh':
      return source === 'monitor' ? 'battery' : 'panel';
  }
}

/**
 * Instruments whose counters a reset sets to zero.
 *
 * @param hasController one that counts tells what the panel gave: a meter that somebody resets is not it
 */
export function resetBy(source: ReadingSource, hasController = false): readonly Instrument[] {
  if (source === 'monitor') return ['battery'];
  if (source === 'controller') return ['panel'];
  return hasController ? ['loads'] : ['loads', 'panel'];
}

const VOLTS_AT_REST = 0.05;
const VOLTS_AT_WORK = 0.1;
const AMPS = { share: 0.03, least: 0.01 };
const COUNTED = { share: 0.002, least: 0.02 };
/** Light flickers within the hour that a sky is sampled for. */
const PANEL = { share: 0.15, leastA: 0.05, leastW: 1 };
const PERCENT = 8;
const MONITOR_PERCENT = 5;

/**
 * Scale of what a reading may be off besides its instrument's gain, in the quantity's own unit. Source: convention of this
 * project, docs/model.md.
 *
 * @param predicted what it should be
 * @param isCharging whether the battery is charged just then
 */
export function readingScale(
  quantity: ReadQuantity,
  { source, state }: Pick<FieldReading, 'source' | 'state'>,
  predicted: number,
  isCharging: boolean,
): number {
  switch (quantity) {
    case 'volts':
    case 'radioVolts':
      return state === 'keyDown' || state === 'charging' || isCharging ? VOLTS_AT_WORK : VOLTS_AT_REST;
    case 'amps':
      return AMPS.share * Math.abs(predicted) + AMPS.least;
    case 'panelAmps':
      return PANEL.share * Math.abs(predicted) + PANEL.leastA;
    case 'panelWatts':
      return PANEL.share * Math.abs(predicted) + PANEL.leastW;
    case 'outAh':
    case 'inAh':
      return COUNTED.share * Math.abs(predicted) + COUNTED.least;
    case 'percent':
      return source === 'monitor' ? MONITOR_PERCENT : PERCENT;
  }
}
