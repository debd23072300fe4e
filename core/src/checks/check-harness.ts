import { wayToRoot, type HarnessPart } from '../harness/harness.js';
import { cableRunFigures, type CableRunFigures } from '../harness/cable-run-figures.js';
import { SEVERITIES } from './check.js';
import { packChecks } from './check-packs.js';
import { mendedCableRunChecks, cableRunChecks } from './check-cable-runs.js';
import { sunChecks } from './check-sun.js';
import { at, type Check, type HarnessFacts } from './facts.js';
import {
  inverterCost,
  mainsOutlet,
  missingPart,
  radioFrequency,
  suspended,
  unknownCableRuns,
} from './plan-checks.js';
import { giverOf, startsUp } from './start-up.js';
import { cableRunLabel } from './cable-run-label.js';
import { fullPowerAtLowest, survivesCharging, survivesFullBattery } from './volts-checks.js';

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
  const figures = cableRunFigures(parts, facts.flow);
  const found = [
    ...facts.missing.map(({ part, name, sentence }) =>
      at('missing', part, 'part', missingPart(name, sentence)),
    ),
    ...packChecks(parts, facts, figures),
    ...(withRemedies ? mendedCableRunChecks(parts, facts, figures) : cableRunChecks(parts, facts, figures)),
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
  figures: ReadonlyMap<string, CableRunFigures>,
  facts: HarnessFacts,
): (Check | null)[] {
  const { radios, packs, panels, flow, coldC, storedDays, getsToDropout, controllers } = facts;
  const isCharged = panels.length > 0 || facts.hasCharger;
  const [first] = packs;
  const shape = {
    temperatureC: coldC,
    compensates: controllers.some(({ compensates }) => compensates),
    equalises: controllers.some(({ equalises }) => equalises),
  };
  return radios.flatMap((radio) => {
    const regulated = wayToRoot(parts, radio.part).some(({ kind }) => kind === 'converter');
    const plain = regulated ? [] : packs.filter(({ hasSocket }) => !hasSocket);
    // Where a run on the way is not entered, nothing is said of the volts behind it.
    const keyDownV = figures.get(radio.part)?.keyDownV ?? undefined;
    const highest = plain.map(
      (pack) =>
        at('full', radio.part, 'part', survivesFullBattery(radio, pack, storedDays)) ??
        (isCharged ? at('charging', radio.part, 'part', survivesCharging(radio, pack, shape)) : null),
    );
    return [
      keyDownV === undefined || regulated || !first
        ? null
        : at(
            'floor',
            radio.part,
            'part',
            fullPowerAtLowest(radio, {
              keyDownV,
              lostV: flow.lowV.keyDown - keyDownV,
              chemistry: first.chemistry,
              getsThere: getsToDropout,
            }),
          ),
      highest.find((check) => check?.severity === 'stop') ?? highest.find((check) => check !== null) ?? null,
    ];
  });
}

function kitChecks(
  parts: readonly HarnessPart[],
  figures: ReadonlyMap<string, CableRunFigures>,
  { inverters, flow, radios, packs, startUps, suspended: why }: HarnessFacts,
): (Check | null)[] {
  const unknown = parts.filter((part) => {
    const run = figures.get(part.id);
    return run && !part.run?.wire && run.safeForA > 0;
  });
  const loudest = radios.reduce((most, { mostW }) => Math.max(most, mostW), 0);
  const longest = parts.reduce((most, { run }) => Math.max(most, run?.wire?.lengthM ?? 0), 0);
  const [first] = packs;
  const battery = first && {
    name: first.name,
    maxA: first.socketA ?? first.peakA ?? first.continuousA,
    share: flow.batteryShare,
  };
  return [
    at('suspended', null, 'kit', suspended(why)),
    ...startUps.map((one) =>
      at('startUp', one.part, 'part', startsUp(one, giverOf(parts, one, battery ?? null))),
    ),
    ...inverters.map(({ part, name, standingW, hours }) =>
      at('inverter', part, 'part', inverterCost(name, standingW, hours, flow.lowV.receive)),
    ),
    ...parts
      .filter(({ kind }) => kind === 'outlet')
      .map(({ id, name }) => at('outlet', id, 'part', mainsOutlet(name))),
    at('rf', null, 'kit', radioFrequency(loudest, longest)),
    at('unknown', null, 'kit', unknownCableRuns(unknown.map((part) => cableRunLabel(parts, part)))),
  ];
}
