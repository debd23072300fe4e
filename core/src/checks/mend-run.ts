import { CONNECTOR_ENDS, CONNECTORS, mates, sayConnector, type Connector } from '../harness/connectors.js';
import type { HarnessPart, HarnessRun } from '../harness/harness.js';
import { runFigures, type HarnessFlow, type RunFigures } from '../harness/run-figures.js';
import { ampacity, loopOhm, smallestFuse } from '../wire/wire.js';
import type { Remedy, RunChange } from './check.js';
import { rating } from './say.js';
import { sizeWords, WIRE_SIZES_MM2 } from './wire-sizes.js';

/** Connectors that carry much, in the order in which they are offered. */
const STRONG: readonly Connector[] = [
  { family: 'flat30', end: 'plug' },
  { family: 'bullet4', end: 'plug' },
  { family: 'ring', end: 'plug' },
];

/**
 * What mends a run in every respect at once: the smallest fuse, wire and connectors with which it carries its current, is guarded
 * and loses no more than it should; and in the runs behind it what its new fuse asks of them. One remedy is enough, whichever
 * of its rules asks; nothing is offered that another rule would stop.
 *
 * @returns null where nothing that is sold does it, or nothing is wrong
 */
export function mendRun(
  parts: readonly HarnessPart[],
  part: HarnessPart,
  flow: HarnessFlow,
  figures = runFigures(parts, flow),
): Remedy | null {
  const change = changeOf(parts, part, flow, figures.get(part.id)!);
  if (!change || Object.keys(change).length === 0) return null;
  const also: (RunChange & { readonly to: string })[] = [];
  let now = changed(parts, part.id, change);
  // A larger fuse may be too large for what hangs behind it; each of these is mended in its turn.
  for (let turns = parts.length; turns > 0; turns--) {
    const figuresNow = runFigures(now, flow);
    const worse = now.find(
      ({ id, run }) => run && isUnguarded(figuresNow.get(id)!) && !isUnguarded(figures.get(id)!),
    );
    if (!worse) break;
    const more = changeOf(now, worse, flow, figuresNow.get(worse.id)!);
    if (!more || Object.keys(more).length === 0) return null;
    also.push({ to: worse.id, ...more });
    now = changed(now, worse.id, more);
  }
  return { words: wordsOf(change, also.length), ...change, ...(also.length > 0 && { also }) };
}

/** A fuse opens too late for the weakest piece of a run. */
const isUnguarded = ({ guardA, ampacityA, connectorA }: RunFigures): boolean =>
  typeof guardA === 'number' && guardA > Math.min(ampacityA ?? Infinity, connectorA ?? Infinity);

/** What is to be changed of one run; nothing where it is sound, null where nothing that is sold does it. */
function changeOf(
  parts: readonly HarnessPart[],
  part: HarnessPart,
  flow: HarnessFlow,
  figures: RunFigures,
): RunChange | null {
  const run = part.run!;
  const { safeForA, connectorA, ampacityA } = figures;
  const fuseA = fuseOf(parts, part, figures);
  if (fuseA === null) return null;
  const fused: HarnessRun = fuseA === undefined ? run : { ...run, fuseA };
  // Not under what guards it, nor under the smallest fuse that could.
  const guards = part.kind === 'panel' ? [] : [fused.fuseA ?? figures.guardA, smallestFuse(safeForA)];
  const carriesA = Math.max(safeForA, fuseA ?? 0, ...guards.map((amps) => amps ?? 0));
  const areaMm2 = sizeOf(fused, flow, figures, carriesA, ampacityA);
  if (areaMm2 === null) return null;
  const ends = connectorA !== null && connectorA < carriesA ? endsFor(parts, part, carriesA) : {};
  if (ends === null) return null;
  return {
    ...(fuseA !== undefined && fuseA !== run.fuseA && { fuseA }),
    ...(areaMm2 !== undefined && { areaMm2 }),
    ...ends,
  };
}

/** The fuse that a run should have of its own; undefined for none, null where none that is sold carries its current. */
function fuseOf(
  parts: readonly HarnessPart[],
  part: HarnessPart,
  { safeForA, guardA, ampacityA, connectorA }: RunFigures,
): number | null | undefined {
  const own = part.run!.fuseA;
  const weakest = Math.min(ampacityA ?? Infinity, connectorA ?? Infinity);
  const smallest = smallestFuse(safeForA);
  const leavesBattery =
    part.kind === 'battery' ||
    part.kind === 'station' ||
    parts.find(({ id }) => id === part.from)?.kind === 'battery';
  if (typeof own === 'number') {
    const carries = smallest !== null && own >= smallest;
    if (!carries) return smallest;
    // Too large for the wire: a smaller one before a thicker wire.
    return own > weakest ? smallest : own;
  }
  if (leavesBattery && part.kind !== 'panel') return smallest;
  return typeof guardA === 'number' && guardA > weakest && part.kind !== 'panel' ? smallest : undefined;
}

/** The wire that a run should be of, mm2; undefined where its own will do, null where none that is sold does. */
function sizeOf(
  run: HarnessRun,
  { temperatureC }: HarnessFlow,
  { dropShare, most, ohm }: RunFigures,
  carriesA: number,
  ampacityA: number | null,
): number | undefined | null {
  const { wire } = run;
  if (!wire || ampacityA === null) return undefined;
  const { lengthM, contactPairs, bundled } = wire;
  const fusesA = run.fuseA ? [run.fuseA, ...run.moreFusesA] : run.moreFusesA;
  const carries = (areaMm2: number) => ampacity({ awg: null, areaMm2 }, temperatureC, bundled) >= carriesA;
  const lossWith = (areaMm2: number) =>
    ohm && dropShare !== null
      ? (dropShare / ohm) * loopOhm({ areaMm2, runM: lengthM, temperatureC, contactPairs, fusesA })
      : 0;
  // A larger fuse alone loses less.
  const loses = run.measuredOhm === null ? lossWith(wire.size.areaMm2) : (dropShare ?? 0);
  if (ampacityA >= carriesA && loses <= most) return undefined;
  const able = WIRE_SIZES_MM2.filter((areaMm2) => areaMm2 > wire.size.areaMm2 || ampacityA < carriesA).filter(
    carries,
  );
  const best = able.find((areaMm2) => lossWith(areaMm2) <= most);
  if (best !== undefined) return best;
  // A run that is too long for any wire is at least made safe.
  return ampacityA >= carriesA ? undefined : (able[0] ?? null);
}

/** Ends that carry a current: those that go into what the parts have, else the usual strong ones; null where none is sold. */
function endsFor(
  parts: readonly HarnessPart[],
  part: HarnessPart,
  carriesA: number,
): Pick<RunChange, 'near' | 'far'> | null {
  const run = part.run!;
  const above = parts.find(({ id }) => id === part.from);
  const strong = STRONG.find(({ family }) => CONNECTORS[family].ratedA >= carriesA);
  const fitting = (offered: readonly Connector[]) =>
    CONNECTOR_ENDS.find(
      (end) => CONNECTORS[end.family].ratedA >= carriesA && offered.some((one) => mates(one, end)),
    ) ?? strong;
  const weak = (end: Connector | null) => end === null || CONNECTORS[end.family].ratedA < carriesA;
  const near = fitting(above?.connectors ?? []);
  const far = fitting(part.connectors);
  if (!near || !far) return null;
  // Naming an end takes the place of what its lead states.
  const isStated = run.statedA !== null && run.statedA < carriesA;
  return {
    ...(weak(run.near) ? { near } : isStated && run.near && { near: run.near }),
    ...(weak(run.far) && { far }),
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
  { fuseA, fuseAtM, areaMm2, near, far }: RunChange,
): readonly HarnessPart[] {
  return parts.map((part) => {
    const { run } = part;
    if (part.id !== to || !run) return part;
    const wire = run.wire && areaMm2 !== undefined ? { ...run.wire, size: { awg: null, areaMm2 } } : run.wire;
    return {
      ...part,
      run: {
        ...run,
        wire,
        measuredOhm: areaMm2 !== undefined ? null : run.measuredOhm,
        fuseA: fuseA ?? run.fuseA,
        fuseAtM: fuseAtM ?? run.fuseAtM,
        statedA: near || far ? null : run.statedA,
        near: near ?? run.near,
        far: far ?? run.far,
      },
    };
  });
}

/** "4 mm² wire with a 15 A fuse and 30 A flat-contact pairs". */
function wordsOf({ fuseA, areaMm2, near, far }: RunChange, others: number): string {
  const ends = [near, far].filter((end) => end !== undefined).map(sayConnector);
  const words = [
    ...(areaMm2 === undefined ? [] : [sizeWords(areaMm2)]),
    ...(fuseA === undefined ? [] : [`a ${rating(fuseA)} fuse`]),
    ...(ends.length === 0 ? [] : [[...new Set(ends)].map((end) => `a ${end}`).join(' and ')]),
  ];
  const behind =
    others === 0 ? '' : `; and what this asks of ${others === 1 ? 'a run' : `${others} runs`} behind it`;
  return `${words.join(' with ')}${behind}`;
}
