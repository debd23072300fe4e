import type { ChanceLaw } from '../chance/chance-law.js';
import type { Mode } from '../load/mode.js';
import { normal, type Generator } from '../random/generator.js';
import { firstStepFrom } from '../time-grid.js';
import { aloneSays } from './alone.js';
import { bandOf, type Band } from './band.js';
import { changeBattery, tellsPacks } from './change-battery.js';
import type { Taken } from './choose-readings.js';
import { FieldMarch } from './field-march.js';
import { drawTo, move } from './kernel.js';
import { dutyIn } from './learned.js';
import { Particles } from './particles.js';
import { middleOf, predictionsOf, saidBy, skySays, tailOf } from './reading-odds.js';
import { READ_QUANTITIES, resetBy, type FieldEvent, type ReadQuantity } from './reading.js';
import { studentLogDensity, studentNumber } from './student.js';
import {
  effectiveNumber,
  partToTake,
  sharesOf,
  survivors,
  weightedMean,
  type MeanAndSpread,
} from './weigh.js';

/** Rarer than this a reading does not fit. */
export const MISFIT = 0.002;
/** Fewer effective particles, as a share of them all, are never left by one part of a reading; under half they are resampled. */
const LEAST_LEFT = 0.3;
const RESAMPLED_UNDER = 0.5;

/** What depends straight on currents and on what was counted. */
const LINEAR: ReadonlySet<ReadQuantity> = new Set(['amps', 'outAh', 'inAh']);
/** Variance of Student's law with four degrees of freedom, in squares of its scale. */
const STUDENT_VARIANCE = 2;

/** What is known of a reading when its time comes. */
export interface Met {
  readonly p: number;
  /** Spread of the state of charge of all packs. */
  readonly spread: () => number;
  readonly middle: () => ReadonlyMap<ReadQuantity, number>;
  /** What state of charge it means on its own. */
  readonly alone: () => Band | null;
}

/** What the state of charge of all packs was taken for at an instant. */
export interface Stood {
  readonly timeMs: number;
  readonly soc: Band;
}

/** Particles that follow a log. */
export class Follower {
  readonly march: FieldMarch;
  /** At each reading, once it is weighed, at each event, and now; nothing of what is only assumed. */
  readonly stood: Stood[] = [];
  private readonly particles: Particles;
  /** How often it is told besides. */
  standEveryMs = Infinity;
  /** A controller that counts what the panel gave sends readings. */
  private hasController = false;

  constructor(
    law: ChanceLaw,
    count: number,
    private readonly next: Generator,
    private readonly onlyAssumes: boolean,
  ) {
    this.particles = new Particles(count, law, next);
    this.march = new FieldMarch(law, this.particles, next);
  }

  /** Walks to an instant; weighs the readings at those places that are asked for. */
  walk(
    taken: readonly Taken[],
    events: readonly FieldEvent[],
    untilMs: number,
    isChosen: (place: number) => boolean,
    onMet?: (met: Met) => void,
  ): readonly Met[] {
    const { edgesMs } = this.march.law;
    this.march.toldPacks = tellsPacks(events);
    this.hasController = taken.some(
      ({ source, values }) => source === 'controller' && values.inAh !== undefined,
    );
    const met: Met[] = [];
    let event = 0;
    const happen = (timeMs: number) => {
      for (; event < events.length && events[event].timeMs <= timeMs; event++) this.meet(events[event]);
    };
    taken.forEach((reading, place) => {
      // What happens at the very instant comes after what is read there: one reads the meter and resets it.
      happen(reading.timeMs - 1);
      this.standUpTo(reading.timeMs);
      this.march.to(firstEdge(edgesMs, reading.timeMs));
      met.push(this.read(reading, isChosen(place) && !this.onlyAssumes));
      onMet?.(met[place]);
      this.stand(reading.timeMs);
    });
    happen(untilMs);
    this.standUpTo(untilMs);
    this.march.to(firstEdge(edgesMs, untilMs));
    this.stand(untilMs);
    return met;
  }

  /** Weighs the particles by what is known of the duty cycle up to now. */
  learnDuty(mode: Mode, { mean, sd }: MeanAndSpread): void {
    if (dutyIn(this.march, mode)) {
      this.weigh(() => dutyIn(this.march, mode)!.map((share) => studentLogDensity((share - mean) / sd)));
    }
  }

  /** Tells it at the times between, where that is wanted. */
  private standUpTo(timeMs: number): void {
    const { edgesMs } = this.march.law;
    let lastMs = this.stood.at(-1)?.timeMs ?? edgesMs[0];
    for (; lastMs + this.standEveryMs < timeMs; lastMs += this.standEveryMs) {
      const edge = firstEdge(edgesMs, lastMs + this.standEveryMs);
      this.march.to(edge);
      this.stand(edgesMs[edge]);
    }
  }

  private stand(timeMs: number): void {
    if (this.onlyAssumes) return;
    this.stood.push({ timeMs, soc: bandOf(totalSocs(this.march), sharesOf(this.particles.weight)) });
  }

  private meet(event: FieldEvent): void {
    const { march, particles } = this;
    this.standUpTo(event.timeMs);
    march.to(firstEdge(march.law.edgesMs, event.timeMs));
    this.stand(event.timeMs);
    switch (event.kind) {
      case 'reset':
        resetBy(event.source, this.hasController).forEach((instrument) => particles.reset(instrument));
        return;
      case 'battery':
        changeBattery(march, event);
        return;
      case 'sky':
        // What was assumed knows nothing of the sky that came.
        if (march.law.sky && !this.onlyAssumes)
          this.weigh(() => particles.place.map((place) => skySays(event, place)));
    }
  }

  private read(reading: Taken, isWeighed: boolean): Met {
    const shares = sharesOf(this.particles.weight);
    const quantities = READ_QUANTITIES.filter((quantity) => reading.values[quantity] !== undefined);
    const first = quantities.map((quantity) => predictionsOf(this.march, reading, quantity));
    const tails = quantities.map((quantity, place) =>
      tailOf(first[place], shares, reading.values[quantity]!),
    );
    const p = Math.min(1, quantities.length * Math.min(1, ...tails));
    const spread = () => weightedMean(totalSocs(this.march), shares).sd;
    const middle = () =>
      new Map(quantities.map((quantity, place) => [quantity, middleOf(first[place], shares)] as const));
    if (isWeighed && p < MISFIT && reading.counts) {
      // No particle stands where it was read, and somebody says that it counts: they are drawn there.
      for (const quantity of quantities) this.drawTo(reading, quantity, 1);
    } else if (isWeighed && p >= MISFIT) {
      quantities.forEach((quantity, place) => {
        const read = reading.values[quantity]!;
        // The particles are as they were for the first quantity alone.
        let known = place === 0 ? first[0] : null;
        const says = () => {
          const predictions = known ?? predictionsOf(this.march, reading, quantity);
          known = null;
          return saidBy(predictions, read);
        };
        const isLinear = LINEAR.has(quantity) && reading.state !== 'unknown';
        this.weigh(says, isLinear ? (left) => this.drawTo(reading, quantity, left) : undefined);
      });
    }
    return { p, spread, middle, alone: () => aloneSays(this.march, reading) };
  }

  /** Draws the particles to what is left of a reading, 0 to 1. */
  private drawTo(reading: Taken, quantity: ReadQuantity, left: number): void {
    const { particles, next } = this;
    this.renew();
    const read = reading.values[quantity]!;
    const [{ values, scales }] = predictionsOf(this.march, reading, quantity);
    const scale = scales.reduce((sum, one) => sum + one, 0) / particles.count / Math.sqrt(left);
    const maybe = values.map(() => read + scale * studentNumber(() => normal(next)));
    drawTo(particles, this.underWay(), values, maybe, STUDENT_VARIANCE * scale ** 2);
  }

  /**
   * Weighs the particles by what something says of each, and renews them where too few are left. Where few agree it is taken in by
   * parts; of what depends straight on the parameters the rest at once, by drawing the particles to it.
   */
  private weigh(says: () => Float64Array, drawTo?: (left: number) => void): void {
    const { weight, count } = this.particles;
    const least = drawTo ? RESAMPLED_UNDER : LEAST_LEFT;
    for (let left = 1; left > 0;) {
      const said = says();
      const part = partToTake(weight, said, left, least * count);
      for (let index = 0; index < count; index++) weight[index] += part * said[index];
      left = left - part < 1e-6 ? 0 : left - part;
      if (left === 0 && effectiveNumber(weight) >= RESAMPLED_UNDER * count) return;
      if (left > 0 && drawTo) {
        drawTo(left);
        return;
      }
      this.renew();
    }
  }

  /** Those that agree live on, each a little its own. */
  private renew(): void {
    const { particles, next } = this;
    particles.takePlaces(survivors(particles.weight, next()));
    move(particles, this.underWay(), next);
  }

  /** Blocks that are worked just now. */
  private underWay(): readonly number[] {
    const { steps, step } = this.march;
    return steps.blocks[step];
  }
}

/** The edge at an instant, which steps begin at. */
const firstEdge = (edgesMs: Float64Array, timeMs: number): number =>
  timeMs >= edgesMs[edgesMs.length - 1] ? edgesMs.length - 1 : firstStepFrom(edgesMs, timeMs);

/** State of charge of all packs together, 0 to 1, by particle. */
export function totalSocs(march: FieldMarch): Float64Array {
  const { particles, law } = march;
  if (law.packs.length === 1) return particles.socs[0];
  const stored = law.packs.map(({ storedAh }) => storedAh);
  const all = stored.reduce((sum, ampereHours) => sum + ampereHours, 0);
  return Float64Array.from({ length: particles.count }, (_, index) =>
    particles.socs.reduce((sum, soc, pack) => sum + (soc[index] * stored[pack]) / all, 0),
  );
}
