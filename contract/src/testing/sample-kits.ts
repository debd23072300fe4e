import type { SampleKit } from './sample-kit.js';
import { OTHERS, UNSOUND } from './sample-kits-by-kind.js';
import { ELECTRICIANS_KITS } from './sample-kits-of-the-electrician.js';
import { DRY, LARGE, MIDDLE, SMALL } from './sample-kits-by-size.js';

export type { SampleKit };

/** The kinds of kit that the rules are counted on. */
export const SAMPLE_KITS: readonly SampleKit[] = [
  ...DRY,
  ...SMALL,
  ...MIDDLE,
  ...LARGE,
  ...OTHERS,
  ...UNSOUND,
  ...ELECTRICIANS_KITS,
];
