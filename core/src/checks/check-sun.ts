import { partsBelow, type HarnessPart } from '../harness/harness.js';
import { at, type Check, type HarnessFacts } from './facts.js';
import {
  chargeProfile,
  controllerCarries,
  controllerNoise,
  inputSurvivesCold,
  panelNeedsController,
  terminalsCarry,
  wakesBattery,
} from './sun-checks.js';

/** Panels and their controllers against each other and the battery. */
export function sunChecks(
  parts: readonly HarnessPart[],
  { panels, controllers, packs }: HarnessFacts,
): (Check | null)[] {
  const straight = panels.map((panel) => {
    const into = parts.find(({ id }) => id === parts.find((part) => part.id === panel.part)?.from);
    const charges = into?.kind === 'controller' || into?.kind === 'station';
    return at(
      'straight',
      panel.part,
      'run',
      panelNeedsController(panel.name, into ? { name: into.name, charges } : null),
    );
  });
  const chemistry = packs[0]?.chemistry;
  const byController = controllers.flatMap((controller) => {
    const { part } = controller;
    const fed = panels.filter((panel) => partsBelow(parts, part).some(({ id }) => id === panel.part));
    return [
      ...fed.flatMap(({ name, coldV, shortA, bestA }) => [
        at('input', part, 'part', inputSurvivesCold(controller, name, coldV)),
        at('current', part, 'part', controllerCarries(controller, shortA, bestA)),
      ]),
      chemistry && fed.length > 0 ? at('profile', part, 'part', chargeProfile(controller, chemistry)) : null,
      chemistry && fed.length > 0 ? at('wake', part, 'part', wakesBattery(controller, chemistry)) : null,
      controller.hasLoads
        ? at('terminals', part, 'part', terminalsCarry(controller, packs[0]?.keyDownA ?? 0))
        : null,
      at('noise', part, 'part', controllerNoise(controller.name, controller.heard)),
    ];
  });
  return [...straight, ...byController];
}
