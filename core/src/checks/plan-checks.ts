import { sayQuantity } from '../say/quantity.js';
import type { Answer } from './check.js';
import { metres } from './say.js';

/** A mains inverter is told with what it costs. @param standingW its own draw, W; @param hours that it is on */
export const inverterCost = (name: string, standingW: number, hours: number, busV: number): Answer => ({
  severity: 'look',
  sentence: `${name} takes ${sayQuantity({ value: standingW, unit: 'W' })} for itself, ${sayQuantity({ value: (standingW * hours) / busV, unit: 'Ah' })} in this outing, and its volts can kill: keep it dry, put protection against earth faults behind it, never connect two of them together, and leave its wiring to local codes and licensed practice.`,
  asks: 'none, where it can be done without',
  has: sayQuantity({ value: standingW, unit: 'W' }),
});

/** The mains outlet of a power station. */
export const mainsOutlet = (name: string): Answer => ({
  severity: 'note',
  sentence: `The ${name} gives a voltage that can kill: keep it dry and whole, and never connect it to anything else that gives mains.`,
  asks: 'dry, and one at a time',
  has: 'mains voltage',
});

/** From here on a transmitter is heard in its own wiring, W. Source: convention of this project, docs/model.md. */
const MUCH_POWER_W = 50;
/** A cable of this length, one way, is an antenna on the short waves, m. */
const LONG_RUN_M = 2;

/** Much power beside long cables: what the antenna sends comes back on them. */
export const radioFrequency = (powerW: number, longestM: number): Answer =>
  powerW >= MUCH_POWER_W && longestM >= LONG_RUN_M
    ? {
        severity: 'note',
        sentence: `At ${sayQuantity({ value: powerW, unit: 'W' })} a cable of ${metres(longestM)} takes up what the antenna sends, and controllers reset or hiss. Put ferrites on both its ends and a choke on the coax, and keep the panel away from the antenna.`,
        asks: `under ${metres(LONG_RUN_M)}, or ferrites`,
        has: metres(longestM),
      }
    : null;

/** Runs whose wire is not entered: nothing can be held against them. */
export const unknownCableRuns = (labels: readonly string[]): Answer =>
  labels.length > 0
    ? {
        severity: 'note',
        sentence: `Length and wire are not entered, so ${labels.length === 1 ? 'this run is' : 'these runs are'} not checked: ${labels.join('; ')}.`,
        asks: 'length and wire',
        has: 'not entered',
      }
    : null;

/** The currents are not known: what depends on them is not checked. @param why a sentence */
export const suspended = (why: string | null): Answer =>
  why === null
    ? null
    : {
        severity: 'look',
        sentence: `The currents cannot be calculated, so fuses, wires and limits are not checked yet. ${why}`,
        asks: 'a plan that can be calculated',
        has: 'not checked',
      };

/** What a harness lacks, so that it draws with a gap. */
export const missingPart = (name: string, sentence: string): Answer => ({
  severity: 'stop',
  sentence,
  asks: 'one in the bag',
  has: name,
});
