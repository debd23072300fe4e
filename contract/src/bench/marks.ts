import { currentOf, transmitFigure, type TransmitFigure } from '../documents/transmit-figure.js';
import { withEntry, type FigureEntry } from '../documents/figure.js';
import type { Radio } from '../documents/gear.js';
import {
  assumedCurrents,
  familyOf,
  type Mode,
  MODE_NAMES,
  overFigures,
  radioCurrent,
  type Readings,
  sayMode,
  stretchBetween,
  type StretchFigures,
  stretchFigures,
} from '@knapsack/core';

/** What a stretch of the trace was: receiving, receiving at volume, key-down at a power, or a mode in real use. */
export type MarkKind = 'receive' | 'byEar' | 'keyDown' | Mode;

export const MARK_CHOICES: readonly { readonly value: MarkKind; readonly label: string }[] = [
  { value: 'receive', label: 'receiving, quiet' },
  { value: 'byEar', label: 'receiving at volume' },
  { value: 'keyDown', label: 'key down' },
  ...MODE_NAMES.map((mode) => ({ value: mode, label: `${sayMode(mode)} in real use` })),
];

/** A marked stretch of the trace, ms as the meter counts. */
export interface Mark {
  readonly id: number;
  readonly fromMs: number;
  readonly toMs: number;
  readonly kind: MarkKind;
  readonly powerW: number;
  /** Already saved onto the radio. */
  readonly saved?: boolean;
}

/** What a mark comes to; the share and factor for a mode in real use. */
export interface MarkFigures extends StretchFigures {
  readonly share: number | null;
  readonly factor: number | null;
}

/** Reads a mark off the trace, against what is known of the radio. */
export function markFigures(mark: Mark, readings: Readings, radio: Radio): MarkFigures {
  const stretch = stretchBetween(readings, mark.fromMs, mark.toMs);
  const figures = stretchFigures(readings, stretch);
  if (!isMode(mark.kind)) return { ...figures, share: null, factor: null };
  const { share, factor } = overFigures(readings, stretch, levelsAt(radio, mark.powerW, mark.kind));
  return { ...figures, share, factor };
}

/** What the radio draws at a power in a mode, A, by what was measured where anything was. */
export function levelsAt(
  radio: Radio,
  powerW: number,
  mode: Mode,
): { receiveA: number; keyUpA: number; keyDownA: number } {
  const { keyUpAtReceive, byEar } = familyOf(mode);
  const currents = assumedCurrents(
    {
      receive: [{ amps: radio.receiveA.value, source: radio.receiveA.source }],
      transmit: radio.transmit,
    },
    'measured',
  );
  return radioCurrent(currents, { powerW, modeFactor: 1, share: 1, keyUpAtReceive, byEar });
}

export const isMode = (kind: MarkKind): kind is Mode => (MODE_NAMES as readonly string[]).includes(kind);

/** Whether a mark is of transmitting, so that the power belongs to it. */
export const hasPower = (kind: MarkKind): boolean => kind === 'keyDown' || isMode(kind);

/** Figures are kept to a tenth of a milliampere: no meter knows more. */
const tidy = (value: number): number => Math.round(value * 10_000) / 10_000;

/**
 * The radio with what a mark found: its receive current, its transmit current at the power (in the place of one that was
 * measured there before), or the mode's own factor. A sentence where the mark says nothing of it.
 */
export function savedOnto(
  radio: Radio,
  mark: Mark,
  figures: MarkFigures,
  date: string,
  source: 'measured' | 'simulated' = 'measured',
): Radio | string {
  if (figures.readings < 2) return 'This segment has no readings.';
  const entry: FigureEntry = {
    value: tidy(figures.meanA),
    source,
    date,
    spread: tidy(figures.spreadA),
  };
  if (mark.kind === 'receive') {
    const { value, source: before } = radio.receiveA;
    const sheet = radio.receiveSheetA ?? (before === 'datasheet' ? { value, source: before } : null);
    return {
      ...radio,
      receiveA: withEntry(radio.receiveA, entry),
      ...(sheet && { receiveSheetA: sheet }),
    };
  }
  if (mark.kind === 'byEar')
    return { ...radio, receiveByEarA: withEntry(radio.receiveByEarA ?? null, entry) };
  if (mark.kind === 'keyDown') {
    if (entry.value <= radio.receiveA.value) {
      return 'Key down takes more current than receiving; this segment does not. Was the key down?';
    }
    const sameHere = ({ rfW, source: from }: TransmitFigure) =>
      rfW === mark.powerW &&
      (source === 'simulated' ? from === 'simulated' : from === 'measured' || from === 'learned');
    const before = radio.transmit.find(sameHere);
    return {
      ...radio,
      transmit: [
        ...radio.transmit.filter((point) => !sameHere(point)),
        transmitFigure(mark.powerW, withEntry(before ? currentOf(before) : null, entry)),
      ],
    };
  }
  if (figures.factor === null) {
    return 'There is no over in this segment: the current never rises a quarter of the way to key-down.';
  }
  const { kind: mode } = mark;
  const factor = Math.round(figures.factor * 1000) / 1000;
  return {
    ...radio,
    overs: [...(radio.overs ?? []).filter((over) => over.mode !== mode), { mode, factor, source }],
  };
}
