import { partsBelow, type HarnessPart } from '../harness/harness.js';
import {
  batteryAccepts,
  chargedCold,
  chargedHot,
  chargeProfile,
  neverCharged,
  setPointFits,
  wakesBattery,
} from './charge-checks.js';
import { setPointVolts } from '../battery/most-volts.js';
import { cellsFilled, cellsOut } from './cell-checks.js';
import {
  chargerAccepted,
  chargerCable,
  chargerEnds,
  chargerFits,
  generatorCarries,
  generatorRests,
  leavesTheStarter,
} from './charger-checks.js';
import type { Answer } from './check.js';
import { at, type Check, type CheckedPanel, type HarnessFacts } from './facts.js';
import {
  belowShock,
  cellsProtected,
  controllerCarries,
  controllerNoise,
  inputSurvivesCold,
  notEqualised,
  panelNeedsController,
  panelVoltsSuit,
  powerStationInputKnown,
  stringsFused,
  terminalsCarry,
} from './sun-checks.js';

/** Panels, and what they charge, against each other. */
export function sunChecks(parts: readonly HarnessPart[], facts: HarnessFacts): (Check | null)[] {
  const { panels } = facts;
  return [
    ...panels.flatMap((panel) => panelChecks(parts, panel)),
    ...(panels.length > 0 || facts.hasCharger ? chargedChecks(facts) : []),
    ...chargerChecks(facts),
    ...controllerChecks(parts, facts),
    ...facts.inputs.flatMap(({ part, ...input }) =>
      panels
        .filter((panel) => parts.some(({ id, from }) => id === panel.part && from === part))
        .flatMap(({ name, coldV }) => [
          at(
            'input',
            part,
            'part',
            inputSurvivesCold({ ...input, name: `the solar input of ${input.name}` }, name, coldV),
          ),
          at('input', part, 'part', powerStationInputKnown(input, name, coldV)),
        ]),
    ),
  ];
}

function panelChecks(
  parts: readonly HarnessPart[],
  { part, name, coldV, strings, stringA }: CheckedPanel,
): (Check | null)[] {
  const own = parts.find(({ id }) => id === part);
  const into = parts.find(({ id }) => id === own?.from);
  const charges = into?.kind === 'controller' || into?.kind === 'station';
  return [
    // A controller that is missing is reported as missing.
    into?.kind === 'missing'
      ? null
      : at('straight', part, 'run', panelNeedsController(name, into ? { name: into.name, charges } : null)),
    at('shock', part, 'part', belowShock(name, coldV)),
    at('strings', part, 'run', stringsFused(name, strings, stringA, own?.run?.stringFuseA, coldV)),
  ];
}

/** Every battery that the sun or a charger reaches. */
const chargedChecks = ({ packs, coldC, hotC }: HarnessFacts): (Check | null)[] =>
  packs.flatMap((pack) => [
    at('primary', pack.part, 'part', neverCharged(pack)),
    at('cold', pack.part, 'part', chargedCold(pack, coldC)),
    at('hot', pack.part, 'part', chargedHot(pack, hotC)),
  ]);

/** Chargers that charge during the outing; the findings are on the battery, since chargers are not part of the drawing. */
function chargerChecks({ chargers, packs, inParallel }: HarnessFacts): (Check | null)[] {
  const shares = inParallel ? Math.max(1, packs.length) : 1;
  return chargers.flatMap((charger) => {
    const [first] = packs;
    return [
      ...packs.flatMap((pack) => {
        const { part, name, chemistry, maxChargeA, chargeEntered = false } = pack;
        const ends = chargerEnds(charger, pack, charger.maxA / shares);
        return [
          at('noEnd', part, 'part', ends),
          ends ? null : at('profile', part, 'part', chargerFits(charger, pack)),
          maxChargeA === undefined
            ? null
            : at(
                'accepts',
                part,
                'part',
                chargerAccepted(
                  charger,
                  { name, chemistry, maxChargeA, isEntered: chargeEntered },
                  charger.maxA / shares,
                ),
              ),
        ];
      }),
      at('chargerCable', first?.part ?? null, first ? 'part' : 'kit', chargerCable(charger)),
      at('starter', first?.part ?? null, first ? 'part' : 'kit', leavesTheStarter(charger)),
      at('generator', first?.part ?? null, first ? 'part' : 'kit', generatorCarries(charger)),
      at('quiet', null, 'kit', generatorRests(charger)),
    ];
  });
}

function controllerChecks(parts: readonly HarnessPart[], facts: HarnessFacts): (Check | null)[] {
  const { controllers, panels, packs, inParallel, flow, temperatureC, isUnattended } = facts;
  // Batteries in parallel share what comes; one after the other each takes all of it.
  const charged = packs.filter(({ maxChargeA }) => maxChargeA !== undefined);
  const shares = inParallel ? Math.max(1, charged.length) : 1;
  const first = (answers: readonly Answer[]) => answers.find((answer) => answer !== null) ?? null;
  return controllers.flatMap((controller) => {
    const { part } = controller;
    const fed = panels.filter((panel) => partsBelow(parts, part).some(({ id }) => id === panel.part));
    // All panels come through it together.
    const shortA = fed.reduce((sum, panel) => sum + panel.shortA, 0);
    const bestA = fed.reduce((most, panel) => Math.max(most, panel.bestA), 0);
    const whenFed = (rule: Parameters<typeof at>[0], answers: readonly Answer[]) =>
      fed.length > 0 ? at(rule, part, 'part', first(answers)) : null;
    const charging = flow.charging.get(part);
    const bringsA = (charging?.lastingA ?? charging?.safeForA ?? 0) / shares;
    return [
      ...fed.map(({ name, coldV }) => at('input', part, 'part', inputSurvivesCold(controller, name, coldV))),
      fed.length > 0 ? at('current', part, 'part', controllerCarries(controller, shortA, bestA)) : null,
      whenFed(
        'accepts',
        charged.map(({ name, chemistry, maxChargeA, chargeEntered = false }) =>
          batteryAccepts(
            controller.name,
            { name, chemistry, maxChargeA: maxChargeA!, isEntered: chargeEntered },
            bringsA,
            facts.coldC < 0,
          ),
        ),
      ),
      ...(controller.ofCells ? cellChecks(controller, controller.ofCells, packs) : []),
      whenFed('profile', gravestFirst(packs.map((pack) => chargeProfile(controller, pack)))),
      ...fed.map((panel) =>
        at(
          'panelVolts',
          part,
          'part',
          gravestFirst(packs.map((pack) => panelSuits(controller, panel, pack, temperatureC)))[0] ?? null,
        ),
      ),
      whenFed('overcharge', gravestFirst(packs.map((pack) => cellsProtected(controller.name, pack)))),
      whenFed(
        'equalising',
        packs.map((pack) => notEqualised(controller, pack)),
      ),
      whenFed('setpoint', gravestFirst(packs.map((pack) => setPointFits(controller, pack, temperatureC)))),
      whenFed(
        'wake',
        packs.map((pack) => wakesBattery(controller, pack, isUnattended)),
      ),
      controller.hasLoads
        ? at('terminals', part, 'part', terminalsCarry(controller, packs[0]?.keyDownA ?? 0))
        : null,
      at('noise', part, 'part', controllerNoise(controller.name, controller.heard)),
    ];
  });
}

/** A panel against the volts at which a battery is charged; single cells on USB have their own charger. */
function panelSuits(
  controller: HarnessFacts['controllers'][number],
  panel: CheckedPanel,
  pack: HarnessFacts['packs'][number],
  temperatureC: number,
): Answer {
  const chargeV = setPointVolts(pack, temperatureC);
  return controller.ofCells || chargeV === null ? null : panelVoltsSuit(controller, panel, chargeV);
}

/** Cells that are charged one by one. */
const cellChecks = (
  { part, name }: HarnessFacts['controllers'][number],
  { endsV, oneWaits }: NonNullable<HarnessFacts['controllers'][number]['ofCells']>,
  packs: HarnessFacts['packs'],
): (Check | null)[] => [
  at('cellEnd', part, 'part', packs.map((pack) => cellsFilled(name, pack, endsV)).find((one) => one) ?? null),
  at(
    'cellsOut',
    part,
    'part',
    gravestFirst(packs.map((pack) => cellsOut(name, pack, oneWaits))).find((one) => one) ?? null,
  ),
];

/** A stop of one battery goes before a look of another. */
const gravestFirst = (answers: readonly Answer[]): readonly Answer[] => [
  ...answers.filter((answer) => answer?.severity === 'stop'),
  ...answers,
];
