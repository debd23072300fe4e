import { computed, inject, Injectable, signal, type OnDestroy } from '@angular/core';
import type { LogbookLine, Trip } from '@knapsack/contract';
import { neededAh } from '@knapsack/contract/gear';
import { figuresOverTime, tooSmallFrom, type OutingRow } from '@knapsack/contract/logbook';
import { MONTH_NAMES, sayQuantity } from '@knapsack/core';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { DeviceStore } from '../data/device-store';
import { problemText } from '../data/problem-text';
import { ShelfService } from '../data/shelf.service';
import { OneByOne } from '../work/one-by-one';
import type { OutingAnswer, OutingQuestion } from '../work/outing-work';

/** What an outing came to, and what that stands on: another log, another figure of its gear, and it is worked out anew. */
interface KeptRow {
  readonly key: string;
  readonly row: OutingRow;
}

/** A line of the logbook on the page: what the server knows, and what it came to once that is worked out. */
export interface LogbookEntry {
  readonly line: LogbookLine;
  readonly row: OutingRow | null;
  /** Why it cannot be worked out. */
  readonly problem: string | null;
}

/** Most trips to come that are looked at. */
const MOST_TRIPS = 12;

const sayMonth = (timeMs: number): string => {
  const date = new Date(timeMs);
  return `${MONTH_NAMES[date.getUTCMonth()]} ${date.getUTCFullYear()}`;
};

/** Rows change with what they are made of, and with how they are made. */
const MADE_AS = 1;

/** All outings, worked out one after the other beside the page: those in sight first, each kept on this device for as long as nothing of it changes. */
@Injectable()
export class LogbookStore implements OnDestroy {
  private readonly api = inject(ApiService);
  private readonly shelf = inject(ShelfService);
  private readonly kept = new DeviceStore<KeptRow>('knapsack-logbook', 'rows');
  private readonly worker = new OneByOne<OutingQuestion, OutingAnswer>('outing');
  private readonly lines = signal<readonly LogbookLine[]>([]);
  private readonly rows = signal<ReadonlyMap<string, OutingRow>>(new Map());
  private readonly problems = signal<ReadonlyMap<string, string>>(new Map());
  private readonly inSight = new Set<string>();
  /** Counts the loads; the work for an earlier one ends. */
  private turn = 0;
  readonly loaded = signal(false);
  readonly problem = signal<string | null>(null);

  /** The newest first. */
  readonly entries = computed<readonly LogbookEntry[]>(() =>
    this.lines().map((line) => ({
      line,
      row: this.rows().get(line.trip.id) ?? null,
      problem: this.problems().get(line.trip.id) ?? null,
    })),
  );
  readonly known = computed(() => this.entries().flatMap(({ row }) => row ?? []));
  /** How many are still to be worked out. */
  readonly waiting = computed(
    () => this.entries().filter(({ row, problem }) => row === null && problem === null).length,
  );
  readonly gear = this.shelf.gear;
  private readonly toCome = signal<readonly Trip[]>([]);
  /** When a battery becomes too small for the outings that are planned, in a sentence, by gear. */
  readonly tooSmall = computed<ReadonlyMap<string, string>>(() => {
    const shelf = this.shelf.gear();
    const series = figuresOverTime(this.known(), shelf).filter(({ at }) => at === 'measuredAh');
    const sentences = series.flatMap(({ gear, days }) => {
      const battery = shelf.find(({ id }) => id === gear);
      const needs = this.toCome().flatMap((trip) => {
        const ampereHours = battery?.kind === 'battery' ? neededAh(trip, shelf, battery) : null;
        return ampereHours === null ? [] : [{ trip, ampereHours }];
      });
      if (needs.length === 0) return [];
      const most = needs.reduce((one, other) => (other.ampereHours > one.ampereHours ? other : one));
      const need = `${most.trip.name} needs ${sayQuantity({ value: most.ampereHours, unit: 'Ah' })}`;
      const fromMs = tooSmallFrom(days, most.ampereHours, Date.now());
      const when =
        fromMs === null
          ? 'it holds more for ten years to come'
          : fromMs <= Date.now()
            ? 'it holds less now'
            : `it holds less from ${sayMonth(fromMs)}`;
      return [[gear, `${need}: ${when}.`] as const];
    });
    return new Map(sentences);
  });

  ngOnDestroy(): void {
    this.turn += 1;
    this.worker.dismiss();
  }

  async load(): Promise<void> {
    const turn = ++this.turn;
    this.problem.set(null);
    try {
      const shelf = firstValueFrom(this.shelf.load());
      // Whoever waits for it hears of a failure; until then nobody does.
      shelf.catch(() => undefined);
      const lines = await firstValueFrom(this.api.logbook());
      const byDate = [...lines].sort((a, b) => Date.parse(b.trip.start) - Date.parse(a.trip.start));
      // Their names and days are shown at once; what they came to follows.
      this.lines.set(byDate);
      this.loaded.set(true);
      const revisions = new Map((await shelf).map(({ document, revision }) => [document.id, revision]));
      const keys = new Map(byDate.map((line) => [line.trip.id, keyOf(line, revisions)]));
      this.loadToCome().catch(() => undefined);
      await this.takeKept(keys);
      await this.workOut(keys, turn);
    } catch (error) {
      if (turn === this.turn) this.problem.set(problemText(error));
    }
  }

  /** A line came into sight, or went out of it: what is in sight comes first. */
  sight(id: string, isSeen: boolean): void {
    if (isSeen) this.inSight.add(id);
    else this.inSight.delete(id);
  }

  private async loadToCome(): Promise<void> {
    const trips = (await firstValueFrom(this.api.trips())).filter(({ archived }) => !archived);
    const found = trips.slice(0, MOST_TRIPS).map(({ id }) => firstValueFrom(this.api.tripInPassing(id)));
    this.toCome.set((await Promise.all(found)).map(({ document }) => document));
  }

  private async takeKept(keys: ReadonlyMap<string, string>): Promise<void> {
    const all = await this.kept.all();
    const rows = all.flatMap(([id, { key, row }]) => (keys.get(id) === key ? [[id, row] as const] : []));
    this.rows.set(new Map(rows));
    const gone = all.flatMap(([id]) => (keys.has(id) ? [] : [id]));
    if (gone.length > 0) await this.kept.drop(...gone);
  }

  private async workOut(keys: ReadonlyMap<string, string>, turn: number): Promise<void> {
    for (let id = this.next(); id !== null && turn === this.turn; id = this.next()) {
      const stored = await firstValueFrom(this.api.outing(id));
      const answer = await this.worker.ask({ ...stored, shelf: this.shelf.gear() });
      if (turn !== this.turn) return;
      const done = id;
      if (answer.ok) {
        this.rows.update((rows) => new Map(rows).set(done, answer.row));
        await this.kept.put(done, { key: keys.get(done) ?? '', row: answer.row });
      } else this.problems.update((problems) => new Map(problems).set(done, answer.why));
    }
  }

  /** The next that is to be worked out: one in sight, else the newest. */
  private next(): string | null {
    const waiting = this.entries().filter(({ row, problem }) => row === null && problem === null);
    const first = waiting.find(({ line }) => this.inSight.has(line.trip.id)) ?? waiting[0];
    return first?.line.trip.id ?? null;
  }
}

/** What a row stands on: the outing's documents, and the gear in its bag. */
const keyOf = (
  { trip, logRevision, debriefRevision, gear }: LogbookLine,
  revisions: ReadonlyMap<string, number>,
): string =>
  [
    ...[MADE_AS, trip.revision, logRevision, debriefRevision],
    ...gear.map((id) => `${id}:${revisions.get(id) ?? 0}`),
  ].join(' ');
