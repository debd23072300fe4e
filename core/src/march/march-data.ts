import type { LoadSeries } from '../load/load-series.js';
import type { BankPack } from './bank.js';
import type { EndPoints } from './end-points.js';

export interface MarchInput {
  /** One pack, or several that are used in turn, the first first. */
  readonly bank: readonly BankPack[];
  /** What is offered charges a pack that is not in use, as on a charger of its own, instead of helping the one in use. */
  readonly chargeIdle?: boolean;
  readonly load: LoadSeries;
  /**
   * Current offered by the sun or any other source in a step, A, at volts at the battery's terminals; absent for none.
   * Asked twice a step: at the volts of the step before, and once more at the volts that this gives.
   */
  readonly offeredAt?: (step: number, batteryV: number) => number;
  /** What chargers give in each step besides, A; null or absent without one. They are used before what is offered. */
  readonly fedA?: Float64Array | null;
  /** Volts at the radio below which it shuts off. */
  readonly radioDropoutV: number;
  /** Resistance of the cable that the radio has for itself, there and back, ohm. */
  readonly cableOhm: number;
  /** Volts at the terminals, while charging, at which loads come back that were taken off; absent where that needs a hand. */
  readonly reconnectV?: number;
  /** Resistance of the cable that all loads share, battery to distribution, there and back, ohm. */
  readonly sharedOhm?: number;
}

/** What became of the charge over the whole march, Ah. */
export interface ChargeBooks {
  readonly loadsAh: number;
  readonly offeredAh: number;
  /** Taken from chargers; not part of what was offered. */
  readonly fedAh: number;
  /** Offered, or given by chargers, and used by the loads at once. */
  readonly servedAh: number;
  /** The same, and left in the packs. */
  readonly storedAh: number;
  /** Offered, but neither needed nor accepted. */
  readonly curtailedAh: number;
  readonly chargeLossAh: number;
  /** Taken out of the packs' store. */
  readonly drawnAh: number;
  /** Lost to self-discharge; not part of what was drawn. */
  readonly leakedAh: number;
  /** The part of the drawn charge that Peukert's excess and the cold eat. */
  readonly dischargeLossAh: number;
}

/** Another pack coming into use. */
export interface Swap {
  readonly timeMs: number;
  /** Index in the bank of the pack that comes into use. */
  readonly to: number;
}

export interface March {
  readonly edgesMs: Float64Array;
  /** Charge in all packs at each edge as a share of what they store, 0 to 1; one more than there are steps. */
  readonly soc: Float64Array;
  /** State of charge of the pack in use at each edge. */
  readonly socInUse: Float64Array;
  /** Index of the pack in use at the end of each step. */
  readonly inUse: Uint8Array;
  readonly swaps: readonly Swap[];
  /** State of charge of each pack at the end. */
  readonly endSoc: Float64Array;
  /** Volts at the pack's terminals at the end of each step, under the step's mean current. */
  readonly terminalV: Float64Array;
  /** Volts at the radio at the end of each step while the key is down; the resting volts where the radio is off. */
  readonly radioV: Float64Array;
  /** Volts of the cells that the loads of each step were calculated at. */
  readonly cellsV: Float64Array;
  /** Current towards the loads while the key is down, A; 0 with the radio off. */
  readonly keyDownA: Float64Array;
  /** Load that was wanted, A out of the pack. */
  readonly wantedA: Float64Array;
  /** Load that was carried, A; 0 once the cut-off has opened. */
  readonly loadA: Float64Array;
  /** Current that was offered, A. */
  readonly offeredA: Float64Array;
  /** The part of it that was not used, A. */
  readonly curtailedA: Float64Array;
  /** What chargers could give, and what was taken of that, A. */
  readonly fedA: Float64Array;
  readonly fedTakenA: Float64Array;
  /** Of each step, how long the radio was fed with volts enough, h; filled where loads come back, else null. */
  readonly upHours: Float64Array | null;
  /** 1 for steps in which it should be up. */
  readonly wanted: Uint8Array;
  /** When loads came back, UTC epoch ms. */
  readonly backMs: readonly number[];
  readonly ends: EndPoints;
  readonly books: ChargeBooks;
}
