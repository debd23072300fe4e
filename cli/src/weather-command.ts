import { Command } from 'commander';
import { simulatedDocument, type Trip, type WeatherDocument } from '@knapsack/contract';
import { csvOf } from '@knapsack/contract/formats';
import { readTrip, readWeather } from '@knapsack/contract/schemas';
import { CLIMATE_WORDS, CLIMATES, type ClimateWord } from '@knapsack/core';
import { readJson, readText } from './read-json.js';
import { taken } from './taken.js';
import { InputProblem, type Terminal } from './terminal.js';

interface WeatherOptions {
  climate?: ClimateWord;
  file?: string;
  csv?: boolean;
}

/** knapsack weather: the weather of a trip as a document, made up or out of a file. */
export function weatherCommand(terminal: Terminal): Command {
  return new Command('weather')
    .description('Weather by the hour for a trip: simulated, or read from a forecast file, as a document.')
    .argument('<TRIP.json>', 'a trip document')
    .option('--climate <word>', `simulated: one of ${CLIMATE_WORDS.join(', ')}`, climateWord)
    .option('--file <FILE>', 'read instead from a forecast file, CSV or JSON')
    .option('--csv', 'print the hours as CSV')
    .action((tripFile: string, options: WeatherOptions) => {
      if (options.climate && options.file) throw new InputProblem('Choose one of --climate and --file.');
      const trip = taken(tripFile, readTrip(readJson(tripFile)));
      const document = options.file
        ? weatherOfFile(options.file, trip, terminal)
        : simulatedFor(trip, options.climate ?? trip.weather?.climate);
      if (options.csv) {
        const columns = ['start', 'cloud', 'rain', 'temperatureC', 'windMS', 'air'] as const;
        terminal.out(
          csvOf(
            columns,
            document.hours.map((hour) => columns.map((name) => hour[name])),
          ),
        );
      } else terminal.out(`${JSON.stringify(document)}\n`);
    });
}

/** The weather of a forecast file; what had to be left out of it is said on the side. */
export function weatherOfFile(file: string, trip: Trip, terminal: Terminal): WeatherDocument {
  const { document, notes } = taken(file, readWeather(readText(file), trip.place.timeZone));
  for (const note of notes) terminal.err(`${file}: ${note}\n`);
  return document;
}

/** What the simulated service says of a trip's place and hours. */
export function simulatedFor(trip: Trip, climate: ClimateWord | undefined): WeatherDocument {
  const { latitudeDeg, longitudeDeg, heightM = 0 } = trip.place;
  if (!climate) {
    throw new InputProblem(`Say which climate: --climate with one of ${CLIMATE_WORDS.join(', ')}.`);
  }
  if (latitudeDeg === undefined || longitudeDeg === undefined) {
    throw new InputProblem(
      'The trip does not say where it is, by latitude and longitude: weather depends on it.',
    );
  }
  const span = { startMs: Date.parse(trip.start), endMs: Date.parse(trip.end) };
  return simulatedDocument({ latitudeDeg, longitudeDeg, heightM }, span, climate);
}

/** Reads a climate word of an option. */
export function climateWord(text: string): ClimateWord {
  if (Object.hasOwn(CLIMATES, text)) return text as ClimateWord;
  throw new InputProblem(`--climate: “${text}” is not known; choose one of ${CLIMATE_WORDS.join(', ')}.`);
}
