import { Command } from 'commander';
import { targetOf, type Trip } from '@knapsack/contract';
import { readRationOptions } from '@knapsack/contract/schemas';
import { rationStretches, sayRationOdds, withRation } from '@knapsack/contract/size';
import { fixed, sayTime, type Ration, type RationChoice } from '@knapsack/core';
import { rationOnThread } from '@knapsack/server/search';
import { numberOption } from './options.js';
import { taken } from './taken.js';
import type { Terminal } from './terminal.js';
import { GEAR_OPTION, readTripFiles } from './trip-files.js';

interface Options {
  gear?: string;
  chance?: number;
  leastShare: number;
  doubling: number;
  morePower?: true;
  moreShare?: true;
  json?: boolean;
}

/** knapsack ration: how to spend the energy of a trip's kit by the hour. */
export function rationCommand(terminal: Terminal): Command {
  return new Command('ration')
    .description(
      'Power and share by the hour that are worth the most and still keep above the reserve with a chance.',
    )
    .argument('<TRIP.json>', 'a trip document')
    .option(...GEAR_OPTION)
    .option(
      '--chance <share>',
      'target chance to keep above the reserve, above 0 and below 1; the trip’s own by itself',
      numberOption('spread', '--chance'),
    )
    .option(
      '--least-share <share>',
      'transmit duty cycle that no hour goes under, as for a relay',
      numberOption('share', '--least-share'),
      0,
    )
    .option(
      '--doubling <share>',
      'how much more an hour is worth with twice the power',
      numberOption('spread', '--doubling'),
      0.3,
    )
    .option('--more-power', 'let it use more power than was planned')
    .option('--more-share', 'let it use a larger duty cycle than was planned')
    .option('--json', 'print it as JSON, the trip with the ration in it included')
    .action(async (tripFile: string, { gear, json, chance: asked, ...given }: Options) => {
      const { trip, shelf } = readTripFiles(tripFile, gear);
      const chance = asked ?? targetOf(trip);
      const options = taken('What was asked', readRationOptions({ chance, ...given }));
      const found = taken(tripFile, await rationOnThread(trip, shelf, options));
      terminal.out(
        json ? `${JSON.stringify({ ...found, trip: withRation(trip, found) })}\n` : inWords(trip, found),
      );
    });
}

function inWords({ name, place, unattended = false }: Trip, found: Ration): string {
  const zone = place.timeZone;
  const { worth, plannedWorth, hours } = found;
  const percent = (share: number) => `${fixed(share * 100, 0)} %`;
  return `${[
    name,
    ...sayRationOdds(found, unattended),
    `Worth ${fixed(worth, 1)} hours on the air as they count; the plan as it is ${fixed(plannedWorth, 1)}.`,
    '',
    'As expected',
    ...rationStretches(found).map(
      ({ startMs, endMs, choice }) =>
        `  ${sayTime(startMs, zone)} to ${sayTime(endMs, zone)}  ${sayChoice(choice)}`,
    ),
    '',
    'By the charge at the hour',
    ...hours
      .filter(({ rules }) => rules.length > 0)
      .map(
        ({ startMs, rules }) =>
          `  ${sayTime(startMs, zone)}  ${rules.map(({ fromSoc, choice }) => `from ${percent(fromSoc)}: ${sayChoice(choice)}`).join('; ')}`,
      ),
  ].join('\n')}\n`;
}

const sayChoice = (choice: RationChoice | null): string =>
  choice ? `${choice.powerW} W, ${fixed(choice.share * 100, 0)} %` : 'off';
