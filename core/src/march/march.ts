import { dischargeRate, openCircuitVolts, type BatteryPack } from '../battery/battery-pack.js';
import { packCurrent, socketCurrent } from '../battery/pack-current.js';
import { terminalVolts } from '../battery/terminal-volts.js';
import { HOUR_MS } from '../span.js';
import { Reconnect } from './reconnect.js';
import { shareAbove } from './tight-restart.js';
import { wantedSteps } from './tight-steps.js';
import { Bank } from './bank.js';
import { crossing, cutoffLevel, dropoutLevel, insideDip, NEVER, type EndPoints } from './end-points.js';
import type { March, MarchInput, Swap } from './march-data.js';

/**
 * Marches packs through their loads, step by step: what chargers and the sun offer serves the load first, the rest charges within the
 * pack's acceptance, what is left is curtailed; a deficit discharges by coulomb counting with Peukert's factor on the
 * step's mean current; every pack loses its self-discharge besides. Loads of constant power are calculated at the volts of the step before, corrected once, to those of
 * its middle.
 *
 * Packs in turn: when the one in use reaches its reserve, the radio's drop-out or its cut-off, the fullest of the others
 * takes over within the step. The three end points are those of the last pack, looked for in the same run, each as if
 * the others did not stop the plan, and found inside their step.
 *
 * Once the last cut-off opens, the loads are off for good: a low-voltage disconnect needs a hand. Only with volts to reconnect
 * at they come back, at the end of the step in which these have stood for ten minutes.
 * Source: convention of this project, docs/model.md
 */
export function march(input: MarchInput): March {
  return new Walk(input).walk();
}

/** What is noted of each step. */
const SERIES = [
  ...(['terminalV', 'radioV', 'cellsV', 'keyDownA', 'wantedA', 'loadA'] as const),
  ...(['offeredA', 'curtailedA', 'fedA', 'fedTakenA'] as const),
] as const;

/** One march under way. */
class Walk {
  private readonly bank: Bank;
  private readonly steps: number;
  private readonly series: Record<(typeof SERIES)[number], Float64Array>;
  private readonly soc: Float64Array;
  private readonly socInUse: Float64Array;
  private readonly inUse: Uint8Array;
  private readonly swaps: Swap[] = [];
  private readonly ends: { -readonly [Name in keyof EndPoints]: EndPoints[Name] } = {
    reserveMs: null,
    radioDropoutMs: null,
    cutoffMs: null,
  };
  private readonly books = {
    loadsAh: 0,
    offeredAh: 0,
    fedAh: 0,
    servedAh: 0,
    storedAh: 0,
    curtailedAh: 0,
    chargeLossAh: 0,
    drawnAh: 0,
    leakedAh: 0,
  };
  /** Volts at the terminals at the end of the stretch before. */
  private busV: number;
  /** Current out of the pack in use over the last stretch, A; negative while it charges. */
  private packA = 0;
  /** Mean load of the last stretch, A out of the pack. */
  private meanA = 0;
  /** Whether the loads were on when the step began; whether they are now, the other says. */
  private connected = true;
  private readonly loads: Reconnect;
  private readonly backMs: number[] = [];
  private readonly upHours: Float64Array | null;

  constructor(private readonly input: MarchInput) {
    this.bank = new Bank(input.bank);
    this.steps = input.load.edgesMs.length - 1;
    const series = () => new Float64Array(this.steps);
    this.series = Object.fromEntries(SERIES.map((name) => [name, series()])) as typeof this.series;
    this.soc = new Float64Array(this.steps + 1);
    this.socInUse = new Float64Array(this.steps + 1);
    this.inUse = new Uint8Array(this.steps);
    this.loads = new Reconnect(input.reconnectV ?? Infinity);
    this.upHours = input.reconnectV === undefined ? null : series();
    this.soc[0] = this.bank.totalSoc();
    this.socInUse[0] = this.bank.soc[0];
    this.busV = openCircuitVolts(this.bank.pack, this.bank.soc[0]);
  }

  walk(): March {
    const { edgesMs } = this.input.load;
    for (let step = 0; step < this.steps; step++) {
      const hours = (edgesMs[step + 1] - edgesMs[step]) / HOUR_MS;
      let left = hours;
      this.books.leakedAh += this.bank.leak(hours);
      this.connected = this.loads.isOn;
      // A pack that runs out hands over within the step; no pack does so twice.
      for (let hands = this.bank.packs.length; left > 0 && hands > 0; hands--) {
        left = this.stretch(step, edgesMs[step + 1] - left * HOUR_MS, left, hours, hands > 1);
      }
      this.atEdge(step);
      if (!this.connected && this.loads.stoodAt(this.packA < 0 ? this.busV : null, hours)) {
        this.backMs.push(edgesMs[step + 1]);
      }
    }
    const { books } = this;
    return {
      edgesMs,
      soc: this.soc,
      socInUse: this.socInUse,
      inUse: this.inUse,
      swaps: this.swaps,
      endSoc: this.bank.soc,
      ...this.series,
      upHours: this.upHours,
      wanted: wantedSteps(this.input.load),
      backMs: this.backMs,
      ends: this.ends,
      books: { ...books, dischargeLossAh: books.drawnAh - (books.loadsAh - books.servedAh) },
    };
  }

  /** Walks a stretch of a step with the pack in use; returns the hours left when another pack takes over. */
  private stretch(step: number, fromMs: number, hours: number, stepHours: number, maySwap: boolean): number {
    const { bank, series } = this;
    const { load, offeredAt } = this.input;
    const { pack } = bank;
    const soc = bank.soc[bank.inUse];
    const amps = load.mean.amps[step];
    const watts = load.mean.watts[step];
    const idle = this.input.chargeIdle ? bank.idleToCharge() : -1;
    const fedA = this.input.fedA?.[step] ?? 0;

    let cellsV = this.loadVolts(pack, soc);
    let wanted = packCurrent(pack, amps, watts, cellsV);
    let offered = 0;
    if (idle >= 0) offered = this.offeredToIdle(step, bank.packs[idle].pack, bank.soc[idle]);
    else if (offeredAt) offered = offeredAt(step, cellsV);
    const helps = idle >= 0 ? 0 : 1;
    if (offeredAt || fedA > 0 || watts > 0 || pack.socket) {
      const netA = (this.connected ? wanted : 0) - helps * (offered + fedA);
      // While it falls, at the volts of the middle of the stretch: what takes power or gives it is calculated at those.
      const halfWay = netA > 0 ? Math.max(0, soc - (dischargeRate(pack, netA) * hours) / 2) : soc;
      const firstV = terminalVolts(pack, halfWay, netA);
      cellsV = Math.max(firstV, this.leastVolts(pack, soc));
      if (idle < 0 && offeredAt) offered = offeredAt(step, cellsV);
      wanted = packCurrent(pack, amps, watts, cellsV);
    }
    const carried = this.connected ? wanted : 0;
    this.meanA = carried;
    const deficit = carried - helps * (offered + fedA);
    const spare = deficit > 0 && maySwap ? bank.spare() : -1;
    const share = deficit > 0 ? this.discharge(step, fromMs, hours, deficit, spare) : 1;
    const spent = spare >= 0 ? share * hours : hours;
    const fed = share * hours;

    const weight = spent / stepHours;
    series.cellsV[step] = cellsV;
    series.wantedA[step] += wanted * weight;
    series.offeredA[step] += offered * weight;
    series.fedA[step] += fedA * weight;
    this.books.offeredAh += offered * spent;
    const carriedHours = carried * fed;
    series.loadA[step] += carriedHours / stepHours;
    this.books.loadsAh += carriedHours;

    let used = 0;
    if (deficit <= 0) this.packA = 0;
    if (idle >= 0) used = this.store(idle, offered + fedA, spent);
    else if (deficit > 0) used = this.serve((offered + fedA) * fed);
    else {
      used = this.serve(carried * spent) + this.store(bank.inUse, -deficit, spent);
      this.packA = -(used - carried * spent) / spent;
      this.pointsPassed(step, fromMs, hours, soc, bank.soc[bank.inUse]);
    }
    // Chargers give first, the sun what is still wanted.
    const fromChargers = Math.min(used, fedA * spent);
    series.fedTakenA[step] += fromChargers / stepHours;
    this.books.fedAh += fromChargers;
    const curtailed = Math.max(0, offered * spent - (used - fromChargers));
    series.curtailedA[step] += curtailed / stepHours;
    this.books.curtailedAh += curtailed;

    if (this.upHours && this.connected) {
      const level = this.dropoutLevelAt(step);
      this.upHours[step] += fed * shareAbove(soc, bank.soc[bank.inUse], level);
    }
    if (spare < 0 || share >= 1) return 0;
    bank.inUse = spare;
    this.swaps.push({ timeMs: fromMs + spent * HOUR_MS, to: spare });
    this.busV = openCircuitVolts(bank.pack, bank.soc[spare]);
    return hours - spent;
  }

  /** Takes a deficit (A) out of the pack in use; returns the share of the stretch until it is stopped, 1 if it is not. */
  private discharge(step: number, fromMs: number, hours: number, deficit: number, spare: number): number {
    const { bank } = this;
    const { pack, inUse } = bank;
    const before = bank.soc[inUse];
    let after = bank.wouldFallTo(deficit, hours);
    let stop = cutoffLevel(pack, deficit);
    if (spare >= 0) {
      const dropout = this.dropoutLevelAt(step);
      stop = Math.max(stop, bank.packs[inUse].reserveSoc, dropout);
    }
    let share = 1;
    if (after <= stop) {
      share = before <= stop ? 0 : (before - stop) / (before - after);
      after = share === 0 ? before : stop;
      if (spare < 0) {
        this.ends.cutoffMs ??= fromMs + share * hours * HOUR_MS;
        this.loads.takenOff();
      }
    }
    bank.soc[inUse] = after;
    this.books.drawnAh += (before - after) * pack.storedAh;
    this.packA = deficit * share;
    if (spare < 0) this.pointsPassed(step, fromMs, hours, before, after);
    return share;
  }

  /** Notes reserve and drop-out where the charge of the last pack passes them. */
  private pointsPassed(step: number, fromMs: number, hours: number, before: number, after: number): void {
    const { ends, bank } = this;
    ends.reserveMs ??= crossing(fromMs, hours, before, after, bank.packs[bank.inUse].reserveSoc);
    ends.radioDropoutMs ??= crossing(fromMs, hours, before, after, this.dropoutLevelAt(step));
  }

  private dropoutLevelAt(step: number): number {
    const isOn = this.connected && this.input.load.keyDownRadioA[step] > 0;
    const dropoutV = this.input.load.dropoutV?.[step] ?? this.input.radioDropoutV;
    return isOn ? dropoutLevel(this.bank.pack, dropoutV, this.dipVolts(step)) : NEVER;
  }

  /** Current towards the loads while the key is down, A; 0 with the radio off. */
  private keyDownAmps(step: number): number {
    const { load } = this.input;
    if (!this.connected || load.keyDownRadioA[step] === 0) return 0;
    const { pack } = this.bank;
    const cellsV = this.loadVolts(pack, this.bank.soc[this.bank.inUse]);
    return socketCurrent(pack, load.keyDown.amps[step], load.keyDown.watts[step], cellsV);
  }

  /** Volts lost on the way to the radio while the key is down: in the pack (unless a socket holds them) and in the cables. */
  private dipVolts(step: number): number {
    const { load, cableOhm, sharedOhm = 0 } = this.input;
    const radioA = this.connected ? load.keyDownRadioA[step] : 0;
    const outA = this.keyDownAmps(step);
    return insideDip(this.bank.pack, this.meanA, outA) + outA * sharedOhm + radioA * cableOhm;
  }

  private atEdge(step: number): void {
    const { bank, series } = this;
    const { pack } = bank;
    const soc = bank.soc[bank.inUse];
    this.soc[step + 1] = bank.totalSoc();
    this.socInUse[step + 1] = soc;
    this.inUse[step] = bank.inUse;
    const restV = openCircuitVolts(pack, soc);
    this.busV = terminalVolts(pack, soc, this.packA);
    series.terminalV[step] = this.busV;
    series.keyDownA[step] = this.keyDownAmps(step);
    series.radioV[step] = (pack.socket?.volts ?? restV) - this.dipVolts(step);
  }

  /** Volts of the cells to calculate a load of constant power at, before they are known. */
  private loadVolts(pack: BatteryPack, soc: number): number {
    return Math.max(this.busV, this.leastVolts(pack, soc));
  }

  /** A pack gives no more power than it does at half of its open-circuit volts; nothing is calculated at fewer. */
  private leastVolts(pack: BatteryPack, soc: number): number {
    return openCircuitVolts(pack, soc) / 2;
  }

  /** What is offered to a pack that waits, A: at the volts to which that current itself raises it. */
  private offeredToIdle(step: number, pack: BatteryPack, soc: number): number {
    const { offeredAt } = this.input;
    if (!offeredAt) return 0;
    const firstA = offeredAt(step, openCircuitVolts(pack, soc));
    return offeredAt(step, terminalVolts(pack, soc, -firstA));
  }

  private serve(ampereHours: number): number {
    this.books.servedAh += ampereHours;
    return ampereHours;
  }

  /** Charges a pack; returns what it took, Ah. */
  private store(index: number, amps: number, hours: number): number {
    const { acceptedAh, storedAh } = this.bank.charge(index, amps, hours);
    this.books.storedAh += storedAh;
    this.books.chargeLossAh += acceptedAh - storedAh;
    return acceptedAh;
  }
}
