import { UNKNOWN_RUN, type HarnessPart, type HarnessRun, type PartKind } from '../harness/harness.js';

/** A part of a harness with nothing said of its run but what is given. */
export const part = (
  id: string,
  kind: PartKind,
  from: string | null,
  run: Partial<HarnessRun> = {},
): HarnessPart => ({
  id,
  kind,
  name: id,
  from,
  run: from === null ? null : { ...UNKNOWN_RUN, ...run },
  connectors: [],
});

/** So much copper. */
export const copper = (areaMm2: number, lengthM: number, contactPairs = 0): Partial<HarnessRun> => ({
  wire: { size: { awg: null, areaMm2 }, lengthM, contactPairs, bundled: false },
});
