import { computed, effect, inject, Injectable, signal } from '@angular/core';
import type { Battery, Gear, Radio } from '@knapsack/contract';
import { readMeterLine, Recording, type Readings } from '@knapsack/core';
import { NoticesService } from '../shell/notices.service';
import { RecordingSign } from '../shell/recording-sign.service';
import { ShelfService } from '../data/shelf.service';
import { firstValueFrom } from 'rxjs';
import { problemText } from '../data/problem-text';
import {
  hasPower,
  markFigures,
  proposeMarks,
  readPower,
  saveMarks,
  sayRefused,
  type Mark,
  type MarkKind,
} from '@knapsack/contract/bench';
import { LIKELY_KINDS, type MeterChoice, type MeterState, type Origin } from './meter';
import { TripEffectsService } from './trip-effects.service';
import { today } from '../data/today';

/** How often what is shown is brought up to what was read, ms. */
const SHOWN_EVERY_MS = 200;

/** A discharge of hours in a minute. */
const LOAD_RATE = 10;
const LOAD_FASTER = 900;

/**
 * A measuring session: the meter, the recording so far, the marked stretches, and saving them onto the radio. It goes on
 * while the user is in another room.
 */
@Injectable({ providedIn: 'root' })
export class BenchStore {
  private readonly sign = inject(RecordingSign);
  private readonly shelf = inject(ShelfService);
  private readonly notices = inject(NoticesService);
  private readonly effects = inject(TripEffectsService);
  private recording = new Recording();
  private readonly origins = new WeakMap<Recording, Origin>();
  /** How many readings of a recording are kept elsewhere. */
  private readonly kept = new WeakMap<Recording, number>();
  private source: EventSource | null = null;
  private timer: ReturnType<typeof setInterval> | undefined;
  private nextId = 1;

  readonly radioId = signal<string | null>(null);
  readonly choice = signal<MeterChoice>({ script: 'voice', powerW: 10, rate: 5, faster: 1 });
  readonly state = signal<MeterState>({ is: 'idle' });
  readonly marks = signal<readonly Mark[]>([]);
  readonly selectedId = signal<number | null>(null);
  /** Counts up when more was read, so that what is shown follows without following each reading. */
  private readonly readCount = signal(0);
  /** The recording that the present one took the place of, with its marks. */
  readonly before = signal<{ readonly recording: Recording; readonly marks: readonly Mark[] } | null>(null);

  readonly radios = computed(() =>
    this.shelf.gear().filter((gear): gear is Radio => gear.kind === 'radio' && !gear.archived),
  );
  readonly radio = computed(
    () => this.radios().find(({ id }) => id === this.radioId()) ?? this.radios()[0] ?? null,
  );
  readonly batteries = computed(() =>
    this.shelf.gear().filter((gear): gear is Battery => gear.kind === 'battery' && !gear.archived),
  );
  readonly readings = computed(() => {
    this.readCount();
    return this.recording.readings();
  });
  /** What the trace was read by. */
  readonly origin = computed(() => {
    this.readCount();
    return this.origins.get(this.recording)?.words ?? null;
  });
  /** The source that figures of the recording are saved with. */
  readonly readingSource = computed<'measured' | 'simulated'>(() => {
    this.readCount();
    return this.origins.get(this.recording)?.isSimulated ? 'simulated' : 'measured';
  });
  readonly rows = computed(() => {
    const radio = this.radio();
    const readings = this.readings();
    return radio ? this.marks().map((mark) => ({ mark, figures: markFigures(mark, readings, radio) })) : [];
  });

  constructor() {
    effect(() => this.sign.on.set(this.state().is === 'reading'));
    addEventListener('beforeunload', (event) => {
      if (this.wouldLose()) event.preventDefault();
    });
  }

  /** Whether leaving the page would lose what the meter read: it still reads, or something of it was not saved. */
  wouldLose(): boolean {
    const marks = this.marks();
    const unsaved = marks.length > 0 ? marks.some(({ saved }) => !saved) : !this.isKept();
    return this.state().is === 'reading' || unsaved;
  }

  /** Notes that all that was read so far is kept elsewhere: in a file, or as a test on the battery. */
  noteKept(): void {
    this.kept.set(this.recording, this.recording.length);
  }

  private isKept(): boolean {
    return this.recording.length <= (this.kept.get(this.recording) ?? 0);
  }

  async load(): Promise<void> {
    await firstValueFrom(this.shelf.load());
  }

  /** Starts the meter in the radio's cable, on a fresh recording. */
  start(): void {
    const radio = this.radio();
    if (!radio) return;
    const { script, powerW, rate, faster } = this.choice();
    const words = `a simulated meter in the cable of ${radio.name}`;
    this.listen(
      { radio: radio.id, script, power: powerW, rate, faster },
      { words, powerW, isSimulated: true },
    );
  }

  /** Discharges a battery through the simulated load, its clock far faster than ours. */
  startLoad(battery: string, amps: number): void {
    const name = this.batteries().find(({ id }) => id === battery)?.name ?? 'a battery';
    const words = `a simulated meter at ${name}, under the simulated load`;
    this.listen({ battery, amps, rate: LOAD_RATE, faster: LOAD_FASTER }, { words, isSimulated: true });
  }

  /** Takes readings from elsewhere in the place of the recording. */
  take(readings: Readings, file: string): void {
    this.begin(Recording.of(readings), { words: `file ${file}` });
    this.noteKept();
  }

  /** Changes the recording for the one before it, and back again. */
  bringBack(): void {
    const before = this.before();
    if (!before) return;
    this.begin(before.recording, this.origins.get(before.recording), before.marks);
  }

  /** Stops the meter and puts a recording in the place of the one there is, which can be brought back. */
  private begin(recording: Recording, origin?: Origin, marks: readonly Mark[] = []): void {
    this.stop();
    this.state.set({ is: 'idle' });
    if (this.recording.length > 0) this.before.set({ recording: this.recording, marks: this.marks() });
    this.recording = recording;
    if (origin) this.origins.set(recording, origin);
    this.marks.set(marks);
    this.tellRead();
  }

  private tellRead(): void {
    this.readCount.update((count) => count + 1);
  }

  private listen(question: Readonly<Record<string, string | number>>, origin: Origin): void {
    this.begin(new Recording(), origin);
    const ask = new URLSearchParams(Object.entries(question).map(([name, value]) => [name, String(value)]));
    const source = new EventSource(`/api/meter?${ask.toString()}`);
    this.source = source;
    this.state.set({ is: 'reading' });
    source.onmessage = ({ data }: MessageEvent<string>) => {
      const reading = readMeterLine(data);
      if (reading) this.recording.add(reading);
    };
    source.onerror = () => {
      this.hangUp();
      this.state.set({
        is: 'stopped',
        why:
          this.recording.length > 0
            ? 'The meter stopped in mid-session. What it read so far is kept below; start again for a new recording.'
            : 'The meter does not answer, so nothing was read. Start again once the server runs.',
      });
    };
    this.timer = setInterval(() => this.tellRead(), SHOWN_EVERY_MS);
  }

  stop(): void {
    if (!this.source) return;
    this.hangUp();
    this.state.set({ is: 'idle' });
  }

  mark(fromMs: number, toMs: number, kind: MarkKind = this.likelyKind()): void {
    if (toMs - fromMs < 1) return;
    const mark = this.powered({ id: this.nextId++, fromMs, toMs, kind, powerW: this.askedW() });
    this.marks.update((marks) => [...marks, mark].sort((a, b) => a.fromMs - b.fromMs));
    this.selectedId.set(mark.id);
  }

  /** The power that the radio was set to as it was recorded; of readings from a file, the one that is chosen now. */
  private askedW(): number {
    return this.origins.get(this.recording)?.powerW ?? this.choice().powerW;
  }

  /** A mark with the power that its level tells, where the radio's figures know one. */
  private powered(mark: Mark): Mark {
    const radio = this.radio();
    if (!radio || !hasPower(mark.kind)) return mark;
    const { meanA, peakA } = markFigures(mark, this.recording.readings(), radio);
    return { ...mark, powerW: readPower(mark.kind === 'keyDown' ? meanA : peakA, radio, mark.powerW) };
  }

  /** One power for all segments that are not saved. */
  setPowers(powerW: number): void {
    this.marks.update((marks) => marks.map((mark) => (mark.saved ? mark : { ...mark, powerW })));
  }

  change(id: number, change: Partial<Mark>): void {
    this.marks.update((marks) =>
      marks.map((mark) => (mark.id === id ? { ...mark, saved: false, ...change } : mark)),
    );
  }

  remove(id: number): void {
    this.undoable(
      'Segment removed.',
      this.marks().filter((mark) => mark.id === id),
    );
    this.marks.update((marks) => marks.filter((mark) => mark.id !== id));
  }

  /** Offers marks that go back, in a notice, in the place of those that came for them. */
  private undoable(text: string, gone: readonly Mark[], came: readonly Mark[] = []): void {
    const ids = new Set(came.map(({ id }) => id));
    const putBack = (marks: readonly Mark[]) =>
      [...marks.filter(({ id }) => !ids.has(id)), ...gone].sort((a, b) => a.fromMs - b.fromMs);
    this.notices.show({ text, action: { label: 'Undo', run: () => this.marks.update(putBack) } });
  }

  /** Proposes the stretches of one level for the user to correct, in the place of those that are not saved. */
  propose(): void {
    const radio = this.radio();
    if (!radio) return;
    const powerW = this.askedW();
    const proposed = proposeMarks(this.recording.readings(), radio, powerW, this.likelyKind()).map((mark) =>
      this.powered({ ...mark, id: this.nextId++, powerW }),
    );
    const replaced = this.marks().filter(({ saved }) => !saved);
    if (replaced.length > 0) {
      this.undoable(
        'The segments that were found have replaced those that were not saved.',
        replaced,
        proposed,
      );
    }
    this.marks.update((marks) =>
      [...marks.filter(({ saved }) => saved), ...proposed].sort((a, b) => a.fromMs - b.fromMs),
    );
    this.selectedId.set(proposed[0]?.id ?? null);
  }

  /** Saves a mark onto the radio, or all that are not saved, and says what that changes in the user's trips. */
  async save(id?: number): Promise<void> {
    const radio = this.radio();
    if (!radio) return;
    const rows = this.rows().filter(({ mark }) => (id === undefined ? !mark.saved : mark.id === id));
    const saved = saveMarks(radio, rows, today(), this.readingSource());
    const { radio: changed, ids } = saved;
    const why = sayRefused(saved, this.marks());
    if (ids.length > 0 && (await this.saveGear(radio, changed, why)))
      this.marks.update((marks) =>
        marks.map((mark) => (ids.includes(mark.id) ? { ...mark, saved: true } : mark)),
      );
    else if (ids.length === 0 && why.length > 0) this.notices.show({ text: why.join(' ') });
  }

  /** Saves an item as the bench found it, and says what that changes in the user's trips; the notice takes it back. */
  async saveGear(before: Gear, after: Gear, also: readonly string[] = []): Promise<boolean> {
    try {
      const effects = await this.effects.of(this.shelf.gear(), after);
      await firstValueFrom(this.shelf.replace(after));
      this.notices.show({
        text: [`Saved onto ${before.name}.`, ...also, ...effects].join(' '),
        action: {
          label: 'Undo',
          run: () => void firstValueFrom(this.shelf.replace(before)),
        },
      });
      return true;
    } catch (error) {
      this.notices.show({ text: problemText(error) });
      return false;
    }
  }

  /** What a freshly marked stretch most likely is, by what the meter is asked for. */
  private likelyKind(): MarkKind {
    return LIKELY_KINDS[this.choice().script];
  }

  private hangUp(): void {
    clearInterval(this.timer);
    this.source?.close();
    this.source = null;
    this.tellRead();
  }
}
