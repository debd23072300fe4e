import type { Radio } from '../documents/gear.js';
import { proposeStretches, stretchFigures, type Readings } from '@knapsack/core';
import { levelsAt, type MarkKind } from './marks.js';

/** Shortest stretch that is proposed, s. */
const LEAST_PROPOSED_S = 2;
/** Most readings that stretches are proposed for at once; the last of them. */
const MOST_PROPOSED_FROM = 40_000;
/** This far of the way from receiving to key-down still counts as receiving; as far from the top as key down. */
const NEAR = 0.15;
/** The current of a held key moves this share of its mean at most; speech moves more. */
const STEADY = 0.05;

/** A stretch that is proposed as a mark, ms as the meter counts. */
export interface ProposedMark {
  readonly fromMs: number;
  readonly toMs: number;
  readonly kind: MarkKind;
}

/**
 * Proposes the stretches of one level as marks, for the user to correct. A stretch near what the radio is known to
 * receive at is receiving, a steady one near what it draws at the power is key down, and what lies between is the mode in use;
 * neighbours of one kind are one stretch.
 *
 * @param powerW the power that was asked for, W
 * @param inUse what a stretch that is neither most likely is
 */
export function proposeMarks(
  readings: Readings,
  radio: Radio,
  powerW: number,
  inUse: MarkKind,
): ProposedMark[] {
  const from = Math.max(0, readings.amps.length - MOST_PROPOSED_FROM);
  const part = {
    timesMs: readings.timesMs.subarray(from),
    amps: readings.amps.subarray(from),
    volts: readings.volts.subarray(from),
  };
  const { receiveA, keyDownA } = levelsAt(radio, powerW, 'CW');
  const marks: ProposedMark[] = [];
  for (const stretch of proposeStretches(part, LEAST_PROPOSED_S)) {
    const { meanA, spreadA } = stretchFigures(part, stretch);
    const share = (meanA - receiveA) / (keyDownA - receiveA);
    const kind = kindAt(share, spreadA <= STEADY * meanA, inUse);
    const toMs = part.timesMs[Math.min(stretch.to, part.timesMs.length - 1)];
    const before = marks.at(-1);
    if (before?.kind === kind) marks[marks.length - 1] = { ...before, toMs };
    else marks.push({ fromMs: part.timesMs[stretch.from], toMs, kind });
  }
  return marks;
}

function kindAt(share: number, steady: boolean, inUse: MarkKind): MarkKind {
  if (share < NEAR) return 'receive';
  if (steady && share > 1 - NEAR) return 'keyDown';
  // A radio asked to receive or to hold its key has no mode in use: the nearer of the two.
  if (inUse === 'receive' || inUse === 'keyDown') return share < 0.5 ? 'receive' : 'keyDown';
  return inUse;
}
