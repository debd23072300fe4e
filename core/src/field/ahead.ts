import { ChanceRun, MOST_SAMPLES, type Chance } from '../chance/chance.js';
import { chanceLaw, inOrder, type ChanceLaw } from '../chance/chance-law.js';
import type { Sample } from '../chance/sample.js';
import { AS_FORECAST, nextSky, skyBefore, type SkyLaw } from '../chance/sampled-sky.js';
import { positionsOf, type PlanInput, type PlannedPack } from '../forecast/plan-input.js';
import { generator, seedOf, type Generator } from '../random/generator.js';
import { SEED } from '../random/seed.js';
import { HOUR_MS, type Span } from '../span.js';
import type { AimPlan } from '../sun/aim.js';
import type { Followed } from './follow.js';
import { deviation } from './particles.js';
import { sharesOf, survivors, weightedQuantile } from './weigh.js';

/** How an outing goes on from now, by the outings that agree with what was read. */
export interface Ahead {
  readonly plan: PlanInput;
  readonly chance: Chance;
  /** When it ends in one, five and nine of ten, UTC epoch ms; null where it lasts past the end. */
  readonly endsMs: { readonly p10: number | null; readonly p50: number | null; readonly p90: number | null };
  /** The latest end that would have the target chance, UTC epoch ms; null where the planned one has it. */
  readonly stopMs: number | null;
  readonly law: ChanceLaw;
}

/** What is done otherwise from now on; the sky ahead as it is said. */
export type Change = (ahead: PlanInput) => PlanInput;

/** What the sky ahead is like: as forecast so far, or as it is said anew from now on, day by day certain or not. */
export interface NewSky {
  readonly skyAt: NonNullable<PlanInput['sun']>['skyAt'];
  /** It goes on just so: no day of another kind comes. */
  readonly goesOn?: boolean;
}

/**
 * The same outings go on from now.
 *
 * @param change of what is done from now on; nothing if absent
 * @returns null where nothing is left of the outing
 */
export function ahead(
  followed: Followed,
  change: Change = (same) => same,
  sky?: NewSky,
  seed = SEED,
): Ahead | null {
  const { nowMs, march } = followed;
  const { plan } = march.law;
  if (nowMs >= plan.outing.endMs) return null;
  const { untouched } = followed;
  const left = change(untouched ?? planAhead(followed));
  const withSky = sky && left.sun ? { ...left, sun: { ...left.sun, skyAt: sky.skyAt } } : left;
  const made = chanceLaw(withSky);
  // Before anything has happened it is the plan's own chance, to the sample: two rooms tell one figure.
  const law: ChanceLaw = untouched ? made : { ...made, sampleAt: samplesAhead(followed, made, seed, sky) };
  const run = new ChanceRun(withSky, seed, law);
  run.more(MOST_SAMPLES);
  const chance = run.soFar();
  return {
    plan: withSky,
    chance,
    endsMs: { p10: run.endsMs(0.1), p50: run.endsMs(0.5), p90: run.endsMs(0.9) },
    stopMs: run.endsMs(1 - chance.target),
    law,
  };
}

/** What is left of a plan: the pack in use first, all packs as they stand in the middle. */
export function planAhead({ march, nowMs }: Followed): PlanInput {
  const { law, particles } = march;
  const { plan } = law;
  const shares = sharesOf(particles.weight);
  const used = mostUsed(particles.inUse, shares, particles.socs.length);
  const order = [used, ...particles.socs.map((_, pack) => pack).filter((pack) => pack !== used)];
  const planned = inOrder(plan);
  const packs = order.map((pack): PlannedPack => ({
    ...planned[pack],
    startSoc: weightedQuantile(particles.socs[pack], shares, 0.5),
  }));
  const { momentsMs: _past, others, sun, ...rest } = plan;
  return {
    ...rest,
    outing: { startMs: nowMs, endMs: plan.outing.endMs },
    blocks: plan.blocks.flatMap((block) => cut(block, nowMs)),
    ...(others && {
      others: others.map(({ radio, blocks }) => ({
        radio,
        blocks: blocks.flatMap((block) => cut(block, nowMs)),
      })),
    }),
    accessories: plan.accessories.map((load) => ({
      ...load,
      pieces: load.pieces.flatMap((piece) => cut(piece, nowMs)),
    })),
    packs,
    ...(sun && { sun: { ...sun, aim: aimGoesOn(sun.aim, plan.outing) } }),
  };
}

/** What is left of a span after an instant. */
function cut<Part extends Span>(part: Part, nowMs: number): readonly Part[] {
  if (part.endMs <= nowMs) return [];
  return [part.startMs >= nowMs ? part : { ...part, startMs: nowMs }];
}

/** A panel that is turned by the clock, or lies as it was laid out, knows nothing of a new start. */
const aimGoesOn = (aim: AimPlan, { startMs }: Span): AimPlan => ({
  how: 'then',
  first: aim,
  fromMs: startMs,
  then: aim,
});

function mostUsed(inUse: Uint8Array, shares: Float64Array, packs: number): number {
  const held = new Float64Array(packs);
  inUse.forEach((pack, index) => (held[pack] += shares[index]));
  return held.indexOf(Math.max(...held));
}

/** The particles as samples of what is left, by number: blocks and hours to come are sampled anew. */
function samplesAhead(
  followed: Followed,
  law: ChanceLaw,
  seed: number,
  sky?: NewSky,
): (number: number) => Sample {
  const { march, nowMs } = followed;
  const { particles } = march;
  const of = (what: string) => generator(seedOf(`${seed} ahead ${what}`));
  const places = mixed(survivors(particles.weight, 0.5, MOST_SAMPLES), of('order'));
  const underWay = blocksUnderWay(followed, law);
  const packs = packsInOrder(followed, law);
  const told = sky ? law.sky : march.law.sky;
  const from = told ? Math.floor((nowMs - told.startMs) / HOUR_MS) : 0;
  const hours = law.sky?.hours.length ?? 0;
  const path: SkyPath = { from, hours, goesOn: sky?.goesOn === true, isNew: sky !== undefined };
  return (number) => {
    const index = places[number % places.length];
    // By number, as without readings: the same outing meets the same weather whatever is changed.
    const ownDeviations = of(`${number} blocks`);
    return {
      receive: Float64Array.from(particles.receive, (column) => column[index]),
      keyDown: Float64Array.from(particles.keyDown, (column) => column[index]),
      accessories: Float64Array.from(particles.accessories, (column) => column[index]),
      modeFactor: particles.modeFactor[index],
      capacity: particles.capacity[index],
      resistance: particles.resistance[index],
      truth: particles.truth[index],
      aim: { tilt: particles.tilt[index], azimuth: particles.azimuth[index] },
      habit: particles.habit[index],
      blocks: Float64Array.from(underWay, (block) =>
        block < 0 ? deviation(ownDeviations) : particles.own[block][index],
      ),
      sky: told && skyAhead(followed, told, index, path, of(`${number} sky`)),
      socs: packs.map((pack, place) => (pack < 0 ? law.packs[place].startSoc : particles.socs[pack][index])),
    };
  };
}

/** In another order: survivors stand beside their copies, and a run may stop before it has met all of them. */
function mixed(places: Uint32Array, next: Generator): Uint32Array {
  for (let last = places.length - 1; last > 0; last--) {
    const other = Math.floor(next() * (last + 1));
    [places[last], places[other]] = [places[other], places[last]];
  }
  return places;
}

/** By block ahead: the block that was under way and goes on in it; −1 for none. */
function blocksUnderWay({ march, nowMs }: Followed, law: ChanceLaw): readonly number[] {
  const before = march.law;
  const goingOn = (position: number) =>
    before.load.blocks.findIndex(
      (block) =>
        block.position === position &&
        before.edgesMs[block.fromStep] < nowMs &&
        before.edgesMs[block.toStep] > nowMs,
    );
  return law.load.blocks.map(({ position, fromStep }) => (fromStep === 0 ? goingOn(position) : -1));
}

/** By pack ahead, in the order of use: which of the packs so far it is. */
function packsInOrder({ march }: Followed, law: ChanceLaw): readonly number[] {
  const before = inOrder(march.law.plan);
  const found = new Set<number>();
  return inOrder(law.plan).map(({ label, name }) => {
    const isIt = (place: number) =>
      !found.has(place) && before[place].label === label && before[place].name === name;
    const place = before.findIndex((_, index) => isIt(index));
    found.add(place);
    return place;
  });
}

/** Which hours of a sky are sampled, and how. */
interface SkyPath {
  readonly from: number;
  readonly hours: number;
  readonly goesOn: boolean;
  readonly isNew: boolean;
}

/** A particle's sky from the hour of now on, which is sampled already. */
function skyAhead(
  { march: { particles } }: Followed,
  law: SkyLaw,
  index: number,
  { from, hours, goesOn, isNew }: SkyPath,
  next: Generator,
): Float32Array {
  const state = skyBefore();
  particles.skyInto(state, index, isNew ? -1 : law.hours[from].day);
  const sky = new Float32Array(hours);
  sky[0] = particles.place[index];
  for (let hour = 1; hour < hours; hour++) {
    if (goesOn) [state.day, state.kind, state.rains] = [law.hours[from + hour].day, AS_FORECAST, 0];
    sky[hour] = nextSky(law, from + hour, state, next);
  }
  return sky;
}

/** All operating positions of a plan ahead with their blocks changed. */
export function withBlocks(
  plan: PlanInput,
  change: (block: PlanInput['blocks'][number]) => PlanInput['blocks'][number],
): PlanInput {
  const [{ blocks }, ...others] = positionsOf(plan);
  return {
    ...plan,
    blocks: blocks.map(change),
    ...(others.length > 0 && {
      others: others.map((position) => ({ ...position, blocks: position.blocks.map(change) })),
    }),
  };
}
