import { chanceLaw, emptyRun, expectedFor, take, type ChanceLaw } from '../chance/chance-law.js';
import type { Sample } from '../chance/sample.js';
import { SEED } from '../random/seed.js';
import { plan } from '../testing/ration-plans.js';
import { sunPlan } from '../testing/sun-plans.js';
import { cautiousOutings } from './cautious-outings.js';

let law: ChanceLaw;
let underWay: ChanceLaw;
/** Every other sample to one side of a middle, and to the other. */
const around = (middle: number, off: number) => (index: number) => middle + (index % 2 === 0 ? off : -off);
const habit = around(1, 0.2);
const capacity = around(-0.5, 0.1);
const own = around(0.3, 0.4);
const soc = around(0.4, 0.02);
/** An outing under way of which much is known: talkative, on a weak battery that stands at two fifths. */
const knowing = (of: ChanceLaw): ChanceLaw => ({
  ...of,
  sampleAt: (index): Sample => ({
    ...expectedFor(of),
    habit: habit(index),
    capacity: capacity(index),
    blocks: expectedFor(of).blocks.map(() => own(index)),
    socs: [soc(index)],
  }),
});

describe('the outings that a ration is made for', () => {
  beforeAll(() => {
    law = chanceLaw(plan(8, { sun: sunPlan() }));
    underWay = knowing(law);
  });

  it('have nothing off in the middle of a plan, and so many standard deviations of it beside', () => {
    const outings = cautiousOutings(law, SEED);
    expect(
      [...outings(0).receive, outings(0).capacity, outings(0).truth].every((off) => Math.abs(off) === 0),
    ).toBeTrue();
    const worse = outings(2);
    expect([...worse.receive, ...worse.keyDown, worse.modeFactor, worse.habit]).toEqual(
      [...worse.receive, ...worse.keyDown, 0, 0].map(() => 2),
    );
    expect([worse.capacity, worse.truth]).toEqual([-2, -2]);
    // Better than expected are the battery and the panel alone.
    const better = outings(-1);
    expect([better.capacity, better.truth, ...better.receive]).toEqual([
      1,
      1,
      ...better.receive.map(() => 0),
    ]);
    expect(better.habit).toBeNull();
    expect(worse.socs).toBeUndefined();
  });

  it('have what was read in the middle of an outing under way, and its own deviations beside', () => {
    const outings = cautiousOutings(underWay, SEED);
    const [middle, worse] = [outings(0), outings(2)];
    expect(middle.habit).toBeCloseTo(1, 9);
    expect(worse.habit).toBeCloseTo(1.4, 9);
    expect(middle.capacity).toBeCloseTo(-0.5, 9);
    expect(worse.capacity).toBeCloseTo(-0.7, 9);
    expect(outings(-2).capacity).toBeCloseTo(-0.3, 9);
    for (const block of middle.blocks) expect(block).toBeCloseTo(0.3, 9);
    expect(middle.socs![0]).toBeCloseTo(0.4, 9);
    expect(worse.socs![0]).toBeCloseTo(0.36, 9);
    // Nothing is fuller than full.
    expect(outings(-1000).socs).toEqual([1]);
  });

  it('have the sky that is expected where they are no worse than expected', () => {
    const outings = cautiousOutings(law, SEED);
    for (const caution of [0, -1, -2]) expect(outings(caution).sky).toEqual(expectedFor(law).sky);
    expect(outings(2).sky).not.toEqual(expectedFor(law).sky);
    // Nor is anybody counted on to transmit less than planned.
    expect(outings(-2).habit).toBe(expectedFor(law).habit);
    const dark = cautiousOutings(chanceLaw(plan(8)), SEED);
    expect(dark(2).sky).toBeNull();
  });

  it('lie under a dimmer sky the more cautious they are', () => {
    const outings = cautiousOutings(law, SEED);
    const run = emptyRun(law);
    const light = (caution: number) => {
      take(law, { ...expectedFor(law), sky: outings(caution).sky }, run, []);
      return run.sunA!.reduce((sum, amps, step) => sum + amps * law.steps.hours[step], 0);
    };
    const lights = [0.5, 1, 1.5, 2, 2.6].map(light);
    expect(lights).toEqual([...lights].sort((a, b) => b - a));
    expect(lights[4]).toBeLessThan(lights[0]);
  });
});
