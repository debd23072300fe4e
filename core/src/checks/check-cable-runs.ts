import type { MostAmps } from './say.js';
import { fullRestVolts, mostChargingVolts } from '../battery/most-volts.js';
import { wayToRoot, type HarnessPart } from '../harness/harness.js';
import { cableRunFigures, type CableRunFigures } from '../harness/cable-run-figures.js';
import { supplyCarriesKeyDown, switchCarries } from './discharge-checks.js';
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
import { mended, mendCableRun } from './mend-cable-run.js';
import { longestFor } from './mend-wire.js';
import type { RuleName } from './rules.js';
import { cableRunLabel } from './cable-run-label.js';
import {
  connectorCarries,
  connectorsMate,
  dropWithinTarget,
  isCopper,
  liveSideShrouded,
  polarityMarked,
  wireCarries,
  type Meeting,
} from './cable-run-checks.js';

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
interface CableRunContext {
  /** Of the copper, C. */
  readonly temperatureC: number;
  /** Volts of the battery, key down, at its lowest. */
  readonly lowV: number;
  /** Batteries that are small cells in a holder. */
  readonly ofCells: ReadonlySet<string>;
  /** Highest volts that stand on the run to a part, V. */
  readonly mostV: (part: HarnessPart) => number;
}

function contextOf(
  parts: readonly HarnessPart[],
  { flow, packs, panels, hasCharger, coldC }: HarnessFacts,
): CableRunContext {
  // A battery that is charged on the way has more volts than at rest.
  const isCharged = panels.length > 0 || hasCharger;
  const batteryV = Math.max(
    0,
    ...packs.map((pack) =>
      pack.hasSocket
        ? 0
        : ((isCharged ? mostChargingVolts(pack, { temperatureC: coldC }) : null) ?? fullRestVolts(pack)),
    ),
  );
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
export const cableRunChecks = (
  parts: readonly HarnessPart[],
  facts: HarnessFacts,
  figures: ReadonlyMap<string, CableRunFigures>,
): readonly Check[] => allBreaches(parts, contextOf(parts, facts), figures);

/** The same with what mends them, where that is sure to. */
export function mendedCableRunChecks(
  parts: readonly HarnessPart[],
  facts: HarnessFacts,
  figures: ReadonlyMap<string, CableRunFigures>,
): readonly Check[] {
  const { flow } = facts;
  const context = contextOf(parts, facts);
  const found = allBreaches(parts, context, figures);
  const stops = new Set(found.filter(isStop).map(placeOf));
  const offers = new Map<string, { readonly remedy: Remedy; readonly left: ReadonlySet<string> } | null>();
  const offerFor = (part: HarnessPart) => {
    const known = offers.get(part.id);
    if (known !== undefined) return known;
    const remedy = mendCableRun(parts, part, flow, figures);
    const after = remedy ? mended(parts, part.id, remedy) : parts;
    const left = remedy ? allBreaches(after, context, cableRunFigures(after, flow)) : found;
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
  context: CableRunContext,
  figures: ReadonlyMap<string, CableRunFigures>,
): readonly Check[] =>
  parts
    .flatMap((part) => {
      const run = figures.get(part.id);
      return run ? cableRunBreaches(parts, part, run, context) : [];
    })
    .filter((check) => check !== null);

/** What is wrong with one run. */
function cableRunBreaches(
  parts: readonly HarnessPart[],
  part: HarnessPart,
  figures: CableRunFigures,
  context: CableRunContext,
): (Check | null)[] {
  const run = part.run!;
  const above = parts.find(({ id }) => id === part.from);
  const label = cableRunLabel(parts, part);
  const name = run.cable ?? 'its cable';
  const { safeForA, ampacityA, keyDownA } = figures;
  const { near, far } = run;
  const told = (rule: RuleName, answer: Answer) => at(rule, part.id, 'run', answer);
  const isPanel = part.kind === 'panel';
  const isCharge = isPanel || part.kind === 'controller';
  const most = { safeForA, plannedA: keyDownA, isCharge: isCharge && keyDownA < safeForA };
  const connected = { label, near, far, ratedA: figures.connectorA, ...most };
  const isToMissing = part.kind === 'missing' || above?.kind === 'missing';
  // Towards the battery, a panel is what is live.
  const [live, liveAt] = isPanel ? [near, above?.name ?? 'the controller'] : [far, part.name];
  // A run towards a gap is complete only once the part is there.
  if (isToMissing) return [];
  return [
    ...fuseBreaches({ part, above, label, most }, figures, context),
    told('ampacity', wireCarries({ label, name, ampacityA, ...most })),
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
    ...(above
      ? [told('mating', mating({ label, which: 'near', end: near, isLive: isPanel, safeForA }, above))]
      : []),
    told('mating', mating({ label, which: 'far', end: far, isLive: !isPanel, safeForA }, part)),
    part.kind === 'converter'
      ? at(
          'supply',
          part.id,
          'part',
          // The output of a converter counts on its own side.
          supplyCarriesKeyDown(
            { name: part.name, needA: behind(part, figures, context), limitA: part.maxA },
            part.supply?.volts,
          ),
        )
      : SWITCHES.has(part.kind)
        ? at('supply', part.id, 'part', switchCarries(part.name, keyDownA, part.maxA))
        : null,
  ];
}

/** A run between two parts, as the rules for its fuse see it. */
interface FusedRun {
  readonly part: HarnessPart;
  readonly above: HarnessPart | undefined;
  readonly label: string;
  readonly most: MostAmps;
}

/** What is wrong with the fuse of one run. */
function fuseBreaches(
  { part, above, label, most }: FusedRun,
  { ampacityA, connectorA, wantsA, guardA, faultA }: CableRunFigures,
  { ofCells, mostV }: CableRunContext,
): (Check | null)[] {
  const { cable, fuseA, fuseKind, fuseAtM } = part.run!;
  // Behind a joint each battery has its own fuse, which the runs from there on rely on. A power station protects its outlets itself.
  const atBattery = above?.kind === 'battery' || part.kind === 'battery';
  const battery = part.kind === 'battery' ? part.id : above?.id;
  const isPanel = part.kind === 'panel';
  const told = (rule: RuleName, answer: Answer) => at(rule, part.id, 'run', answer);
  const fused = {
    label,
    fuseA,
    fuseAtM,
    ...most,
    ...(fuseKind && { fuseKind }),
    ofCells: ofCells.has(battery ?? ''),
    faultA: faultA ?? 0,
    isRadio: part.kind === 'radio',
  };
  const ownFuse = typeof fuseA === 'number';
  const carries = fuseCarriesLoad(fused);
  const guards = isPanel ? null : fuseGuardsWire({ label, guardA, ownFuse, ampacityA, connectorA, wantsA });
  return [
    atBattery ? told('fuse', fuseAtBattery(fused)) : null,
    atBattery ? told('reach', fuseWithinReach(fused)) : null,
    told('fuseVolts', fuseWithinVolts(label, fuseA, fuseKind, mostV(part))),
    told('carries', carries),
    told('guards', guards),
    isPanel || carries || guards
      ? null
      : told('sold', fuseExists({ label, name: cable ?? 'its cable', ampacityA, ...most, wantsA })),
  ];
}

const SWITCHES: ReadonlySet<HarnessPart['kind']> = new Set(['distribution', 'splitter', 'disconnect']);

const mating = (meeting: Omit<Meeting, 'part' | 'offered'>, { name, connectors }: HarnessPart): Answer =>
  connectorsMate({ ...meeting, part: name, offered: connectors });

/** What a part gives to what hangs behind it, A. */
const behind = ({ supply }: HarnessPart, { keyDownA }: CableRunFigures, { lowV }: CableRunContext): number =>
  supply ? (keyDownA * supply.efficiency * lowV) / supply.volts : keyDownA;
