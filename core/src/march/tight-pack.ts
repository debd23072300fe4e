import type { BatteryPack } from '../battery/battery-pack.js';
import { cutoffLevel, dropoutLevel, insideDip } from './end-points.js';
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
  /** Share of the stored charge that leaks away in an hour. */
  leakAnHour: number;
  /** State of charge that ends the plan, for each of the steps' key-downs, and that at which the cut-off opens. */
  levels: Float64Array;
  cutoffs: Float64Array;
  /** What those levels come from. */
  readonly from: LevelSource;
  /** What the cells give for an amp of load, and besides, A: a power station's converter; 1 and 0 for a plain battery. */
  loadGain: number;
  idleA: number;
}

/** What does not belong to the pack. */
export interface TightGiven {
  readonly startSoc: number;
  readonly reserveSoc: number;
  readonly radioDropoutV: number;
  readonly cableOhm: number;
  readonly sharedOhm: number;
  /** Volts of the cells that a socket's power is calculated at, V. */
  readonly cellsV: number;
}

/** What the levels of a pack come from: it may be more or less stiff, and the keyed radio hungrier, than they are said to be. */
export interface LevelSource {
  readonly pack: BatteryPack;
  readonly keyDowns: readonly KeyDown[];
  readonly given: TightGiven;
}

/**
 * Works out the levels of a pack anew.
 *
 * @param resistance factor on both of its resistances
 * @param keyDown factor on the radio's key-down current
 */
export function setLevels(to: TightPack, resistance: number, keyDown: number): void {
  const { pack: known, keyDowns, given } = to.from;
  const pack =
    resistance === 1
      ? known
      : {
          ...known,
          ohmicOhm: known.ohmicOhm * resistance,
          polarisationOhm: known.polarisationOhm * resistance,
        };
  for (let index = 0; index < keyDowns.length; index++) {
    const { packA, radioA, meanA, dropoutV = given.radioDropoutV } = keyDowns[index];
    const keyedA = radioA * keyDown;
    const outA = packA + keyedA - radioA;
    const cutoff = cutoffLevel(pack, meanA * to.loadGain + to.idleA);
    const dipV = insideDip(pack, meanA, outA) + outA * given.sharedOhm + keyedA * given.cableOhm;
    const dropout = radioA > 0 ? dropoutLevel(pack, dropoutV, dipV) : 0;
    to.cutoffs[index] = cutoff;
    to.levels[index] = Math.max(given.reserveSoc, dropout, cutoff);
  }
}

/** A pack that may be changed without the other. */
export const copyOf = (pack: TightPack): TightPack => ({
  ...pack,
  levels: pack.levels.slice(),
  cutoffs: pack.cutoffs.slice(),
});

/** A pack for the tight loop. */
export function tightPack(pack: BatteryPack, { keyDowns }: TightSteps, given: TightGiven): TightPack {
  const { charge, socket } = pack;
  const loadGain = socket ? socket.volts / socket.efficiency / given.cellsV : 1;
  const idleA = socket ? socket.idleW / given.cellsV : 0;
  const made: TightPack = {
    storedAh: pack.storedAh,
    deliverableAh: pack.deliverableAh,
    ratingHours: pack.ratingHours,
    peukert: peukertTable(pack.peukert),
    efficiency: charge?.efficiency ?? 0,
    chargeMaxA: charge?.maxA ?? 0,
    chargeEndA: charge?.endA ?? 0,
    taperSoc: charge?.taperSoc ?? 1,
    startSoc: given.startSoc,
    leakAnHour: pack.leakAnHour,
    levels: new Float64Array(keyDowns.length),
    cutoffs: new Float64Array(keyDowns.length),
    from: { pack, keyDowns, given },
    loadGain,
    idleA,
  };
  setLevels(made, 1, 1);
  return made;
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
