/// <reference lib="webworker" />
import { resolve } from '@knapsack/contract';
import { explain, forecast } from '@knapsack/core';
import type { ForecastAnswer, ForecastOutcome, ForecastRequest } from './forecast-protocol';

addEventListener('message', ({ data }: MessageEvent<ForecastRequest>) => {
  const outcome = outcomeOf(data);
  const answer: ForecastAnswer = { number: data.number, outcome };
  postMessage(answer);
});

function outcomeOf({ trip, shelf }: ForecastRequest): ForecastOutcome {
  const plan = resolve(trip, shelf);
  if (!plan.ok) return { ok: false, problems: plan.problems };
  const run = forecast(plan.value);
  const { edgesMs, soc, loadA, terminalV, radioV } = run.march;
  return {
    ok: true,
    view: {
      startMs: plan.value.outing.startMs,
      endMs: plan.value.outing.endMs,
      edgesMs,
      soc,
      loadA,
      terminalV,
      radioV,
      keyDownA: run.load.keyDownPackA,
      offeredA: run.march.offeredA,
      floorSoc: plan.value.floorSoc,
      verdict: run.verdict,
      sums: explain(run),
    },
  };
}
