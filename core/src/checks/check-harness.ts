import { mostChargingVolts } from '../battery/most-volts.js';
import { partsBelow, wayToRoot, type HarnessPart } from '../harness/harness.js';
import { batteryShares, cableRunFigures, type CableRunFigures } from '../harness/cable-run-figures.js';
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
import { describeNoRemedy } from './rules.js';
import {
  converterHoldsVolts,
  fullPowerAtLowest,
  supplyVoltsEntered,
  survivesCharging,
  survivesFullBattery,
  survivesSupply,
  totalDropWithin,
  type RegulatedSupply,
} from './volts-checks.js';

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
    ...supplyChecks(parts, facts),
    ...sunChecks(parts, facts),
    ...kitChecks(parts, figures, facts),
  ];
  return found
    .filter((check) => check !== null)
    .map((check) =>
      check.severity === 'stop' && !check.remedy
        ? { ...check, noRemedy: describeNoRemedy(check.rule) }
        : check,
    )
    .sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity));
}

/** The converter or socket that feeds a part, with the id of its part; null if the battery itself does. */
function regulatorOf(
  parts: readonly HarnessPart[],
  part: string,
  packs: HarnessFacts['packs'],
): (RegulatedSupply & { readonly part: string; readonly isAssumed: boolean }) | null {
  const converter = wayToRoot(parts, part)
    .slice(1)
    .find(({ supply }) => supply);
  if (converter?.supply) {
    const { id, name, supply } = converter;
    return { part: id, name, volts: supply.volts, isAssumed: supply.isAssumed ?? false };
  }
  // Of several power stations the one of the most volts.
  const sockets = packs.filter(({ hasSocket, socketV }) => hasSocket && socketV !== undefined);
  const [highest] = sockets.toSorted((a, b) => b.socketV! - a.socketV!);
  return highest
    ? {
        part: highest.part,
        name: `the socket of ${highest.name}`,
        volts: highest.socketV!,
        isAssumed: highest.socketEntered === false,
      }
    : null;
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
    const regulator = regulatorOf(parts, radio.part, packs);
    const behindConverter = regulator !== null && !packs.some(({ part }) => part === regulator.part);
    const plain = behindConverter ? [] : packs.filter(({ hasSocket }) => !hasSocket);
    // If a run on the way is not entered, its volts are not known.
    const keyDownV = figures.get(radio.part)?.keyDownV ?? undefined;
    const highest = plain.map(
      (pack) =>
        at('full', radio.part, 'part', survivesFullBattery(radio, pack, storedDays)) ??
        (isCharged ? at('charging', radio.part, 'part', survivesCharging(radio, pack, shape)) : null),
    );
    const startV = regulator?.volts ?? flow.lowV.keyDown;
    const single = wayToRoot(parts, radio.part).some(({ id }) => {
      const run = figures.get(id);
      return run?.dropShare !== null && run?.dropShare !== undefined && run.dropShare > run.most;
    });
    const supplied =
      keyDownV === undefined || !first
        ? null
        : fullPowerAtLowest(radio, {
            keyDownV,
            lostV: startV - keyDownV,
            chemistry: first.chemistry,
            // A regulated supply holds its volts all the time.
            getsThere: regulator ? true : getsToDropout,
            regulator: regulator?.name ?? null,
          });
    return [
      regulator && at('supplyVolts', radio.part, 'part', survivesSupply(radio, regulator)),
      at('floor', radio.part, 'part', supplied),
      // A drop that one run or the radio's own volts are blamed for is not reported twice.
      supplied || single || keyDownV === undefined
        ? null
        : at('totalDrop', radio.part, 'part', totalDropWithin(radio.name, startV - keyDownV, startV)),
      highest.find((check) => check?.severity === 'stop') ?? highest.find((check) => check !== null) ?? null,
    ];
  });
}

/** Converters and sockets whose volts are not entered, and converters that cannot hold theirs. */
function supplyChecks(parts: readonly HarnessPart[], facts: HarnessFacts): (Check | null)[] {
  const { packs, flow, coldC } = facts;
  const feeds = (id: string): readonly string[] =>
    partsBelow(parts, id)
      .filter(({ kind }) => kind === 'radio' || kind === 'amplifier' || kind === 'load')
      .map(({ name }) => name);
  const plain = packs.filter(({ hasSocket }) => !hasSocket);
  const highV = Math.max(0, ...plain.map((pack) => mostChargingVolts(pack, { temperatureC: coldC }) ?? 0));
  return [
    ...parts.flatMap(({ id, name, supply }) => {
      if (!supply || feeds(id).length === 0) return [];
      const regulator = { name, volts: supply.volts };
      return [
        at('supplyVolts', id, 'part', supplyVoltsEntered(regulator, supply.isAssumed ?? false, feeds(id))),
        plain.length > 0 && !supply.isAssumed
          ? at('supplyVolts', id, 'part', converterHoldsVolts(regulator, flow.lowV.keyDown, highV))
          : null,
      ];
    }),
    ...packs.flatMap(({ part, name, socketV, socketEntered }) =>
      socketV === undefined
        ? []
        : [
            at(
              'supplyVolts',
              part,
              'part',
              supplyVoltsEntered(
                { name: `the socket of ${name}`, volts: socketV },
                socketEntered === false,
                parts.filter(({ kind }) => kind === 'radio').map((radio) => radio.name),
              ),
            ),
          ],
    ),
  ];
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
    share: batteryShares(parts, flow).get(first.part) ?? 1,
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
