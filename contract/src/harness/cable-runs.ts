import {
  areaOfAwg,
  readConnector,
  UNKNOWN_CABLE_RUN,
  USUAL_FUSE_AT_M,
  type HarnessPart,
  type CableRun,
  type CableRunName,
  type WireSize,
} from '@knapsack/core';
import type { Cable } from '../documents/gear.js';
import type { CableRunNote } from '../documents/harness-notes.js';

/** Where a cable goes: as this trip says, else as its gear does. */
export const cableRunNameOf = (own: CableRunName | undefined, { run }: Cable): CableRunName =>
  own ?? run ?? 'radio';

/** A run as the cable of the bag has it. */
export function cableRunOf(cable: Cable | undefined): CableRun {
  if (!cable) return UNKNOWN_CABLE_RUN;
  const { name, loopOhm, wire, connectors = [] } = cable;
  const [near = null, far = near] = connectors.map(readConnector);
  const [fuseA = null, ...moreFusesA] = wire?.fusesA ?? [];
  return {
    cable: name,
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

/** A part with what the trip says of its run; what was measured of a cable does not hold for another wire. */
export function withNote(part: HarnessPart, note: CableRunNote | undefined): HarnessPart {
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
      // A stated rating is that of the cable's own connectors.
      statedA: near || far ? null : run.statedA,
      near: near ?? run.near,
      far: far ?? run.far,
    },
  };
}

/** A size with what is said otherwise of it. */
function sizeWith(own: WireSize | undefined, { awg, areaMm2, clad }: CableRunNote): WireSize {
  const isSaid = awg !== undefined || areaMm2 !== undefined;
  const size = isSaid
    ? sizeOf({ ...(awg !== undefined && { awg }), ...(areaMm2 !== undefined && { areaMm2 }) })
    : (own ?? { awg: null, areaMm2: USUAL_WIRE.areaMm2 });
  return clad === undefined ? size : { awg: size.awg, areaMm2: size.areaMm2, isClad: clad };
}
