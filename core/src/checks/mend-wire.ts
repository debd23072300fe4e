import type { CableRunFigures, HarnessFlow } from '../harness/cable-run-figures.js';
import { CONNECTORS } from '../harness/connectors.js';
import type { CableRun } from '../harness/harness.js';
import { ampacity, loopOhm } from '../wire/wire.js';
import type { CableRunChange } from './check.js';
import { WIRE_SIZES_MM2 } from './wire-sizes.js';

/** A cable is not offered shorter than this, m, nor than this share of what it is. */
const SHORTEST_M = 0.3;
const SHORTEST_SHARE = 0.4;

/** Thickest wire that goes into both ends of a run, mm2. */
const thickestFor = ({ near, far }: Pick<CableRun, 'near' | 'far'>): number =>
  Math.min(...[near, far].map((end) => (end ? CONNECTORS[end.family].mostMm2 : Infinity)));

/**
 * The wire that a run should be of: a thicker one as far as it goes into the ends, else a shorter cable; nothing where its own
 * will do, null where nothing does.
 */
export function wireFor(
  run: CableRun,
  { temperatureC }: HarnessFlow,
  figures: CableRunFigures,
  carriesA: number,
  ampacityA: number | null,
): Pick<CableRunChange, 'areaMm2' | 'lengthM'> | null {
  const { wire } = run;
  if (!wire || ampacityA === null) return {};
  const { dropShare, most } = figures;
  const carries = (areaMm2: number) =>
    ampacity({ awg: null, areaMm2 }, temperatureC, wire.bundled) >= carriesA;
  const lossWith = (areaMm2: number) => lossOf(run, figures, temperatureC, areaMm2, wire.lengthM);
  // A larger fuse alone loses less.
  const loses =
    run.measuredOhm === null
      ? lossOf(run, figures, temperatureC, wire.size.areaMm2, wire.lengthM, wire.size.isClad)
      : (dropShare ?? 0);
  if (ampacityA >= carriesA && loses <= most) return {};
  const thickest = thickestFor(run);
  const able = WIRE_SIZES_MM2.filter((areaMm2) => areaMm2 > wire.size.areaMm2 || ampacityA < carriesA)
    .filter((areaMm2) => areaMm2 <= thickest)
    .filter(carries);
  const best = able.find((areaMm2) => lossWith(areaMm2) <= most);
  if (best !== undefined) return { areaMm2: best };
  // Too long for any wire that goes in: a shorter cable of the thickest that does.
  const areaMm2 = able.at(-1);
  if (areaMm2 === undefined && ampacityA < carriesA) return null;
  const used = areaMm2 ?? wire.size.areaMm2;
  const lengthM = longestOf(run, figures, temperatureC, used);
  if (lengthM !== null) return { ...(areaMm2 !== undefined && { areaMm2 }), lengthM };
  // At least it is made safe.
  return ampacityA >= carriesA ? {} : { areaMm2: able[0] };
}

/** What a run would lose as a share, of other wire. */
const lossOf = (
  run: CableRun,
  { ohm, dropShare }: CableRunFigures,
  temperatureC: number,
  areaMm2: number,
  runM: number,
  isClad = false,
): number =>
  ohm && dropShare !== null
    ? (dropShare / ohm) *
      loopOhm({
        areaMm2,
        runM,
        temperatureC,
        isClad,
        contactPairs: run.wire!.contactPairs,
        fusesA: run.fuseA ? [run.fuseA, ...run.moreFusesA] : run.moreFusesA,
      })
    : 0;

/** Longest that a run may be of a wire to lose no more than it should, m, to the decimetre; null where that is hardly a cable. */
function longestOf(
  run: CableRun,
  figures: CableRunFigures,
  temperatureC: number,
  areaMm2: number,
  isClad = false,
): number | null {
  const { lengthM } = run.wire!;
  const none = lossOf(run, figures, temperatureC, areaMm2, 0, isClad);
  const perMetre = lossOf(run, figures, temperatureC, areaMm2, 1, isClad) - none;
  const longest = Math.floor(((figures.most - none) / perMetre) * 10 + 1e-9) / 10;
  return longest >= SHORTEST_M && longest >= SHORTEST_SHARE * lengthM && longest < lengthM ? longest : null;
}

/** The same of the wire that a run has. */
export const longestFor = (run: CableRun, figures: CableRunFigures, temperatureC: number): number | null =>
  run.wire && run.measuredOhm === null
    ? longestOf(run, figures, temperatureC, run.wire.size.areaMm2, run.wire.size.isClad)
    : null;
