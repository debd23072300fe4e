import { transmitCurrent, transmitCurrentAtZero, type RadioCurrents } from './transmit-current.js';

/** How the radio is worked for a while. */
export interface Operation {
  /** Radio-frequency output, W. */
  readonly powerW: number;
  /** Mean transmit current of an over as a share between key-up and key-down current, 0 to 1. */
  readonly modeFactor: number;
  /** CW with break-in: the radio falls back to receive current between elements. */
  readonly keyUpAtReceive: boolean;
  /** Share of the time with the transmitter on, 0 to 1. */
  readonly share: number;
  /** Listened to by ear: the receiver stands at listening volume. */
  readonly byEar?: boolean;
}

/** The currents, A, that one way of working the radio leads to. */
export interface RadioCurrent {
  readonly receiveA: number;
  readonly keyDownA: number;
  readonly keyUpA: number;
  readonly overA: number;
  readonly meanA: number;
}

/**
 * Currents of a radio at work, A: over = key-up + m (key-down - key-up), mean = s over + (1 - s) receive.
 * Source: convention of this project, docs/model.md.
 */
export function radioCurrent(radio: RadioCurrents, operation: Operation): RadioCurrent {
  const { modeFactor, share, powerW, keyUpAtReceive, byEar } = operation;
  const receiveA = (byEar ? radio.receiveByEarA : undefined) ?? radio.receiveA;
  const keyDownA = transmitCurrent(radio, powerW);
  const keyUpA = keyUpAtReceive ? receiveA : transmitCurrentAtZero(radio);
  const overA = keyUpA + modeFactor * (keyDownA - keyUpA);
  return { receiveA, keyDownA, keyUpA, overA, meanA: share * overA + (1 - share) * receiveA };
}
