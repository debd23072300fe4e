import {
  fail,
  fuseNotSold,
  loopIn,
  planLoad,
  stepEdges,
  succeed,
  type Remedy,
  type CableRunChange,
  type Result,
} from '@knapsack/core';
import type {
  AddedKind,
  AddedPart,
  Changeover,
  HarnessNotes,
  CableRunNote,
} from '../documents/harness-notes.js';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { lookUp } from '../resolve/look-up.js';
import { resolve } from '../resolve/resolve.js';
import { checkedHarness } from './harness-checks.js';
import { harnessOf } from './harness-of.js';

const withHarness = (trip: Trip, harness: HarnessNotes): Trip => ({ ...trip, harness });

/** The trip with something said of the run that leads to a part; undefined takes a word back. */
export function changeCableRun(
  trip: Trip,
  to: string,
  said: { [Key in keyof CableRunNote]?: CableRunNote[Key] | undefined },
): Trip {
  const { runs = [], ...rest } = trip.harness ?? {};
  const before = runs.find((note) => note.to === to);
  // A wire has a gauge or a cross section, never both.
  const other = said.awg !== undefined ? 'areaMm2' : said.areaMm2 !== undefined ? 'awg' : null;
  const merged = Object.entries({ ...before, ...said, to });
  const note = Object.fromEntries(
    merged.filter(([key, value]) => key !== other && value !== undefined),
  ) as unknown as CableRunNote;
  const kept = runs.filter((one) => one.to !== to);
  return withHarness(trip, { ...rest, runs: Object.keys(note).length > 1 ? [...kept, note] : kept });
}

/** As changeRun, but a fuse that is not sold, a run of no length and a loop are answered with a sentence. */
export function tryCableRun(
  trip: Trip,
  shelf: readonly Gear[],
  to: string,
  said: Partial<CableRunNote>,
): Result<Trip> {
  const noted = trip.harness?.runs?.find((note) => note.to === to);
  const { fuseA, fuseKind } = { ...noted, ...said };
  const unsold = fuseA ? fuseNotSold(fuseA, fuseKind) : null;
  if (unsold) return problem('fuse', unsold);
  if (said.lengthM !== undefined && said.lengthM <= 0) {
    return problem('length', 'A run of no length joins nothing: say how long it is, one way, in metres.');
  }
  const changed = changeCableRun(trip, to, said);
  const loop = loopIn(harnessOf(changed, lookUp(changed, shelf).carried));
  if (loop.length > 0) {
    const names = loop.map(({ name }) => name);
    return problem(
      'loop',
      `That would close a loop: ${names.join(' feeds ')} feeds ${names[0]}. Feed it from the battery or from what the battery feeds.`,
    );
  }
  return succeed(changed);
}

const problem = (code: string, sentence: string) => fail({ code, pointer: '/harness', sentence });

/** The trip with another part in the way to a part: it takes that part's place, and the part hangs from it. */
export function insertBefore(trip: Trip, kind: AddedKind, before: string, from: string, id: string): Trip {
  const part: AddedPart = { id, kind, from };
  const { parts = [], ...rest } = trip.harness ?? {};
  return changeCableRun(withHarness(trip, { ...rest, parts: [...parts, part] }), before, { from: id });
}

/** The trip with something said of a part that was put in. */
export const changePart = (trip: Trip, id: string, said: Partial<AddedPart>): Trip =>
  withHarness(trip, {
    ...trip.harness,
    parts: (trip.harness?.parts ?? []).map((part) => (part.id === id ? { ...part, ...said } : part)),
  });

/** The trip without an added part; what hung from it hangs from where it hung. */
export function withoutPart(trip: Trip, id: string): Trip {
  const { parts = [], runs = [] } = trip.harness ?? {};
  const gone = parts.find((part) => part.id === id);
  if (!gone) return trip;
  const from = runs.find(({ to }) => to === id)?.from ?? gone.from;
  const moved = <T extends { readonly from?: string }>(one: T): T =>
    one.from === id ? { ...one, from } : one;
  return withHarness(trip, {
    parts: parts.filter((part) => part !== gone).map(moved),
    runs: runs.filter(({ to }) => to !== id).map(moved),
  });
}

/** The trip with a change-over switch between its batteries, or something more said of it; null takes it out. */
export function withChangeover(trip: Trip, said: Changeover | null): Trip {
  const { changeover, ...rest } = trip.harness ?? {};
  return withHarness(trip, said ? { ...rest, changeover: { ...changeover, ...said } } : rest);
}

/** The trip with a rule's remedy for a run or part put in. @param newId an id that no part has yet */
export function applyRemedy(
  trip: Trip,
  shelf: readonly Gear[],
  to: string,
  remedy: Remedy,
  newId: string,
): Trip {
  const {
    offTerminals,
    disconnect,
    changeover,
    description: _description,
    also = [],
    isCopper,
    ...run
  } = remedy;
  if (changeover) return withChangeover(trip, {});
  if (offTerminals) return offTheTerminals(trip, shelf, to);
  if (disconnect) return withDisconnect(trip, shelf, to, newId);
  return also.reduce(
    (changed, { to: other, ...more }) => changeCableRun(changed, other, noteOf(more)),
    changeCableRun(trip, to, noteOf({ ...run, ...(isCopper && { isCopper }) })),
  );
}

/** What a remedy says of a run, as a note. */
const noteOf = ({
  isCopper,
  ...said
}: CableRunChange & Pick<CableRunNote, 'from'>): Partial<CableRunNote> => ({
  ...said,
  ...(isCopper && { clad: false }),
});

/** What hangs on a controller's load terminals hangs from the battery. */
function offTheTerminals({ radioOn: _on, ...trip }: Trip, shelf: readonly Gear[], controller: string): Trip {
  const parts = harnessOf(trip, lookUp(trip, shelf).carried);
  const root = parts.find(({ from }) => from === null)?.id ?? controller;
  const onIt = parts.filter(({ from, kind }) => from === controller && kind !== 'panel');
  const moved = onIt.reduce((changed, { id }) => changeCableRun(changed, id, { from: root }), trip as Trip);
  return onIt.reduce((changed, { id }) => withFuse(changed, shelf, id), moved);
}

/** A run that leaves the battery gets what the rules ask for there: a fuse, and what goes with it. */
function withFuse(trip: Trip, shelf: readonly Gear[], to: string): Trip {
  const { carried } = lookUp(trip, shelf);
  const plan = resolve(trip, shelf);
  const run = plan.ok ? { plan: plan.value, load: planLoad(plan.value, stepEdges(plan.value)) } : null;
  const { checks } = checkedHarness(trip, carried, run, true);
  const remedy = checks.find(({ rule, part }) => rule === 'fuse' && part === to)?.remedy;
  return remedy ? applyRemedy(trip, shelf, to, remedy, to) : trip;
}

/** Cable between the battery and a disconnect that is put in, one way, m. Source: convention of this project. */
const DISCONNECT_CABLE_M = 0.2;

/** A low-voltage disconnect between the battery and everything that it feeds. */
function withDisconnect(trip: Trip, shelf: readonly Gear[], battery: string, id: string): Trip {
  const parts = harnessOf(trip, lookUp(trip, shelf).carried);
  const root = parts.find(({ from }) => from === null)?.id ?? battery;
  const fed = parts.filter(
    ({ from, kind }) => from === root && !['controller', 'battery', 'panel', 'missing'].includes(kind),
  );
  const { parts: added = [], ...rest } = trip.harness ?? {};
  const put = withHarness(trip, { ...rest, parts: [...added, { id, kind: 'disconnect', from: root }] });
  const moved = fed.reduce((changed, part) => changeCableRun(changed, part.id, { from: id }), put);
  // It sits close to the battery, on wire as thick as the thickest behind it and under the fuse of that run.
  const thickest = fed
    .flatMap(({ run }) => (run?.wire ? [run] : []))
    .sort((a, b) => b.wire!.size.areaMm2 - a.wire!.size.areaMm2)[0];
  if (!thickest?.wire) return moved;
  const { awg, areaMm2 } = thickest.wire.size;
  return changeCableRun(moved, id, {
    lengthM: DISCONNECT_CABLE_M,
    contactPairs: 1,
    ...(awg === null ? { areaMm2 } : { awg }),
    ...(typeof thickest.fuseA === 'number' && { fuseA: thickest.fuseA }),
    ...(thickest.fuseKind && { fuseKind: thickest.fuseKind }),
  });
}
