import { capacityGain, truthGain, type ChanceLaw } from '../chance/chance-law.js';
import { sampledBlock, type BlockCurrents } from '../chance/sampled-load.js';
import { nextSky, skyBefore, type SkyLaw, type SkyState } from '../chance/sampled-sky.js';
import { accessorySpread, factorBy } from '../chance/spreads.js';
import { WORTH_A_SWAP_SOC } from '../march/bank.js';
import { tightStep } from '../march/tight-march.js';
import type { TightPack } from '../march/tight-pack.js';
import { lightIn } from '../sun/light-table.js';
import { outputIn } from '../sun/output-table.js';
import type { Generator } from '../random/generator.js';
import { fieldSteps, type FieldSteps } from './field-steps.js';
import { deviation, type Particles } from './particles.js';

/**
 * How much brighter or darker an outing's sky may be as a whole than its hours say, one standard deviation: nobody notes a sky so
 * well that more could be told of a panel in one outing. Source: convention of this project, docs/model.md.
 */
const SKY_OF_ITS_OWN = 0.05;

/** Particles on their way through an outing. */
export class FieldMarch {
  readonly steps: FieldSteps;
  /** The edge that they have come to. */
  edge = 0;
  /** Which pack the panel charges while it is not in use; the emptiest that waits if null. */
  charged: number | null = null;
  /** Somebody tells which pack is in use: none is taken into use by itself. */
  toldPacks = false;
  /** Of the law's packs, as the particle at hand has them. */
  readonly packs: readonly TightPack[];
  private readonly factors: Float64Array;
  /** Of the accessories, by where their figures come from. */
  private readonly spreads: Float64Array;
  private index = 0;
  private sunGain = 1;
  private bright = 1;
  private readonly sky: SkyState = skyBefore();
  /** The last step whose hour and blocks were sampled. */
  private begun = -1;

  constructor(
    readonly law: ChanceLaw,
    readonly particles: Particles,
    private readonly next: Generator,
  ) {
    this.steps = fieldSteps(law);
    this.packs = law.packs.map((pack) => ({ ...pack }));
    this.factors = new Float64Array(law.load.accessories.length);
    this.spreads = Float64Array.from(law.load.accessories, ({ from }) => accessorySpread(from));
  }

  /** Marches on to an edge. */
  to(edge: number): void {
    this.begin();
    while (this.edge < edge) {
      const end = this.endOfStretch(edge);
      this.stretch(this.edge, end);
      this.edge = end;
      this.begin();
    }
  }

  /** The step at hand: the one that begins here, at the end the last. */
  get step(): number {
    return Math.min(this.edge, this.steps.hour.length - 1);
  }

  /** Currents of a block in a particle. */
  currents(block: number, index: number): BlockCurrents {
    const { habit, modeFactor, own, receive, keyDown } = this.particles;
    const planned = this.law.load.blocks[block];
    return sampledBlock(planned, {
      habit: habit[index],
      modeFactor: modeFactor[index],
      own: own[block][index],
      receive: receive[planned.position][index],
      keyDown: keyDown[planned.position][index],
    });
  }

  /**
   * Makes a particle the one at hand: {@link restA}, {@link sunA}, {@link packs} are of it until the next.
   * What it has of its own is worked out once, not in each step.
   */
  take(index: number): void {
    const { law, particles, factors, packs } = this;
    this.index = index;
    this.bright = factorBy(SKY_OF_ITS_OWN, particles.bright[index]);
    const { accessories } = law.load;
    for (let place = 0; place < accessories.length; place++) {
      factors[place] = factorBy(this.spreads[place], particles.accessories[place][index]);
    }
    if (law.sun) this.sunGain = truthGain(law.sun, { truth: particles.truth[index] });
    const off = { capacity: particles.capacity[index] };
    for (let pack = 0; pack < packs.length; pack++) {
      const gain = capacityGain(law.weaknesses[pack].capacitySpread, off);
      packs[pack].storedAh = law.packs[pack].storedAh * gain;
      packs[pack].deliverableAh = law.packs[pack].deliverableAh * gain;
    }
  }

  /** What everything but the radios takes in a step, A. */
  restA(step: number): number {
    const { accessories } = this.law.load;
    let amps = 0;
    for (let place = 0; place < accessories.length; place++) {
      amps += this.factors[place] * accessories[place].amps[step];
    }
    return amps;
  }

  /** Light on the panel in a step, W/m2. */
  light(step: number): number {
    const { sun } = this.law;
    const sunny = this.steps.sunny[step];
    if (!sun || sunny < 0) return 0;
    const { tilt, azimuth, place } = this.particles;
    return this.bright * lightIn(sun.light, sunny, place[this.index], tilt[this.index], azimuth[this.index]);
  }

  /** What the panel offers in a step under a light, A. */
  sunA(step: number, light = this.light(step)): number {
    const { sun } = this.law;
    const sunny = this.steps.sunny[step];
    return sun && sunny >= 0 ? Math.min(sun.maxA, this.sunGain * outputIn(sun.output, sunny, light)) : 0;
  }

  /** What chargers give in a step, A. */
  fedA(step: number): number {
    return this.law.steps.fedA?.[step] ?? 0;
  }

  /** Steps up to the next one with another hour or other blocks. */
  private endOfStretch(limit: number): number {
    const { hour, blocks } = this.steps;
    let end = this.edge + 1;
    while (end < limit && hour[end] === hour[this.edge] && sameBlocks(blocks[end], blocks[this.edge])) end++;
    return end;
  }

  /** Samples what begins with the step at hand, once: its hour's sky, its blocks' own part of the duty cycle. */
  private begin(): void {
    const { particles, law, next, edge: step } = this;
    const { hour, blocks } = this.steps;
    if (step === this.begun || step >= hour.length) return;
    this.begun = step;
    if (law.sky && (step === 0 || hour[step] !== hour[step - 1])) this.nextHour(law.sky, hour[step]);
    for (const block of blocks[step]) {
      if (law.load.blocks[block].fromStep !== step) continue;
      const own = particles.own[block];
      for (let index = 0; index < own.length; index++) own[index] = deviation(next);
    }
  }

  private nextHour(law: SkyLaw, hour: number): void {
    const { sky: state, particles } = this;
    const { count, place, skyKind, skyWander, rainFrom, rains } = particles;
    for (let index = 0; index < count; index++) {
      particles.skyInto(state, index, hour === 0 ? -1 : law.hours[hour - 1].day);
      place[index] = nextSky(law, hour, state, this.next);
      skyKind[index] = state.kind;
      skyWander[index] = state.wander;
      rainFrom[index] = state.rainFrom;
      rains[index] = state.rains;
    }
  }

  private stretch(from: number, to: number): void {
    const { particles, law, steps } = this;
    const { hours } = law.steps;
    const blocks = steps.blocks[from];
    const hoursLong = sumOf(hours, from, to);
    for (let index = 0; index < particles.count; index++) {
      this.take(index);
      let radioA = 0;
      for (const block of blocks) {
        const { share, meanA } = this.currents(block, index);
        radioA += meanA;
        particles.transmitH[block][index] += share * hoursLong;
      }
      for (let step = from; step < to; step++) {
        const h = hours[step];
        const light = this.light(step);
        particles.lightWh[index] += h * light;
        this.advance(index, step, h, this.restA(step) + radioA, this.sunA(step, light));
      }
    }
  }

  /** The particle at hand through one step. */
  private advance(index: number, step: number, h: number, loadA: number, sunA: number): void {
    const { particles, law, packs } = this;
    const { socs, inUse, isOn } = particles;
    const used = inUse[index];
    for (let pack = 0; pack < socs.length; pack++) socs[pack][index] *= 1 - law.packs[pack].leakAnHour * h;
    const charged = socs.length > 1 && law.plan.chargeIdle ? this.waiting(index) : -1;
    const pack = packs[used];
    const carriedA = isOn[index] ? loadA : 0;
    const fromCellsA = isOn[index] ? carriedA * pack.loadGain + pack.idleA : 0;
    const fedA = this.fedA(step);
    const givenA = sunA + fedA;
    const before = socs[used][index];
    const netA = fromCellsA - (charged < 0 ? givenA : 0);
    let after = tightStep(pack, before, netA, h);
    if (netA > 0) after = this.stopped(index, step, before, after);
    socs[used][index] = after;
    const acceptedA = after > before ? ((after - before) * pack.storedAh) / (pack.efficiency * h) : 0;
    const { loads, battery, panel } = particles.counted;
    particles.loadsAh[index] += carriedA * h;
    particles.offeredAh[index] += sunA * h;
    loads.out[index] += carriedA * h;
    if (netA > 0) battery.out[index] += netA * h;
    else battery.in[index] += acceptedA * h;
    const takenAh =
      charged >= 0
        ? this.chargeIdle(charged, index, givenA, h)
        : (netA > 0 ? givenA : fromCellsA + acceptedA) * h;
    // Chargers give first, the sun what is still wanted.
    const fromSunAh = takenAh - Math.min(takenAh, fedA * h);
    panel.in[index] += fromSunAh;
    particles.takenAh[index] += fromSunAh;
    particles.fedAh[index] += takenAh - fromSunAh;
  }

  /** The charge after a step that empties the pack in use: at its level another takes over, or the cut-off opens. */
  private stopped(index: number, step: number, before: number, after: number): number {
    const { inUse, isOn } = this.particles;
    const { levels, cutoffs } = this.packs[inUse[index]];
    const keyDown = this.steps.keyDown[step];
    if (after > cutoffs[keyDown] && (after > levels[keyDown] || this.law.packs.length === 1)) return after;
    const spare = this.toldPacks ? -1 : this.spare(index);
    const level = spare < 0 ? cutoffs[keyDown] : levels[keyDown];
    if (after > level) return after;
    if (spare >= 0) inUse[index] = spare;
    else isOn[index] = 0;
    return Math.min(before, level);
  }

  /** Charges a pack that waits; returns what it took, Ah. */
  private chargeIdle(pack: number, index: number, sunA: number, h: number): number {
    const { storedAh, efficiency } = this.packs[pack];
    const soc = this.particles.socs[pack];
    const before = soc[index];
    soc[index] = tightStep(this.packs[pack], before, -sunA, h);
    return efficiency > 0 ? ((soc[index] - before) * storedAh) / efficiency : 0;
  }

  /** The pack that waits and is charged: the one that was told, or the emptiest; −1 where none is. */
  private waiting(index: number): number {
    const { socs, inUse } = this.particles;
    const used = inUse[index];
    if (this.charged !== null) return this.charged === used ? -1 : this.charged;
    let best = -1;
    for (let pack = 0; pack < socs.length; pack++) {
      if (pack === used || socs[pack][index] >= 1 || this.law.packs[pack].efficiency === 0) continue;
      if (best < 0 || socs[pack][index] < socs[best][index]) best = pack;
    }
    return best;
  }

  /** The fullest pack that could take over, or −1. */
  private spare(index: number): number {
    const { socs, inUse } = this.particles;
    let best = -1;
    let most = WORTH_A_SWAP_SOC;
    for (let pack = 0; pack < socs.length; pack++) {
      const above = socs[pack][index] - this.law.packs[pack].from.given.reserveSoc;
      if (pack !== inUse[index] && above > most) [best, most] = [pack, above];
    }
    return best;
  }
}

const sameBlocks = (some: readonly number[], others: readonly number[]): boolean =>
  some.length === others.length && some.every((block, index) => block === others[index]);

function sumOf(values: Float64Array, from: number, to: number): number {
  let sum = 0;
  for (let index = from; index < to; index++) sum += values[index];
  return sum;
}
