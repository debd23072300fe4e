import {
  areaOfAwg,
  readConnector,
  UNKNOWN_RUN,
  USUAL_FUSE_AT_M,
  type HarnessPart,
  type HarnessRun,
  type RunName,
  type WireSize,
} from '@knapsack/core';
import type { Lead } from '../documents/gear.js';
import type { RunNote } from '../documents/harness-notes.js';

/** Where a lead goes: as this trip says, else as its gear does. */
export const runOf = (own: RunName | undefined, { run }: Lead): RunName => own ?? run ?? 'radio';

/** A run as the lead of the bag has it. */
export function runOfLead(lead: Lead | undefined): HarnessRun {
  if (!lead) return UNKNOWN_RUN;
  const { name, loopOhm, wire, connectors = [] } = lead;
  const [near = null, far = near] = connectors.map(readConnector);
  const [fuseA = null, ...moreFusesA] = wire?.fusesA ?? [];
  return {
    lead: name,
    measuredOhm: loopOhm?.value ?? null,
    wire: wire
      ? {
          size: sizeOf(wire),
          lengthM: wire.lengthM,
          contactPairs: wire.contactPairs,
          bundled: wire.bundled ?? false,
        }
      : null,
    fuseA: wire ? fuseA : undefined,
    moreFusesA,
    fuseAtM: USUAL_FUSE_AT_M,
    statedA: wire?.connectorA ?? null,
    near,
    far,
  };
}

export const sizeOf = ({
  awg,
  areaMm2,
  clad,
}: {
  readonly awg?: number;
  readonly areaMm2?: number;
  readonly clad?: boolean;
}) => ({
  ...(awg === undefined ? { awg: null, areaMm2: areaMm2 ?? 1 } : { awg, areaMm2: areaOfAwg(awg) }),
  ...(clad && { isClad: true }),
});

/** What stands in for figures of a run that are not given where others are: a contact pair at each end, a metre. */
const USUAL_WIRE = { lengthM: 1, contactPairs: 2, areaMm2: 2.5 } as const;

/** A part with what the trip says of its run; what was measured of a lead does not hold for another wire. */
export function withNote(part: HarnessPart, note: RunNote | undefined): HarnessPart {
  if (!note || !part.run) return part;
  const { run } = part;
  const { from, lengthM, awg, areaMm2, contactPairs, bundled, clad, near, far, fuseA, fuseAtM } = note;
  const isOtherWire = [lengthM, awg, areaMm2, contactPairs, clad].some((said) => said !== undefined);
  const wire =
    run.wire || isOtherWire
      ? {
          size: sizeWith(run.wire?.size, note),
          lengthM: lengthM ?? run.wire?.lengthM ?? USUAL_WIRE.lengthM,
          contactPairs: contactPairs ?? run.wire?.contactPairs ?? USUAL_WIRE.contactPairs,
          bundled: bundled ?? run.wire?.bundled ?? false,
        }
      : null;
  return {
    ...part,
    ...(from !== undefined && { from }),
    run: {
      ...run,
      measuredOhm: isOtherWire ? null : run.measuredOhm,
      wire,
      fuseA: fuseA === undefined ? run.fuseA : fuseA === 0 ? null : fuseA,
      ...(note.fuseKind && { fuseKind: note.fuseKind }),
      ...(note.stringFuseA !== undefined && { stringFuseA: note.stringFuseA }),
      fuseAtM: fuseAtM ?? run.fuseAtM,
      // A stated rating is that of the lead's own connectors.
      statedA: near || far ? null : run.statedA,
      near: near ?? run.near,
      far: far ?? run.far,
    },
  };
}

/** A size with what is said otherwise of it. */
function sizeWith(own: WireSize | undefined, { awg, areaMm2, clad }: RunNote): WireSize {
  const isSaid = awg !== undefined || areaMm2 !== undefined;
  const size = isSaid
    ? sizeOf({ ...(awg !== undefined && { awg }), ...(areaMm2 !== undefined && { areaMm2 }) })
    : (own ?? { awg: null, areaMm2: USUAL_WIRE.areaMm2 });
  return clad === undefined ? size : { awg: size.awg, areaMm2: size.areaMm2, isClad: clad };
}
