/// <reference lib="webworker" />
import { drawHarness, harnessReport } from '@knapsack/contract/harness';
import type { Answered, Asked } from '../plan/newest-worker';
import type { WireAnswer, WireQuestion } from './wire-protocol';

addEventListener('message', ({ data: { number, question } }: MessageEvent<Asked<WireQuestion>>) => {
  const report = harnessReport(question.trip, question.shelf);
  const answered: Answered<WireAnswer> = {
    number,
    answer: { report, drawing: drawHarness(report, question.direction) },
  };
  postMessage(answered);
});
