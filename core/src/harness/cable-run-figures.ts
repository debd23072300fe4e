import { faultCurrent, type FaultSource } from '../wire/fault-current.js';
import { fuseFor, fusesBefore } from '../wire/fuses.js';
import { ampacity } from '../wire/wire.js';
import { branchShares } from './parallel-branches.js';
import { connectorAmps, cableRunOhm, wayToRoot, type HarnessPart } from './harness.js';

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
  /** For hours in full sun by the hardware; safeForA if absent. */
  readonly lastingA?: number;
  readonly feedV: number;
}

/** What flows in a harness, by the ids of its parts, and the volts of the battery at the lowest charge that is reached. */
export interface HarnessFlow {
  readonly draws: ReadonlyMap<string, LoadDraw>;
  readonly charging: ReadonlyMap<string, Charging>;
  readonly lowV: { readonly receive: number; readonly keyDown: number };
  /** Batteries as a short circuit sees them, by the ids of their parts. */
  readonly sources: ReadonlyMap<string, FaultSource>;
  /** Several batteries feed at once; otherwise each carries all of the load in its turn. */
  readonly inParallel: boolean;
  /** Radios of which one sends at a time, by the ids of their parts; all may at once if absent. */
  readonly oneSpeaks?: readonly string[];
  /** Of the copper, C. */
  readonly temperatureC: number;
}

/** How a run does: its currents, the volts lost on it and left behind it, and what it may carry. */
export interface CableRunFigures {
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
  /** Volts at the part that it leads to, at the lowest charge; null where a run on the way is not known. */
  readonly receiveV: number | null;
  readonly keyDownV: number | null;
  readonly ampacityA: number | null;
  readonly connectorA: number | null;
  /** The fuse that guards it: its own, or the nearest towards the battery; null for none, undefined where not known. */
  readonly guardA: number | null | undefined;
  /** Short-circuit current that its fuse has to break, A; null for a run that no battery is at. */
  readonly faultA: number | null;
  /** The fuse that it wants, A; null where none that is sold carries its current and guards what is known of it. */
  readonly wantsA: number | null;
}

/** Targets for the largest drop, at key-down and in the best hour. Source: convention of this project, docs/model.md. */
export const DROP_TARGETS = { panel: 0.03, other: 0.03 } as const;
/** Cables and limits of a battery in parallel are made for this share of the whole at least. Source: makers' practice. */
export const MIN_SAFE_BRANCH_SHARE = 0.6;

const isBattery = ({ kind }: HarnessPart): boolean => kind === 'battery' || kind === 'station';

/** Batteries that hang from a common point in parallel, with the share of the load that each gives, 0 to 1, by part id. */
export function batteryShares(
  parts: readonly HarnessPart[],
  { sources, inParallel, temperatureC }: Pick<HarnessFlow, 'sources' | 'inParallel' | 'temperatureC'>,
): ReadonlyMap<string, number> {
  const batteries = parts.filter(isBattery);
  const shares = inParallel
    ? branchShares(
        batteries.map(({ id, run }) => ({
          packOhm: sources.get(id)?.ohmicOhm ?? 0,
          cableOhm: run && cableRunOhm(run, temperatureC),
        })),
      )
    : [];
  return new Map(batteries.map(({ id }, index) => [id, shares[index] ?? 1]));
}

/** The share that a battery in parallel must be safe for, 0 to 1. @param share what it gives by its resistance */
export const safeBranchShare = (share: number): number =>
  share < 1 ? Math.max(MIN_SAFE_BRANCH_SHARE, share) : share;
/** The figures of every run, by the id of the part that it leads to. Source of the formulas: convention of this project, docs/model.md */
export function cableRunFigures(
  parts: readonly HarnessPart[],
  flow: HarnessFlow,
): ReadonlyMap<string, CableRunFigures> {
  const figures = new Map<string, CableRunFigures>();
  // The ways are walked from the battery outward, so that the volts of what feeds a run are known before.
  const depth = (part: HarnessPart) => wayToRoot(parts, part.id).length;
  for (const part of [...parts].sort((a, b) => depth(a) - depth(b))) {
    if (part.run) figures.set(part.id, figuresOf(part, parts, flow, figures));
  }
  return figures;
}

/**
 * What goes into a part from what feeds it, A: its own draw and that of all that hangs behind it. A converter that holds its
 * volts passes power on: in = out x its volts / (efficiency x the volts that it is fed with).
 */
function ampsInto(
  part: HarnessPart,
  parts: readonly HarnessPart[],
  flow: HarnessFlow,
  of: keyof LoadDraw,
): number {
  const { oneSpeaks = [] } = flow;
  return of === 'keyDownA' && oneSpeaks.length > 1
    ? Math.max(...oneSpeaks.map((speaks) => ampsWhile(part, parts, flow, of, speaks)))
    : ampsWhile(part, parts, flow, of);
}

/** The same while one of several radios sends. */
function ampsWhile(
  part: HarnessPart,
  parts: readonly HarnessPart[],
  { draws, lowV, oneSpeaks = [] }: HarnessFlow,
  of: keyof LoadDraw,
  speaks?: string,
): number {
  const drawOf = (id: string) =>
    draws.get(id)?.[speaks !== undefined && oneSpeaks.includes(id) && id !== speaks ? 'receiveA' : of] ?? 0;
  const into = (one: HarnessPart, fedV: number, way: readonly HarnessPart[]): number => {
    // A loop is told elsewhere; here it ends the way.
    if (way.includes(one)) return 0;
    const behindV = one.supply?.volts ?? fedV;
    const out = parts
      .filter((below) => below.from === one.id && !isBattery(below))
      .reduce((sum, below) => sum + into(below, behindV, [...way, one]), drawOf(one.id));
    return one.supply ? (out * one.supply.volts) / (one.supply.efficiency * fedV) : out;
  };
  const above = wayToRoot(parts, part.from ?? '').find(({ supply }) => supply);
  const fedV = above?.supply?.volts ?? (of === 'receiveA' ? lowV.receive : lowV.keyDown);
  return into(part, fedV, []);
}

/** What all loads together take from the batteries, A. */
export function ampsOutOf(parts: readonly HarnessPart[], flow: HarnessFlow, of: keyof LoadDraw): number {
  const roots = parts.filter(({ from }) => from === null);
  const sum = (speaks?: string) =>
    roots.reduce((amps, root) => amps + ampsWhile(root, parts, flow, of, speaks), 0);
  const { oneSpeaks = [] } = flow;
  return of === 'keyDownA' && oneSpeaks.length > 1 ? Math.max(...oneSpeaks.map(sum)) : sum();
}

function figuresOf(
  part: HarnessPart,
  parts: readonly HarnessPart[],
  flow: HarnessFlow,
  figures: ReadonlyMap<string, CableRunFigures>,
): CableRunFigures {
  const { charging, lowV, temperatureC } = flow;
  const run = part.run!;
  const amps = (of: keyof LoadDraw) => {
    if (!isBattery(part)) return ampsInto(part, parts, flow, of);
    const share = batteryShares(parts, flow).get(part.id) ?? 1;
    return (of === 'safeForA' ? safeBranchShare(share) : share) * ampsOutOf(parts, flow, of);
  };
  const brought = charging.get(part.id);
  const ohm = cableRunOhm(run, temperatureC);
  const lost = (current: number) => (ohm === null ? null : current * ohm);
  const startV = startVolts(part, parts, flow, figures);
  const left = (volts: number | null, current: number) =>
    volts === null || ohm === null ? null : volts - current * ohm;
  const receiveA = amps('receiveA');
  const keyDownA = amps('keyDownA');
  const mostChargeA = brought?.mostA ?? 0;
  const safeForA = Math.max(amps('safeForA'), brought?.safeForA ?? 0);
  const shareOf = (current: number, volts: number) => (volts > 0 ? (current * (ohm ?? 0)) / volts : 0);
  const ampacityA = run.wire && ampacity(run.wire.size, temperatureC, run.wire.bundled);
  const connectorA = connectorAmps(run);
  const ratingsA = fusesBefore(part.kind === 'radio');
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
            shareOf(keyDownA, startV.keyDown ?? lowV.keyDown),
            shareOf(mostChargeA, brought?.feedV ?? 0),
          ),
    most: part.kind === 'panel' ? DROP_TARGETS.panel : DROP_TARGETS.other,
    receiveV: left(startV.receive, receiveA),
    keyDownV: left(startV.keyDown, keyDownA),
    ampacityA,
    connectorA,
    guardA: run.fuseA ?? guardBefore(part, parts, flow, figures, run.fuseA),
    faultA: faultAt(part, parts, flow),
    wantsA: fuseFor(safeForA, ampacityA ?? Infinity, connectorA ?? Infinity, ratingsA),
  };
}

/** Volts that a run starts with, listening and key down: of what feeds it, of a converter, or of the batteries less their own cables. */
function startVolts(
  part: HarnessPart,
  parts: readonly HarnessPart[],
  flow: HarnessFlow,
  figures: ReadonlyMap<string, CableRunFigures>,
): { readonly receive: number | null; readonly keyDown: number | null } {
  const { lowV } = flow;
  const above = parts.find(({ id }) => id === part.from);
  if (above?.supply) return { receive: above.supply.volts, keyDown: above.supply.volts };
  const before = figures.get(part.from ?? '');
  if (before) return { receive: before.receiveV, keyDown: before.keyDownV };
  // Behind a joint the batteries' own cables lose too, as far as they are entered.
  const branches = isBattery(part)
    ? []
    : batteriesAt(parts, part.from).flatMap(({ id }) => figures.get(id) ?? []);
  const lost = (of: 'receiveDropV' | 'keyDownDropV') =>
    Math.max(0, ...branches.map((branch) => branch[of] ?? 0));
  return { receive: lowV.receive - lost('receiveDropV'), keyDown: lowV.keyDown - lost('keyDownDropV') };
}

const batteriesAt = (parts: readonly HarnessPart[], joint: string | null): readonly HarnessPart[] =>
  parts.filter((part) => part.from === joint && isBattery(part));

/** The fuse towards the battery: that of the run before, or behind a joint those of the batteries, together where all feed at once. */
function guardBefore(
  part: HarnessPart,
  parts: readonly HarnessPart[],
  { inParallel }: HarnessFlow,
  figures: ReadonlyMap<string, CableRunFigures>,
  own: null | undefined,
): number | null | undefined {
  const feeds = parts.find(({ id }) => id === part.from);
  // Behind a converter its own limit guards; where that is not entered, nothing is known.
  if (feeds?.supply) return feeds.maxA;
  const above = figures.get(part.from ?? '');
  if (above) return above.guardA;
  const fuses = batteriesAt(parts, part.from).map(({ run }) => run?.fuseA);
  if (isBattery(part) || fuses.length === 0) return own;
  if (fuses.some((fuseA) => fuseA === undefined)) return undefined;
  if (fuses.includes(null)) return null;
  const ratings = fuses.map((fuseA) => fuseA ?? 0);
  return inParallel ? ratings.reduce((sum, rated) => sum + rated, 0) : Math.max(...ratings);
}

/** Short-circuit current at the fuse of a run that leaves a battery, A; behind a joint that of all that feed at once. */
function faultAt(
  part: HarnessPart,
  parts: readonly HarnessPart[],
  { sources, inParallel }: HarnessFlow,
): number | null {
  const { fuseAtM, wire } = part.run!;
  const fault = (id: string) => {
    const source = sources.get(id);
    return source ? faultCurrent(source, fuseAtM, wire?.size.areaMm2) : 0;
  };
  const sum = (ids: readonly string[]) => ids.reduce((total, id) => total + fault(id), 0);
  const siblings = batteriesAt(parts, part.from).map(({ id }) => id);
  if (isBattery(part)) {
    // A short circuit in this battery is fed by all the others.
    const others = siblings.filter((id) => id !== part.id);
    return inParallel ? Math.max(fault(part.id), sum(others)) : fault(part.id);
  }
  if (siblings.length > 0) {
    return inParallel ? sum(siblings) : Math.max(...siblings.map(fault));
  }
  return part.from !== null && sources.has(part.from) ? fault(part.from) : null;
}
