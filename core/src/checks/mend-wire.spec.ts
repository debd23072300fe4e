import fc from 'fast-check';
import { cableRunFigures } from '../harness/cable-run-figures.js';
import type { CableRun } from '../harness/harness.js';
import { copper, part, still } from '../testing/harness.js';
import { ampacity } from '../wire/wire.js';
import { longestFor, wireFor } from './mend-wire.js';
import { WIRE_SIZES_MM2 } from './wire-sizes.js';

const TEMPERATURE_C = 20;

/** The figures of one run from the battery to a radio that takes so much with the key down. */
function figuresOf(run: Partial<CableRun>, amps: number) {
  const parts = [part('battery', 'battery', null), part('radio', 'radio', 'battery', run)];
  const flow = still({
    draws: new Map([['radio', { receiveA: amps / 10, keyDownA: amps, safeForA: amps }]]),
  });
  return { run: parts[1].run!, flow, figures: cableRunFigures(parts, flow).get('radio')! };
}

const runs = fc.record({
  areaMm2: fc.constantFrom(0.5, 0.75, 1, 1.5, 2.5, 4),
  // To the decimetre, as cables are told.
  lengthM: fc.integer({ min: 3, max: 80 }).map((decimetres) => decimetres / 10),
  amps: fc.double({ min: 0.5, max: 20, noNaN: true }),
  contactPairs: fc.integer({ min: 0, max: 2 }),
});

describe('the wire that a run should be of', () => {
  it('is the thinnest that is sold which carries the current and loses no more than it should', () => {
    let thicker = 0;
    fc.assert(
      fc.property(runs, ({ areaMm2, lengthM, amps, contactPairs }) => {
        const { run, flow, figures } = figuresOf(copper(areaMm2, lengthM, contactPairs), amps);
        const wire = wireFor(run, flow, figures, amps, figures.ampacityA);
        if (!wire || wire.areaMm2 === undefined || wire.lengthM !== undefined) return;
        const isEnough = (size: number) =>
          ampacity({ awg: null, areaMm2: size }, TEMPERATURE_C, false) >= amps &&
          figuresOf(copper(size, lengthM, contactPairs), amps).figures.dropShare! <= figures.most + 1e-12;
        if (!isEnough(wire.areaMm2)) return; // made safe, where no length helps
        thicker += 1;
        expect(wire.areaMm2).toBe(WIRE_SIZES_MM2.find((size) => size > areaMm2 && isEnough(size))!);
      }),
      { numRuns: 200 },
    );
    expect(thicker).toBeGreaterThan(0);
  });

  it('stays as it is where it carries and loses little enough, or where nothing is known of it', () => {
    const sound = figuresOf(copper(2.5, 0.6), 2);
    expect(wireFor(sound.run, sound.flow, sound.figures, 2, sound.figures.ampacityA)).toEqual({});
    const unknown = figuresOf({}, 20);
    expect(wireFor(unknown.run, unknown.flow, unknown.figures, 20, null)).toEqual({});
  });

  it('is made safe at least where no length helps: the thinnest that carries', () => {
    // 20 A over 60 m: too thin, and no wire that goes into a pair of 30 A loses little enough, nor any cable of some length.
    const flat = { family: 'flat30', end: 'plug' } as const;
    const { run, flow, figures } = figuresOf({ ...copper(0.5, 60), near: flat, far: flat }, 20);
    const carrying = WIRE_SIZES_MM2.find(
      (areaMm2) => ampacity({ awg: null, areaMm2 }, TEMPERATURE_C, false) >= 20,
    )!;
    expect(wireFor(run, flow, figures, 20, figures.ampacityA)).toEqual({ areaMm2: carrying });
    // One that carries already stays.
    const thick = figuresOf({ ...copper(6, 60), near: flat, far: flat }, 20);
    expect(wireFor(thick.run, thick.flow, thick.figures, 20, thick.figures.ampacityA)).toEqual({});
  });

  it('is none where no wire that goes into its ends carries the current', () => {
    const barrel = { family: 'barrel21', end: 'plug' } as const;
    const { run, flow, figures } = figuresOf({ ...copper(0.5, 1), near: barrel, far: barrel }, 30);
    expect(wireFor(run, flow, figures, 30, figures.ampacityA)).toBeNull();
  });
});

describe('the longest that a run may be', () => {
  it('loses no more than it should, a decimetre more does, and is still a cable', () => {
    let shorter = 0;
    fc.assert(
      fc.property(runs, ({ areaMm2, lengthM, amps, contactPairs }) => {
        const { run, figures } = figuresOf(copper(areaMm2, lengthM, contactPairs), amps);
        const longest = longestFor(run, figures, TEMPERATURE_C);
        if (longest === null) return;
        shorter += 1;
        const lostOf = (metres: number) =>
          figuresOf(copper(areaMm2, metres, contactPairs), amps).figures.dropShare!;
        expect(lostOf(longest)).toBeLessThanOrEqual(figures.most + 1e-9);
        expect(lostOf(longest + 0.1)).toBeGreaterThan(figures.most - 1e-9);
        expect(longest).toBeGreaterThanOrEqual(Math.max(0.3, 0.4 * lengthM));
        expect(longest).toBeLessThan(lengthM);
      }),
      { numRuns: 200 },
    );
    expect(shorter).toBeGreaterThan(0);
  });

  it('is not told of a run whose resistance was measured, nor of one that is short enough', () => {
    const long = figuresOf(copper(1, 4), 4);
    expect(longestFor(long.run, long.figures, TEMPERATURE_C)).not.toBeNull();
    expect(longestFor({ ...long.run, measuredOhm: 0.2 }, long.figures, TEMPERATURE_C)).toBeNull();
    const short = figuresOf(copper(2.5, 0.5), 4);
    expect(longestFor(short.run, short.figures, TEMPERATURE_C)).toBeNull();
  });
});
