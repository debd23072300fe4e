import {
  connectorAmps,
  runOhm,
  wayToRoot,
  type HarnessPart,
  type HarnessRun,
  type PlannedLead,
  type RunName,
} from '@knapsack/core';

/** Loop resistance of a lead that nobody has described: 1 m of 2.5 mm2 with two contact pairs and a fuse, rounded up, ohm. */
export const ASSUMED_LEAD_OHM = 0.025;

/** What stands in where it is not given how the radio is joined. */
export const ASSUMED_LEAD: PlannedLead = { name: 'the lead', ohm: ASSUMED_LEAD_OHM };

/**
 * The leads of a harness as the forecast reckons with them: the panel's, the controller's, the first radio's own, and what
 * lies before the point where the loads part. Where nothing is known on the way to the radio, a lead is assumed.
 */
export function wiringOf(
  parts: readonly HarnessPart[],
  temperatureC: number,
): Readonly<Record<RunName, PlannedLead | null>> {
  const lead = (part: HarnessPart | undefined) => (part?.run ? leadOf(part.run, temperatureC) : null);
  const radio = parts.find(({ kind }) => kind === 'radio');
  const way = radio ? wayToRoot(parts, radio.id) : [];
  // Beyond the load terminals the current takes the controller's own lead.
  const shared = way.slice(1).filter(({ kind, run }) => run && kind !== 'controller' && kind !== 'battery');
  const own = lead(way[0]);
  const before = inRow(shared.map((part) => lead(part)).filter((known) => known !== null));
  return {
    panel: lead(parts.find(({ kind }) => kind === 'panel')),
    controller: lead(parts.find(({ kind }) => kind === 'controller')),
    distribution: before,
    radio: own ?? (before ? null : ASSUMED_LEAD),
  };
}

function leadOf(run: HarnessRun, temperatureC: number): PlannedLead | null {
  const ohm = runOhm(run, temperatureC);
  if (ohm === null) return null;
  const name = run.lead ?? 'the lead';
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

/** Several leads one after the other as one; what it is made of is known for a single one only. */
function inRow(leads: readonly PlannedLead[]): PlannedLead | null {
  if (leads.length <= 1) return leads[0] ?? null;
  return {
    name: leads.map(({ name }) => name).join(' and '),
    ohm: leads.reduce((sum, { ohm }) => sum + ohm, 0),
  };
}
