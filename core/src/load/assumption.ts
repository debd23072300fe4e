import { beats } from '../source.js';
import type { Trust } from '../source.js';
import { bestPoints, type SourcedPoint, type TrustedPoint } from './transmit-points.js';
import { SHEET_RECEIVE_MEAN } from './sheet-receive.js';
import type { RadioCurrents, TransmitPoint } from './transmit-current.js';

/**
 * What is assumed of a plan's load: the worst of the sheet, usual averages, or what the bench has found where it has been.
 * Source: convention of this project, docs/model.md. Schools differ; all three stand side by side in the verdict's detail.
 */
export const ASSUMPTIONS = {
  cautious: { label: 'cautious', about: 'the largest figures known, overs all key-down' },
  expected: { label: 'expected', about: 'the best figures known, the usual average of each mode' },
  measured: { label: 'measured', about: 'the bench’s own averages where there are any, expected elsewhere' },
} as const;

export type Assumption = keyof typeof ASSUMPTIONS;

export const ASSUMPTION_NAMES = Object.keys(ASSUMPTIONS) as readonly Assumption[];

/** A current with where it comes from. */
export interface SourcedAmps extends Trust {
  readonly amps: number;
}

/** All that is known of a radio's currents. */
export interface RadioFigures {
  /** At least one. */
  readonly receive: readonly SourcedAmps[];
  /** At listening volume with the backlight on, where known: what modes listened to by ear take. */
  readonly receiveByEar?: readonly SourcedAmps[];
  /** At least one; several for one power where sheet and meter disagree. */
  readonly transmit: readonly TrustedPoint[];
}

/** The currents under an assumption. */
export function assumedCurrents(figures: RadioFigures, assumption: Assumption): RadioCurrents {
  const of = assumption === 'cautious' ? largest : likely;
  const byEar = figures.receiveByEar?.length ? figures.receiveByEar : undefined;
  return {
    receiveA: of(figures.receive),
    ...(byEar && { receiveByEarA: of(byEar) }),
    points: assumption === 'cautious' ? largestPoints(figures.transmit) : bestPoints(figures.transmit),
  };
}

/** What an over's mean current is made of, by assumption. */
export interface OverFactors {
  /** The mode's usual factor, or the user's own. */
  readonly modeFactor: number;
  /** What the bench found for this mode, where it has been. */
  readonly measuredFactor?: number;
}

/** The mode factor under an assumption, 0 to 1. */
export function assumedFactor({ modeFactor, measuredFactor }: OverFactors, assumption: Assumption): number {
  if (assumption === 'cautious') return 1;
  return assumption === 'measured' ? (measuredFactor ?? modeFactor) : modeFactor;
}

/** The best-founded of several figures. */
export const bestFigure = (figures: readonly SourcedAmps[]): SourcedAmps =>
  figures.reduce((known, figure) => (beats(figure.source, known.source) ? figure : known));

/** What is likely drawn: the best-founded figure, of a sheet's the mean of what radios draw against their sheets. */
function likely(figures: readonly SourcedAmps[]): number {
  const { amps, source } = bestFigure(figures);
  return source === 'datasheet' ? SHEET_RECEIVE_MEAN * amps : amps;
}

const largest = (figures: readonly SourcedAmps[]): number =>
  figures.reduce((most, { amps }) => Math.max(most, amps), 0);

/** For each power the largest current that anyone gives; ascending by power. */
function largestPoints(points: readonly SourcedPoint[]): TransmitPoint[] {
  const byPower = new Map<number, number>();
  for (const { rfW, amps } of points) byPower.set(rfW, Math.max(amps, byPower.get(rfW) ?? 0));
  return [...byPower].map(([rfW, amps]) => ({ rfW, amps })).sort((a, b) => a.rfW - b.rfW);
}
