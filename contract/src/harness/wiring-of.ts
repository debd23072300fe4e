import {
  branchCablesOhm,
  connectorAmps,
  cableRunOhm,
  wayToRoot,
  type HarnessPart,
  type CableRun,
  type PlannedCable,
  type CableRunName,
} from '@knapsack/core';

/** Loop resistance of a cable that nobody has described: 1 m of 2.5 mm2 with two contact pairs and a fuse, rounded up, ohm. */
export const ASSUMED_CABLE_OHM = 0.025;

/** What stands in where it is not given how the radio is joined. */
export const ASSUMED_CABLE: PlannedCable = { name: 'the cable', ohm: ASSUMED_CABLE_OHM };

/**
 * The cables of a harness as the forecast calculates with them: the panel's, the controller's, the first radio's own, and what
 * lies before the point where the loads part. Where nothing is known on the way to the radio, a cable is assumed.
 */
export function wiringOf(
  parts: readonly HarnessPart[],
  temperatureC: number,
  batteries: BatteryBranches = NO_BRANCHES,
): Readonly<Record<CableRunName, PlannedCable | null>> {
  const cable = (part: HarnessPart | undefined) => (part?.run ? cableOf(part.run, temperatureC) : null);
  const radio = parts.find(({ kind }) => kind === 'radio');
  const way = radio ? wayToRoot(parts, radio.id) : [];
  // Beyond the load terminals the current takes the controller's own cable.
  const shared = way.slice(1).filter(({ kind, run }) => run && kind !== 'controller' && kind !== 'battery');
  const own = cable(way[0]);
  const before = inRow(
    [...shared.map((part) => cable(part)), branchCable(parts, temperatureC, batteries)].filter(
      (known) => known !== null,
    ),
  );
  return {
    panel: cable(parts.find(({ kind }) => kind === 'panel')),
    controller: cable(parts.find(({ kind }) => kind === 'controller')),
    distribution: before,
    radio: own ?? (before ? null : ASSUMED_CABLE),
  };
}

/** Batteries that hang from a common point: how they are used, and the resistance inside each, ohm, by part id. */
export interface BatteryBranches {
  readonly inParallel: boolean;
  readonly ohms: ReadonlyMap<string, number>;
}

const NO_BRANCHES: BatteryBranches = { inParallel: false, ohms: new Map() };

/**
 * The cables between several batteries and their common point as one; null if none of them is entered. In parallel they share the
 * current by resistance, as in Wire; one after the other the worst of them counts.
 */
function branchCable(
  parts: readonly HarnessPart[],
  temperatureC: number,
  { inParallel, ohms }: BatteryBranches,
): PlannedCable | null {
  const branches = parts.flatMap(({ id, run, from }) => {
    const packOhm = from === null ? undefined : ohms.get(id);
    return packOhm === undefined ? [] : [{ packOhm, cableOhm: run && cableRunOhm(run, temperatureC) }];
  });
  const ohm = inParallel
    ? branchCablesOhm(branches)
    : Math.max(0, ...branches.map(({ cableOhm }) => cableOhm ?? 0));
  return ohm > 0 ? { name: 'the cables of the batteries', ohm } : null;
}

function cableOf(run: CableRun, temperatureC: number): PlannedCable | null {
  const ohm = cableRunOhm(run, temperatureC);
  if (ohm === null) return null;
  const name = run.cable ?? 'the cable';
  if (!run.wire) return { name, ohm };
  const { size, lengthM, contactPairs, bundled } = run.wire;
  return {
    name,
    ohm,
    made: {
      size,
      lengthM,
      contactPairs,
      fusesA: run.fuseA ? [run.fuseA, ...run.moreFusesA] : run.moreFusesA,
      connectorA: connectorAmps(run) ?? Infinity,
      bundled,
    },
  };
}

/** Several cables one after the other as one; what it is made of is known for a single one only. */
function inRow(cables: readonly PlannedCable[]): PlannedCable | null {
  if (cables.length <= 1) return cables[0] ?? null;
  return {
    name: cables.map(({ name }) => name).join(' and '),
    ohm: cables.reduce((sum, { ohm }) => sum + ohm, 0),
  };
}
