import { chargingVolts } from '../battery/terminal-volts.js';
import { openCircuitVolts } from '../battery/battery-pack.js';
import { resistanceFactor } from '../chance/spreads.js';
import { loadCables } from '../forecast/plan-input.js';
import { CONVERTER_EFFICIENCY } from '../panel/controller.js';
import type { FieldMarch } from './field-march.js';
import {
  instrumentOf,
  type FieldReading,
  type Instrument,
  type ReadingState,
  type ReadQuantity,
} from './reading.js';

/** Gain of an instrument, one standard deviation. Source: convention of this project, docs/model.md. */
export const GAIN_SPREAD = 0.015;

/** What a reading should be in a particle, and whether its battery is charged just then. */
export interface Predicted {
  readonly value: number;
  readonly isCharging: boolean;
}

/** States that one which nobody gave may be. */
export const KNOWN_STATES = [
  'off',
  'listening',
  'keyDown',
  'charging',
] as const satisfies readonly ReadingState[];

/** The currents of a particle just now, A. */
export interface Currents {
  /** Of the loads just then, and their mean of minutes. */
  readonly loadA: number;
  readonly meanA: number;
  /** The radio's part. */
  readonly radioA: number;
  /** What the panel offers, and what of it is taken; chargers give before it. */
  readonly sunA: number;
  readonly takenA: number;
  /** Into the battery; negative: out of it. */
  readonly intoA: number;
}

/** The block that is worked at the edge that particles have come to, or was until then, or is the next of the first radio; −1 for none. */
export function blockAtHand({ steps, edge, step, law }: FieldMarch): number {
  const here = steps.blocks[step][0] ?? (edge > 0 ? steps.blocks[edge - 1][0] : undefined);
  if (here !== undefined) return here;
  const ahead = law.load.blocks.findIndex(({ fromStep }) => fromStep >= edge);
  return ahead >= 0 ? ahead : law.load.blocks.length - 1;
}

/** The currents of a particle in a state that something is read in. */
export function currentsIn(march: FieldMarch, index: number, state: ReadingState | 'work'): Currents {
  const { particles, step, law } = march;
  march.take(index);
  const isOn = particles.isOn[index] === 1;
  const restA = isOn ? march.restA(step) : 0;
  const block = blockAtHand(march);
  const working = march.steps.blocks[step].includes(block);
  const currents = block >= 0 ? march.currents(block, index) : NOTHING;
  let radioA = 0;
  let meanA = 0;
  if (isOn && (state === 'listening' || (state === 'charging' && working)))
    radioA = meanA = currents.receiveA;
  else if (isOn && state === 'keyDown') [radioA, meanA] = [currents.keyDownA, currents.meanA];
  else if (isOn && state === 'work' && working) radioA = meanA = currents.meanA;
  const pack = march.packs[particles.inUse[index]];
  const sunA = march.sunA(step);
  const fedA = march.fedA(step);
  const givenA = sunA + fedA;
  const helps = law.plan.chargeIdle && law.packs.length > 1 ? 0 : givenA;
  const fromCellsA = isOn ? (restA + radioA) * pack.loadGain + pack.idleA : 0;
  const surplusA = helps - fromCellsA;
  const soc = particles.socs[particles.inUse[index]][index];
  const intoA = surplusA <= 0 ? surplusA : Math.min(surplusA, accepts(pack, soc));
  const takenA = surplusA <= 0 ? givenA : fromCellsA + intoA;
  return {
    loadA: restA + radioA,
    meanA: restA + meanA,
    radioA,
    sunA,
    takenA: takenA - Math.min(takenA, fedA),
    intoA,
  };
}

const NOTHING = { receiveA: 0, keyDownA: 0, meanA: 0 };

function accepts(
  {
    chargeMaxA,
    chargeEndA,
    taperSoc,
    efficiency,
  }: { chargeMaxA: number; chargeEndA: number; taperSoc: number; efficiency: number },
  soc: number,
): number {
  if (efficiency === 0 || soc >= 1) return 0;
  return soc <= taperSoc
    ? chargeMaxA
    : chargeMaxA - ((chargeMaxA - chargeEndA) * (soc - taperSoc)) / (1 - taperSoc);
}

/**
 * What a reading should be in a particle.
 *
 * @param state one that is known
 */
export function predict(
  march: FieldMarch,
  index: number,
  quantity: ReadQuantity,
  { source }: Pick<FieldReading, 'source'>,
  state: ReadingState,
): Predicted {
  const instrument = instrumentOf(source, quantity);
  const gain = instrument ? 1 + GAIN_SPREAD * march.particles.gains[instrument][index] : 1;
  const counted = countedIn(march, index, quantity, instrument);
  if (counted !== null) return { value: gain * counted, isCharging: false };
  const now = currentsIn(march, index, state);
  return { value: gain * momentary(march, index, quantity, now, source), isCharging: now.intoA > 0 };
}

/** What does not depend on the currents of the moment: what was counted, Ah, and the charge in per cent; null for all else. */
function countedIn(
  { particles }: FieldMarch,
  index: number,
  quantity: ReadQuantity,
  instrument: Instrument | null,
): number | null {
  if (quantity === 'percent') return 100 * particles.socs[particles.inUse[index]][index];
  if (quantity === 'outAh') return particles.counted[instrument!].out[index];
  if (quantity === 'inAh') return particles.counted[instrument!].in[index];
  return null;
}

/** What depends on them. */
function momentary(
  march: FieldMarch,
  index: number,
  quantity: ReadQuantity,
  now: Currents,
  source: FieldReading['source'],
): number {
  if (quantity === 'amps') return source === 'monitor' ? -now.intoA : now.loadA;
  if (quantity === 'panelAmps') return panelAmps(march, now);
  if (quantity === 'panelWatts') return panelWatts(march, now);
  const { particles } = march;
  const volts = voltsAt(march, index, now, particles.socs[particles.inUse[index]][index]);
  if (quantity === 'volts') return volts;
  const { sharedOhm, radioOhm } = loadCables(march.law.plan);
  return volts - now.loadA * sharedOhm - now.radioA * radioOhm;
}

/**
 * Volts at the terminals of the pack in use, V: polarisation by the mean of minutes, ohmic resistance by the current of the moment.
 * What the sun gives is counted in: it is there while somebody reads.
 *
 * @param soc of that pack, 0 to 1
 */
export function voltsAt(march: FieldMarch, index: number, now: Currents, soc: number): number {
  const { particles, law } = march;
  const used = particles.inUse[index];
  const { pack } = law.packs[used].from;
  const factor = resistanceFactor(law.weaknesses[used].resistanceFrom, particles.resistance[index]);
  const ohmicOhm = pack.ohmicOhm * factor;
  const polarisationOhm = pack.polarisationOhm * factor;
  if (now.intoA > 0 && pack.charge) {
    return chargingVolts({ ...pack, ohmicOhm, polarisationOhm }, pack.charge, soc, now.intoA);
  }
  const outA = -now.intoA;
  const meanA = Math.max(0, outA - (now.loadA - now.meanA));
  return openCircuitVolts(pack, soc) - outA * ohmicOhm - meanA * polarisationOhm;
}

/** Watts out of the panel: what is taken over the battery's volts, and what the converter keeps for itself. */
function panelWatts({ law }: FieldMarch, { takenA }: Currents): number {
  const { kind } = law.plan.sun?.controller ?? { kind: 'pwm' as const };
  const volts = law.packs[0].from.given.cellsV;
  return (takenA * volts) / (kind === 'pwm' ? 1 : CONVERTER_EFFICIENCY);
}

/** Amps out of the panel: those that reach the battery behind a switch; behind a converter the watts at the panel's best volts. */
function panelAmps(march: FieldMarch, now: Currents): number {
  const { sun } = march.law.plan;
  if (!sun || sun.controller.kind === 'pwm') return now.takenA;
  return panelWatts(march, now) / sun.panel.vmpV;
}
