import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { resolve, standProblem, USUAL_PLACE, type AimChoice, type PanelPlace } from '@knapsack/contract';
import { bestFixedAim, CABLINGS, MOUNTS, type Cabling } from '@knapsack/core';
import { choicesOf, type Choice } from '../../parts/choices';
import { InlineChoiceComponent } from '../../parts/inline-choice.component';
import { InlineNumberComponent } from '../../parts/inline-number.component';
import { InlineTimeComponent } from '../../parts/inline-time.component';
import { NoticesService } from '../../shell/notices.service';
import { changePanelPlace, changeTurn, firstAim, setCabling } from '@knapsack/contract/edits';
import { TripStore } from '../../trip/trip.store';
import { BagStore } from '../../trip/bag.store';

const AIM_CHOICES: readonly { readonly value: AimChoice['how']; readonly label: string }[] = [
  { value: 'flat', label: 'flat' },
  { value: 'fixed', label: 'tilted once' },
  { value: 'every', label: 'turned to the sun' },
  { value: 'at', label: 'turned at set hours' },
  { value: 'hung', label: 'hung on a pack' },
];

/** How the panel lies, as a sentence to be corrected in place. */
@Component({
  selector: 'ks-panel-facts',
  imports: [InlineChoiceComponent, InlineNumberComponent, InlineTimeComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p>
      The panel lies
      <ks-choice label="Aim" [value]="place().aim.how" [choices]="aims" (picked)="setAim($event)" />
      @switch (place().aim.how) {
        @case ('fixed') {
          at
          <ks-number
            field="tiltDeg"
            label="Tilt"
            [value]="fixed().tiltDeg"
            (committed)="setFixed({ tiltDeg: $event })"
          />
          looking
          <ks-number
            field="azimuthDeg"
            label="Direction, from true north"
            [value]="fixed().azimuthDeg"
            (committed)="setFixed({ azimuthDeg: $event })"
          />
          true{{ compass() }}
          <button type="button" class="quiet" (click)="aimBest()">use the best aim</button>
        }
        @case ('every') {
          every
          <ks-number
            field="aimMinutes"
            label="Time between turns"
            [value]="minutes()"
            (committed)="setPlace({ aim: { how: 'every', minutes: $event } })"
          />
        }
        @case ('at') {
          @for (turn of turns(); track turn.timeMs) {
            <span class="together">
              <ks-time label="Turn" [valueMs]="turn.timeMs" [zone]="zone()" [accept]="turn.accept" />
              @if (turns().length > 1) {
                <button
                  type="button"
                  class="quiet"
                  aria-label="Remove this turn"
                  (click)="setTurn($index, null)"
                >
                  <i class="bi bi-x-lg"></i>
                </button>
              }
            </span>
          }
          <button type="button" class="quiet" (click)="addTurn()">another turn</button>
        }
      }
      &ngsp;on
      <ks-choice
        label="Ground"
        [value]="place().ground"
        [choices]="grounds"
        (picked)="setPlace({ ground: $event })"
      />,
      <ks-choice
        label="Mount"
        [value]="place().mount"
        [choices]="mounts"
        (picked)="setPlace({ mount: $event })"
      />.
    </p>
    @if (isTilted()) {
      <p>
        @if (place().stand; as stand) {
          Its stand tilts from
          <ks-number
            field="tiltDeg"
            label="Least tilt of the stand"
            [value]="stand.leastDeg"
            [refuse]="refuseLeast"
            (committed)="setPlace({ stand: { leastDeg: $event, mostDeg: stand.mostDeg } })"
          />
          to
          <ks-number
            field="tiltDeg"
            label="Greatest tilt of the stand"
            [value]="stand.mostDeg"
            [refuse]="refuseMost"
            (committed)="setPlace({ stand: { leastDeg: stand.leastDeg, mostDeg: $event } })"
          />.
          <button type="button" class="quiet" (click)="noStand()">any tilt</button>
        } @else {
          Its stand tilts as far as one likes.
          <button type="button" class="quiet" (click)="setPlace({ stand: { leastDeg: 20, mostDeg: 60 } })">
            limit its tilt
          </button>
        }
      </p>
    }
    @if (several(); as panels) {
      <p>
        Its {{ panels.count }} panels are led
        <ks-choice
          label="How the panels are led"
          [value]="panels.cabling?.how ?? ''"
          [choices]="cablings"
          (picked)="lead(panels.index, $event)"
        />.
        @if (panels.cabling; as cabling) {
          Each has
          <ks-number
            field="lengthM"
            label="Length of each panel’s cable"
            [value]="cabling.lengthM"
            (committed)="cable(panels.index, { lengthM: $event })"
          />
          of
          <ks-number
            field="areaMm2"
            label="Cross section of each panel’s cable"
            [value]="cabling.areaMm2"
            (committed)="cable(panels.index, { areaMm2: $event })"
          />.
        }
      </p>
    }
  `,
})
export class PanelFactsComponent {
  private readonly store = inject(TripStore);
  private readonly bag = inject(BagStore);
  private readonly notices = inject(NoticesService);
  protected readonly aims = AIM_CHOICES;
  protected readonly mounts = choicesOf(MOUNTS);
  protected readonly grounds = (['grass', 'snow', 'sand', 'water'] as const).map((value) => ({
    value,
    label: value,
  }));

  protected readonly zone = computed(() => this.store.trip()?.place.timeZone ?? 'UTC');
  protected readonly place = computed(() => this.store.trip()?.panelPlace ?? USUAL_PLACE);
  protected readonly fixed = computed(() => {
    const { aim } = this.place();
    return aim.how === 'fixed' ? aim : { tiltDeg: 0, azimuthDeg: 180 };
  });
  protected readonly refuseLeast = (leastDeg: number) => this.problemOfStand({ leastDeg });
  protected readonly refuseMost = (mostDeg: number) => this.problemOfStand({ mostDeg });
  protected readonly isTilted = computed(() => !['flat', 'hung'].includes(this.place().aim.how));
  protected readonly cablings: readonly Choice<Cabling | ''>[] = [
    { value: '', label: 'by cables that are not entered' },
    ...choicesOf(CABLINGS),
  ];
  /** Panels in parallel, each with a way of its own to the controller's cable; null for one. */
  protected readonly several = computed(() => {
    const gear = this.bag.gear();
    const loadout = this.store.trip()?.loadout ?? [];
    const index = loadout.findIndex((item) => gear.get(item.gear)?.kind === 'panel');
    const item = loadout[index];
    return item && item.count / (item.inSeries ?? 1) > 1
      ? { index, count: item.count, cabling: item.cabling ?? null }
      : null;
  });
  protected readonly minutes = computed(() => {
    const { aim } = this.place();
    return aim.how === 'every' ? aim.minutes : null;
  });
  protected readonly turns = computed(() => {
    const { aim } = this.place();
    return (aim.how === 'at' ? aim.times : []).map((time, index) => ({
      timeMs: Date.parse(time),
      accept: (timeMs: number) => this.store.tryEdit((trip) => changeTurn(trip, index, timeMs)),
    }));
  });

  /** What a compass shows for the direction, where it has been looked up. */
  private readonly bearing = signal<{ readonly trueDeg: number; readonly compassDeg: number } | null>(null);
  protected readonly compass = computed(() => {
    const bearing = this.bearing();
    return bearing && bearing.trueDeg === this.fixed().azimuthDeg
      ? `, ${Math.round(bearing.compassDeg)} ° by compass,`
      : '';
  });

  protected setAim(how: string): void {
    this.store.edit((trip) => changePanelPlace(trip, { aim: firstAim(how as AimChoice['how'], trip) }));
  }

  protected setFixed(change: { tiltDeg?: number; azimuthDeg?: number }): void {
    const { tiltDeg, azimuthDeg } = this.fixed();
    this.setPlace({ aim: { how: 'fixed', tiltDeg, azimuthDeg, ...change } });
  }

  protected setTurn(index: number, timeMs: number | null): void {
    this.store.edit((trip) => changeTurn(trip, index, timeMs));
  }

  /** Two hours after the last one. */
  protected addTurn(): void {
    const turns = this.turns();
    const last = turns[turns.length - 1].timeMs;
    this.setTurn(turns.length, last + 2 * 3_600_000);
  }

  /** Lays the panel where it gathers the most light over the outing, and says what a compass shows there. */
  protected async aimBest(): Promise<void> {
    const trip = this.store.trip();
    const plan = trip && resolve(trip, [...this.bag.gear().values()]);
    if (!plan?.ok || !plan.value.sun) return;
    const { sun, outing } = plan.value;
    const best = bestFixedAim(sun, outing);
    if (!best) return this.notices.show({ text: 'The sun does not rise during this outing.' });
    const azimuthDeg = Math.round(best.azimuthDeg);
    this.setFixed({ tiltDeg: Math.round(best.tiltDeg), azimuthDeg });
    const { compassBearing, declination } = await import('@knapsack/core/compass');
    this.bearing.set({
      trueDeg: azimuthDeg,
      compassDeg: compassBearing(azimuthDeg, declination(sun, outing.startMs)),
    });
  }

  protected noStand(): void {
    this.store.edit((trip) => {
      const { stand: _stand, ...place } = trip.panelPlace ?? USUAL_PLACE;
      return { ...trip, panelPlace: place };
    });
  }

  protected lead(index: number, how: Cabling | ''): void {
    const before = this.several()?.cabling ?? { lengthM: 2, areaMm2: 0.75 };
    this.store.edit((trip) => setCabling(trip, index, how === '' ? null : { ...before, how }));
  }

  protected cable(index: number, change: { lengthM?: number; areaMm2?: number }): void {
    const before = this.several()?.cabling;
    if (before) this.store.edit((trip) => setCabling(trip, index, { ...before, ...change }));
  }

  private problemOfStand(change: Partial<NonNullable<PanelPlace['stand']>>): string | null {
    const { stand } = this.place();
    return stand ? standProblem({ ...stand, ...change }) : null;
  }

  protected setPlace(change: Partial<PanelPlace>): void {
    this.store.edit((trip) => changePanelPlace(trip, change));
  }
}
