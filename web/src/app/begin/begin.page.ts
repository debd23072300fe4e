import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { OffDirective } from '../parts/off.directive';
import { Router, RouterLink } from '@angular/router';
import { USUAL_WEATHER, usualTemperature, WAYS_IN, type Waypoint, type WayIn } from '@knapsack/contract';
import { describeUnmet, UNKNOWN_PLACE_C, type Beginning, type Begun } from '@knapsack/contract/begin';
import {
  ACTIVITIES,
  climateAt,
  HOUR_MS,
  MODE_NAMES,
  readCoordinates,
  sayCoordinates,
  sayDuty,
  sayMode,
  isUnattended,
  usualShare,
  type ActivityName,
  type Mode,
} from '@knapsack/core';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { localZone, newTrip } from '../data/new-trip';
import { problemText } from '../data/problem-text';
import { ShelfService } from '../data/shelf.service';
import { choicesOf } from '../parts/choices';
import { FormValidity } from '../parts/form-validity';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { InlineTextComponent } from '../parts/inline-text.component';
import { InlineTimeComponent } from '../parts/inline-time.component';
import { SiteFileComponent } from '../parts/site-file.component';
import { NoticesService } from '../shell/notices.service';
import { askOnce } from '../work/ask-once';
import type { BeginQuestion } from '../work/begin-work';
import { forgetBeginning, keepBeginning, keptBeginning, usualLimitG } from './beginning';

const PANELS_W = [0, 10, 20, 40, 60, 100];
const SOMEWHERE = 'where on the map?';

/** The first trip as one sentence: what one knows of an outing, everything with a usual answer, made a plan by one click. */
@Component({
  selector: 'ks-begin',
  imports: [
    OffDirective,
    InlineChoiceComponent,
    InlineNumberComponent,
    InlineTextComponent,
    InlineTimeComponent,
    RouterLink,
    SiteFileComponent,
  ],
  providers: [FormValidity],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './begin.page.html',
})
export class BeginPage {
  private readonly api = inject(ApiService);
  private readonly shelf = inject(ShelfService);
  private readonly router = inject(Router);
  private readonly notices = inject(NoticesService);
  private readonly validity = inject(FormValidity);
  protected readonly known = signal<Beginning>(keptBeginning(Date.now()));
  protected readonly busy = signal(false);
  protected readonly problem = signal<string | null>(null);

  protected readonly ways = choicesOf<WayIn>(WAYS_IN);
  protected readonly activities = choicesOf<ActivityName>(ACTIVITIES);
  protected readonly modes = MODE_NAMES.map((value) => ({ value, label: sayMode(value) }));
  protected readonly panels = PANELS_W.map((watts) => ({
    value: String(watts),
    label: watts === 0 ? 'no panel' : `a folding panel of ${watts} W`,
  }));
  protected readonly coordinates = computed(() => {
    const { latitudeDeg, longitudeDeg } = this.known().site;
    return latitudeDeg === undefined || longitudeDeg === undefined
      ? SOMEWHERE
      : sayCoordinates({ latitudeDeg, longitudeDeg });
  });
  /** The usual temperature of the place and the month, whole degrees; a mild one without a place. */
  protected readonly usualC = computed(() => {
    const { site, startMs, hours } = this.known();
    const usual = usualTemperature({
      place: site,
      start: new Date(startMs).toISOString(),
      end: new Date(startMs + hours * HOUR_MS).toISOString(),
      ...(site.latitudeDeg !== undefined && {
        weather: { ...USUAL_WEATHER, climate: climateAt(site.latitudeDeg) },
      }),
    });
    return Math.round(usual?.meanC ?? UNKNOWN_PLACE_C);
  });
  /** Said of a temperature that the user has not typed. */
  protected readonly assumedWords = computed(() => {
    const { temperatureC, site } = this.known();
    if (temperatureC !== null) return '';
    return site.latitudeDeg === undefined ? ' (assumed)' : ' (usual there then, assumed)';
  });
  protected readonly duty = computed(() => sayDuty(this.known().share, this.known().mode));
  protected readonly isLong = computed(() => this.known().hours > 24);
  /** Without a place the sun cannot be known. */
  protected readonly wantsPlace = computed(
    () => this.known().panelW > 0 && this.known().site.latitudeDeg === undefined,
  );

  protected readonly refuseCoordinates = (text: string): string | null => {
    const read = readCoordinates(text);
    return read.ok ? null : read.problems[0].sentence;
  };
  protected readonly acceptStart = (startMs: number): string | null => {
    this.set({ startMs });
    return null;
  };

  protected set(change: Partial<Beginning>): void {
    this.known.update((known) => ({ ...known, ...change }));
    keepBeginning(this.known());
  }

  protected setPlaceName(name: string): void {
    this.set({ site: { ...this.known().site, name } });
  }

  protected setCoordinates(text: string): void {
    const read = readCoordinates(text);
    if (read.ok) this.set({ site: { ...this.known().site, ...read.value } });
  }

  protected setPoint(point: Waypoint): void {
    this.set({ site: { ...this.known().site, ...point } });
  }

  protected setHours(hours: number): void {
    const { onAirHours } = this.known();
    this.set({ hours, onAirHours: Math.min(onAirHours, hours, 24) });
  }

  protected setWork(work: { readonly activity?: ActivityName; readonly mode?: Mode }): void {
    const { activity, mode } = { ...this.known(), ...work };
    this.set({
      ...work,
      share: usualShare(activity, mode),
      ...(work.activity && isUnattended(activity) && { onAirHours: Math.min(this.known().hours, 24) }),
    });
  }

  protected setWay(wayIn: WayIn): void {
    this.set({ wayIn, carryLimitG: usualLimitG(wayIn) });
  }

  protected setPanel(watts: string): void {
    this.set({ panelW: Number(watts) });
  }

  /** Makes the trip, with what of its bag is typical gear on the shelf, and opens it. */
  protected async begin(): Promise<void> {
    if (this.validity.focusFirst()) return;
    this.busy.set(true);
    this.problem.set(null);
    try {
      const [from, gear] = await Promise.all([this.withZone(this.known()), firstValueFrom(this.api.gear())]);
      const nowMs = Date.now();
      const shelf = gear.map(({ document }) => document);
      const question: BeginQuestion = { from, shelf, empty: newTrip(nowMs), nowMs };
      const { trip, typical, unmet } = await askOnce<BeginQuestion, Begun>('begin', question);
      for (const item of typical) await firstValueFrom(this.shelf.create(item));
      await firstValueFrom(this.api.createTrip(trip));
      forgetBeginning();
      await this.router.navigate(['/trips', trip.id]);
      const sentence = describeUnmet(unmet);
      if (sentence)
        this.notices.show({ text: sentence, action: { label: 'OK', run: () => this.notices.dismiss() } });
    } catch (error) {
      this.problem.set(problemText(error));
    } finally {
      this.busy.set(false);
    }
  }

  /** The hours that were typed stay the hours that are shown, in the zone of the place. */
  private async withZone(known: Beginning): Promise<Beginning> {
    const { latitudeDeg, longitudeDeg } = known.site;
    if (latitudeDeg === undefined || longitudeDeg === undefined) return known;
    const { timeZoneAt } = await import('@knapsack/core/time-zone');
    return { ...known, site: { ...known.site, timeZone: timeZoneAt({ latitudeDeg, longitudeDeg }) } };
  }

  protected readonly zone = localZone();
}
