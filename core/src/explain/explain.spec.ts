import { forecast } from '../forecast/forecast.js';
import type { PlanInput } from '../forecast/plan-input.js';
import type { Quantity } from '../say/quantity.js';
import { HOUR_MS } from '../span.js';
import { measuredRadio, steadyLoad, whiteboardPlan } from '../testing/plans.js';
import { explain } from './explain.js';
import type { SumLine } from './sum.js';
import { plainSentence, sayOutcome, verdictSentence } from './verdict-sentence.js';

const block = { label: 'CW 10 W', powerW: 10, modeFactor: 0.44, keyUpAtReceive: true, share: 0.5 };
const cwPlan = whiteboardPlan({
  blocks: [
    { ...block, startMs: 0, endMs: 4 * HOUR_MS },
    { ...block, startMs: 6 * HOUR_MS, endMs: 8 * HOUR_MS, label: 'CW 5 W', powerW: 5 },
  ],
  accessories: [steadyLoad('relay', 0.1, { startMs: 0, endMs: 10 * HOUR_MS })],
});

/** The same plan from another charge at the start. */
const startingAt = (startSoc: number): PlanInput => ({
  ...cwPlan,
  packs: cwPlan.packs.map((pack) => ({ ...pack, startSoc })),
});

const quantity = ({ result }: SumLine): Quantity =>
  typeof result === 'string' ? { value: NaN, unit: 'factor' } : result;

const amountOf = (lines: readonly SumLine[], label: string): number =>
  quantity(lines.find((line) => line.label === label)!).value;

describe('explanation', () => {
  it('adds up: the lines of the load come to what the march drew', () => {
    const run = forecast(cwPlan);
    const { lines } = explain(run, 'UTC').load;
    const parts = lines.filter((line) => quantity(line).unit === 'Ah' && line.label !== 'together');
    const sum = parts.reduce((total, line) => total + quantity(line).value, 0);
    expect(sum).toBeCloseTo(amountOf(lines, 'together'), 9);
    expect(sum).toBeCloseTo(run.march.books.loadsAh, 9);
  });

  it('shows each way of working once, and each block', () => {
    const labels = explain(forecast(cwPlan), 'UTC').load.lines.map(({ label }) => label);
    expect(labels.slice(0, 5)).toEqual([
      'an over of CW 10 W',
      'an over of CW 5 W',
      'CW 10 W',
      'CW 5 W',
      'relay',
    ]);
  });

  it('counts only the hours up to the low point and only what is missing after the end', () => {
    const short = forecast(startingAt(0.2));
    const { endMs, marginAh } = short.verdict;
    expect(endMs).not.toBeNull();
    const missing = explain(short, 'UTC').margin.lines;
    expect(amountOf(missing, 'missing')).toBeCloseTo(-marginAh, 9);
    expect(amountOf(missing, 'relay')).toBeCloseTo((0.1 * (10 * HOUR_MS - endMs!)) / HOUR_MS, 9);
  });

  it('names what is lost where something is', () => {
    const lost = 'lost to the cold, high currents and charging';
    const heavy = whiteboardPlan({
      accessories: [steadyLoad('heater', 8, { startMs: 0, endMs: HOUR_MS })],
    });
    expect(explain(forecast(heavy), 'UTC').lowest.lines.map(({ label }) => label)).toContain(lost);
    expect(explain(forecast(cwPlan), 'UTC').lowest.lines.map(({ label }) => label)).not.toContain(lost);
  });

  it('brings the sun up to the low point into the sum', () => {
    const run = forecast({ ...startingAt(0.5), offeredA: (timeMs) => (timeMs < 2 * HOUR_MS ? 1 : 0) });
    const { lines } = explain(run, 'UTC').lowest;
    expect(amountOf(lines, 'given by the sun until then')).toBeCloseTo(2, 9);
    const drawn = amountOf(lines, 'consumption until then');
    const lost = run.march.books.chargeLossAh + run.march.books.dischargeLossAh;
    expect(run.verdict.lowestSoc).toBeCloseTo(0.5 - (drawn - 2 + lost) / 20, 9);
  });
});

describe('verdict sentence', () => {
  it('says how much is to spare', () => {
    const words = plainSentence(verdictSentence(forecast(whiteboardPlan()).verdict, 'UTC'));
    expect(words).toBe(
      'The typical outing lasts past Thu 10:00 with 8.0 Ah to spare; lowest state of charge 50 % at the end.',
    );
  });

  it('says when it ends, how much too soon, and why', () => {
    const words = plainSentence(
      verdictSentence(forecast(whiteboardPlan({ pack: { startSoc: 0.3 } })).verdict, 'UTC'),
    );
    expect(words).toBe('The typical outing ends Thu 04:00, 6 h 00 too soon: the reserve comes first.');
  });

  it('says what is still in the pack where the volts end it', () => {
    const thin = whiteboardPlan({
      cableOhm: 0.6,
      radio: { name: 'Curlew', figures: measuredRadio(0.5, [10, 3]), dropoutV: 11.2 },
      blocks: [{ ...block, startMs: 0, endMs: 10 * HOUR_MS }],
    });
    const words = plainSentence(verdictSentence(forecast(thin).verdict, 'UTC'));
    // 48 %: see the forecast's own test of this cable
    expect(words).toContain(
      'the radio’s minimum supply voltage comes first, with 48 % still in the battery.',
    );
  });

  it('asks for a block where nothing draws', () => {
    const words = plainSentence(verdictSentence(forecast(whiteboardPlan({ blocks: [] })).verdict, 'UTC'));
    expect(words).toContain('Nothing draws current yet');
  });

  it('is told in a few words by the same figures', () => {
    const outcome = (change: Parameters<typeof whiteboardPlan>[0]) => {
      const { verdict } = forecast(whiteboardPlan(change));
      return [sayOutcome(verdict, 'UTC'), plainSentence(verdictSentence(verdict, 'UTC'))];
    };
    const [spare, lasts] = outcome({});
    expect(spare).toBe('8.0 Ah to spare');
    expect(lasts).toContain(spare);
    const [ends, short] = outcome({ pack: { startSoc: 0.3 } });
    expect(ends).toBe('ends Thu 04:00');
    expect(short).toContain(ends);
    expect(outcome({ blocks: [] })[0]).toBe('nothing draws current yet');
  });
});
