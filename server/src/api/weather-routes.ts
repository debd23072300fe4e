import { Router, type Request } from 'express';
import { FIELDS, MOST_DAYS, numberProblem, simulatedDocument, type FieldName } from '@knapsack/contract';
import { isInstant, readWeather } from '@knapsack/contract/schemas';
import { CLIMATE_WORDS, CLIMATES, HOUR_MS, isZone, type ClimateWord, type Problem } from '@knapsack/core';
import { sendProblem } from './problems.js';

/**
 * The weather: a simulated service that answers for a place, hours and a climate word as a real one would, and a reader
 * of forecast files. Both answer with the same document.
 */
export function weatherRoutes(): Router {
  const router = Router();

  router.get('/', (request, response) => {
    const problems: Problem[] = [];
    const latitudeDeg = numberOf(request, 'latitude', 'latitudeDeg', problems);
    const longitudeDeg = numberOf(request, 'longitude', 'longitudeDeg', problems);
    const heightM =
      request.query['height'] === undefined ? 0 : numberOf(request, 'height', 'heightM', problems);
    const span = { startMs: instantOf(request, 'from', problems), endMs: instantOf(request, 'to', problems) };
    if (!(span.endMs > span.startMs) || span.endMs - span.startMs > MOST_DAYS * 24 * HOUR_MS) {
      problems.push({
        code: 'span',
        pointer: '/to',
        sentence: `The hours must end after they start, within ${MOST_DAYS} days.`,
      });
    }
    const climate = textOf(request, 'climate');
    if (!Object.hasOwn(CLIMATES, climate)) {
      problems.push({
        code: 'climate',
        pointer: '/climate',
        sentence: `The climate must be one of ${CLIMATE_WORDS.join(', ')}.`,
      });
    }
    if (problems.length > 0) return sendProblem(response, 422, problems[0].sentence, problems);
    response.json(simulatedDocument({ latitudeDeg, longitudeDeg, heightM }, span, climate as ClimateWord));
  });

  router.post('/', (request, response) => {
    const { content, zone } = (request.body ?? {}) as { content?: unknown; zone?: unknown };
    if (typeof content !== 'string' || typeof zone !== 'string') {
      return sendProblem(response, 422, 'Send the text of the file as content and its time zone as zone.');
    }
    if (!isZone(zone)) {
      return sendProblem(
        response,
        422,
        `The time zone must be a name like Europe/Oslo; “${zone}” is not known.`,
      );
    }
    const read = readWeather(content, zone);
    if (!read.ok) return sendProblem(response, 422, read.problems[0].sentence, read.problems);
    response.json(read.value);
  });

  return router;
}

const textOf = ({ query }: Request, name: string): string => {
  const value = query[name];
  return typeof value === 'string' ? value : '';
};

function numberOf(request: Request, name: string, field: FieldName, problems: Problem[]): number {
  const text = textOf(request, name);
  const value = text === '' ? NaN : Number(text);
  const sentence = numberProblem(FIELDS[field], value);
  if (sentence) problems.push({ code: 'number', pointer: `/${name}`, sentence });
  return value;
}

function instantOf(request: Request, name: string, problems: Problem[]): number {
  const text = textOf(request, name);
  if (!isInstant(text)) {
    problems.push({
      code: 'instant',
      pointer: `/${name}`,
      sentence: `“${name}” must be a time written like 2027-09-04T10:00:00Z, in the years 2000 to 2099.`,
    });
  }
  return Date.parse(text);
}
