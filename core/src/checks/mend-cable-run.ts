import {
  CONNECTOR_ENDS,
  CONNECTORS,
  isBarePin,
  mates,
  sayConnector,
  type Connector,
} from '../harness/connectors.js';
import type { HarnessPart, CableRun } from '../harness/harness.js';
import { cableRunFigures, type HarnessFlow, type CableRunFigures } from '../harness/cable-run-figures.js';
import { fuseCarries } from './fuse-checks.js';
import { breakingKind, FUSE_KINDS, fusesBefore, smallestFuse, usualKind } from '../wire/fuses.js';
import type { FuseKind } from '../wire/fuses.js';
import type { Remedy, CableRunChange } from './check.js';
import { metres, sayRated } from './say.js';
import { wireFor } from './mend-wire.js';
import { sizeWords } from './wire-sizes.js';

/** Connectors that carry much, in the order in which they are offered; none of them has a bare pin. */
const STRONG: readonly Connector[] = [
  { family: 'flat30', end: 'plug' },
  { family: 'flat45', end: 'plug' },
  { family: 'flat50', end: 'plug' },
  { family: 'ring', end: 'plug' },
  { family: 'ring8', end: 'plug' },
];
/**
 * What mends a run in every respect at once: the smallest fuse, wire and connectors with which it carries its current, is guarded
 * and loses no more than it should; and in the runs behind it what its new fuse asks of them. One remedy is enough, whichever
 * of its rules asks; nothing is offered that another rule would stop.
 *
 * @returns null where nothing that is sold does it, or nothing is wrong
 */
export function mendCableRun(
  parts: readonly HarnessPart[],
  part: HarnessPart,
  flow: HarnessFlow,
  figures = cableRunFigures(parts, flow),
): Remedy | null {
  const change = changeOf(parts, part, flow, figures.get(part.id)!);
  if (!change || Object.keys(change).length === 0) return null;
  const also: (CableRunChange & { readonly to: string })[] = [];
  let now = changed(parts, part.id, change);
  // A larger fuse may be too large for what hangs behind it; each of these is mended in its turn.
  for (let turns = parts.length; turns > 0; turns--) {
    const figuresNow = cableRunFigures(now, flow);
    const worse = now.find(
      ({ id, run }) => run && isUnguarded(figuresNow.get(id)!) && !isUnguarded(figures.get(id)!),
    );
    if (!worse) break;
    const more = changeOf(now, worse, flow, figuresNow.get(worse.id)!);
    if (!more || Object.keys(more).length === 0) return null;
    also.push({ to: worse.id, ...more });
    now = changed(now, worse.id, more);
  }
  return { description: describeChange(change, also.length), ...change, ...(also.length > 0 && { also }) };
}

/** A fuse opens too late for the weakest piece of a run. */
const isUnguarded = ({ guardA, ampacityA, connectorA }: CableRunFigures): boolean =>
  typeof guardA === 'number' && guardA > Math.min(ampacityA ?? Infinity, connectorA ?? Infinity);

/** What is to be changed of one run; nothing where it is sound, null where nothing that is sold does it. */
function changeOf(
  parts: readonly HarnessPart[],
  part: HarnessPart,
  flow: HarnessFlow,
  figures: CableRunFigures,
): CableRunChange | null {
  const run = part.run!;
  const { safeForA, connectorA, ampacityA } = figures;
  const fuseA = fuseOf(parts, part, figures);
  if (fuseA === null) return null;
  const fused: CableRun = fuseA === undefined ? run : { ...run, fuseA };
  // Not under what guards it, nor under the smallest fuse that could.
  const guards = part.kind === 'panel' ? [] : [fused.fuseA ?? figures.guardA, smallestFuse(safeForA)];
  const carriesA = Math.max(safeForA, fuseA ?? 0, ...guards.map((amps) => amps ?? 0));
  const ends = connectorA !== null && connectorA < carriesA ? endsFor(parts, part, carriesA) : {};
  if (ends === null) return null;
  const size = wireFor({ ...fused, ...ends }, flow, figures, carriesA, ampacityA);
  if (size === null) return null;
  const changesFuse = fuseA !== undefined && fuseA !== run.fuseA;
  const kind = changesFuse ? kindFor(fuseA, figures.faultA) : null;
  return {
    ...(changesFuse && { fuseA }),
    ...(kind && { fuseKind: kind }),
    ...size,
    // Thicker wire is offered of copper.
    ...(size.areaMm2 !== undefined && run.wire?.size.isClad && { isCopper: true as const }),
    ...ends,
  };
}

/** The kind of fuse that breaks the short-circuit current of a run, A, if its usual kind does not; null if that will do. */
function kindFor(fuseA: number, faultA: number | null): FuseKind | null {
  return faultA === null || FUSE_KINDS[usualKind(fuseA)].breaksA >= faultA
    ? null
    : breakingKind(fuseA, faultA);
}

/** The fuse that a run should have of its own; undefined for none, null where none that is sold carries its current. */
function fuseOf(
  parts: readonly HarnessPart[],
  part: HarnessPart,
  { safeForA, guardA, ampacityA, connectorA }: CableRunFigures,
): number | null | undefined {
  const own = part.run!.fuseA;
  const weakest = Math.min(ampacityA ?? Infinity, connectorA ?? Infinity);
  const smallest = smallestFuse(safeForA, fusesBefore(part.kind === 'radio'));
  const leavesBattery =
    part.kind === 'battery' || parts.find(({ id }) => id === part.from)?.kind === 'battery';
  if (typeof own === 'number') {
    if (!fuseCarries(own, safeForA, part.kind === 'radio')) return smallest;
    // Too large for the wire: a smaller one before a thicker wire.
    return own > weakest ? smallest : own;
  }
  if (leavesBattery && part.kind !== 'panel') return smallest;
  return typeof guardA === 'number' && guardA > weakest && part.kind !== 'panel' ? smallest : undefined;
}

/**
 * Ends that carry a current: those that go into what the parts have, else the usual strong ones; null where what a part has
 * carries less, for then it is the part that has to change.
 */
function endsFor(
  parts: readonly HarnessPart[],
  part: HarnessPart,
  carriesA: number,
): Pick<CableRunChange, 'near' | 'far'> | null {
  const run = part.run!;
  const above = parts.find(({ id }) => id === part.from);
  const strong = STRONG.find(({ family }) => CONNECTORS[family].ratedA >= carriesA);
  const fitting = (offered: readonly Connector[], isLive: boolean) =>
    offered.length === 0
      ? strong
      : CONNECTOR_ENDS.find(
          (end) =>
            CONNECTORS[end.family].ratedA >= carriesA &&
            offered.some((one) => mates(one, end)) &&
            !(isLive && isBarePin(end)),
        );
  const weak = (end: Connector | null) => end === null || CONNECTORS[end.family].ratedA < carriesA;
  const isPanel = part.kind === 'panel';
  const near = fitting(above?.connectors ?? [], isPanel);
  const far = fitting(part.connectors, !isPanel);
  // Naming an end takes the place of what its cable states.
  const isStated = run.statedA !== null && run.statedA < carriesA;
  const [changesNear, changesFar] = [weak(run.near) || (isStated && run.near !== null), weak(run.far)];
  if ((changesNear && !near) || (changesFar && !far)) return null;
  return {
    ...(weak(run.near) ? { near: near! } : isStated && run.near && { near: run.near }),
    ...(weak(run.far) && { far: far! }),
  };
}

/** The parts with a remedy put in. */
export const mended = (parts: readonly HarnessPart[], to: string, remedy: Remedy): readonly HarnessPart[] =>
  [{ ...remedy, to }, ...(remedy.also ?? [])].reduce(
    (before, { to: other, ...change }) => changed(before, other, change),
    parts,
  );

/** The parts with something changed of one run. */
function changed(
  parts: readonly HarnessPart[],
  to: string,
  {
    fuseA,
    fuseKind,
    fuseAtM,
    areaMm2,
    lengthM,
    isCopper,
    near,
    far,
    stringFuseA,
  }: CableRunChange & Pick<Remedy, 'stringFuseA'>,
): readonly HarnessPart[] {
  return parts.map((part) => {
    const { run } = part;
    if (part.id !== to || !run) return part;
    const wire = run.wire && {
      ...run.wire,
      ...(isCopper && { size: { awg: run.wire.size.awg, areaMm2: run.wire.size.areaMm2 } }),
      ...(areaMm2 !== undefined && { size: { awg: null, areaMm2 } }),
      ...(lengthM !== undefined && { lengthM }),
    };
    const isOther = areaMm2 !== undefined || lengthM !== undefined || isCopper;
    return {
      ...part,
      run: {
        ...run,
        wire,
        measuredOhm: isOther ? null : run.measuredOhm,
        fuseA: fuseA ?? run.fuseA,
        ...(fuseKind && { fuseKind }),
        ...(stringFuseA !== undefined && { stringFuseA }),
        fuseAtM: fuseAtM ?? run.fuseAtM,
        statedA: near || far ? null : run.statedA,
        near: near ?? run.near,
        far: far ?? run.far,
      },
    };
  });
}

/** "4 mm² wire with a 15 A fuse and 30 A flat-contact pairs". */
function describeChange(
  { fuseA, fuseKind, areaMm2, lengthM, near, far }: CableRunChange,
  others: number,
): string {
  const ends = [near, far].filter((end) => end !== undefined).map(sayConnector);
  const words = [
    ...(lengthM === undefined
      ? areaMm2 === undefined
        ? []
        : [sizeWords(areaMm2)]
      : [`${metres(lengthM)}${areaMm2 === undefined ? ' of the same wire' : ` of ${sizeWords(areaMm2)}`}`]),
    ...(fuseA === undefined
      ? []
      : [`a ${sayRated(fuseA)} ${fuseKind ? FUSE_KINDS[fuseKind].label : 'fuse'}`]),
    ...(ends.length === 0 ? [] : [[...new Set(ends)].map((end) => `a ${end}`).join(' and ')]),
  ];
  const behind =
    others === 0 ? '' : `; and changes of ${others === 1 ? 'one run' : `${others} runs`} behind it`;
  return `${words.join(' with ')}${behind}`;
}
