import type { Readings, Stretch } from './readings.js';

/** The levels that tell an over from listening, A. */
export interface Levels {
  readonly receiveA: number;
  /** Transmitter on, nothing sent: between syllables or dots; the receive current for CW with break-in. */
  readonly keyUpA: number;
  readonly keyDownA: number;
}

/** What a contact in a mode comes to. */
export interface OverFigures {
  /** Share of the time in overs, 0 to 1. */
  readonly share: number;
  /** Mean transmit current of an over as a share between key-up and key-down, 0 to 1; null where there was no over. */
  readonly factor: number | null;
  readonly overs: number;
}

/** Current this far up from receive to key-down means that the transmitter is on. */
const ON_SHARE = 0.25;
/** A rest within an over is no longer than this, s. */
const LONGEST_REST_S = 2;

/**
 * Transmit share and mode factor of a stretch in which a mode was really used. An over is from the first reading above a
 * quarter of the way to key-down up to the last, rests of two seconds within it included.
 */
export function overFigures({ timesMs, amps }: Readings, { from, to }: Stretch, levels: Levels): OverFigures {
  const { receiveA, keyUpA, keyDownA } = levels;
  const onA = receiveA + ON_SHARE * (keyDownA - receiveA);
  let overs = 0;
  let inOvers = 0;
  let sumA = 0;
  let begins = -1;
  let lastOn = -1;
  const close = () => {
    if (begins === -1) return;
    overs += 1;
    for (let index = begins; index <= lastOn; index++) sumA += amps[index];
    inOvers += lastOn - begins + 1;
    begins = -1;
  };
  for (let index = from; index < to; index++) {
    if (begins !== -1 && timesMs[index] - timesMs[lastOn] > LONGEST_REST_S * 1000) close();
    if (amps[index] < onA) continue;
    if (begins === -1) begins = index;
    lastOn = index;
  }
  close();
  const meanA = inOvers > 0 ? sumA / inOvers : 0;
  const apart = keyDownA - keyUpA;
  return {
    share: to > from ? inOvers / (to - from) : 0,
    factor: inOvers > 0 && apart > 0 ? Math.min(1, Math.max(0, (meanA - keyUpA) / apart)) : null,
    overs,
  };
}
