import { computed, effect, inject, Injectable, signal, untracked, type OnDestroy } from '@angular/core';
import type { DebriefNotes, Gear, SecondsSent, SourceAside, Trip } from '@knapsack/contract';
import {
  isAccepted,
  withAll,
  withCorrection,
  withoutCorrection,
  type NextPlan,
} from '@knapsack/contract/debrief';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { problemText } from '../data/problem-text';
import { ShelfService } from '../data/shelf.service';
import { NoticesService } from '../shell/notices.service';
import { OutingLog } from '../trip/outing-log';
import { TicksStore } from '../trip/ticks.store';
import { TripStore } from '../trip/trip.store';
import type { CorrectionView, DebriefAnswer, DebriefQuestion } from '../work/debrief-protocol';
import { hireWorker } from '../work/hire';
import { NewestWorker } from '../work/newest-worker';
import type { NextPlansQuestion } from '../work/next-plans-work';

/** Most trips to come whose plans are looked at. */
const MOST_TRIPS = 8;
const NOTHING: readonly SourceAside[] = [];
const AS_USUAL: readonly SecondsSent[] = [];

/** What really happened in the outing, by its log, in a worker; what of it is accepted, and what that does to plans. */
@Injectable()
export class DebriefStore implements OnDestroy {
  private readonly api = inject(ApiService);
  private readonly trips = inject(TripStore);
  private readonly shelf = inject(ShelfService);
  private readonly log = inject(OutingLog);
  private readonly ticks = inject(TicksStore);
  private readonly notices = inject(NoticesService);
  private readonly answer = signal<DebriefAnswer | null>(null);
  private readonly toCome = signal<readonly Trip[]>([]);
  private readonly plans = signal<readonly NextPlan[]>([]);
  private readonly worker = new NewestWorker<DebriefQuestion, DebriefAnswer>(() => hireWorker('debrief'), {
    answered: (answer) => this.answer.set(answer),
    failed: () => this.answer.set({ ok: false, problems: [STOPPED] }),
  });
  private readonly next = new NewestWorker<NextPlansQuestion, readonly NextPlan[]>(
    () => hireWorker('nextPlans'),
    { answered: (plans) => this.plans.set(plans), failed: () => this.plans.set([]) },
  );

  private readonly tripId = computed(() => this.trips.trip()?.id);
  /** Null until those of the trip in hand are there. */
  readonly notes = computed(() => {
    const notes = this.ticks.debrief.document();
    return notes?.id === this.tripId() ? notes : null;
  });
  readonly aside = computed(() => this.notes()?.aside ?? NOTHING);
  readonly seconds = computed(() => this.notes()?.seconds ?? AS_USUAL);
  readonly view = computed(() => {
    const answer = this.answer();
    return answer?.ok ? answer.view : null;
  });
  readonly problems = computed<readonly string[]>(() => {
    const answer = this.answer();
    return answer && !answer.ok ? answer.problems : [];
  });
  /** Ids of the corrections that stand with the gear, and of those that were left. */
  readonly accepted = computed<ReadonlySet<string>>(() => {
    const gear = this.shelf.byId();
    const outing = this.trips.trip()?.id ?? '';
    return new Set(
      (this.view()?.corrections ?? []).flatMap(({ id, correction }) => {
        const item = gear.get(correction.gear);
        return item && isAccepted(item, correction.place, outing) ? [id] : [];
      }),
    );
  });
  readonly left = computed(() => new Set(this.notes()?.left.map(({ correction }) => correction)));
  /** What this plan and those to come would be, with what is accepted, or where nothing is with all of it. */
  readonly nextPlans = this.plans.asReadonly();

  constructor() {
    effect(() => {
      const id = this.tripId();
      if (id !== undefined) untracked(() => void this.open(id));
    });
    effect(() => {
      const trip = this.trips.calculated();
      const log = this.log.log();
      if (trip && log && this.notes()) {
        this.worker.ask({
          trip,
          log,
          shelf: this.shelf.gear(),
          aside: this.aside(),
          seconds: this.seconds(),
        });
      }
    });
    effect(() => {
      const view = this.view();
      const trip = this.trips.calculated();
      if (!view || !trip) return;
      if (view.corrections.length === 0) return this.plans.set([]);
      const all = view.corrections.map(({ correction }) => correction);
      const accepted = this.accepted();
      const chosen = view.corrections
        .filter(({ id }) => accepted.size === 0 || accepted.has(id))
        .map(({ correction }) => correction);
      const bare = this.withoutThis(all.map(({ gear }) => gear));
      this.next.ask({ trips: [trip, ...this.toCome()], shelf: bare, taught: withAll(bare, chosen, trip) });
    });
  }

  ngOnDestroy(): void {
    this.worker.dismiss();
    this.next.dismiss();
  }

  change(change: (notes: DebriefNotes) => DebriefNotes): void {
    this.ticks.debrief.change(change);
  }

  /** Accepts a correction as a figure of the gear, or takes it back. */
  async accept({ id, correction }: CorrectionView): Promise<void> {
    const trip = this.trips.trip();
    const gear = this.shelf.byId().get(correction.gear);
    if (!trip) return;
    if (!gear) {
      this.notices.show({
        text: 'This gear travels with the trip alone: add it to the shelf to keep what was learned.',
      });
      return;
    }
    if (this.accepted().has(id)) {
      await this.save(withoutCorrection(gear, correction.place, trip.id));
      return;
    }
    const changed = withCorrection(gear, correction, trip);
    if (!changed.ok) {
      this.notices.show({ text: changed.problems[0].sentence });
      return;
    }
    this.leave(id, false);
    await this.save(changed.value);
  }

  /** Marks a correction as looked at and left, or takes the mark away; one that is accepted is taken back. */
  async toggleLeft(row: CorrectionView): Promise<void> {
    const leaves = !this.left().has(row.id);
    this.leave(row.id, leaves);
    if (leaves && this.accepted().has(row.id)) await this.accept(row);
  }

  private leave(id: string, leaves: boolean): void {
    this.change((notes) => ({
      ...notes,
      left: [
        ...notes.left.filter(({ correction }) => correction !== id),
        ...(leaves ? [{ correction: id }] : []),
      ],
    }));
  }

  private async save(gear: Gear): Promise<void> {
    try {
      await firstValueFrom(this.shelf.replace(gear));
    } catch (error) {
      this.notices.show({ text: problemText(error) });
      // Another tab may have changed it: what stands there now is shown.
      await firstValueFrom(this.shelf.load()).catch(() => undefined);
    }
  }

  /** The shelf as it is, but for what this outing has taught of some of its gear. */
  private withoutThis(ids: readonly string[]): readonly Gear[] {
    const corrections = this.view()?.corrections ?? [];
    const outing = this.trips.trip()?.id ?? '';
    return this.shelf
      .gear()
      .map((gear) =>
        ids.includes(gear.id)
          ? corrections.reduce((so, { correction }) => withoutCorrection(so, correction.place, outing), gear)
          : gear,
      );
  }

  private async open(id: string): Promise<void> {
    if (!this.notes()) await this.ticks.debrief.open(id);
    try {
      const end = Date.parse(this.trips.trip()?.end ?? '');
      const later = (await firstValueFrom(this.api.trips()))
        .filter((trip) => !trip.archived && Date.parse(trip.start) >= end)
        .slice(0, MOST_TRIPS);
      const found = later.map((trip) => firstValueFrom(this.api.tripInPassing(trip.id)));
      this.toCome.set((await Promise.all(found)).map(({ document }) => document));
    } catch {
      // The server is away: this plan alone is looked at.
    }
  }
}

const STOPPED = 'This stopped by a fault in Knapsack. Your log is kept; reload the page to try again.';
