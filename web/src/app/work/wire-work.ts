import { harnessDrawing, harnessReport } from '@knapsack/contract/harness';
import type { WireAnswer, WireQuestion } from './wire-protocol';
import type { Work } from './work';

/** How a kit is wired, and its drawing. */
export const wireWork: Work<WireQuestion, WireAnswer> = ({ trip, shelf, direction }, { say }) => {
  const report = harnessReport(trip, shelf);
  say({ report, drawing: harnessDrawing(report, direction) });
};
