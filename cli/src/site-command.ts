import { Command } from 'commander';
import { setSite } from '@knapsack/contract';
import { readSiteFile, type Waypoint } from '@knapsack/contract/formats';
import { sayCoordinates } from '@knapsack/core';
import { timeZoneAt } from '@knapsack/core/time-zone';
import { readText } from './read-json.js';
import { taken } from './taken.js';
import { InputProblem, type Terminal } from './terminal.js';
import { readTripFiles } from './trip-files.js';

/** knapsack place: a trip moved to a point of a GPX or GeoJSON file; its hours stay as they were typed. */
export function siteCommand(terminal: Terminal): Command {
  return new Command('place')
    .description('Print a trip moved to a point of a GPX or GeoJSON file; its hours stay as they were typed.')
    .argument('<TRIP.json>', 'a trip document')
    .argument('<PLACES>', 'a GPX or GeoJSON file')
    .option('--point <name>', 'which of its points (needed where there are several)')
    .action((tripFile: string, siteFile: string, { point: name }: { point?: string }) => {
      const { trip } = readTripFiles(tripFile);
      const point = pointOf(taken(siteFile, readSiteFile(readText(siteFile))), siteFile, name);
      const moved = setSite(trip, { ...trip.place, ...point, timeZone: timeZoneAt(point) });
      terminal.out(`${JSON.stringify(moved, null, 2)}\n`);
    });
}

function pointOf(points: readonly Waypoint[], file: string, name: string | undefined): Waypoint {
  const named = name === undefined ? points : points.filter((point) => point.name === name);
  if (named.length === 1) return named[0];
  const list = points.slice(0, 10).map((point) => `${point.name} (${sayCoordinates(point)})`);
  const more = points.length > list.length ? ` and ${points.length - list.length} more` : '';
  throw new InputProblem(
    `${file} has ${named.length === 0 ? 'no point of that name' : 'several points'}: name one with --point. It has ${list.join(', ')}${more}.`,
  );
}
