import { Command } from 'commander';
import { targetOf } from '@knapsack/contract';
import { readRequirements, readSizeOptions } from '@knapsack/contract/schemas';
import { sizeAnswer, type KitAnswer, type SizeAnswer, type SizeOptions } from '@knapsack/contract/size';
import { fixed, sayDuration, sayMoney, sayQuantity } from '@knapsack/core';
import { searchShelf } from '@knapsack/server/search';
import { numberOption } from './options.js';
import { readJson } from './read-json.js';
import { taken } from './taken.js';
import type { Terminal } from './terminal.js';
import { GEAR_OPTION, readTripFiles } from './trip-files.js';

interface Options {
  gear?: string;
  chance?: number;
  maxKg?: number;
  maxPrice?: number;
  maxPieces?: number;
  wished?: boolean;
  aims?: string;
  requirements?: string;
  json?: boolean;
}

/** knapsack size: the kits of a shelf that carry a trip, by weight, money and chance. */
export function sizeCommand(terminal: Terminal): Command {
  return new Command('size')
    .description(
      'Which battery and which panel of a shelf carry a trip, how surely, at what weight and cost.',
    )
    .argument('<TRIP.json>', 'a trip document')
    .option(...GEAR_OPTION)
    .option(
      '--chance <share>',
      'target chance, above 0 and below 1; the trip’s own by itself',
      numberAsTyped('--chance'),
    )
    .option('--max-kg <kg>', 'most that battery, panel and controller may weigh', numberAsTyped('--max-kg'))
    .option('--max-price <price>', 'most that they may cost', numberAsTyped('--max-price'))
    .option('--max-pieces <count>', 'most pieces', numberAsTyped('--max-pieces'))
    .option('--wished', 'try what is on the wish list as well')
    .option('--aims <words>', 'how the panel may lie: planned, flat, propped, turned; with commas')
    .option(
      '--requirements <FILE>',
      'what the kit must do besides: a list of requirements as the logbook keeps it',
    )
    .option('--json', 'print it as JSON')
    .action(async (tripFile: string, given: Options) => {
      const { trip, shelf } = readTripFiles(tripFile, given.gear);
      const { requirements: file } = given;
      const build = file === undefined ? null : taken(file, readRequirements(readJson(file)));
      const options = taken(
        'What was asked',
        readSizeOptions({
          ...asked(given, given.chance ?? targetOf(trip)),
          ...(build && { requirements: build.requirements }),
        }),
      );
      const found = taken(tripFile, await searchShelf({ trip, shelf, options }));
      const answer = sizeAnswer(found, { trip, shelf, options });
      terminal.out(given.json ? `${JSON.stringify(answer)}\n` : inWords(trip.name, answer));
    });
}

/** Any number: what it may be is said by the options' own check. */
const numberAsTyped = (flag: string) => numberOption('spread', flag);

function asked({ maxKg, maxPrice, maxPieces, wished, aims }: Options, chance: number): Partial<SizeOptions> {
  return {
    chance,
    limits: {
      ...(maxKg !== undefined && { grams: maxKg * 1000 }),
      ...(maxPrice !== undefined && { price: maxPrice }),
      ...(maxPieces !== undefined && { pieces: maxPieces }),
    },
    ...(wished && { wished }),
    ...(aims !== undefined && { aims: aims.split(',').map((word) => word.trim()) as SizeOptions['aims'] }),
  };
}

function inWords(name: string, answer: SizeAnswer): string {
  const {
    asked: chance,
    kits,
    samples,
    lightest,
    cheapest,
    leastEffort,
    surest,
    nearest,
    byWeight,
    ruledOut,
  } = answer;
  const of100 = `${Math.round(chance * 100)} of 100`;
  const pick = (words: string, kit: KitAnswer | null) => (kit ? [`${words}: ${sayKit(kit)}`] : []);
  const picked = [
    ...pick('Lightest', lightest),
    ...pick('Cheapest', cheapest),
    ...pick('Least effort', leastEffort),
  ];
  const none = surest
    ? `No kit makes ${of100}. The nearest: ${sayKit(surest)}`
    : nearest
      ? `No kit makes ${of100}, and none comes close. ${nearest.name}, ${sayQuantity({ value: nearest.grams, unit: 'g' })}, lasts longest: ${sayDuration(nearest.meanHours)} on average.`
      : `No kit is allowed: every one breaks a rule or a limit.`;
  return `${[
    name,
    ...(picked.length > 0 ? [`For ${of100}`, ...picked.map((line) => `  ${line}`)] : [none]),
    '',
    `${kits} kits, each tried in ${samples} simulated outings. None is both lighter and surer than:`,
    ...byWeight.map((kit) => `  ${sayKit(kit)}`),
    ...(ruledOut.length > 0 ? ['', 'Ruled out'] : []),
    ...ruledOut.map(
      ({ rule, count, example, sentence }) => `  ${count} by ${rule}, as ${example}. ${sentence}`,
    ),
  ].join('\n')}\n`;
}

const sayKit = ({ name, grams, price, chance, standardError }: KitAnswer): string =>
  `${sayQuantity({ value: grams, unit: 'g' })}  ${price === null ? '' : `price ${sayMoney(price)}  `}${fixed(chance * 100, 1)} % ± ${fixed(standardError * 100, 1)}  ${name}`;
