import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { USUAL_WEATHER } from '@knapsack/contract';
import { fixed, sayHour, type Span } from '@knapsack/core';
import { spanOf } from '../edits/blocks';
import { cloudWord, nextCloud, paintCloud } from '../edits/weather';
import { CursorLineComponent } from '../cursor-line.component';
import { followPointer } from '../pointer-drag';
import { PlanStore } from '../plan.store';
import { instantAt, shareOf } from '../time-scale';
import { skyView } from './sky-view';

/** Height of the drawing in its own units, and the sun height that reaches its top, degrees. */
const HEIGHT = 60;
const WIDTH = 1000;
const TOP_DEG = 65;

interface Band {
  readonly x: number;
  readonly width: number;
  readonly opacity: number;
}

/** Sun height as an arc, night dark, clouds as shading that is painted by dragging, shade hatched; on the axis of all lanes. */
@Component({
  selector: 'ks-sky-lane',
  imports: [CursorLineComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (drawing(); as now) {
      <div class="lane-name">sky</div>
      <div
        #lane
        class="sky-lane"
        role="img"
        [attr.aria-label]="spoken()"
        title="Press an hour for more cloud, drag to paint it on"
        (pointerdown)="paint($event)"
        (pointermove)="hover($event)"
        (pointerleave)="store.cursorMs.set(null)"
      >
        <svg [attr.viewBox]="'0 0 1000 60'" preserveAspectRatio="none" aria-hidden="true">
          <defs>
            <pattern
              id="shade-hatch"
              width="7"
              height="7"
              patternUnits="userSpaceOnUse"
              patternTransform="rotate(40)"
            >
              <line x1="0" y1="0" x2="0" y2="7" class="hatch" />
            </pattern>
          </defs>
          @for (band of now.night; track $index) {
            <rect
              class="night"
              [attr.x]="band.x"
              y="0"
              [attr.width]="band.width"
              height="60"
              [attr.fill-opacity]="band.opacity"
            />
          }
          @for (band of now.cloud; track $index) {
            <rect
              class="cloud"
              [attr.x]="band.x"
              y="0"
              [attr.width]="band.width"
              height="60"
              [attr.fill-opacity]="band.opacity"
            />
          }
          @for (band of now.shade; track $index) {
            <rect [attr.x]="band.x" y="0" [attr.width]="band.width" height="60" fill="url(#shade-hatch)" />
          }
          <path class="sun-fill" [attr.d]="now.arc + ' L1000 60 L0 60 Z'" />
          <path class="sun" [attr.d]="now.arc" />
        </svg>
        <ks-cursor-line />
        @for (label of now.labels; track $index) {
          <span class="sky-label" [style.left.%]="label.left">{{ label.text }}</span>
        }
      </div>
    }
  `,
})
export class SkyLaneComponent {
  protected readonly store = inject(PlanStore);
  private readonly lane = viewChild.required<ElementRef<HTMLElement>>('lane');

  // Each by itself, so that the sky is drawn anew only when it changes, not while a block is dragged.
  private readonly place = computed(() => this.store.trip()?.place ?? null);
  private readonly weather = computed(() => this.store.trip()?.weather ?? USUAL_WEATHER);
  private readonly shade = computed(() => this.store.trip()?.panelPlace?.shade ?? null);
  private readonly startMs = computed(() => Date.parse(this.store.trip()?.start ?? ''));
  private readonly endMs = computed(() => Date.parse(this.store.trip()?.end ?? ''));
  private readonly outing = computed<Span>(() => ({ startMs: this.startMs(), endMs: this.endMs() }));
  private readonly sky = computed(() => {
    const place = this.place();
    return place && skyView(place, this.weather(), this.outing());
  });

  protected readonly drawing = computed(() => {
    const view = this.outing();
    const sky = this.sky();
    if (!sky) return null;
    const { timesMs, sunAltitudeDeg, cloud } = sky;
    const x = (timeMs: number) => WIDTH * shareOf(view, timeMs);
    const y = (degrees: number) => HEIGHT - 3 - (Math.max(0, degrees) / TOP_DEG) * (HEIGHT - 8);
    const arc = Array.from(
      timesMs,
      (timeMs, step) =>
        `${step === 0 ? 'M' : 'L'}${x(timeMs).toFixed(1)} ${y(sunAltitudeDeg[step]).toFixed(1)}`,
    ).join('');
    const bands = (value: (step: number) => number): Band[] => bandsOf(timesMs, x, value);
    const shade = this.shade() ?? [];
    const placed = shade
      .map((hours) => ({ ...spanOf(hours), label: hours.label }))
      .filter(({ startMs, endMs }) => endMs > view.startMs && startMs < view.endMs);
    return {
      arc,
      night: bands((step) => darkness(sunAltitudeDeg[step])),
      cloud: bands((step) => 0.42 * cloud[step]),
      shade: placed.map(({ startMs, endMs }) => ({ x: x(startMs), width: x(endMs) - x(startMs) })),
      labels: placed.flatMap(({ startMs, label }) =>
        label ? [{ text: label, left: 100 * shareOf(view, Math.max(startMs, view.startMs)) }] : [],
      ),
    };
  });

  protected readonly spoken = computed(() => {
    const sky = this.sky();
    if (!sky) return 'Sky';
    const zone = this.place()?.timeZone ?? 'UTC';
    const { timesMs, sunAltitudeDeg, cloud } = sky;
    const top = sunAltitudeDeg.indexOf(Math.max(...sunAltitudeDeg));
    const mean = cloud.reduce((sum, amount) => sum + amount, 0) / cloud.length;
    return `Sky: the sun is highest at ${sayHour(timesMs[top], zone)}, ${fixed(sunAltitudeDeg[top], 0)} degrees up; clouds ${cloudWord(mean)} on average`;
  });

  protected hover(event: PointerEvent): void {
    this.store.cursorMs.set(this.instantUnder(event.clientX));
  }

  /** The pressed hour gets the next cloud word; dragging paints the same over other hours. */
  protected paint(press: PointerEvent): void {
    const sky = this.sky();
    if (!sky) return;
    const fromMs = this.instantUnder(press.clientX);
    const { timesMs, cloud } = sky;
    const step = Math.max(
      0,
      timesMs.findLastIndex((timeMs) => timeMs <= fromMs),
    );
    const amount = nextCloud(cloud[step]);
    const key = `paint ${press.timeStamp}`;
    const edit = (toMs: number) => this.store.edit((trip) => paintCloud(trip, fromMs, toMs, amount), key);
    edit(fromMs);
    followPointer(press, {
      move: (event) => {
        this.hover(event);
        edit(this.instantUnder(event.clientX));
      },
      end: () => this.store.settle(),
    });
  }

  private instantUnder(clientX: number): number {
    const { left, width } = this.lane().nativeElement.getBoundingClientRect();
    return instantAt(this.outing(), (clientX - left) / width);
  }
}

/** 1 in the night, 0 by day, between in twilight (sun 0 to 12 degrees down). */
const darkness = (altitudeDeg: number): number => Math.min(1, Math.max(0, -altitudeDeg / 12)) * 0.8;

/** Neighbouring steps of the same shading as one band. */
function bandsOf(
  timesMs: Float64Array,
  x: (timeMs: number) => number,
  value: (step: number) => number,
): Band[] {
  const bands: Band[] = [];
  let from = 0;
  const rounded = (step: number) => Math.round(value(step) * 25) / 25;
  for (let step = 1; step < timesMs.length; step++) {
    const last = step === timesMs.length - 1;
    if (rounded(step) === rounded(from) && !last) continue;
    const opacity = rounded(from);
    if (opacity > 0) bands.push({ x: x(timesMs[from]), width: x(timesMs[step]) - x(timesMs[from]), opacity });
    from = step;
  }
  return bands;
}
