import { HOUR_MS, type Problem } from '@knapsack/core';
import { MOST_DAYS } from '../fields/fields.js';
import { ownHoursProblem } from './accessory-rule.js';
import { REPEATS, type Trip } from './trip.js';

/** What is wrong between the fields of a trip: its hours, and the blocks in them. Empty where all is well. */
export function tripProblems(trip: Trip): readonly Problem[] {
  const startMs = Date.parse(trip.start);
  const endMs = Date.parse(trip.end);
  if (endMs <= startMs) {
    return [problem('ends-before-start', '/end', 'The outing must end after it starts.')];
  }
  if (endMs - startMs > MOST_DAYS * 24 * HOUR_MS) {
    return [problem('too-long', '/end', `The outing must last ${MOST_DAYS} days at the most.`)];
  }
  return [
    ...blockProblems(trip, startMs, endMs),
    ...loadoutProblems(trip),
    ...skyProblems(trip),
    ...standProblems(trip),
    ...variantProblems(trip, startMs, endMs),
  ];
}

/** What is wrong with how far a stand tilts, or null. */
export const standProblem = ({ leastDeg, mostDeg }: { leastDeg: number; mostDeg: number }): string | null =>
  mostDeg < leastDeg ? 'The greatest tilt of a stand must not be less than its least.' : null;

function standProblems({ panelPlace }: Trip): Problem[] {
  const said = panelPlace?.stand && standProblem(panelPlace.stand);
  return said ? [problem('stand', '/panelPlace/stand/mostDeg', said)] : [];
}

/** What is wrong in the blocks and bags of the variants that are kept beside the one in hand. */
function variantProblems(trip: Trip, startMs: number, endMs: number): Problem[] {
  return (trip.variants ?? []).flatMap((variant, index) => {
    const { blocks, loadout } = variant;
    const other = { ...trip, blocks, loadout };
    return [...blockProblems(other, startMs, endMs), ...loadoutProblems(other)].map((found) => ({
      ...found,
      pointer: `/variants/${index}${found.pointer}`,
      sentence: `In the variant “${variant.name}”: ${found.sentence}`,
    }));
  });
}

function blockProblems({ blocks }: Trip, startMs: number, endMs: number): Problem[] {
  const problems: Problem[] = [];
  const seen = new Set<string>();
  const placed = blocks.map((block, index) => ({
    index,
    id: block.id,
    position: block.station ?? 1,
    startMs: Date.parse(block.start),
    endMs: Date.parse(block.end),
  }));
  for (const { index, id, startMs: from, endMs: to } of placed) {
    const at = `/blocks/${index}`;
    if (seen.has(id))
      problems.push(
        problem('same-id', `${at}/id`, `Two blocks are called “${id}”; each needs an id of its own.`),
      );
    seen.add(id);
    if (to <= from) problems.push(problem('empty-block', `${at}/end`, 'A block must end after it starts.'));
    else if (from < startMs || to > endMs)
      problems.push(problem('outside', at, 'A block must lie within the outing.'));
    const { repeat } = blocks[index];
    const period = repeat === 'hour' ? HOUR_MS : 24 * HOUR_MS;
    if (repeat && to - from > period) {
      problems.push(
        problem(
          'longer-than-its-repeat',
          `${at}/repeat`,
          `A block that is done ${REPEATS[repeat]} must be no longer than ${repeat === 'hour' ? 'an hour' : 'a day'}.`,
        ),
      );
    }
  }
  for (const position of new Set(placed.map((one) => one.position))) {
    const inOrder = placed.filter((one) => one.position === position).sort((a, b) => a.startMs - b.startMs);
    for (let index = 1; index < inOrder.length; index++) {
      if (inOrder[index].startMs < inOrder[index - 1].endMs) {
        problems.push(
          problem(
            'overlap',
            `/blocks/${inOrder[index].index}/start`,
            'Two blocks overlap; one radio can do one thing at a time.',
          ),
        );
      }
    }
  }
  return problems;
}

/** Weather and shade that go backwards, a skyline that does. */
function skyProblems({ weather, panelPlace }: Trip): Problem[] {
  const backwards = (values: readonly number[]) =>
    values.findIndex((value, index) => index > 0 && value <= values[index - 1]);
  const problems: Problem[] = [];
  const hour = backwards((weather?.hours ?? []).map(({ start }) => Date.parse(start)));
  if (hour !== -1) {
    problems.push(
      problem(
        'weather-order',
        `/weather/hours/${hour}/start`,
        'The hours of the weather must follow one another.',
      ),
    );
  }
  const point = backwards((panelPlace?.horizon ?? []).map(({ azimuthDeg }) => azimuthDeg));
  if (point !== -1) {
    problems.push(
      problem(
        'skyline-order',
        `/panelPlace/horizon/${point}/azimuthDeg`,
        'The skyline must go round from north by east, each direction once.',
      ),
    );
  }
  (panelPlace?.shade ?? []).forEach(({ start, end }, index) => {
    if (Date.parse(end) <= Date.parse(start)) {
      problems.push(
        problem('empty-shade', `/panelPlace/shade/${index}/end`, 'Hours of shade must end after they start.'),
      );
    }
  });
  return problems;
}

function loadoutProblems({ loadout }: Trip): Problem[] {
  const seen = new Set<string>();
  return loadout.flatMap(({ gear, count, inSeries, rule, ownCells, charging }, index) => {
    const at = `/loadout/${index}`;
    const problems: Problem[] = [];
    if (seen.has(gear)) {
      problems.push(
        problem('twice', `${at}/gear`, `“${gear}” is in the bag twice; raise its count instead.`),
      );
    }
    seen.add(gear);
    if (inSeries !== undefined && count % inSeries !== 0) {
      problems.push(
        problem(
          'series',
          `${at}/inSeries`,
          `${count} panels cannot be laid out in strings of ${inSeries}: the count must be a multiple of it.`,
        ),
      );
    }
    const charged = ownCells?.hours && ownHoursProblem({ when: 'hours', hours: ownCells.hours });
    if (charged)
      problems.push(problem('own-hours', `${at}/ownCells/hours/${charged.index}`, charged.sentence));
    const chargingHours = charging && ownHoursProblem({ when: 'hours', hours: charging.hours });
    if (chargingHours)
      problems.push(
        problem('own-hours', `${at}/charging/hours/${chargingHours.index}`, chargingHours.sentence),
      );
    const hours = rule && ownHoursProblem(rule);
    if (hours) problems.push(problem('own-hours', `${at}/rule/hours/${hours.index}`, hours.sentence));
    return problems;
  });
}

const problem = (code: string, pointer: string, sentence: string): Problem => ({ code, pointer, sentence });
