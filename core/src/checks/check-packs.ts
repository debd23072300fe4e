import { wayToRoot, type HarnessPart } from '../harness/harness.js';
import {
  chargedCold,
  continuousDischarge,
  dischargeLimitKnown,
  disconnectPresent,
  parallelPacksAlike,
  parasiticDraw,
  peakDischarge,
  supplyCarriesKeyDown,
} from './battery-checks.js';
import { at, type Check, type HarnessFacts } from './facts.js';

/** The batteries against what is asked of them and what is done with them. */
export function packChecks(parts: readonly HarnessPart[], facts: HarnessFacts): (Check | null)[] {
  const { packs, coldC, storedDays, standingA, panels, inParallel } = facts;
  const each = packs.flatMap((pack) => {
    const { part, name, keyDownA: needs } = pack;
    const peak = { name, needA: needs, limitA: pack.peakA ?? pack.continuousA };
    return [
      pack.hasSocket ? null : at('limit', part, 'part', dischargeLimitKnown(pack, needs)),
      pack.hasSocket
        ? at('supply', part, 'part', supplyCarriesKeyDown({ name, needA: needs, limitA: pack.socketA }))
        : (at('peak', part, 'part', peakDischarge(peak)) ??
          at(
            'continuous',
            part,
            'part',
            continuousDischarge({ name, needA: pack.meanA, limitA: pack.continuousA }),
          )),
      at(
        'disconnect',
        part,
        'part',
        disconnectPresent({
          name,
          chemistry: pack.chemistry,
          protects: pack.hasSocket || pack.protects,
          disconnects: loadsDisconnected(parts, facts),
        }),
      ),
      panels.length > 0 ? at('cold', part, 'part', chargedCold(pack, coldC)) : null,
      at('storage', part, 'part', parasiticDraw({ ...pack, standingA, days: storedDays })),
    ];
  });
  return [
    ...each,
    inParallel ? at('parallel', packs[0]?.part ?? null, 'part', parallelPacksAlike(packs)) : null,
  ];
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
