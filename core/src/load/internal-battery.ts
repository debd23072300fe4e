import { hoursOf, HOUR_MS, type Span } from '../span.js';
import { CONVERTERS, type LoadPiece } from './accessory.js';
import { NO_DRAW } from './draw.js';

/** A battery inside the radio. */
export interface InternalBattery {
  readonly wattHours: number;
  /** Charge in it at the start, 0 to 1. */
  readonly startSoc: number;
  /** What charging it draws from the bus, W. */
  readonly chargeW: number;
  /** Whether it charges while the radio is operated. */
  readonly chargesWhileOperating: boolean;
}

/**
 * When a radio's own battery is charged from the bus: from the start, in the hours that allow it, until what is missing
 * is in. The converter's loss is that of USB, as most of them charge that way.
 */
export function internalCharge(
  internal: InternalBattery,
  outing: Span,
  blocks: readonly Span[],
): LoadPiece[] {
  const { wattHours, startSoc, chargeW, chargesWhileOperating } = internal;
  if (chargeW <= 0) return [];
  let missingHours = ((1 - startSoc) * wattHours) / (chargeW * CONVERTERS.usb.efficiency);
  const draw = { amps: 0, watts: chargeW };
  const pieces: LoadPiece[] = [];
  for (const span of chargesWhileOperating ? [outing] : between(outing, blocks)) {
    if (missingHours <= 0) break;
    const hours = Math.min(hoursOf(span), missingHours);
    missingHours -= hours;
    const endMs = Math.min(span.endMs, Math.round(span.startMs + hours * HOUR_MS));
    if (endMs > span.startMs) {
      pieces.push({
        startMs: span.startMs,
        endMs,
        mean: draw,
        keyDown: chargesWhileOperating ? draw : NO_DRAW,
      });
    }
  }
  return pieces;
}

/** The stretches of an outing outside of blocks, which ascend and do not overlap. */
function between({ startMs, endMs }: Span, blocks: readonly Span[]): Span[] {
  const spans: Span[] = [];
  let fromMs = startMs;
  for (const block of blocks) {
    if (block.startMs > fromMs) spans.push({ startMs: fromMs, endMs: block.startMs });
    fromMs = Math.max(fromMs, block.endMs);
  }
  if (endMs > fromMs) spans.push({ startMs: fromMs, endMs });
  return spans;
}

/** Hours that a radio's own battery carries it alone at a mean current, A, and supply volts. */
export const hoursAlone = (internal: InternalBattery, meanA: number, volts: number): number =>
  internal.wattHours / (meanA * volts);
