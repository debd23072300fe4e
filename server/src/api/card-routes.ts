import { Router } from 'express';
import type { Gear } from '@knapsack/contract';
import { fieldCard } from '@knapsack/contract/card';
import { readHabits, readRationOptions } from '@knapsack/contract/schemas';
import { fail, inHabits, succeed, type Habits, type Result } from '@knapsack/core';
import type { RationOptions } from '@knapsack/contract/size';
import { cardPdf } from '../card/card-pdf.js';
import { PAPERS, type Paper } from '../card/card-sheet.js';
import type { DocumentStore } from '../documents/document-store.js';
import { rationOnThread } from '../search/search-threads.js';
import { question, refuse, whileConnected } from './question.js';

/** The field card on paper. */
export function cardRoutes(store: DocumentStore<Gear>): Router {
  const router = Router();
  router.post('/', async (request, response) => {
    const asked = await question(request, store, readCardOptions);
    if (!asked.ok) return refuse(response, asked.problems);
    const { trip, shelf, options } = asked.value;
    const made = await whileConnected(response, async (signal) => {
      const ration = await rationOnThread(trip, shelf, options.ration, signal);
      const card = inHabits(options.habits, () => fieldCard(trip, shelf, ration.ok ? ration.value : null));
      return cardPdf(card, options.paper);
    });
    if (!made) return;
    response.type('application/pdf');
    response.set('Content-Disposition', `attachment; filename="${trip.id}-field-card.pdf"`);
    response.send(made);
  });
  return router;
}

interface CardOptions {
  readonly paper: Paper;
  readonly habits: Habits;
  readonly ration: RationOptions;
}

function readCardOptions(value: unknown): Result<CardOptions> {
  const { paper = PAPERS[0], ration, habits } = (value ?? {}) as Partial<Record<keyof CardOptions, unknown>>;
  const found = PAPERS.find((one) => one === paper);
  if (!found) {
    return fail({
      code: 'paper',
      pointer: '/paper',
      sentence: `The paper must be ${PAPERS.join(' or ')}.`,
    });
  }
  const spoken = readHabits(habits);
  if (!spoken.ok) return spoken;
  const options = readRationOptions(ration);
  return options.ok ? succeed({ paper: found, habits: spoken.value, ration: options.value }) : options;
}
