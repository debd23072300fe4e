import {
  ampsOutOf,
  batteryShares,
  safeBranchShare,
  type CableRunFigures,
} from '../harness/cable-run-figures.js';
import { wayToRoot, type HarnessPart } from '../harness/harness.js';
import {
  byAir,
  changeoverPresent,
  disconnectEntered,
  dischargedCold,
  disconnectPresent,
  lastResort,
  leadStoredFull,
  needsApproval,
  parallelPacksAlike,
  parasiticDraw,
} from './battery-checks.js';
import { freezes } from './charge-checks.js';
import { cableRunLabel } from './cable-run-label.js';
import {
  continuousDischarge,
  dischargeLimitKnown,
  peakDischarge,
  staysAwake,
  supplyCarriesKeyDown,
  switchCarries,
  unevenShare,
} from './discharge-checks.js';
import { fuseInterrupts } from './fuse-checks.js';
import { at, type Check, type CheckedPack, type HarnessFacts } from './facts.js';

/** The batteries against what is asked of them and what is done with them. */
export function packChecks(
  parts: readonly HarnessPart[],
  facts: HarnessFacts,
  figures: ReadonlyMap<string, CableRunFigures>,
): (Check | null)[] {
  const { packs, coldC, storedDays, standingA, inParallel } = facts;
  const disconnects = loadsDisconnected(parts, facts);
  const each = withoutTwins(packs).flatMap((pack) => {
    const { part } = pack;
    const guarded = { ...pack, protects: pack.hasSocket || pack.protects, disconnects };
    return [
      ...dischargeChecks(parts, facts, pack),
      at('disconnect', part, 'part', disconnectPresent(guarded)),
      pack.hasSocket ? null : at('resort', part, 'part', lastResort(guarded, facts.isUnattended)),
      at('freeze', part, 'part', freezes(pack, pack.lowestSoc, coldC)),
      interrupts(parts, pack, figures),
      facts.byAir ? at('air', part, 'part', byAir(pack, packs.filter(needsApproval).length)) : null,
      at('storage', part, 'part', parasiticDraw({ ...pack, standingA, days: storedDays })) ??
        at('storage', part, 'part', leadStoredFull({ ...pack, standingA, days: storedDays })),
      at('coldUse', part, 'part', dischargedCold(pack, facts.temperatureC)),
    ];
  });
  const root = parts.find(({ from }) => from === null);
  const joint = root?.id ?? null;
  return [
    ...each,
    inParallel
      ? at('parallel', packs[0]?.part ?? null, 'part', parallelPacksAlike(packs))
      : at(
          'changeover',
          joint,
          'part',
          changeoverPresent(
            packs.map(({ name }) => name),
            parts.some(({ kind }) => kind === 'changeover'),
          ),
        ),
    root?.kind === 'changeover'
      ? at(
          'supply',
          root.id,
          'part',
          switchCarries(root.name, ampsOutOf(parts, facts.flow, 'keyDownA'), root.maxA),
        )
      : null,
    ...facts.disconnects.map(({ part, ...disconnect }) =>
      at('settings', part, 'part', disconnectEntered(disconnect, packs[0]?.cutoffV)),
    ),
  ];
}

/** Batteries that differ in nothing but their name and part are checked once. */
function withoutTwins(packs: readonly CheckedPack[]): readonly CheckedPack[] {
  const keyOf = ({ part: _part, name: _name, ...rest }: CheckedPack) => JSON.stringify(rest);
  const seen = new Set<string>();
  return packs.filter((pack) => {
    const key = keyOf(pack);
    return !seen.has(key) && seen.add(key);
  });
}

function dischargeChecks(
  parts: readonly HarnessPart[],
  { flow, packs, inParallel }: HarnessFacts,
  pack: CheckedPack,
): (Check | null)[] {
  const { part, name, keyDownA: needA, continuousA, socketA, allowedW } = pack;
  if (pack.hasSocket) {
    return [
      at('supply', part, 'part', supplyCarriesKeyDown({ name, needA, limitA: socketA, allowedW })),
      at('asleep', part, 'part', staysAwake(name, pack.sleepsBelowW, pack.leastW ?? 0)),
    ];
  }
  const limitA = pack.peakA ?? continuousA;
  const share = batteryShares(parts, flow).get(part) ?? 1;
  const unevenA = safeBranchShare(share) * ampsOutOf(parts, flow, 'keyDownA');
  return [
    at('limit', part, 'part', dischargeLimitKnown(pack, needA)),
    at('peak', part, 'part', peakDischarge({ name, needA, limitA, allowedW })) ??
      at('continuous', part, 'part', continuousDischarge({ name, needA: pack.meanA, limitA: continuousA })) ??
      (inParallel && packs.length > 1
        ? at('peak', part, 'part', unevenShare({ name, needA: unevenA, limitA }, needA))
        : null),
  ];
}

/** The first fuses of a battery: the one that would have to break the most and cannot. */
function interrupts(
  parts: readonly HarnessPart[],
  { part: battery, protects, capacityAh, hasSocket }: CheckedPack,
  figures: ReadonlyMap<string, CableRunFigures>,
): Check | null {
  if (hasSocket) return null;
  const own = parts.find(({ id }) => id === battery);
  const first = own?.run ? [own] : parts.filter(({ from }) => from === battery);
  const faultOf = ({ id }: HarnessPart) => figures.get(id)?.faultA ?? 0;
  for (const part of first.toSorted((a, b) => faultOf(b) - faultOf(a))) {
    const { fuseA, fuseKind } = part.run ?? {};
    if (typeof fuseA !== 'number') continue;
    const [label, faultA] = [cableRunLabel(parts, part), faultOf(part)];
    const found = fuseInterrupts({ label, fuseA, fuseKind, faultA, protects, capacityAh });
    if (found) return at('interrupts', part.id, 'run', found);
  }
  return null;
}

/** Whether every load hangs behind something that opens when the battery is low. */
function loadsDisconnected(parts: readonly HarnessPart[], { controllers }: HarnessFacts): boolean {
  const opens = new Set([
    ...parts.filter(({ kind }) => kind === 'disconnect').map(({ id }) => id),
    ...controllers.filter(({ hasLoads }) => hasLoads).map(({ part }) => part),
  ]);
  const loads = parts.filter(({ kind }) => kind === 'radio' || kind === 'load' || kind === 'amplifier');
  return (
    loads.length > 0 && loads.every(({ id }) => wayToRoot(parts, id).some((above) => opens.has(above.id)))
  );
}
