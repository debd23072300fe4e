import { batteryFindings } from './findings-battery.js';
import { loadFindings } from './findings-load.js';
import { sunFindings } from './findings-sun.js';
import type { Finding, ForecastRun } from './finding.js';

const GRAVITY: Record<Finding['severity'], number> = { stop: 0, look: 1, note: 2 };

/** All findings of a run, the gravest first. What its wiring breaks is looked for along the harness (see checkHarness). */
export function findings(run: ForecastRun): readonly Finding[] {
  return [...batteryFindings(run), ...sunFindings(run), ...loadFindings(run)].sort(
    (a, b) => GRAVITY[a.severity] - GRAVITY[b.severity],
  );
}
