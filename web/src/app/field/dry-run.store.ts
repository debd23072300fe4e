import { computed, effect, inject, Injectable, signal, untracked, type OnDestroy } from '@angular/core';
import {
  dryRunStartMs,
  entriesOfLines,
  readLinesFile,
  type DryRunSetup,
  type LinesMoment,
  type LinesSoFar,
} from '@knapsack/contract/field';
import {
  readInstrumentLine,
  sayDate,
  type InstrumentReading,
  type LineSource,
  type OtherSky,
  type PlayedTruth,
} from '@knapsack/core';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import type { LogEntry } from '@knapsack/contract';
import { problemText } from '../data/problem-text';
import { TripStore } from '../trip/trip.store';
import { DryRunLog } from './dry-run-log';
import { DryRunMemory } from './dry-run-memory';
import { fileFeed, serverFeed, type Feed, type FeedListener, type FeedSpan } from './dry-run-feed';
import { OutingClock } from './outing-clock';

/** What comes in so short a time is taken in at once. */
const TAKEN_EVERY_MS = 200;
const USUAL_FASTER = 180;
const SEEDS = 1e6;
/** What changes how the outing goes on. */
const ACTS = new Set(['work', 'battery', 'panel', 'end']);

/**
 * A dry run of the outing in hand: simulated instruments send over the server's stream, as real ones would, while its own clock runs. What
 * somebody enters that changes the outing is played from there on.
 */
@Injectable()
export class DryRunStore extends OutingClock implements OnDestroy {
  private readonly api = inject(ApiService);
  private readonly trips = inject(TripStore);
  private readonly log = inject(DryRunLog);
  private readonly memory = inject(DryRunMemory);
  private readonly trip = this.trips.trip()!;
  private readonly startMs = dryRunStartMs(this.trip);
  private readonly clockMs = signal(this.startMs);
  private readonly known = signal<readonly PlayedTruth[]>([]);
  private feed: Feed | null = null;
  private timer: ReturnType<typeof setInterval> | undefined;
  /** What has come and is not taken in yet. */
  private coming: LinesMoment[] = [];
  /** Up to when it is taken in, UTC epoch ms. */
  private takenMs = 0;
  private isEnded = false;
  private soFar: ReadonlyMap<LineSource, LinesSoFar> = new Map();
  /** Counts up with each beginning: an answer to an earlier one is too late. */
  private turn = 0;

  readonly minuteMs = this.clockMs.asReadonly();
  readonly truth = this.known.asReadonly();
  /** A file that is played again in the place of the stand-ins. */
  readonly replayed = signal<{ readonly name: string; readonly moments: readonly LinesMoment[] } | null>(
    null,
  );
  readonly setup = signal<DryRunSetup>({ seed: newSeed(), sky: 'asForecast' });
  readonly faster = signal(USUAL_FASTER);
  readonly isGoing = signal(false);
  readonly said = signal('');
  /** Instruments that enter their readings by themselves. */
  readonly enters = signal<ReadonlySet<LineSource>>(new Set<LineSource>(['monitor', 'controller']));
  /** What stands on each display. */
  readonly displays = signal<ReadonlyMap<LineSource, InstrumentReading>>(new Map());
  readonly isOver = computed(() => {
    const endMs = this.replayed()?.moments.at(-1)?.timeMs ?? Infinity;
    return this.clockMs() >= Math.min(endMs, Date.parse(this.trip.end));
  });
  private readonly acts = computed(() =>
    this.log
      .byHand()
      .filter(({ kind }) => ACTS.has(kind))
      .map(({ id }) => id)
      .join(' '),
  );

  constructor() {
    super();
    const kept = this.memory.read(this.trip.id);
    if (kept) {
      this.setup.set(kept.setup);
      this.faster.set(kept.faster);
      this.enters.set(new Set(kept.enters));
      this.log.add(...kept.entries);
      this.clockMs.set(kept.atMs);
    }
    let acts = untracked(this.acts);
    effect(() => {
      if (this.acts() === acts) return;
      acts = this.acts();
      untracked(() => void this.listen());
    });
    effect(() => this.keep());
    void this.listen(!kept);
  }

  ngOnDestroy(): void {
    this.hangUp();
  }

  now(): number {
    return this.clockMs();
  }

  goOn(): void {
    void this.listen(true);
  }

  pause(): void {
    this.turn += 1;
    this.hangUp();
    this.isGoing.set(false);
  }

  goFaster(times: number): void {
    this.faster.set(times);
    if (this.isGoing()) void this.listen();
  }

  /** @param timeMs later than now, UTC epoch ms */
  skipTo(timeMs: number): void {
    this.clockMs.set(timeMs);
    void this.listen();
  }

  toggle(source: LineSource): void {
    this.enters.update((before) => {
      const after = new Set(before);
      if (!after.delete(source)) after.add(source);
      return after;
    });
  }

  /** Another outing from the start. */
  begin(sky: OtherSky = this.setup().sky): void {
    this.clear(this.startMs);
    this.replayed.set(null);
    this.setup.set({ seed: newSeed(), sky });
    void this.listen(true);
  }

  /** Plays a file of lines again. @returns why not, in a sentence, or null */
  replay(name: string, text: string): string | null {
    const startMs = Date.parse(this.trip.start);
    const first = readLinesFile(text, startMs);
    if (!first.ok) return first.problems[0].sentence;
    const { moments: early, saysWhen } = first.value;
    // One that does not say when it begins begins with the outing.
    const laterMs = saysWhen ? 0 : startMs - early[0].timeMs;
    const moments = early.map((moment) => ({ ...moment, timeMs: moment.timeMs + laterMs }));
    const isHere = moments.some(({ timeMs }) => timeMs >= startMs && timeMs <= Date.parse(this.trip.end));
    if (!isHere) {
      return `${name} is of ${sayDate(moments[0].timeMs, this.trip.place.timeZone)}, not of this outing. Nothing was played.`;
    }
    this.clear(Math.max(startMs, moments[0].timeMs));
    this.replayed.set({ name, moments });
    void this.listen(true);
    return null;
  }

  private clear(atMs: number): void {
    this.pause();
    this.log.clear();
    this.clockMs.set(atMs);
    this.takenMs = 0;
    this.known.set([]);
    this.displays.set(new Map());
    this.soFar = new Map();
  }

  end(): void {
    this.isEnded = true;
    this.pause();
    this.memory.forget();
  }

  /**
   * Plays it from where it is, with what was entered so far; all that was sent before comes again and is known already.
   *
   * @param goes whether it goes on from there; as it did if absent
   */
  private async listen(goes = this.isGoing()): Promise<void> {
    this.hangUp();
    const turn = ++this.turn;
    this.said.set('');
    this.isGoing.set(goes);
    const file = this.replayed();
    if (file) return this.open((span, listener) => fileFeed(file.moments, span, listener), goes);
    try {
      const made = await firstValueFrom(
        this.api.beginDryRun(this.trip.id, { ...this.setup(), entries: this.log.byHand() }),
      );
      if (turn !== this.turn) return;
      this.open((span, listener) => serverFeed(made.id, span, listener), goes);
    } catch (error) {
      if (turn === this.turn) this.stop(problemText(error));
    }
  }

  private open(listen: (span: FeedSpan, listener: FeedListener) => Feed, goes: boolean): void {
    const span = { fromMs: this.clockMs(), afterMs: this.takenMs, faster: goes ? this.faster() : 0 };
    this.feed = listen(span, {
      moment: (moment) => void this.coming.push(moment),
      ended: () => {
        this.hangUp();
        this.isGoing.set(false);
        if (goes && !this.replayed()) this.clockMs.set(Date.parse(this.trip.end));
      },
      failed: () =>
        this.stop('The server does not answer, so the dry run stands still. Go on when it is back.'),
    });
    this.timer = setInterval(() => this.take(), TAKEN_EVERY_MS);
  }

  private stop(why: string): void {
    this.hangUp();
    this.isGoing.set(false);
    this.said.set(why);
  }

  private hangUp(): void {
    this.feed?.close();
    this.feed = null;
    clearInterval(this.timer);
    this.take();
  }

  /** Takes in what has come. */
  private take(): void {
    const moments = this.coming;
    const last = moments.at(-1);
    if (!last) return;
    this.coming = [];
    const displays = new Map(this.displays());
    const entries: LogEntry[] = [];
    for (const { lines, timeMs } of moments) {
      const read = lines.flatMap((line) => {
        const reading = readInstrumentLine(line);
        return reading ? [{ line, reading }] : [];
      });
      for (const { reading } of read) displays.set(reading.source, reading);
      const entered = read.filter(({ reading }) => this.enters().has(reading.source)).map(({ line }) => line);
      const found = entriesOfLines(entered, timeMs, this.soFar);
      this.soFar = found.soFar;
      entries.push(...found.entries);
    }
    this.displays.set(displays);
    this.known.update((before) => [
      ...before,
      ...moments.map(({ truth }) => truth).filter((one) => one !== null),
    ]);
    if (entries.length > 0) this.log.add(...entries);
    this.takenMs = last.timeMs;
    this.clockMs.update((before) => Math.max(before, last.timeMs));
  }

  private keep(): void {
    // A file is opened again by hand; what has ended is not taken up.
    if (this.replayed() || this.isEnded) return this.memory.forget();
    const { id: trip } = this.trip;
    this.memory.keep({
      ...{ trip, setup: this.setup(), faster: this.faster(), atMs: this.clockMs() },
      ...{ enters: [...this.enters()], entries: this.log.byHand() },
    });
  }
}

const newSeed = (): number => Math.floor(SEEDS * Math.random());
