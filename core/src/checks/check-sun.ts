import { partsBelow, type HarnessPart } from '../harness/harness.js';
import type { Answer } from './check.js';
import { at, type Check, type HarnessFacts } from './facts.js';
import {
  batteryAccepts,
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
  { panels, controllers, packs, inParallel, flow }: HarnessFacts,
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
  // Batteries in parallel share what comes; one after the other each takes all of it.
  const charged = packs.filter(({ maxChargeA }) => maxChargeA !== undefined);
  const shares = inParallel ? Math.max(1, charged.length) : 1;
  const accepts = (controller: string, bringsA: number) =>
    charged.reduce<Answer>(
      (found, { name, chemistry: kind, maxChargeA, chargeEntered = false }) =>
        found ??
        batteryAccepts(
          controller,
          { name, chemistry: kind, maxChargeA: maxChargeA!, isEntered: chargeEntered },
          bringsA / shares,
        ),
      null,
    );
  const byController = controllers.flatMap((controller) => {
    const { part } = controller;
    const fed = panels.filter((panel) => partsBelow(parts, part).some(({ id }) => id === panel.part));
    return [
      ...fed.flatMap(({ name, coldV, shortA, bestA }) => [
        at('input', part, 'part', inputSurvivesCold(controller, name, coldV)),
        at('current', part, 'part', controllerCarries(controller, shortA, bestA)),
      ]),
      fed.length > 0
        ? at('accepts', part, 'part', accepts(controller.name, flow.charging.get(part)?.safeForA ?? 0))
        : null,
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
