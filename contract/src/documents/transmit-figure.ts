import type { SourcedPoint } from '@knapsack/core';
import type { Figure, FigureEntry } from './figure.js';

/** A transmit figure as the shelf holds it: amps at a power, with its day, its spread and what else was said of it. */
export interface TransmitFigure extends SourcedPoint {
  readonly date?: string;
  readonly spread?: number;
  /** Id of the trip whose outing has taught it. */
  readonly outing?: string;
  readonly pinned?: boolean;
  /** Other entries at this power, the newest first; their value is in A. */
  readonly others?: readonly FigureEntry[];
}

/** The current of a transmit figure as any other figure, A. */
export function currentOf(point: TransmitFigure): Figure {
  const { amps: value, source, date, spread, outing, pinned, others } = point;
  return {
    value,
    source,
    ...(date !== undefined && { date }),
    ...(spread !== undefined && { spread }),
    ...(outing !== undefined && { outing }),
    ...(pinned && { pinned }),
    ...(others && { others }),
  };
}

/** The transmit figure of a current at a power, W. */
export function transmitFigure(rfW: number, { value: amps, ...rest }: Figure): TransmitFigure {
  return { rfW, amps, ...rest };
}
