import fc from 'fast-check';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  assessTrip,
  lookUp,
  missingIn,
  resolve,
  stopSentences,
  type Gear,
  type Trip,
} from '@knapsack/contract';
import { fieldCard } from '@knapsack/contract/card';
import { harnessReport, wireSays } from '@knapsack/contract/harness';
import { readGear, readShelf, readTrip } from '@knapsack/contract/schemas';
import { bags, trips } from '@knapsack/contract/testing';
import { sparesOf } from '@knapsack/contract/packing';
import { failures, failuresSum, cableRunsSum } from '@knapsack/contract/what-if';
import {
  fixed,
  plainSentence,
  planSentence,
  SEVERITY_NAMES,
  sayLastingShort,
  sayOdds,
  sayTerm,
} from '@knapsack/core';
import { sayLine } from './say-line.js';
import { DEMO, run } from './testing/run.js';

/** The gate's; PROPERTY_RUNS=100 looks at more. */
const RANDOM_TRIPS = fc.readConfigureGlobal().numRuns ?? 25;
/** Longer ones take long to simulate and print nothing else. */
const LONGEST_MS = 48 * 3_600_000;

/** What the terminal prints of a trip that brings its gear along. */
async function printed(folder: string, trip: Trip, gear: readonly Gear[]) {
  const file = join(folder, 'trip.json');
  writeFileSync(file, JSON.stringify({ ...trip, gear }));
  const printedBy = async (...args: string[]) => {
    const { code, out, err } = await run(...args);
    if (code !== 0) throw new Error(`${args[0]}: ${err}`);
    return out;
  };
  return {
    forecast: await printedBy('forecast', file),
    wire: await printedBy('wire', file),
    // The whole command looks at each month of the year as well; its own lines are these.
    whatIf: [
      failuresSum(failures(trip, gear), trip.place.timeZone),
      cableRunsSum(harnessReport(trip, gear).runs),
    ].flatMap(({ lines }) => lines.map(sayLine)),
  };
}

/** Everything that more than one room prints of a trip, compared as it is printed. */
async function compare(folder: string, trip: Trip, gear: readonly Gear[], inFull = true): Promise<void> {
  const { forecast, wire, whatIf } = await printed(folder, trip, gear);
  const report = harnessReport(trip, gear);
  const within = (words: string) => expect(words).withContext(trip.id);

  // The sentence and the mark: Plan, terminal, card and the list of trips.
  const [, sentence] = forecast.split('\n');
  if (inFull) {
    const { found, status, wire: says } = assessTrip(trip, gear);
    const { chance, run } = found!;
    const stops = stopSentences(run.verdict, says!);
    within(plainSentence(planSentence(run.verdict, { ...found!, stops }, trip.place.timeZone))).toBe(
      sentence,
    );
    if (stops.length > 0) within(sentence.toLowerCase()).not.toMatch(/^lasts/);
    const card = fieldCard(trip, gear, null);
    if (card.stops.length > 0) within(card.verdict.toLowerCase()).not.toContain('lasts');
    else within(card.verdict).toBe(sentence);
    if (!chance.availability) within(sentence.toLowerCase()).toContain(sayLastingShort(chance));
    else within(sentence).toContain(`in ${sayOdds(chance)} simulated outings`);
    if (report.checks.some(({ severity }) => severity === 'stop')) within(status).toBe('stop');
  }

  // What Wire says: counted and repeated in Plan.
  const looks = wire.match(/^ {2}warning: /gm) ?? [];
  within(String(wireSays(report.checks).warnings)).toBe(String(looks.length));
  if (looks.length > 0) within(forecast).toContain(`${looks.length} warning`);
  const said = { limit: 1, continuous: 1, peak: 1 };
  for (const { severity, rule, sentence } of report.checks) {
    within(wire).toContain(`${SEVERITY_NAMES[severity]}: ${sentence}`);
    if (severity === 'stop' && !(rule in said)) within(forecast).toContain(`stop: ${sentence}`);
  }

  // What fails alone: Plan's list and Pack's spares.
  const single = new Set(sparesOf(trip, gear).map(({ name }) => name));
  const { carried } = lookUp(trip, gear);
  for (const { gear: piece, item } of carried) {
    if (item.count > 1 || piece.kind === 'antenna') continue;
    const line = whatIf.find((words) => words.startsWith(`${piece.name}: `));
    if (single.has(piece.name)) within(line ?? '').toContain('0 min of');
  }

  // The cables: Plan's sum, Wire's figures and the terminal's.
  // Two runs may bear one name, as to two splitters: they are told in one order.
  let told = -1;
  for (const { part, label, mostDropV, mostChargeA, keyDownA, safeForA, wantsA } of report.runs) {
    if (mostDropV === null) {
      within(whatIf.join('\n')).toContain(`${label}: not entered`);
      within(wire).toContain(
        `  ${label}: ${sayTerm({ value: Math.max(keyDownA, mostChargeA), unit: 'A' })}, resistance not entered`,
      );
      continue;
    }
    within(wire).toContain(`loses ${fixed(mostDropV, 2)} V`);
    // By its part: one name may be the beginning of another.
    const asks = report.checks.find((check) => check.rule === 'fuse' && check.part === part);
    if (asks && wantsA !== null && safeForA > 0) within(asks.asks).toBe(`a fuse of ${wantsA} A`);
    const at = whatIf.findIndex((words, line) => line > told && words.startsWith(`${label}, `));
    within(String(at >= 0)).toBe('true');
    const end = whatIf.findIndex((words, line) => line > at && words.startsWith('must be safe for'));
    told = end;
    within(whatIf.slice(at, end).join(' ')).toContain(`= ${fixed(mostDropV, 2)} V`);
    within(whatIf[end]).toContain(wantsA === null ? 'no fuse fits this wire' : `fuse ${wantsA} A`);
  }
}

describe('what two rooms print of one trip', () => {
  let folder: string;
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'knapsack-test-'))));
  afterEach(() => rmSync(folder, { recursive: true, force: true }));

  const shelf = readShelf(JSON.parse(readFileSync(join(DEMO, 'gear.json'), 'utf8')));
  if (!shelf.ok) throw new Error('the demo shelf');
  const { gear } = shelf.value;

  for (const name of ['gannet-rock-light', 'headland-contest-camp', 'winter-bothy']) {
    it(`is the same in all of them: ${name}`, async () => {
      const read = readTrip(JSON.parse(readFileSync(join(DEMO, `trips/${name}.json`), 'utf8')));
      if (!read.ok) throw new Error(read.problems[0].sentence);
      await compare(folder, read.value, gear);
    });
  }

  it('is the same in all of them, on trips made up at random', async () => {
    let compared = 0;
    const drawn = fc.sample(fc.tuple(trips, bags), { numRuns: 18 * RANDOM_TRIPS, seed: 14 });
    for (const [trip, nameless] of drawn) {
      const bag = nameless.map((item) => ({ ...item, name: item.id }));
      if (compared === RANDOM_TRIPS) break;
      const isRead = readTrip({ ...trip, gear: bag }).ok && bag.every((item) => readGear(item).ok);
      const isShort = Date.parse(trip.end) - Date.parse(trip.start) <= LONGEST_MS;
      if (!isShort || !isRead || missingIn(trip, bag).length > 0 || !resolve(trip, bag).ok) continue;
      // The list and the card look at the trip once more in full: every fifth.
      await compare(folder, trip, bag, compared % 5 === 0);
      compared += 1;
    }
    expect(compared).toBe(RANDOM_TRIPS);
  });
});
