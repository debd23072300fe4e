import { Command } from 'commander';
import { targetOf, type LogDocument, type Trip } from '@knapsack/contract';
import { learnedWords, sayLearned } from '@knapsack/contract/debrief';
import { rationRules, sayRationOdds, USUAL_RATION_OPTIONS } from '@knapsack/contract/size';
import {
  rationFromHere,
  sayLasts,
  sayWeighed,
  standingEntries,
  underNotedSky,
  whatNow,
  type WhatNow,
} from '@knapsack/contract/field';
import { isInstant, readLog } from '@knapsack/contract/schemas';
import { fixed, isWorthAWord, sayQuantity, sayTime, type Band, type Ration } from '@knapsack/core';
import { readJson } from './read-json.js';
import { taken } from './taken.js';
import { InputProblem, type Terminal } from './terminal.js';
import { GEAR_OPTION, readTripFiles } from './trip-files.js';

interface Options {
  gear?: string;
  at?: string;
  ration?: true;
  json?: boolean;
}

/** knapsack now: how an outing stands by its log, and how it goes on. */
export function nowCommand(terminal: Terminal): Command {
  return new Command('now')
    .description('How an outing stands by what was read in it, and whether it lasts from here.')
    .argument('<TRIP.json>', 'a trip document')
    .argument('<LOG.json>', 'the log of the outing')
    .option(...GEAR_OPTION)
    .option(
      '--at <time>',
      'as if it were then, like 2027-09-05T02:00:00Z (else now, outside the outing its last entry)',
    )
    .option('--ration', 'tell how to spend what is left, by the hour and the charge')
    .option('--json', 'print it as JSON')
    .action((tripFile: string, logFile: string, { gear, at, ration, json }: Options) => {
      if (at !== undefined && !isInstant(at)) {
        throw new InputProblem(`--at is a time like 2027-09-05T02:00:00Z; “${at}” is not.`);
      }
      const { trip, shelf } = readTripFiles(tripFile, gear);
      const log = taken(logFile, readLog(readJson(logFile)));
      if (log.trip !== trip.id) {
        throw new InputProblem(
          `${logFile} is the log of “${log.trip}”; the trip in ${tripFile} is “${trip.id}”.`,
        );
      }
      const nowMs = at === undefined ? momentOf(trip, log) : Date.parse(at);
      const now = taken(tripFile, whatNow(trip, log, shelf, nowMs));
      const found = ration
        ? taken(tripFile, rationFromHere(trip, now, { ...USUAL_RATION_OPTIONS, chance: targetOf(trip) }))
        : null;
      terminal.out(
        json
          ? `${JSON.stringify({ ...asJson(now), ...(found && { ration: found }) })}\n`
          : `${inWords(trip, now)}${found ? rationInWords(trip, found) : ''}`,
      );
    });
}

/** The clock while the outing is under way; else its last entry, or its start. */
function momentOf({ start, end }: Trip, log: LogDocument): number {
  const clockMs = Date.now();
  if (clockMs >= Date.parse(start) && clockMs <= Date.parse(end)) return clockMs;
  return Date.parse(standingEntries(log).at(-1)?.at ?? start);
}

const iso = (timeMs: number | null): string | null =>
  timeMs === null ? null : new Date(timeMs).toISOString();

function asJson(now: WhatNow) {
  const { ahead, learned, readings } = now;
  return {
    at: iso(now.nowMs),
    soc: now.soc,
    ah: now.ah,
    netA: now.netA.p50,
    chance: ahead?.chance.chance ?? null,
    endsAt: {
      p10: iso(ahead?.endsMs.p10 ?? null),
      p50: iso(ahead?.endsMs.p50 ?? null),
      p90: iso(ahead?.endsMs.p90 ?? null),
    },
    stopAt: iso(ahead?.stopMs ?? null),
    chanceUnderNotedSky: underNotedSky(now)?.chance.chance ?? null,
    misfit: readings.filter(({ fits }) => !fits).map(({ id, p }) => ({ id, p })),
    readings: readings.map(({ id, p, weighed, alone, planned }) => ({
      ...{ id, p, weighed, alone },
      planned: Object.fromEntries(planned),
    })),
    learned: Object.fromEntries(learned),
  };
}

function inWords({ name, place }: Trip, now: WhatNow): string {
  const { ahead, netA, learned, readings } = now;
  const zone = place.timeZone;
  const misfits = readings.filter(({ fits }) => !fits).length;
  return `${[
    `${name}, ${sayTime(now.nowMs, zone)}`,
    `${percent(now.soc.p50)} left (${percentBand(now.soc)}), ${fixed(now.ah.p50, 1)} Ah.`,
    netA.p50 >= 0
      ? `${fixed(netA.p50, 2)} A goes into the battery.`
      : `${fixed(-netA.p50, 2)} A comes out of the battery.`,
    sayLasts(ahead?.chance ?? null),
    ...(ahead?.stopMs ? [`It would last with the target chance up to ${sayTime(ahead.stopMs, zone)}.`] : []),
    ...(sayWeighed(now) ? [sayWeighed(now)] : []),
    ...(misfits > 0
      ? [
          `${misfits === 1 ? '1 reading does' : `${misfits} readings do`} not fit and ${misfits === 1 ? 'is' : 'are'} left out.`,
        ]
      : []),
    ...[...learned].flatMap(([what, each]) =>
      isWorthAWord(each) ? [`${learnedWords(what)}: ${sayLearned(each)}.`] : [],
    ),
  ].join('\n')}\n`;
}

const rationInWords = ({ place }: Trip, found: Ration): string =>
  `${[
    '',
    ...sayRationOdds(found, false),
    ...rationRules(found, place.timeZone).map(({ when, words }) => `  ${when}  ${words}`),
  ].join('\n')}\n`;

const percent = (share: number): string => sayQuantity({ value: share, unit: 'share' });
const percentBand = ({ p10, p90 }: Band): string => `${fixed(100 * p10, 0)} to ${fixed(100 * p90, 0)}`;
