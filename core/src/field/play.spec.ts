import { FIELD_ACTS, FIELD_NOW_MS, darkFieldPlan, fieldHour, fieldPlan } from '../testing/field-outings.js';
import { play, type PlayedAct } from './play.js';

const read = (
  hour: number,
  quantity: 'outAh' | 'inAh' | 'percent',
  source: 'typed' | 'controller' | 'monitor',
): PlayedAct => ({
  kind: 'reading',
  timeMs: fieldHour(hour),
  state: 'listening',
  source,
  quantities: [quantity],
  toTheDigit: true,
});
const reset = (hour: number, source: 'typed' | 'controller'): PlayedAct => ({
  kind: 'reset',
  timeMs: fieldHour(hour),
  source,
});
const counts = (plan: ReturnType<typeof fieldPlan>, acts: readonly PlayedAct[]) =>
  play(plan, acts, fieldHour(20), 5).log.readings.map(({ values }) => Object.values(values)[0]!);

describe('an outing that is played', () => {
  it('counts from the last reset: before and after it together are the whole', () => {
    const dark = darkFieldPlan();
    const [at5, at5Again, at15] = counts(dark, [
      read(5, 'outAh', 'typed'),
      reset(5, 'typed'),
      read(5, 'outAh', 'typed'),
      read(15, 'outAh', 'typed'),
    ]);
    const [, , whole] = counts(dark, [
      read(5, 'outAh', 'typed'),
      read(5, 'outAh', 'typed'),
      read(15, 'outAh', 'typed'),
    ]);
    expect(at5).toBeGreaterThan(1);
    expect(at5Again).toBeCloseTo(0, 12);
    expect(at5 + at15).toBeCloseTo(whole, 9);
  });

  it('leaves what a controller counts alone where a meter is reset, if there is one that tells', () => {
    const sunny = fieldPlan();
    const [before, after] = counts(sunny, [
      read(8, 'inAh', 'controller'),
      reset(8, 'typed'),
      read(9, 'inAh', 'controller'),
    ]);
    expect(before).toBeGreaterThan(0);
    expect(after).toBeGreaterThan(before);
    const [, its] = counts(sunny, [
      read(8, 'inAh', 'controller'),
      reset(8, 'controller'),
      read(9, 'inAh', 'controller'),
    ]);
    expect(before + its).toBeCloseTo(after, 9);
  });

  it('tells the charge and the sky at each act, and the charge at the end', () => {
    const played = play(fieldPlan(), FIELD_ACTS, FIELD_NOW_MS, 3);
    expect(played.socs.length).toBe(FIELD_ACTS.length + 1);
    expect(played.skies.length).toBe(FIELD_ACTS.length);
    expect(played.skies.every((sky) => sky !== null)).toBeTrue();
    expect(played.log.readings.length).toBe(FIELD_ACTS.filter(({ kind }) => kind === 'reading').length);
    expect(played.log.events.map(({ kind }) => kind)).toEqual(['sky', 'reset', 'sky']);
    const dark = play(darkFieldPlan(), [read(5, 'percent', 'monitor')], fieldHour(20), 5);
    expect(dark.skies).toEqual([null]);
    expect(dark.socs[1]).toBeLessThan(dark.socs[0]);
    expect(dark.socs[0]).toBeLessThan(1);
  });

  it('is the same for the same seed, another for another', () => {
    const of = (seed: number) => play(fieldPlan(), FIELD_ACTS, FIELD_NOW_MS, seed).log;
    expect(of(1)).toEqual(of(1));
    expect(of(1)).not.toEqual(of(2));
  });
});
