import { fullRestVolts } from '../battery/most-volts.js';
import { wayToRoot, type HarnessPart } from '../harness/harness.js';
import { runFigures, type RunFigures } from '../harness/run-figures.js';
import { supplyCarriesKeyDown } from './discharge-checks.js';
import type { Connector } from '../harness/connectors.js';
import type { Answer, Remedy } from './check.js';
import { at, type Check, type HarnessFacts } from './facts.js';
import {
  fuseAtBattery,
  fuseCarriesLoad,
  fuseExists,
  fuseGuardsWire,
  fuseWithinReach,
  fuseWithinVolts,
} from './fuse-checks.js';
import { longestFor, mended, mendRun } from './mend-run.js';
import type { RuleName } from './rules.js';
import { runLabel } from './run-label.js';
import {
  connectorCarries,
  connectorsMate,
  dropWithinTarget,
  isCopper,
  liveSideShrouded,
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

/** What a run is held against besides its own figures. */
interface RunContext {
  /** Of the copper, C. */
  readonly temperatureC: number;
  /** Volts of the battery, key down, at its lowest. */
  readonly lowV: number;
  /** Batteries that are small cells in a holder. */
  readonly ofCells: ReadonlySet<string>;
  /** Highest volts that stand on the run to a part, V. */
  readonly mostV: (part: HarnessPart) => number;
}

function contextOf(parts: readonly HarnessPart[], { flow, packs, panels }: HarnessFacts): RunContext {
  const batteryV = Math.max(0, ...packs.map((pack) => (pack.hasSocket ? 0 : fullRestVolts(pack))));
  return {
    temperatureC: flow.temperatureC,
    lowV: flow.lowV.keyDown,
    ofCells: new Set(packs.filter(({ ofCells }) => ofCells).map(({ part }) => part)),
    mostV: ({ id, from }) =>
      panels.find(({ part }) => part === id)?.coldV ??
      wayToRoot(parts, from ?? '').find(({ supply }) => supply)?.supply?.volts ??
      batteryV,
  };
}

/** All runs against their currents: fuse, wire, connectors and the volts lost. */
export const runChecks = (
  parts: readonly HarnessPart[],
  facts: HarnessFacts,
  figures: ReadonlyMap<string, RunFigures>,
): readonly Check[] => allBreaches(parts, contextOf(parts, facts), figures);

/** The same with what mends them, where that is sure to. */
export function mendedRunChecks(
  parts: readonly HarnessPart[],
  facts: HarnessFacts,
  figures: ReadonlyMap<string, RunFigures>,
): readonly Check[] {
  const { flow } = facts;
  const context = contextOf(parts, facts);
  const found = allBreaches(parts, context, figures);
  const stops = new Set(found.filter(isStop).map(placeOf));
  const offers = new Map<string, { readonly remedy: Remedy; readonly left: ReadonlySet<string> } | null>();
  const offerFor = (part: HarnessPart) => {
    const known = offers.get(part.id);
    if (known !== undefined) return known;
    const remedy = mendRun(parts, part, flow, figures);
    const after = remedy ? mended(parts, part.id, remedy) : parts;
    const left = remedy ? allBreaches(after, context, runFigures(after, flow)) : found;
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
  context: RunContext,
  figures: ReadonlyMap<string, RunFigures>,
): readonly Check[] =>
  parts
    .flatMap((part) => {
      const run = figures.get(part.id);
      return run ? runBreaches(parts, part, run, context) : [];
    })
    .filter((check) => check !== null);

/** What is wrong with one run. */
function runBreaches(
  parts: readonly HarnessPart[],
  part: HarnessPart,
  figures: RunFigures,
  context: RunContext,
): (Check | null)[] {
  const run = part.run!;
  const above = parts.find(({ id }) => id === part.from);
  const label = runLabel(parts, part);
  const name = run.lead ?? 'its cable';
  const { safeForA, ampacityA, connectorA, wantsA, guardA, keyDownA } = figures;
  const { near, far, fuseA, fuseKind, fuseAtM } = run;
  // Behind a joint each battery has its own fuse, which the runs from there on rely on. A power station protects its outlets itself.
  const atBattery = above?.kind === 'battery' || part.kind === 'battery';
  const battery = part.kind === 'battery' ? part.id : above?.id;
  const told = (rule: RuleName, answer: Answer) => at(rule, part.id, 'run', answer);
  const isPanel = part.kind === 'panel';
  const isCharge = isPanel || part.kind === 'controller';
  const most = { safeForA, plannedA: keyDownA, isCharge: isCharge && figures.keyDownA < safeForA };
  const fused = {
    label,
    fuseA,
    fuseAtM,
    ...most,
    ...(fuseKind && { fuseKind }),
    ofCells: context.ofCells.has(battery ?? ''),
    faultA: figures.faultA ?? 0,
  };
  const wire = { label, name, ampacityA, ...most };
  const connected = { label, near, far, ...most };
  const carries = fuseCarriesLoad(fused);
  // Towards the battery, a panel is what is live.
  const [live, liveAt] = isPanel ? [near, above?.name ?? 'the controller'] : [far, part.name];
  return [
    atBattery ? told('fuse', fuseAtBattery(fused)) : null,
    atBattery ? told('reach', fuseWithinReach(fused)) : null,
    told('fuseVolts', fuseWithinVolts(label, fuseA, fuseKind, context.mostV(part))),
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
            longestM: longestFor(run, figures, context.temperatureC),
          }),
        ),
    told('rating', connectorCarries(connected)),
    told('pin', liveSideShrouded(label, live, liveAt)),
    told('copper', isCopper(label, run.wire?.size.isClad ?? false)),
    told('polarity', polarityMarked(connected)),
    ...(above ? [told('mating', mating(label, above, near, 'near', isPanel))] : []),
    told('mating', mating(label, part, far, 'far', !isPanel)),
    SWITCHES.has(part.kind)
      ? at(
          'supply',
          part.id,
          'part',
          // What a converter gives counts on its own side.
          supplyCarriesKeyDown({ name: part.name, needA: behind(part, figures, context), limitA: part.maxA }),
        )
      : null,
  ];
}

const SWITCHES: ReadonlySet<HarnessPart['kind']> = new Set([
  'converter',
  'distribution',
  'splitter',
  'disconnect',
]);

const mating = (
  label: string,
  { name, connectors }: HarnessPart,
  end: Connector | null,
  which: 'near' | 'far',
  isLive: boolean,
): Answer => connectorsMate({ label, part: name, offered: connectors, end, which, isLive });

/** What a part gives to what hangs behind it, A. */
const behind = ({ supply }: HarnessPart, { keyDownA }: RunFigures, { lowV }: RunContext): number =>
  supply ? (keyDownA * supply.efficiency * lowV) / supply.volts : keyDownA;
