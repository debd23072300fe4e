import { ampacity, fuseFor } from '../wire/wire.js';
import { connectorAmps, partsBelow, runOhm, wayToRoot, type HarnessPart } from './harness.js';

/** What a load takes, A. */
export interface LoadDraw {
  readonly receiveA: number;
  readonly keyDownA: number;
  /** The largest that its run must be safe for: the sheet's own maximum. */
  readonly safeForA: number;
}

/** What a panel or a controller brings, A, and the volts it starts with. */
export interface Charging {
  readonly meanA: number;
  /** In the best hour. */
  readonly mostA: number;
  readonly safeForA: number;
  readonly feedV: number;
}

/** What flows in a harness, by the ids of its parts, and the volts of the battery at the planning floor. */
export interface HarnessFlow {
  readonly draws: ReadonlyMap<string, LoadDraw>;
  readonly charging: ReadonlyMap<string, Charging>;
  readonly floorV: { readonly receive: number; readonly keyDown: number };
  /** Share of all loads that flows through each of several batteries: all of it where they are used in turn. */
  readonly batteryShare: number;
  /** Of the copper, C. */
  readonly temperatureC: number;
}

/** How a run does: its currents, the volts lost on it and left behind it, and what it may carry. */
export interface RunFigures {
  readonly receiveA: number;
  readonly keyDownA: number;
  /** What flows towards the battery: on average while any does, and in the best hour. */
  readonly chargeA: number;
  readonly mostChargeA: number;
  readonly safeForA: number;
  /** Null where nothing is known of the run; what is lost on it is not known either. */
  readonly ohm: number | null;
  readonly receiveDropV: number | null;
  readonly keyDownDropV: number | null;
  readonly mostDropV: number | null;
  /** Largest drop as a share of the volts that the run starts with, and what it should not pass. */
  readonly dropShare: number | null;
  readonly most: number;
  /** Volts at the part that it leads to, at the floor; null where a run on the way is not known. */
  readonly receiveV: number | null;
  readonly keyDownV: number | null;
  readonly ampacityA: number | null;
  readonly connectorA: number | null;
  /** The fuse that guards it: its own, or the nearest towards the battery; null for none, undefined where not known. */
  readonly guardA: number | null | undefined;
  /** The fuse that it wants, A; null where none that is sold carries its current and guards what is known of it. */
  readonly wantsA: number | null;
}

/** Targets for the largest drop. Source: convention of this project, docs/model.md. */
export const DROP_TARGETS = { panel: 0.03, other: 0.02 } as const;

/** The figures of every run, by the id of the part that it leads to. Source of the formulas: convention of this project, docs/model.md */
export function runFigures(
  parts: readonly HarnessPart[],
  flow: HarnessFlow,
): ReadonlyMap<string, RunFigures> {
  const figures = new Map<string, RunFigures>();
  // The ways are walked from the battery outward, so that the volts of what feeds a run are known before.
  const depth = (part: HarnessPart) => wayToRoot(parts, part.id).length;
  for (const part of [...parts].sort((a, b) => depth(a) - depth(b))) {
    if (part.run) figures.set(part.id, figuresOf(part, parts, flow, figures.get(part.from ?? '')));
  }
  return figures;
}

function figuresOf(
  part: HarnessPart,
  parts: readonly HarnessPart[],
  { draws, charging, floorV, temperatureC, batteryShare }: HarnessFlow,
  above: RunFigures | undefined,
): RunFigures {
  const run = part.run!;
  const isBattery = part.kind === 'battery' || part.kind === 'station';
  const loads = (isBattery ? parts : partsBelow(parts, part.id)).flatMap(({ id }) => draws.get(id) ?? []);
  const share = isBattery ? batteryShare : 1;
  const sum = (of: keyof LoadDraw) => share * loads.reduce((total, draw) => total + draw[of], 0);
  const brought = charging.get(part.id);
  const ohm = runOhm(run, temperatureC);
  const lost = (amps: number) => (ohm === null ? null : amps * ohm);
  const startV = above
    ? { receive: above.receiveV, keyDown: above.keyDownV }
    : { receive: floorV.receive, keyDown: floorV.keyDown };
  const left = (volts: number | null, amps: number) =>
    volts === null || ohm === null ? null : volts - amps * ohm;
  const receiveA = sum('receiveA');
  const keyDownA = sum('keyDownA');
  const mostChargeA = brought?.mostA ?? 0;
  const safeForA = Math.max(sum('safeForA'), brought?.safeForA ?? 0);
  const shareOf = (amps: number, volts: number) => (volts > 0 ? (amps * (ohm ?? 0)) / volts : 0);
  const ampacityA = run.wire && ampacity(run.wire.size, temperatureC, run.wire.bundled);
  const connectorA = connectorAmps(run);
  return {
    receiveA,
    keyDownA,
    chargeA: brought?.meanA ?? 0,
    mostChargeA,
    safeForA,
    ohm,
    receiveDropV: lost(receiveA),
    keyDownDropV: lost(keyDownA),
    mostDropV: lost(Math.max(keyDownA, mostChargeA)),
    dropShare:
      ohm === null
        ? null
        : // Where what lies before is not known, of the volts that the harness begins with.
          Math.max(
            shareOf(keyDownA, startV.keyDown ?? floorV.keyDown),
            shareOf(mostChargeA, brought?.feedV ?? 0),
          ),
    most: part.kind === 'panel' ? DROP_TARGETS.panel : DROP_TARGETS.other,
    receiveV: left(startV.receive, receiveA),
    keyDownV: left(startV.keyDown, keyDownA),
    ampacityA,
    connectorA,
    guardA: run.fuseA ?? guardBefore(part, parts, above, run.fuseA),
    wantsA: fuseFor(safeForA, ampacityA ?? Infinity, connectorA ?? Infinity),
  };
}

/** The fuse towards the battery: that of the run before, or behind a joint the largest of the batteries' own. */
function guardBefore(
  part: HarnessPart,
  parts: readonly HarnessPart[],
  above: RunFigures | undefined,
  own: null | undefined,
): number | null | undefined {
  if (above) return above.guardA;
  const fuses = parts
    .filter(({ from, kind }) => from === part.from && (kind === 'battery' || kind === 'station'))
    .map(({ run }) => run?.fuseA);
  if (part.kind === 'battery' || part.kind === 'station' || fuses.length === 0) return own;
  if (fuses.some((fuseA) => fuseA === undefined)) return undefined;
  return fuses.includes(null) ? null : Math.max(...fuses.map((fuseA) => fuseA ?? 0));
}
