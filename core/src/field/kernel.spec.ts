import { chanceLaw } from '../chance/chance-law.js';
import { generator, normal } from '../random/generator.js';
import { darkFieldPlan } from '../testing/field-outings.js';
import { drawTo, move } from './kernel.js';
import { Particles } from './particles.js';
import { weightedMean } from './weigh.js';

const COUNT = 4000;

/** Particles whose counter hangs on what they receive: 3 Ah, 0.5 Ah more for each standard deviation, and some more by chance. */
function hanging() {
  const particles = new Particles(COUNT, chanceLaw(darkFieldPlan()), generator(5));
  const next = generator(6);
  particles.counted.loads.out.forEach((_, index, out) => {
    out[index] = 3 + 0.5 * particles.receive[0][index] + 0.1 * normal(next);
  });
  particles.socs[0].forEach((_, index, socs) => (socs[index] = 1 - particles.counted.loads.out[index] / 10));
  return particles;
}

const even = new Float64Array(COUNT).fill(1 / COUNT);
const of = (values: Float64Array) => weightedMean(values, even);
function together(some: Float64Array, others: Float64Array) {
  const [a, b] = [of(some), of(others)];
  const sum = some.reduce((all, value, index) => all + (value - a.mean) * (others[index] - b.mean), 0);
  return sum / COUNT / (a.sd * b.sd);
}

describe('a move of particles', () => {
  it('keeps means, spreads, and how things hang together', () => {
    const particles = hanging();
    const [receive, out] = [particles.receive[0], particles.counted.loads.out];
    const before = { receive: of(receive), out: of(out), together: together(receive, out) };
    const copy = receive.slice();
    const next = generator(7);
    for (let times = 0; times < 40; times++) move(particles, [], next);
    expect(receive).not.toEqual(copy);
    expect(Math.abs(of(receive).mean - before.receive.mean)).toBeLessThan(0.03);
    expect(Math.abs(of(receive).sd / before.receive.sd - 1)).toBeLessThan(0.05);
    expect(Math.abs(of(out).sd / before.out.sd - 1)).toBeLessThan(0.05);
    expect(Math.abs(together(receive, out) - before.together)).toBeLessThan(0.02);
    // What was charge less counted Ah is still.
    particles.socs[0].forEach((soc, index) => expect(soc + out[index] / 10).toBeCloseTo(1, 9));
  });

  it('tells copies of one apart', () => {
    const particles = hanging();
    particles.takePlaces(Uint32Array.from({ length: COUNT }, (_, index) => Math.floor(index / 2)));
    // A few stand at the furthest that anything is off.
    expect(new Set(particles.receive[0]).size).toBeLessThanOrEqual(COUNT / 2);
    move(particles, [], generator(8));
    expect(new Set(particles.receive[0]).size).toBeGreaterThan(0.95 * COUNT);
  });

  it('never leaves what can be', () => {
    const particles = hanging();
    particles.socs[0].fill(1);
    particles.socs[0][0] = 0;
    for (let times = 0; times < 20; times++) move(particles, [], generator(times));
    for (const soc of particles.socs[0]) expect(soc >= 0 && soc <= 1).toBeTrue();
    for (const off of particles.habit) expect(Math.abs(off)).toBeLessThanOrEqual(3);
  });
});

describe('particles that are drawn to a reading', () => {
  it('stand where the normal law has them, and what has nothing to do with it stays', () => {
    const particles = hanging();
    const [receive, out] = [particles.receive[0], particles.counted.loads.out];
    const habit = particles.habit.slice();
    const prior = of(out);
    const next = generator(9);
    const error = 0.05;
    const read = Float64Array.from(out, () => 3.6 + error * normal(next));
    drawTo(particles, [], out.slice(), read, error ** 2);
    const gain = prior.sd ** 2 / (prior.sd ** 2 + error ** 2);
    expect(of(out).mean).toBeCloseTo(prior.mean + gain * (3.6 - prior.mean), 2);
    expect(Math.abs(of(out).sd / (error * Math.sqrt(gain)) - 1)).toBeLessThan(0.05);
    // 0.5 of 0.26 of the variance is by what they receive: it moves by its part.
    expect(of(receive).mean).toBeCloseTo((0.5 / 0.26) * 0.6 * gain, 1);
    expect(of(particles.habit).sd).toBeCloseTo(of(habit).sd, 1);
    expect(Math.abs(of(particles.habit).mean - of(habit).mean)).toBeLessThan(0.05);
  });

  it('stay where they are if all of them say the same', () => {
    const particles = hanging();
    const before = particles.habit.slice();
    drawTo(particles, [], new Float64Array(COUNT).fill(2), new Float64Array(COUNT).fill(5), 0.01);
    expect(particles.habit).toEqual(before);
  });
});
