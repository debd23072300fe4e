import { chanceLaw, emptyRun, take } from '../chance/chance-law.js';
import type { Sample } from '../chance/sample.js';
import type { PlanInput } from '../forecast/plan-input.js';
import { tightMarch, type TightOutcome } from '../march/tight-march.js';
import { copyOf } from '../march/tight-pack.js';
import { generator } from '../random/generator.js';
import { darkFieldPlan, fieldHour, fieldPlan } from '../testing/field-outings.js';
import { FieldMarch } from './field-march.js';
import { Particles } from './particles.js';

function marched(plan: PlanInput, count = 5, bright?: number) {
  const law = chanceLaw(plan);
  const next = generator(11);
  const particles = new Particles(count, law, next);
  if (bright !== undefined) particles.bright.fill(bright);
  const march = new FieldMarch(law, particles, next);
  const skies = Array.from({ length: count }, () => new Float32Array(law.sky?.hours.length ?? 0));
  const socs = Array.from({ length: count }, () => [plan.packs[0].startSoc]);
  for (let edge = 1; edge < law.edgesMs.length; edge++) {
    const hour = march.steps.hour[edge - 1];
    march.to(edge - 1);
    skies.forEach((sky, index) => (sky[hour] = march.particles.place[index]));
    march.to(edge);
    socs.forEach((soc, index) => soc.push(march.particles.socs[0][index]));
  }
  return { law, march, skies, socs };
}

/** A particle as a sample of the chance engine. */
const sampleOf = ({ particles }: FieldMarch, sky: Float32Array, index: number): Sample => ({
  receive: Float64Array.from(particles.receive, (column) => column[index]),
  keyDown: Float64Array.from(particles.keyDown, (column) => column[index]),
  accessories: Float64Array.from(particles.accessories, (column) => column[index]),
  modeFactor: particles.modeFactor[index],
  capacity: particles.capacity[index],
  resistance: particles.resistance[index],
  truth: particles.truth[index],
  aim: { tilt: particles.tilt[index], azimuth: particles.azimuth[index] },
  habit: particles.habit[index],
  blocks: Float64Array.from(particles.own, (column) => column[index]),
  sky: sky.length > 0 ? sky : null,
});

describe('the march of particles', () => {
  /** How far the furthest particle is from the chance engine's own march of it, over the whole outing. */
  function apart({ law, march, skies, socs }: ReturnType<typeof marched>): number {
    const out: TightOutcome = { endHours: 0, lowestSoc: 0, endSoc: 0, steps: 0 };
    return Math.max(
      ...socs.flatMap((soc, index) => {
        const run = emptyRun(law);
        const packs = law.packs.map(copyOf);
        take(law, sampleOf(march, skies[index], index), run, packs);
        const trace = new Float32Array(law.edgesMs.length);
        tightMarch(run, packs, out, trace);
        return soc.map((one, edge) => Math.abs(one - trace[edge]));
      }),
    );
  }

  it('goes the way of the chance engine, particle by particle', () => {
    // The chance engine knows no sky that is brighter as a whole.
    expect(apart(marched(fieldPlan(), 5, 0))).toBeLessThan(1e-5);
  });

  it('goes its way also where one block begins within the hour in which another ends', () => {
    const [cw, ssb] = fieldPlan().blocks;
    const middle = fieldHour(4.5);
    const blocks = [
      { ...cw, share: 0.6, endMs: middle },
      { ...ssb, share: 0.05, startMs: middle, endMs: fieldHour(8) },
    ];
    const run = marched(darkFieldPlan({ blocks }));
    expect(apart(run)).toBeLessThan(1e-5);
    // At once to the end, the same as step by step.
    const { law } = run;
    const at = (edges: readonly number[]) => {
      const again = new FieldMarch(law, new Particles(5, law, generator(21)), generator(22));
      for (const edge of edges) again.to(edge);
      return [...again.particles.socs[0]];
    };
    const last = law.edgesMs.length - 1;
    const steps = at(Array.from({ length: last }, (_, step) => step + 1));
    at([last]).forEach((soc, index) => expect(soc).toBeCloseTo(steps[index], 9));
  });

  it('has a sky that is brighter or darker as a whole by a twentieth for each standard deviation', () => {
    const [darker, asSaid, brighter] = [-1, 0, 1].map((bright) => marched(fieldPlan(), 3, bright).march);
    const { lightWh, offeredAh } = asSaid.particles;
    lightWh.forEach((light, index) => {
      expect(darker.particles.lightWh[index] / light).toBeCloseTo(0.95, 9);
      expect(brighter.particles.lightWh[index] / light).toBeCloseTo(1.05, 9);
      expect(brighter.particles.offeredAh[index]).toBeGreaterThan(offeredAh[index]);
    });
  });

  it('keeps the books of the charge: what was taken in and given out is what became of it', () => {
    const plan = fieldPlan({ temperatureC: 25 });
    const [pack] = plan.packs;
    const { march } = marched({ ...plan, packs: [{ ...pack, label: { ...pack.label, leaksAMonth: 0 } }] });
    const { particles } = march;
    const { loads, battery, panel } = particles.counted;
    for (let index = 0; index < particles.count; index++) {
      march.take(index);
      const [{ storedAh, efficiency }] = march.packs;
      const fell = (1 - particles.socs[0][index]) * storedAh;
      // Peukert takes a little more than flows.
      const flowed = battery.out[index] - efficiency * battery.in[index];
      expect(fell).toBeGreaterThanOrEqual(flowed - 1e-9);
      expect(fell).toBeLessThan(1.1 * flowed);
      expect(loads.out[index] - panel.in[index]).toBeCloseTo(battery.out[index] - battery.in[index], 9);
    }
  });

  it('counts the hours on transmit', () => {
    const { march } = marched(darkFieldPlan(), 400);
    const hours = [4, 4, 5, 6];
    [0.3, 0.2, 0.3, 0.2].forEach((share, block) => {
      const mean = march.particles.transmitH[block].reduce((sum, one) => sum + one, 0) / 400;
      expect(Math.abs(mean / hours[block] - share)).toBeLessThan(0.02);
    });
  });

  it('takes another pack into use where one is at its level, the sun charges one that waits', () => {
    const plan = fieldPlan();
    const [pack] = plan.packs;
    const small = { ...pack, label: { ...pack.label, ratedAh: 3 } };
    const { march } = marched({ ...plan, packs: [small, { ...small }], chargeIdle: true });
    const { inUse, isOn, socs } = march.particles;
    expect([...inUse].some((used) => used === 1)).toBeTrue();
    [...inUse].forEach((used, index) => {
      // Below the reserve only where the other has none to give either.
      if (isOn[index] && socs[used][index] < 0.1) expect(socs[1 - used][index]).toBeLessThan(0.13);
      expect(socs[1 - used][index]).toBeGreaterThan(0);
    });
  });

  it('keeps the books of a pack that waits too: the sun into it, the loads out of the other', () => {
    const plan = fieldPlan({ temperatureC: 25 });
    const [pack] = plan.packs;
    const large = { ...pack, label: { ...pack.label, ratedAh: 40, leaksAMonth: 0 } };
    const { march } = marched({
      ...plan,
      packs: [large, { ...large, startSoc: 0.3 }],
      chargeIdle: true,
    });
    const { particles } = march;
    const { loads, battery } = particles.counted;
    expect([...particles.inUse].every((used) => used === 0)).toBeTrue();
    for (let index = 0; index < particles.count; index++) {
      march.take(index);
      const [{ storedAh }, { storedAh: waitsAh, efficiency }] = march.packs;
      expect(particles.takenAh[index]).toBeGreaterThan(1);
      expect(particles.takenAh[index]).toBeLessThanOrEqual(particles.offeredAh[index] + 1e-9);
      expect((particles.socs[1][index] - 0.3) * waitsAh).toBeCloseTo(
        efficiency * particles.takenAh[index],
        6,
      );
      expect(battery.in[index]).toBe(0);
      expect(battery.out[index]).toBeCloseTo(loads.out[index], 9);
      expect((1 - particles.socs[0][index]) * storedAh).toBeGreaterThanOrEqual(loads.out[index] - 1e-9);
    }
  });

  it('stops carrying loads where the cut-off opens', () => {
    const plan = darkFieldPlan();
    const [pack] = plan.packs;
    const { march } = marched({ ...plan, packs: [{ ...pack, label: { ...pack.label, ratedAh: 2 } }] });
    expect([...march.particles.isOn]).toEqual([0, 0, 0, 0, 0]);
    for (const out of march.particles.counted.loads.out) expect(out).toBeLessThan(2.5);
  });
});
