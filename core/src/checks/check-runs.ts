import type { HarnessPart } from '../harness/harness.js';
import type { RunFigures } from '../harness/run-figures.js';
import { supplyCarriesKeyDown } from './battery-checks.js';
import type { Answer } from './check.js';
import { at, type Check } from './facts.js';
import {
  fuseAtBattery,
  fuseCarriesLoad,
  fuseExists,
  fuseGuardsWire,
  fuseWithinReach,
} from './fuse-checks.js';
import type { RuleName } from './rules.js';
import {
  connectorCarries,
  connectorsMate,
  dropWithinTarget,
  polarityMarked,
  wireCarries,
} from './run-checks.js';

/** One run against its currents: fuse, wire, connectors and the volts lost. */
export function runChecks(
  parts: readonly HarnessPart[],
  part: HarnessPart,
  figures: RunFigures,
  temperatureC: number,
): (Check | null)[] {
  const run = part.run!;
  const above = parts.find(({ id }) => id === part.from);
  const label = runLabel(parts, part);
  const name = run.lead ?? 'its lead';
  const { safeForA, ampacityA, connectorA, wantsA, guardA } = figures;
  const { near, far, fuseA, fuseAtM } = run;
  // Behind a joint each battery has its own fuse, which the runs from there on rely on.
  const fromBattery = above?.kind === 'battery';
  const isBattery = part.kind === 'battery';
  const told = (rule: RuleName, answer: Answer) => at(rule, part.id, 'run', answer);
  const surroundings = { temperatureC, bundled: run.wire?.bundled ?? false };
  const fused = { label, fuseA, fuseAtM, wantsA, safeForA, surroundings };
  const wire = { label, name, safeForA, ampacityA, surroundings };
  const isPanel = part.kind === 'panel';
  // Its remedy says already that no fuse that is sold would do for this wire.
  const carries = fuseCarriesLoad(fused);
  return [
    fromBattery || isBattery ? told('fuse', fuseAtBattery(fused)) : null,
    fromBattery || isBattery ? told('reach', fuseWithinReach(fused)) : null,
    told('carries', carries),
    isPanel
      ? null
      : told(
          'guards',
          fuseGuardsWire({
            label,
            guardA,
            ownFuse: typeof fuseA === 'number',
            ampacityA,
            connectorA,
            wantsA,
          }),
        ),
    told('ampacity', wireCarries(wire)),
    isPanel || carries ? null : told('sold', fuseExists({ ...wire, wantsA })),
    told(
      'drop',
      dropWithinTarget({
        label,
        name,
        dropV: figures.mostDropV,
        dropShare: figures.dropShare,
        most: figures.most,
        wire: run.wire && { areaMm2: run.wire.size.areaMm2, lengthM: run.wire.lengthM },
        temperatureC,
        ohm: figures.ohm ?? 0,
      }),
    ),
    told('rating', connectorCarries({ label, safeForA, near, far })),
    told('polarity', polarityMarked({ label, safeForA, near, far })),
    ...(above
      ? [
          told(
            'mating',
            connectorsMate({ label, part: above.name, offered: above.connectors, end: near, which: 'near' }),
          ),
        ]
      : []),
    told(
      'mating',
      connectorsMate({ label, part: part.name, offered: part.connectors, end: far, which: 'far' }),
    ),
    part.kind === 'converter' ||
    part.kind === 'distribution' ||
    part.kind === 'splitter' ||
    part.kind === 'disconnect'
      ? at(
          'supply',
          part.id,
          'part',
          supplyCarriesKeyDown({ name: part.name, needA: figures.keyDownA, limitA: part.maxA }),
        )
      : null,
  ];
}

/** Between which parts a run lies, in the direction of the current: "battery to radio". */
export function runLabel(parts: readonly HarnessPart[], part: HarnessPart): string {
  const above = parts.find(({ id }) => id === part.from)?.name ?? 'the battery';
  if (part.kind === 'battery' || part.kind === 'station') return `${part.name} to the joint`;
  const towards = part.kind === 'panel' || part.kind === 'controller';
  return towards ? `${part.name} to ${above}` : `${above} to ${part.name}`;
}
