import { sayQuantity } from '../say/quantity.js';
import type { Answer } from './check.js';

/** A mains inverter is told with what it costs. @param standingW its own draw, W; @param hours that it is on */
export const inverterCost = (name: string, standingW: number, hours: number, busV: number): Answer => ({
  severity: 'note',
  sentence: `${name} takes ${sayQuantity({ value: standingW, unit: 'W' })} for itself, ${sayQuantity({ value: (standingW * hours) / busV, unit: 'Ah' })} in this outing, and gives mains voltage: keep it dry, and leave its wiring to local electrical codes and licensed practice.`,
  asks: 'none, where it can be done without',
  has: sayQuantity({ value: standingW, unit: 'W' }),
});

/** What the radio goes off the air without, of which there is only one. */
export const singlePoints = (names: readonly string[]): Answer =>
  names.length > 0
    ? {
        severity: 'note',
        sentence: `If any one of these fails, nobody is on the air: ${names.join(', ')}. One is none: carry a second of the small ones.`,
        asks: 'two ways to power',
        has: `${names.length} single points`,
      }
    : null;

/** Runs of which nobody has said what they are made of: nothing can be held against them. */
export const unknownRuns = (labels: readonly string[]): Answer =>
  labels.length > 0
    ? {
        severity: 'note',
        sentence: `Length and wire are not entered, so ${labels.length === 1 ? 'this run is' : 'these runs are'} not checked: ${labels.join('; ')}.`,
        asks: 'length and wire',
        has: 'not entered',
      }
    : null;

/** What a harness lacks, so that it draws with a gap. */
export const missingPart = (name: string, sentence: string): Answer => ({
  severity: 'stop',
  sentence,
  asks: 'one in the bag',
  has: name,
});
