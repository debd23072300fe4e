import type { Finding, PlanMark, RuleName, Verdict } from '@knapsack/core';
import type { WireSays } from '../harness/harness-checks.js';

/** Rules that the forecast holds a plan against as well, by what it calls them: what it has said is not said twice. */
const SAID_AS: Readonly<Partial<Record<RuleName, string>>> = {
  limit: 'discharge-limit',
  continuous: 'discharge-limit',
  peak: 'discharge-limit',
};

/** All that a plan's room has to say of it: what the forecast found, and every stop of Wire, the stops first. */
export function planFindings(
  { findings }: Pick<Verdict, 'findings'>,
  { stops }: WireSays,
): readonly Finding[] {
  const said = new Set(findings.map(({ code }) => code));
  const wired = stops
    .filter(({ rule }) => !said.has(SAID_AS[rule] ?? ''))
    .map(({ rule, part, sentence }): Finding => ({
      severity: 'stop',
      code: `wire-${rule}-${part ?? 'kit'}`,
      sentence,
    }));
  const isStop = ({ severity }: Finding) => severity === 'stop';
  return [...findings.filter(isStop), ...wired, ...findings.filter((finding) => !isStop(finding))];
}

/** Sentences of all stops of a plan, of the forecast and of Wire, the gravest first. */
export const stopSentences = (verdict: Pick<Verdict, 'findings'>, wire: WireSays): readonly string[] =>
  planFindings(verdict, wire).flatMap(({ severity, sentence }) => (severity === 'stop' ? [sentence] : []));

/** The mark of a plan with what Wire says: a stop there is one here. */
export const markWithWire = (mark: PlanMark, wire: WireSays | null): PlanMark =>
  wire && wire.stops.length > 0 && mark !== 'unknown' ? 'stop' : mark;

/** "2 warnings in Wire.", or nothing. */
export const sayWarnings = ({ warnings }: WireSays): string =>
  warnings === 0 ? '' : warnings === 1 ? '1 warning in Wire.' : `${warnings} warnings in Wire.`;
