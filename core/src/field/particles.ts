import type { ChanceLaw } from '../chance/chance-law.js';
import { FURTHEST } from '../chance/sample.js';
import { AS_FORECAST, type SkyState } from '../chance/sampled-sky.js';
import { normal, type Generator } from '../random/generator.js';
import { INSTRUMENTS, type Instrument } from './reading.js';

/** What an instrument has counted since its last reset, Ah. */
export interface Counters {
  readonly out: Float64Array;
  readonly in: Float64Array;
}

type Column = Float64Array | Int8Array | Uint8Array;

/**
 * Outings that may be the one under way, each a place in these arrays. What belongs to the whole outing stands as standard deviations
 * from what is expected (see Sample); what belongs to an hour or a block is sampled when its time comes.
 */
export class Particles {
  readonly habit: Float64Array;
  readonly modeFactor: Float64Array;
  readonly truth: Float64Array;
  readonly capacity: Float64Array;
  readonly resistance: Float64Array;
  /** How much brighter the outing's sky is than its hours say, as a whole. */
  readonly bright: Float64Array;
  readonly tilt: Float64Array;
  readonly azimuth: Float64Array;
  readonly receive: readonly Float64Array[];
  readonly keyDown: readonly Float64Array[];
  readonly accessories: readonly Float64Array[];
  readonly gains: Readonly<Record<Instrument, Float64Array>>;
  /** By block: its own part of the duty cycle. */
  readonly own: readonly Float64Array[];
  /** By pack, 0 to 1, and which of them is in use. */
  readonly socs: readonly Float64Array[];
  readonly inUse: Uint8Array;
  /** 0 once the cut-off has opened. */
  readonly isOn: Uint8Array;
  /** What flowed out and in where each instrument sits, since it was reset. */
  readonly counted: Readonly<Record<Instrument, Counters>>;
  /** The sky: see SkyState, and the place of the hour. */
  readonly skyKind: Int8Array;
  readonly skyWander: Float64Array;
  readonly rainFrom: Uint8Array;
  readonly rains: Uint8Array;
  readonly place: Float64Array;
  /** Light that fell on the panel up to now, Wh/m2. */
  readonly lightWh: Float64Array;
  /** Up to now: what the loads took, what the panel offered, and what of that was taken, Ah. */
  readonly loadsAh: Float64Array;
  readonly offeredAh: Float64Array;
  readonly takenAh: Float64Array;
  /** What chargers have brought up to now, Ah. */
  readonly fedAh: Float64Array;
  /** By block: hours on transmit up to now. */
  readonly transmitH: readonly Float64Array[];
  /** Logarithm of the weight. */
  readonly weight: Float64Array;
  /** Everything of a particle but its weight. */
  private readonly columns: readonly Column[];

  constructor(
    readonly count: number,
    { plan, load, packs }: ChanceLaw,
    next: Generator,
  ) {
    const column = () => new Float64Array(count);
    const drawn = () => Float64Array.from({ length: count }, () => deviation(next));
    const several = (length: number, make: () => Float64Array) => Array.from({ length }, make);
    const counters = (): Counters => ({ out: column(), in: column() });
    const positions = 1 + (plan.others?.length ?? 0);
    this.habit = drawn();
    this.modeFactor = drawn();
    this.truth = drawn();
    this.capacity = drawn();
    this.resistance = drawn();
    this.bright = drawn();
    this.tilt = drawn();
    this.azimuth = drawn();
    this.receive = several(positions, drawn);
    this.keyDown = several(positions, drawn);
    this.accessories = several(load.accessories.length, drawn);
    this.gains = { loads: drawn(), battery: drawn(), panel: drawn() };
    this.own = several(load.blocks.length, column);
    this.transmitH = several(load.blocks.length, column);
    this.socs = packs.map(({ startSoc }) => column().fill(startSoc));
    this.inUse = new Uint8Array(count);
    this.isOn = new Uint8Array(count).fill(1);
    this.counted = { loads: counters(), battery: counters(), panel: counters() };
    this.skyKind = new Int8Array(count).fill(AS_FORECAST);
    this.skyWander = column();
    this.rainFrom = new Uint8Array(count);
    this.rains = new Uint8Array(count);
    this.place = column();
    this.lightWh = column();
    this.loadsAh = column();
    this.offeredAh = column();
    this.takenAh = column();
    this.fedAh = column();
    this.weight = column();
    this.columns = [
      ...this.outing(),
      ...this.own,
      ...this.sums(),
      ...[this.inUse, this.isOn, this.skyKind, this.skyWander, this.rainFrom, this.rains, this.place],
    ];
  }

  /** What belongs to the whole outing. */
  private outing(): readonly Float64Array[] {
    return [
      ...[this.habit, this.modeFactor, this.truth, this.capacity, this.resistance],
      ...[this.bright, this.tilt, this.azimuth],
      ...[...this.receive, ...this.keyDown, ...this.accessories],
      ...INSTRUMENTS.map((instrument) => this.gains[instrument]),
    ];
  }

  /** What has come of it up to now. */
  private sums(): readonly Float64Array[] {
    const counters = INSTRUMENTS.flatMap((instrument) => [
      this.counted[instrument].out,
      this.counted[instrument].in,
    ]);
    const books = [this.loadsAh, this.offeredAh, this.takenAh, this.fedAh];
    return [...this.socs, ...this.transmitH, ...counters, this.lightWh, ...books];
  }

  /** What a kernel may move: all that hangs together and is no choice between this and that. */
  movable(blocks: readonly number[]): {
    readonly deviations: readonly Float64Array[];
    readonly sums: readonly Float64Array[];
  } {
    return { deviations: [...this.outing(), ...blocks.map((block) => this.own[block])], sums: this.sums() };
  }

  /** Puts others in their places, by number; all weigh the same afterwards. */
  takePlaces(from: Uint32Array): void {
    for (const column of this.columns) {
      const before = column.slice();
      for (let index = 0; index < this.count; index++) column[index] = before[from[index]];
    }
    this.weight.fill(0);
  }

  /** Where the sky of a particle stands, on a day of its law. */
  skyInto(state: SkyState, index: number, day: number): void {
    state.day = day;
    state.kind = this.skyKind[index];
    state.wander = this.skyWander[index];
    state.rainFrom = this.rainFrom[index];
    state.rains = this.rains[index];
  }

  /** Sets the counters of an instrument to zero. */
  reset(instrument: Instrument): void {
    this.counted[instrument].out.fill(0);
    this.counted[instrument].in.fill(0);
  }
}

/** A standard deviation of something, not beyond what anything is off. */
export const deviation = (next: Generator): number => Math.min(FURTHEST, Math.max(-FURTHEST, normal(next)));
