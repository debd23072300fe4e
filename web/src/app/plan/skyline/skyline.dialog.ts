import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { sayQuantity, skylineAt } from '@knapsack/core';
import { NgbActiveModal } from '@ng-bootstrap/ng-bootstrap/modal';
import { changePanelPlace, changePoint, widestGap, type Skyline } from '@knapsack/contract/edits';
import { TripStore } from '../../trip/trip.store';
import { InlineNumberComponent } from '../../parts/inline-number.component';
import { followPointer } from '../../lanes/pointer-drag';
import { sunPath } from './sun-path';
import { ForecastStore } from '../../trip/forecast.store';

/** The strip in its own units: two for a degree of the compass, four for one of height. */
const WIDTH = 720;
const PER_AZIMUTH = 2;
const TOP_DEG = 70;
const PER_DEG = 3.6;
const HEIGHT = TOP_DEG * PER_DEG;

const COMPASS = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW', 'N'].map((name, at) => ({
  name,
  x: at * 45 * PER_AZIMUTH,
}));
const HEIGHTS = [15, 30, 45, 60].map((degrees) => ({ degrees, y: HEIGHT - degrees * PER_DEG }));

/** How far sideways a stroke begins, px: less is a press, or a finger that scrolls. */
const STROKE_PX = 8;

type Point = Skyline[number];

const x = (azimuthDeg: number): number => azimuthDeg * PER_AZIMUTH;
const y = (degrees: number): number => HEIGHT - degrees * PER_DEG;

/** The skyline drawn over a compass strip with the sun's path behind it: points are put in, dragged, or walked by keys. */
@Component({
  selector: 'ks-skyline',
  imports: [InlineNumberComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="dialog skyline">
      <header>
        <h2 id="skyline-title">Skyline</h2>
        <button type="button" class="quiet" (click)="modal.close()" aria-label="Close">
          <i class="bi bi-x-lg" aria-hidden="true"></i>
        </button>
      </header>
      <p class="muted">
        What stands around the panel, from north by east, south and west. Press to put a point in, drag it to
        the top of the tree or tower, or type both below; arrows move the chosen point, Delete removes it.
      </p>
      <div #strip class="strip" (pointerdown)="putIn($event)">
        <svg [attr.viewBox]="'0 0 ' + width + ' ' + height" preserveAspectRatio="none" aria-hidden="true">
          @for (line of heights; track line.degrees) {
            <line class="grid" x1="0" [attr.x2]="width" [attr.y1]="line.y" [attr.y2]="line.y" />
          }
          <path class="ground" [attr.d]="ground()" />
          <path class="sun" [attr.d]="sun().path" />
        </svg>
        @for (mark of sun().hours; track mark.hour) {
          <span class="sun-hour" [style.left.%]="mark.left" [style.top.%]="mark.top">{{ mark.hour }}</span>
        }
        @for (line of heights; track line.degrees) {
          <span class="height" [style.top.%]="(100 * line.y) / height">{{ line.degrees }}°</span>
        }
        @for (point of points(); track $index) {
          <button
            type="button"
            class="point"
            role="slider"
            aria-valuemin="0"
            aria-valuemax="90"
            [attr.aria-label]="'Skyline at ' + point.azimuthDeg + '°'"
            [attr.aria-valuenow]="point.elevationDeg"
            [attr.aria-valuetext]="point.elevationDeg + '° high'"
            [style.left.%]="point.left"
            [style.top.%]="point.top"
            (pointerdown)="drag($event, $index)"
            (keydown)="walk($event, $index)"
          ></button>
        }
      </div>
      <div class="compass" aria-hidden="true">
        @for (mark of compass; track $index) {
          <span [style.left.%]="(100 * mark.x) / width">{{ mark.name }}</span>
        }
      </div>
      <ul class="skyline-points" aria-label="Points of the skyline">
        @for (point of points(); track $index) {
          <li>
            at
            <ks-number
              field="azimuthDeg"
              [label]="'Direction of point ' + ($index + 1)"
              [value]="point.azimuthDeg"
              (committed)="put($index, { azimuthDeg: $event })"
            />,
            <ks-number
              field="elevationDeg"
              [label]="'Height of point ' + ($index + 1)"
              [value]="point.elevationDeg"
              (committed)="put($index, { elevationDeg: $event })"
            />
            high
            <button
              type="button"
              class="quiet"
              [attr.aria-label]="'Remove point ' + ($index + 1)"
              (click)="remove($index)"
            >
              <i class="bi bi-x-lg" aria-hidden="true"></i>
            </button>
          </li>
        }
      </ul>
      <p class="skyline-acts">
        <button type="button" class="quiet" (click)="add()">
          <i class="bi bi-plus-lg" aria-hidden="true"></i> Add a point
        </button>
        @if (points().length > 0) {
          <button type="button" class="quiet" (click)="open()">Open it all round</button>
        }
        <span>{{ gives() }}</span>
      </p>
    </div>
  `,
})
export class SkylineDialog {
  protected readonly modal = inject(NgbActiveModal);
  private readonly store = inject(TripStore);
  private readonly forecast = inject(ForecastStore);
  private readonly strip = viewChild.required<ElementRef<HTMLElement>>('strip');
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;
  protected readonly compass = COMPASS;
  protected readonly heights = HEIGHTS;

  private readonly skyline = computed(() => this.store.trip()?.panelPlace?.horizon ?? []);
  protected readonly points = computed(() =>
    this.skyline().map(({ azimuthDeg, elevationDeg }) => ({
      azimuthDeg,
      elevationDeg,
      left: (100 * x(azimuthDeg)) / WIDTH,
      top: (100 * y(Math.min(TOP_DEG, elevationDeg))) / HEIGHT,
    })),
  );
  protected readonly ground = computed(() => {
    const skyline = this.skyline();
    const steps = Array.from({ length: 361 }, (_, degrees) => degrees);
    const tops = steps.map((degrees) => `L${x(degrees)} ${y(skylineAt(skyline, degrees % 360)).toFixed(1)}`);
    return `M0 ${HEIGHT} ${tops.join('')} L${WIDTH} ${HEIGHT} Z`;
  });
  protected readonly sun = computed(() => {
    const trip = this.store.trip();
    const { latitudeDeg, longitudeDeg, timeZone = 'UTC' } = trip?.place ?? {};
    if (!trip || latitudeDeg === undefined || longitudeDeg === undefined) return { path: '', hours: [] };
    const marks = sunPath(Date.parse(trip.start), { latitudeDeg, longitudeDeg, timeZone });
    let last = -Infinity;
    const path = marks.map(({ azimuthDeg, altitudeDeg }) => {
      // The path leaves the strip at north and comes back on its other side.
      const begins = Math.abs(azimuthDeg - last) > 180;
      last = azimuthDeg;
      return `${begins ? 'M' : 'L'}${x(azimuthDeg).toFixed(1)} ${y(altitudeDeg).toFixed(1)}`;
    });
    const hours = marks.flatMap(({ azimuthDeg, altitudeDeg, hour }) =>
      hour !== null && Number(hour) % 2 === 0 && altitudeDeg > 2
        ? [{ hour, left: (100 * x(azimuthDeg)) / WIDTH, top: (100 * y(altitudeDeg)) / HEIGHT }]
        : [],
    );
    return { path: path.join(''), hours };
  });
  /** What the panel gives so. */
  protected readonly gives = computed(() => {
    const sun = this.forecast.view()?.verdict.sun;
    return sun ? `The sun offers ${sayQuantity({ value: sun.offeredAh, unit: 'Ah' })} over the outing.` : '';
  });

  /** A press puts a point in where it is let go; a stroke draws it along. */
  protected putIn(press: PointerEvent): void {
    if (press.target instanceof HTMLElement && press.target.closest('.point')) return;
    const point = this.under(press);
    const key = `skyline ${press.timeStamp}`;
    const put = () => this.edit((skyline) => changePoint(skyline, null, point), key);
    const index = () =>
      this.skyline().findIndex(({ azimuthDeg }) => azimuthDeg === Math.round(point.azimuthDeg));
    followPointer(
      press,
      {
        move: (event) => {
          if (index() < 0) put();
          this.lift(index(), event, key);
        },
        end: (_event, moved) => {
          if (!moved) put();
          this.store.settle();
        },
        off: () => this.store.callOff(key),
      },
      { afterPx: STROKE_PX },
    );
  }

  protected drag(press: PointerEvent, index: number): void {
    press.stopPropagation();
    const key = `skyline ${press.timeStamp}`;
    followPointer(
      press,
      {
        move: (event) => this.lift(index, event, key),
        end: () => this.store.settle(),
        off: () => this.store.callOff(key),
      },
      { anyWay: true },
    );
  }

  protected put(index: number, change: Partial<Point>): void {
    const point = { ...this.skyline()[index], ...change };
    this.edit((skyline) => changePoint(skyline, index, point));
  }

  /** A point in the widest gap, as high as the skyline is there. */
  protected add(): void {
    this.edit((skyline) => changePoint(skyline, null, widestGap(skyline)));
  }

  protected remove(index: number): void {
    this.edit((skyline) => changePoint(skyline, index, null));
  }

  protected walk(event: KeyboardEvent, index: number): void {
    const { azimuthDeg, elevationDeg } = this.skyline()[index];
    const by = event.shiftKey ? 5 : 1;
    const moves: Record<string, readonly [number, number] | undefined> = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, by],
      ArrowDown: [0, -by],
    };
    const move = moves[event.key];
    if (event.key === 'Delete' || event.key === 'Backspace') {
      this.remove(index);
    } else if (move) {
      const to = { azimuthDeg: azimuthDeg + move[0], elevationDeg: elevationDeg + move[1] };
      this.edit((skyline) => changePoint(skyline, index, to), `key skyline ${index}`);
    } else return;
    event.preventDefault();
  }

  protected open(): void {
    this.edit(() => []);
  }

  /** Moves a point to the pointer; it never passes its neighbours, so that it stays the one that was picked. */
  private lift(index: number, event: PointerEvent, key: string): void {
    if (index < 0) return;
    const skyline = this.skyline();
    const low = (skyline[index - 1]?.azimuthDeg ?? -1) + 1;
    const high = (skyline[index + 1]?.azimuthDeg ?? 360) - 1;
    const { azimuthDeg, elevationDeg } = this.under(event);
    const to = { azimuthDeg: Math.min(high, Math.max(low, azimuthDeg)), elevationDeg };
    this.edit((points) => changePoint(points, index, to), key);
  }

  private edit(change: (skyline: Skyline) => Skyline, key: string | null = null): void {
    this.store.edit((trip) => {
      const skyline = trip.panelPlace?.horizon ?? [];
      const changed = change(skyline);
      return changed === skyline ? trip : changePanelPlace(trip, { horizon: changed });
    }, key);
  }

  private under({ clientX, clientY }: PointerEvent): Point {
    const { left, top, width, height } = this.strip().nativeElement.getBoundingClientRect();
    return {
      azimuthDeg: ((clientX - left) / width) * 360,
      elevationDeg: Math.max(0, (1 - (clientY - top) / height) * TOP_DEG),
    };
  }
}
