import type { Pack } from '../battery/pack.js';
import { cutoffLevel, dropoutLevel } from './end-points.js';
import type { KeyDown, TightSteps } from './tight-steps.js';

/** One pack as the tight loop wants it. Its numbers may be changed between runs; nothing of it is made in the loop. */
export interface TightPack {
  storedAh: number;
  deliverableAh: number;
  ratingHours: number;
  peukert: PeukertTable;
  /** Stored / accepted charge; 0 where it must not be charged. */
  efficiency: number;
  chargeMaxA: number;
  chargeEndA: number;
  taperSoc: number;
  startSoc: number;
  /** State of charge that ends the plan, for each of the steps' key-downs, and that at which the cut-off opens. */
  levels: Float64Array;
  cutoffs: Float64Array;
  /** What the cells give for an amp of load, and besides, A: a power station's converter; 1 and 0 for a plain battery. */
  loadGain: number;
  idleA: number;
}

/** What does not belong to the pack. */
export interface TightGiven {
  readonly startSoc: number;
  readonly floorSoc: number;
  readonly radioDropoutV: number;
  readonly leadOhm: number;
  readonly sharedOhm: number;
  /** Volts of the cells that a socket's power is reckoned at, V. */
  readonly cellsV: number;
}

/** A pack for the tight loop. */
export function tightPack(pack: Pack, { keyDowns }: TightSteps, given: TightGiven): TightPack {
  const { charge, socket } = pack;
  const loadGain = socket ? socket.volts / socket.efficiency / given.cellsV : 1;
  const idleA = socket ? socket.idleW / given.cellsV : 0;
  const cutoffOf = ({ meanA }: KeyDown) => cutoffLevel(pack, meanA * loadGain + idleA);
  return {
    storedAh: pack.storedAh,
    deliverableAh: pack.deliverableAh,
    ratingHours: pack.ratingHours,
    peukert: peukertTable(pack.peukert),
    efficiency: charge?.efficiency ?? 0,
    chargeMaxA: charge?.maxA ?? 0,
    chargeEndA: charge?.endA ?? 0,
    taperSoc: charge?.taperSoc ?? 1,
    startSoc: given.startSoc,
    levels: Float64Array.from(keyDowns, (keyDown) => {
      const { packA, radioA, dropoutV = given.radioDropoutV } = keyDown;
      const insideV = socket ? 0 : packA * pack.resistanceOhm;
      const dipV = insideV + packA * given.sharedOhm + radioA * given.leadOhm;
      const dropout = radioA > 0 ? dropoutLevel(pack, dropoutV, dipV) : 0;
      return Math.max(given.floorSoc, dropout, cutoffOf(keyDown));
    }),
    cutoffs: Float64Array.from(keyDowns, cutoffOf),
    loadGain,
    idleA,
  };
}

/** x^(k-1) at even steps of x from 1, for interpolation; off by 3e-5 of the factor at the most. */
export type PeukertTable = Float64Array;

const TABLE_STEPS_PER_UNIT = 32;
const TABLE_TO = 32;

const tables = new Map<number, PeukertTable>();

/** A table of Peukert's factor for an exponent; the same for every capacity, made once. Beyond 32 times the rated current its last value holds. */
export function peukertTable(exponent: number): PeukertTable {
  let table = tables.get(exponent);
  if (!table) {
    table = Float64Array.from(
      { length: (TABLE_TO - 1) * TABLE_STEPS_PER_UNIT + 2 },
      (_, index) => (1 + index / TABLE_STEPS_PER_UNIT) ** (exponent - 1),
    );
    tables.set(exponent, table);
  }
  return table;
}

/** Peukert's factor at a multiple of the rated current, 1 or more. */
export function factorAt(table: PeukertTable, times: number): number {
  const at = (times - 1) * TABLE_STEPS_PER_UNIT;
  const cell = Math.min(at, table.length - 2) | 0;
  return table[cell] + Math.min(1, at - cell) * (table[cell + 1] - table[cell]);
}
