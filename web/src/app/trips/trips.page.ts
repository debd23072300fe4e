import { NgTemplateOutlet } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { askOnce } from '../work/ask-once';
import type { BeginQuestion } from '../work/begin-work';
import { Router, RouterLink } from '@angular/router';
import { summaryOf, type Trip, type TripSummary } from '@knapsack/contract';
import { hoursOf, sayDate, sayDuration } from '@knapsack/core';
import {
  NgbDropdown,
  NgbDropdownItem,
  NgbDropdownMenu,
  NgbDropdownToggle,
} from '@ng-bootstrap/ng-bootstrap/dropdown';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { newKey } from '../data/new-id';
import { KeptAnswers } from '../data/kept-answers.service';
import { ServerWatch } from '../data/server-watch.service';
import { isOffline, problemText } from '../data/problem-text';
import { draftBox } from '../trip/draft-box';
import { SpeechService } from '../shell/speech.service';
import { NoticesService } from '../shell/notices.service';
import { KeysService } from '../shell/keys.service';
import { newTrip } from '../data/new-trip';
import { DeletedTripsComponent } from './deleted-trips.component';
import { DeletedTrips } from './deleted-trips.service';
import { EarlierTripsComponent } from './earlier-trips.component';
import { SetAsideComponent } from './set-aside.component';
import { SmallRidgeComponent } from './small-ridge.component';
import type { Begun, Template } from '@knapsack/contract/begin';
import { TripFileComponent } from './trip-file.component';
import { TripOutComponent } from './trip-out.component';
import { TripLinesService } from './trip-lines.service';

/** All trips, the next outing first. */
@Component({
  selector: 'ks-trips',
  imports: [
    NgTemplateOutlet,
    NgbDropdown,
    NgbDropdownItem,
    EarlierTripsComponent,
    SetAsideComponent,
    DeletedTripsComponent,
    TripFileComponent,
    TripOutComponent,
    NgbDropdownMenu,
    NgbDropdownToggle,
    RouterLink,
    SmallRidgeComponent,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './trips.page.html',
})
export class TripsPage {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  private readonly notices = inject(NoticesService);
  private readonly speech = inject(SpeechService);
  private readonly watch = inject(ServerWatch);
  private readonly kept = inject(KeptAnswers);
  private readonly deleted = inject(DeletedTrips);
  private readonly lines = inject(TripLinesService);
  protected readonly trips = signal<readonly TripSummary[]>([]);
  protected readonly loaded = signal(false);
  protected readonly problem = signal<string | null>(null);
  /** The server does not answer: these are the trips that were opened on this device. */
  protected readonly isAway = signal(false);
  protected readonly search = signal('');
  protected readonly withArchived = signal(false);
  protected readonly templates = signal<readonly Template[]>([]);

  protected readonly archived = computed(() => this.trips().filter((trip) => trip.archived).length);
  /** By date, those that are put away only when asked for, those that fit what is looked for. */
  protected readonly shown = computed(() => {
    const words = this.search().toLowerCase().split(/\s+/).filter(Boolean);
    const withArchived = this.withArchived();
    return this.trips().filter(({ name, placeName, archived }) => {
      const text = `${name} ${placeName}`.toLowerCase();
      return (withArchived || !archived) && words.every((word) => text.includes(word));
    });
  });
  private readonly look = viewChild<ElementRef<HTMLInputElement>>('look');

  constructor() {
    this.lines.refresh();
    void this.load();
    void import('@knapsack/contract/begin').then(({ TEMPLATES }) => this.templates.set(TEMPLATES));
    this.watch.back.pipe(takeUntilDestroyed()).subscribe(() => void this.load());
    inject(KeysService)
      .pressed.pipe(takeUntilDestroyed())
      .subscribe((event) => {
        if (event.key !== '/') return;
        event.preventDefault();
        this.look()?.nativeElement.focus();
      });
  }

  protected async load(): Promise<void> {
    await this.attempt(async () => {
      const trips = await firstValueFrom(this.api.trips()).catch((error: unknown) => this.onDevice(error));
      this.trips.set([...trips].sort((a, b) => Date.parse(a.start) - Date.parse(b.start)));
      this.loaded.set(true);
      this.isAway.set(this.watch.away());
    });
  }

  protected async demo(): Promise<void> {
    await this.attempt(async () => {
      await firstValueFrom(this.api.loadDemo());
      await this.load();
    });
  }

  protected async create(): Promise<void> {
    await this.attempt(async () => {
      const { document } = await firstValueFrom(this.api.createTrip(newTrip(Date.now())));
      await this.router.navigate(['/trips', document.id]);
    });
  }

  /** A trip of a kind of outing, its bag from the shelf. */
  protected async createFrom(name: string): Promise<void> {
    await this.attempt(async () => {
      const nowMs = Date.now();
      const gear = await firstValueFrom(this.api.gear());
      const shelf = gear.map(({ document }) => document);
      const made = await askOnce<BeginQuestion, Pick<Begun, 'trip'>>('begin', {
        from: { template: name },
        shelf,
        empty: newTrip(nowMs),
        nowMs,
      });
      const { document } = await firstValueFrom(this.api.createTrip(made.trip));
      await this.router.navigate(['/trips', document.id]);
    });
  }

  /** A copy beside the trip, under a name that says so. */
  protected async duplicate({ id }: TripSummary): Promise<void> {
    await this.attempt(async () => {
      const { document } = await firstValueFrom(this.api.trip(id));
      const { archived: _put, ...trip } = document;
      const copy = { ...trip, id: `trip-${newKey()}`, name: `${trip.name}, copy`.slice(0, 120) };
      await firstValueFrom(this.api.createTrip(copy));
      await this.load();
      this.speech.say(`${copy.name} is among the trips.`);
    });
  }

  /** Puts a trip away, or brings it back among those to come; the notice undoes it. */
  protected async putAway(trip: TripSummary): Promise<void> {
    await this.attempt(async () => {
      const { document, revision } = await firstValueFrom(this.api.trip(trip.id));
      const { archived, ...rest } = document;
      const changed: Trip = archived ? rest : { ...rest, archived: true };
      await firstValueFrom(this.api.replaceTrip(changed, revision));
      await this.load();
      this.notices.show({
        text: archived ? `${trip.name} is restored.` : `${trip.name} was archived.`,
        action: { label: 'Undo', run: () => void this.putAway(trip) },
      });
    });
  }

  /** Deletes at once; it can be restored until it is let go. */
  protected async remove({ id }: TripSummary): Promise<void> {
    await this.attempt(async () => {
      await this.deleted.remove(await firstValueFrom(this.api.wholeTrip(id)));
      draftBox.drop(id);
      await this.load();
    });
  }

  protected day({ start, timeZone }: TripSummary): string {
    return sayDate(Date.parse(start), timeZone);
  }

  protected length({ start, end }: TripSummary): string {
    return sayDuration(hoursOf({ startMs: Date.parse(start), endMs: Date.parse(end) }));
  }

  private async onDevice(error: unknown): Promise<readonly TripSummary[]> {
    const kept = isOffline(error) ? await this.kept.trips() : [];
    if (kept.length === 0) throw error;
    return kept.map(({ trip }) => summaryOf(trip, { revision: 0, savedAs: trip.version }));
  }

  private async attempt(work: () => Promise<void>): Promise<void> {
    try {
      this.problem.set(null);
      await work();
    } catch (error) {
      this.problem.set(problemText(error));
    }
  }
}
