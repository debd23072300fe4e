import type { AddedKind } from '@knapsack/contract';
import { ADDED_NAMES } from '@knapsack/contract/harness';
import {
  CONNECTOR_ENDS,
  FUSE_KIND_NAMES,
  FUSE_KINDS,
  habits,
  sayConnector,
  WIRE_SIZES_MM2,
  type Connector,
  type FuseKind,
} from '@knapsack/core';
import type { Choice } from '../parts/choices';

const GAUGES = [20, 18, 16, 14, 12, 10, 8, 6, 4, 2] as const;
export const NOT_SAID: Choice = { value: '', label: 'not said' };
const BY_SECTION = WIRE_SIZES_MM2.map((size) => ({ value: `mm ${size}`, label: `${size} mm²` }));
const BY_GAUGE = GAUGES.map((gauge) => ({ value: `awg ${gauge}`, label: `AWG ${gauge}` }));
/** Wire sizes that are sold, first those that one is used to. */
export const wireSizes = (): readonly Choice[] =>
  habits().units === 'us' ? [...BY_GAUGE, ...BY_SECTION] : [...BY_SECTION, ...BY_GAUGE];
/** A connector as the value of a choice. */
export const keyOf = ({ family, end }: Connector): string => `${family} ${end}`;
export const CONNECTOR_CHOICES: readonly Choice[] = [
  NOT_SAID,
  ...CONNECTOR_ENDS.map((connector) => ({ value: keyOf(connector), label: sayConnector(connector) })),
];
/** Parts that can be put between two others. */
export const ADDED: readonly Choice[] = [
  { value: '', label: 'nothing' },
  ...(Object.keys(ADDED_NAMES) as AddedKind[]).map((kind) => ({ value: kind, label: ADDED_NAMES[kind] })),
];

/** What a wire is of. */
export const METALS: readonly Choice[] = [
  { value: 'copper', label: 'copper' },
  { value: 'clad', label: 'copper-clad aluminium' },
];

/** Kinds of fuses; its rating says which unless somebody does. */
export const FUSE_CHOICES: readonly Choice<FuseKind>[] = FUSE_KIND_NAMES.map((value) => ({
  value,
  label: FUSE_KINDS[value].label,
}));

export const LIES: readonly Choice[] = [
  { value: 'free', label: 'in free air' },
  { value: 'bundled', label: 'bundled with others' },
];
