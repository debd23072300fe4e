import { chargeFor } from '../battery/charge.js';
import { dischargeRate, type BatteryPack } from '../battery/battery-pack.js';

/** A pack with the charge it starts with and the charge that the plan keeps in it; states of charge 0 to 1. */
export interface BankPack {
  readonly pack: BatteryPack;
  readonly startSoc: number;
  readonly reserveSoc: number;
}

/** An idle pack comes into use again only with this much above its reserve, so that two empty packs do not take turns for ever. */
export const WORTH_A_SWAP_SOC = 0.02;

/** The packs of a plan as they stand: one in use, the others waiting. */
export class Bank {
  readonly soc: Float64Array;
  inUse = 0;
  private readonly storesAh: number;

  constructor(readonly packs: readonly BankPack[]) {
    this.soc = Float64Array.from(packs, ({ startSoc }) => startSoc);
    this.storesAh = packs.reduce((sum, { pack }) => sum + pack.storedAh, 0);
  }

  get pack(): BatteryPack {
    return this.packs[this.inUse].pack;
  }

  /** Charge in all packs together as a share of what they store, 0 to 1. */
  totalSoc(): number {
    if (this.packs.length === 1) return this.soc[0];
    let ampereHours = 0;
    for (let index = 0; index < this.packs.length; index++) {
      ampereHours += this.soc[index] * this.packs[index].pack.storedAh;
    }
    return ampereHours / this.storesAh;
  }

  /** The fullest pack that could take over, or -1 where none could. */
  spare(): number {
    let best = -1;
    let most = WORTH_A_SWAP_SOC;
    for (let index = 0; index < this.packs.length; index++) {
      const above = this.soc[index] - this.packs[index].reserveSoc;
      if (index !== this.inUse && above > most) [best, most] = [index, above];
    }
    return best;
  }

  /** The emptiest pack that is neither in use nor full and may be charged, or -1. */
  idleToCharge(): number {
    let best = -1;
    for (let index = 0; index < this.packs.length; index++) {
      if (index === this.inUse || !this.packs[index].pack.charge || this.soc[index] >= 1) continue;
      if (best === -1 || this.soc[index] < this.soc[best]) best = index;
    }
    return best;
  }

  /** State of charge of the pack in use after giving a current (A) for some hours, if nothing stops it. */
  wouldFallTo(amps: number, hours: number): number {
    return this.soc[this.inUse] - dischargeRate(this.pack, amps) * hours;
  }

  /** Lets every pack leak for some hours; returns what is lost, Ah. */
  leak(hours: number): number {
    let ampereHours = 0;
    for (let index = 0; index < this.packs.length; index++) {
      const { leakAnHour, storedAh } = this.packs[index].pack;
      const lost = this.soc[index] * -Math.expm1(-leakAnHour * hours);
      this.soc[index] -= lost;
      ampereHours += lost * storedAh;
    }
    return ampereHours;
  }

  /**
   * Charges one pack with a current (A) for some hours.
   *
   * @returns what it took, Ah, and what of it is stored
   */
  charge(index: number, amps: number, hours: number): { acceptedAh: number; storedAh: number } {
    const { pack } = this.packs[index];
    if (!pack.charge || amps <= 0) return NOTHING;
    const before = this.soc[index];
    const after = chargeFor(pack, pack.charge, before, amps, hours).soc;
    this.soc[index] = after;
    const storedAh = (after - before) * pack.storedAh;
    return { acceptedAh: storedAh / pack.charge.efficiency, storedAh };
  }
}

const NOTHING = { acceptedAh: 0, storedAh: 0 };
