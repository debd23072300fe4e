import { chanceLaw } from '../chance/chance-law.js';
import type { PlanInput } from '../forecast/plan-input.js';
import { generator, normal, seedOf } from '../random/generator.js';
import { firstStepFrom } from '../time-grid.js';
import { cloudAt, OVERCAST, RAIN, type SkyIndex } from '../sun/light-table.js';
import { changeBattery, inOrderOfUse, tellsPacks } from './change-battery.js';
import { FieldMarch } from './field-march.js';
import type { FieldLog } from './follow.js';
import { totalSocs } from './follower.js';
import { Particles } from './particles.js';
import { predict } from './predict.js';
import {
  readingScale,
  resetBy,
  type BatteryEvent,
  type CounterReset,
  type FieldEvent,
  type FieldReading,
  type ReadQuantity,
} from './reading.js';
import { studentNumber } from './student.js';

/** What somebody does at an instant of a played outing. */
export type PlayedAct =
  | (Pick<FieldReading, 'timeMs' | 'state' | 'source'> & {
      readonly kind: 'reading';
      readonly quantities: readonly ReadQuantity[];
      /** An instrument tells it to the last digit; else somebody reads it off, as people read. */
      readonly toTheDigit?: boolean;
    })
  | { readonly kind: 'look'; readonly timeMs: number }
  | CounterReset
  | BatteryEvent;

/** An outing of which everything is known. */
export interface Played {
  readonly log: FieldLog;
  /** Its only particle, at the end. */
  readonly march: FieldMarch;
  /** State of charge of all packs at each act, 0 to 1, and at the end. */
  readonly socs: readonly number[];
  /** Where the sky stood at each act, a place of the light table; null where the plan has no sky. */
  readonly skies: readonly (SkyIndex | null)[];
}

/**
 * Plays an outing by chance, with what somebody would read and see in it: the same law as the particles' and the readings'. To try
 * the estimate on, and to learn to read.
 *
 * @param acts ascending in time, inside the outing
 * @param untilMs UTC epoch ms
 */
export function play(plan: PlanInput, acts: readonly PlayedAct[], untilMs: number, seed: number): Played {
  const law = chanceLaw({ ...plan, momentsMs: [...acts.map(({ timeMs }) => timeMs), untilMs] });
  const next = generator(seedOf(`${seed} played`));
  const particles = new Particles(1, law, next);
  const march = new FieldMarch(law, particles, next);
  const readings: FieldReading[] = [];
  const events: FieldEvent[] = [];
  const socs: number[] = [];
  const skies: (SkyIndex | null)[] = [];
  march.toldPacks = tellsPacks(acts);
  const to = (timeMs: number) => {
    march.to(timeMs >= plan.outing.endMs ? law.edgesMs.length - 1 : firstStepFrom(law.edgesMs, timeMs));
  };
  const hasController = acts.some(
    (act) => act.kind === 'reading' && act.source === 'controller' && act.quantities.includes('inAh'),
  );
  acts.forEach((act, place) => {
    to(act.timeMs);
    socs.push(totalSocs(march)[0]);
    skies.push(law.sky ? particles.place[0] : null);
    if (act.kind === 'reset') {
      resetBy(act.source, hasController).forEach((instrument) => particles.reset(instrument));
      events.push(act);
    } else if (act.kind === 'battery') {
      const event = inOrderOfUse(plan, act);
      if (event) changeBattery(march, event);
      events.push(act);
    } else if (act.kind === 'look') {
      const sky = particles.place[0];
      const rain = next() < (sky === RAIN ? 0.5 : 0.03);
      const cloud = cloudAt(Math.min(sky, OVERCAST)) + 0.15 * studentNumber(() => normal(next));
      events.push({ kind: 'sky', timeMs: act.timeMs, cloud: rain ? 1 : cloud, rain, fog: false });
    } else {
      const values: Partial<Record<ReadQuantity, number>> = {};
      for (const quantity of act.quantities) {
        const { value, isCharging } = predict(march, 0, quantity, act, act.state);
        const scale = readingScale(quantity, act, value, isCharging);
        values[quantity] = act.toTheDigit ? value : value + scale * studentNumber(() => normal(next));
      }
      const { timeMs, state, source } = act;
      readings.push({ id: `r${place}`, timeMs, state, source, values });
    }
  });
  to(untilMs);
  return { log: { readings, events }, march, socs: [...socs, totalSocs(march)[0]], skies };
}
