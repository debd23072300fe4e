import type { Gear, Trip } from '@knapsack/contract';
import type { Direction, HarnessDrawing, HarnessReport } from '@knapsack/contract/harness';

export interface WireQuestion {
  readonly trip: Trip;
  readonly shelf: readonly Gear[];
  readonly direction: Direction;
}

export interface WireAnswer {
  readonly report: HarnessReport;
  readonly drawing: HarnessDrawing;
}
