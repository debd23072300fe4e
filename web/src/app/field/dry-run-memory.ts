import { Injectable } from '@angular/core';
import type { LogEntry } from '@knapsack/contract';
import type { DryRunSetup } from '@knapsack/contract/field';
import type { LineSource } from '@knapsack/core';

/** A dry run as it was left. */
export interface KeptDryRun {
  readonly trip: string;
  readonly setup: DryRunSetup;
  readonly faster: number;
  /** How far it had come, UTC epoch ms. */
  readonly atMs: number;
  readonly enters: readonly LineSource[];
  /** What somebody entered: what instruments sent comes again. */
  readonly entries: readonly LogEntry[];
}

const KEPT_AS = 'knapsack.dry-run';

/** The dry run under way, for as long as this tab is open: a reload loses nothing of it. Where storage is forbidden it is lost, and nothing else. */
@Injectable()
export class DryRunMemory {
  holds(trip: string): boolean {
    return this.read(trip) !== null;
  }

  read(trip: string): KeptDryRun | null {
    try {
      const kept = JSON.parse(sessionStorage.getItem(KEPT_AS) ?? 'null') as KeptDryRun | null;
      return kept?.trip === trip ? kept : null;
    } catch {
      return null;
    }
  }

  keep(run: KeptDryRun): void {
    try {
      sessionStorage.setItem(KEPT_AS, JSON.stringify(run));
    } catch {
      // It goes on; only a reload would lose it.
    }
  }

  forget(): void {
    try {
      sessionStorage.removeItem(KEPT_AS);
    } catch {
      // Nothing was kept then.
    }
  }
}
