import type { HarnessPart } from '../harness/harness.js';
import { runFigures, type HarnessFlow, type RunFigures } from '../harness/run-figures.js';
import { supplyCarriesKeyDown } from './battery-checks.js';
import type { Answer, Remedy } from './check.js';
import { at, type Check } from './facts.js';
import {
  fuseAtBattery,
  fuseCarriesLoad,
  fuseExists,
  fuseGuardsWire,
  fuseWithinReach,
} from './fuse-checks.js';
import { mended, mendRun } from './mend-run.js';
import type { RuleName } from './rules.js';
import {
  connectorCarries,
  connectorsMate,
  dropWithinTarget,
  polarityMarked,
  wireCarries,
} from './run-checks.js';

/** Rules that a new fuse, wire or connectors mend, all of them of a run at once. */
const MENDED: ReadonlySet<RuleName> = new Set([
  'fuse',
  'carries',
  'guards',
  'ampacity',
  'sold',
  'drop',
  'rating',
]);

/** All runs against their currents: fuse, wire, connectors and the volts lost. */
export const runChecks = (
  parts: readonly HarnessPart[],
  figures: ReadonlyMap<string, RunFigures>,
): readonly Check[] => allBreaches(parts, figures);

/** The same with what mends them, where that is sure to. */
export function mendedRunChecks(
  parts: readonly HarnessPart[],
  flow: HarnessFlow,
  figures: ReadonlyMap<string, RunFigures>,
): readonly Check[] {
  const found = allBreaches(parts, figures);
  const stops = new Set(found.filter(isStop).map(placeOf));
  const offers = new Map<string, { readonly remedy: Remedy; readonly left: ReadonlySet<string> } | null>();
  const offerFor = (part: HarnessPart) => {
    const known = offers.get(part.id);
    if (known !== undefined) return known;
    const remedy = mendRun(parts, part, flow, figures);
    const after = remedy ? mended(parts, part.id, remedy) : parts;
    const left = remedy ? allBreaches(after, runFigures(after, flow)) : found;
    // What would stop something else is no remedy.
    const isSafe = left.filter(isStop).every((stop) => stops.has(placeOf(stop)));
    const offer = remedy && isSafe ? { remedy, left: new Set(left.map(placeOf)) } : null;
    offers.set(part.id, offer);
    return offer;
  };
  return found.map((check) => {
    const part = MENDED.has(check.rule) && parts.find(({ id }) => id === check.part);
    const offer = part ? offerFor(part) : null;
    return offer && !offer.left.has(placeOf(check)) ? { ...check, remedy: offer.remedy } : check;
  });
}

const isStop = ({ severity }: Check): boolean => severity === 'stop';
const placeOf = ({ rule, part, on }: Check): string => `${rule} ${part} ${on}`;

const allBreaches = (
  parts: readonly HarnessPart[],
  figures: ReadonlyMap<string, RunFigures>,
): readonly Check[] =>
  parts
    .flatMap((part) => {
      const run = figures.get(part.id);
      return run ? runBreaches(parts, part, run) : [];
    })
    .filter((check) => check !== null);

/** What is wrong with one run. */
function runBreaches(
  parts: readonly HarnessPart[],
  part: HarnessPart,
  figures: RunFigures,
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
  const fused = { label, fuseA, fuseAtM, safeForA };
  const wire = { label, name, safeForA, ampacityA };
  const isPanel = part.kind === 'panel';
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
    figures.dropShare === null || figures.mostDropV === null
      ? null
      : told(
          'drop',
          dropWithinTarget({
            label,
            name,
            dropV: figures.mostDropV,
            dropShare: figures.dropShare,
            most: figures.most,
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
