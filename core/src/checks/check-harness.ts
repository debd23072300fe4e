import { wayToRoot, type HarnessPart } from '../harness/harness.js';
import { runFigures, type RunFigures } from '../harness/run-figures.js';
import { SEVERITIES } from './check.js';
import { packChecks } from './check-packs.js';
import { mendedRunChecks, runChecks, runLabel } from './check-runs.js';
import { sunChecks } from './check-sun.js';
import { at, type Check, type HarnessFacts } from './facts.js';
import { inverterCost, missingPart, singlePoints, unknownRuns } from './plan-checks.js';
import { fullPowerAtFloor, survivesCharging, survivesFullBattery } from './volts-checks.js';

/**
 * What is wrong with a harness by every rule, the gravest first.
 *
 * @param withRemedies of runs too, which have to be tried out: only where somebody looks at them
 */
export function checkHarness(
  parts: readonly HarnessPart[],
  facts: HarnessFacts,
  withRemedies = true,
): readonly Check[] {
  const figures = runFigures(parts, facts.flow);
  const found = [
    ...facts.missing.map(({ part, name, sentence }) =>
      at('missing', part, 'part', missingPart(name, sentence)),
    ),
    ...packChecks(parts, facts),
    ...(withRemedies ? mendedRunChecks(parts, facts.flow, figures) : runChecks(parts, figures)),
    ...radioChecks(parts, figures, facts),
    ...sunChecks(parts, facts),
    ...kitChecks(parts, figures, facts),
  ];
  return found
    .filter((check) => check !== null)
    .sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity));
}

function radioChecks(
  parts: readonly HarnessPart[],
  figures: ReadonlyMap<string, RunFigures>,
  { radios, packs, panels }: HarnessFacts,
): (Check | null)[] {
  return radios.flatMap((radio) => {
    const regulated = wayToRoot(parts, radio.part).some(({ kind }) => kind === 'converter');
    const plain = packs.filter(({ hasSocket }) => !hasSocket);
    const highest = regulated ? undefined : plain[0];
    // Where a run on the way is not entered, nothing is said of the volts behind it.
    const volts = figures.get(radio.part)?.keyDownV ?? undefined;
    const full = highest && at('full', radio.part, 'part', survivesFullBattery(radio, highest));
    return [
      volts === undefined || regulated
        ? null
        : at('floor', radio.part, 'part', fullPowerAtFloor(radio, volts)),
      full ?? null,
      !full && highest && panels.length > 0
        ? at('charging', radio.part, 'part', survivesCharging(radio, highest))
        : null,
    ];
  });
}

function kitChecks(
  parts: readonly HarnessPart[],
  figures: ReadonlyMap<string, RunFigures>,
  { inverters, singles, flow }: HarnessFacts,
): (Check | null)[] {
  const unknown = parts.filter((part) => {
    const run = figures.get(part.id);
    return run && !part.run?.wire && run.safeForA > 0;
  });
  return [
    ...inverters.map(({ part, name, standingW, hours }) =>
      at('inverter', part, 'part', inverterCost(name, standingW, hours, flow.floorV.receive)),
    ),
    at('unknown', null, 'kit', unknownRuns(unknown.map((part) => runLabel(parts, part)))),
    at('single', null, 'kit', singlePoints(singles)),
  ];
}
