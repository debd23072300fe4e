import { lookUp, resolve } from '@knapsack/contract';
import { checkedHarness, wireSays } from '@knapsack/contract/harness';
import {
  batteryThatWouldDo,
  chanceLaw,
  ChanceRun,
  forecast,
  SEED,
  tornado,
  typicalFactor,
} from '@knapsack/core';
import type { ForecastQuestion } from './forecast-protocol';
import type { Work } from './work';
import type { ChanceAnswer } from './chance-protocol';

/** Samples between two looks for a newer question. */
const AT_A_TIME = 100;

/** The chances of a plan, surer and surer; then what matters most. */
export const chanceWork: Work<ForecastQuestion, ChanceAnswer> = async (question, { say, isNewest }) => {
  const plan = resolve(question.trip, question.shelf);
  if (!plan.ok) {
    say({ chance: null, wire: null, tornado: null });
    return;
  }
  const { trip, shelf } = question;
  const { carried } = lookUp(trip, shelf);
  const wire = wireSays(checkedHarness(trip, carried, forecast(plan.value)).checks);
  const law = chanceLaw(plan.value);
  const run = new ChanceRun(plan.value, SEED, law);
  for (let more = true, first = true; more; first = false) {
    more = run.more(AT_A_TIME);
    if (first) say({ chance: run.soFar(), wire, tornado: null }, true);
    if (!(await isNewest())) return;
  }
  const chance = run.soFar();
  const skyFactor = typicalFactor(plan.value, chance);
  const wouldDoAh = chance.chance < chance.target ? batteryThatWouldDo(plan.value) : undefined;
  say({
    chance,
    wire,
    tornado: tornado(plan.value, SEED, law),
    skyFactor,
    ...(wouldDoAh !== undefined && { wouldDoAh }),
  });
};
