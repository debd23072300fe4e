import { HOUR_MS, overlap, type Span } from '../span.js';
import { CONVERTERS, type LoadPiece } from './accessory.js';
import { ampsAt, type Draw } from './draw.js';

/** Cells inside of a device that is no radio: a tablet, a laptop, a hand-held. */
export interface OwnCells {
  readonly wattHours: number;
  /** Charge in them at the start, 0 to 1. */
  readonly startSoc: number;
  /** What charging them draws from the bus, W. */
  readonly chargeW: number;
}

/** Volts that a draw in amps is taken at where energy is asked for; the difference to the bus of the moment is small beside its spread. */
export const BUS_V = 13;
/** Less than this is empty, or full, Wh. */
const NOTHING_WH = 1e-9;

/**
 * A device that runs on its own cells while they last, is charged in some hours, and hangs on the bus once they are empty.
 * What it uses at its own plug is its draw at the battery less the loss of a USB converter, and what charging puts in the same
 * share of what it draws. Source: convention of this project.
 *
 * @returns what it still takes from the bus: while its cells are charged, and what it uses once they are empty
 * @param use what it takes where it hangs on the bus, by stretches that do not overlap
 * @param charging hours in which its cells are charged, ascending
 */
export function onOwnCells(
  use: readonly LoadPiece[],
  cells: OwnCells,
  charging: readonly Span[],
): readonly LoadPiece[] {
  const { wattHours, startSoc, chargeW } = cells;
  const { efficiency } = CONVERTERS.usb;
  const pieces: LoadPiece[] = [];
  let storedWh = startSoc * wattHours;
  const take = (startMs: number, endMs: number, draw: Draw) => {
    if (endMs <= startMs || (draw.amps === 0 && draw.watts === 0)) return;
    const last = pieces.at(-1);
    if (last?.endMs === startMs && last.mean.amps === draw.amps && last.mean.watts === draw.watts)
      pieces[pieces.length - 1] = { ...last, endMs };
    else pieces.push({ startMs, endMs, mean: draw, keyDown: draw });
  };
  const edges = [...new Set([...use, ...charging].flatMap(({ startMs, endMs }) => [startMs, endMs]))];
  edges.sort((a, b) => a - b);
  edges.slice(0, -1).forEach((fromMs, index) => {
    const span = { startMs: fromMs, endMs: edges[index + 1] };
    const draw = use.find((piece) => overlap(piece, span))?.mean ?? { amps: 0, watts: 0 };
    const usesW = ampsAt(draw, BUS_V) * BUS_V * efficiency;
    const getsW = charging.some((one) => overlap(one, span)) ? chargeW * efficiency : 0;
    let atMs = span.startMs;
    while (atMs < span.endMs) {
      const isFull = storedWh >= wattHours - NOTHING_WH;
      const isEmpty = storedWh <= NOTHING_WH;
      // Full on its plug, or empty and fed too little: it takes just what it uses.
      if ((getsW >= usesW && isFull && getsW > 0) || (isEmpty && getsW < usesW)) {
        take(atMs, span.endMs, draw);
        return;
      }
      const netW = getsW - usesW;
      const room = netW > 0 ? wattHours - storedWh : storedWh;
      const lastsMs = netW === 0 ? Infinity : (room / Math.abs(netW)) * HOUR_MS;
      const untilMs = Math.min(span.endMs, atMs + Math.max(1, Math.round(lastsMs)));
      take(atMs, untilMs, { amps: 0, watts: getsW > 0 ? chargeW : 0 });
      storedWh = Math.min(wattHours, Math.max(0, storedWh + (netW * (untilMs - atMs)) / HOUR_MS));
      if (lastsMs <= untilMs - atMs) storedWh = netW > 0 ? wattHours : 0;
      atMs = untilMs;
    }
  });
  return pieces;
}

/** Charge that stretches take from the bus, Ah. */
export const piecesAh = (pieces: readonly LoadPiece[]): number =>
  pieces.reduce(
    (sum, { startMs, endMs, mean }) => sum + (ampsAt(mean, BUS_V) * (endMs - startMs)) / HOUR_MS,
    0,
  );
