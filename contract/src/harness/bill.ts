import {
  CONNECTORS,
  type Connector,
  fixed,
  FUSE_KINDS,
  PART_KINDS,
  sayConnector,
  sayWireSize,
  usualKind,
} from '@knapsack/core';
import { csvOf } from '../formats/csv.js';
import { CHANGEOVER_NAME } from './harness-of.js';
import type { HarnessReport } from './harness-report.js';

/** One thing to buy or to lay out. */
export interface BillRow {
  readonly what: string;
  readonly detail: string;
  readonly count: number;
  /** Metres of two-core wire, one way; null for what is counted. */
  readonly lengthM: number | null;
  /** Where it goes. */
  readonly where: string;
}

/** Everything that a harness is made of: its parts, wire by size, fuses, connectors. */
export function billOf({ parts, runs }: HarnessReport): readonly BillRow[] {
  const label = new Map(runs.map((run) => [run.part, run.label]));
  const standing = parts
    .filter(({ kind }) => kind !== 'missing' && kind !== 'joint' && kind !== 'outlet')
    .map((part): BillRow => ({
      what: part.kind === 'changeover' ? CHANGEOVER_NAME : PART_KINDS[part.kind],
      detail: part.name,
      count: 1,
      lengthM: null,
      where: '',
    }));
  const wired = parts.flatMap((part): BillRow[] => {
    const { run } = part;
    const where = label.get(part.id) ?? '';
    if (!run) return [];
    const ends = [run.near, run.far].filter((end): end is Connector => end !== null);
    return [
      ...(run.wire
        ? [
            {
              what: run.wire.size.isClad ? 'two-core wire, copper-clad aluminium' : 'two-core wire',
              detail: sayWireSize(run.wire.size),
              count: 1,
              lengthM: run.wire.lengthM,
              where,
            },
          ]
        : []),
      ...(typeof run.fuseA === 'number'
        ? [
            {
              what: `${FUSE_KINDS[run.fuseKind ?? usualKind(run.fuseA)].label} with holder`,
              detail: `${run.fuseA} A`,
              count: 1,
              lengthM: null,
              where,
            },
          ]
        : []),
      ...ends.map((end) => ({
        what: 'connector',
        detail: `${sayConnector(end)}, ${describeRating(end)}`,
        count: 1,
        lengthM: null,
        where,
      })),
    ];
  });
  return [...standing, ...alike(wired)];
}

/** The same wire in two runs is one length to cut from; the same fuse twice is two of them. */
function alike(rows: readonly BillRow[]): BillRow[] {
  const all = new Map<string, BillRow>();
  for (const row of rows) {
    const key = `${row.what} ${row.detail}`;
    const before = all.get(key);
    all.set(
      key,
      before
        ? {
            ...before,
            count: before.count + row.count,
            lengthM: row.lengthM === null ? null : (before.lengthM ?? 0) + row.lengthM,
            where: `${before.where}; ${row.where}`,
          }
        : row,
    );
  }
  return [...all.values()];
}

/** A bill as CSV (RFC 4180) with a header. */
export const billCsv = (rows: readonly BillRow[]): string =>
  csvOf(
    ['what', 'detail', 'count', 'length_m', 'where'],
    rows.map(({ what, detail, count, lengthM, where }) => [
      ...[what, detail, count, lengthM === null ? null : fixed(lengthM, 2), where],
    ]),
  );

/** "30 A"; a crimped lug is rated by its wire. */
function describeRating({ family }: Connector): string {
  const { ratedA } = CONNECTORS[family];
  return Number.isFinite(ratedA) ? `${ratedA} A` : 'for the wire';
}
