import { isBatteryAllowed, lookUp, resolve } from '@knapsack/contract';
import { checkedHarness, wireSays } from '@knapsack/contract/harness';
import {
  batteryThatWouldDoInParts,
  chanceLaw,
  ChanceRun,
  forecast,
  SEED,
  tornado,
  typicalFactor,
} from '@knapsack/core';
import type { ForecastQuestion } from './forecast-protocol';
import { whileNewest, type Work } from './work';
import type { ChanceAnswer } from './chance-protocol';

/** Samples between two looks for a newer question, and before anything is said: less than that says little. */
const AT_A_TIME = 20;
const FIRST_SAID = 100;

/** The chances of a plan, surer and surer; then what matters most. It looks for a newer question between its parts: a month takes seconds. */
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
  for (let more = true, said = false; more;) {
    more = run.more(AT_A_TIME);
    if (!said && (run.odds().samples >= FIRST_SAID || !more)) {
      said = true;
      say({ chance: run.soFar(), wire, tornado: null }, true);
    }
    if (!(await isNewest())) return;
  }
  const chance = run.soFar();
  const skyFactor = typicalFactor(plan.value, chance);
  if (!(await isNewest())) return;
  const typical = forecast(plan.value, skyFactor);
  let wouldDoAh: number | null | undefined;
  if (chance.chance < chance.target) {
    const found = await whileNewest(batteryThatWouldDoInParts(plan.value), isNewest);
    if (!found.isDone) return;
    wouldDoAh =
      typeof found.is !== 'number' || isBatteryAllowed(trip, shelf, typical, found.is) ? found.is : undefined;
  }
  say({
    chance,
    wire,
    tornado: tornado(plan.value, SEED, law),
    skyFactor,
    ...(wouldDoAh !== undefined && { wouldDoAh }),
  });
};
