import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { USUAL_WEATHER, type Trip } from '@knapsack/contract';
import { CLOUD_WORDS, fixed, HOUR_MS, sayHour, sayTime } from '@knapsack/core';
import type { Choice } from '../../parts/choices';
import { InlineChoiceComponent } from '../../parts/inline-choice.component';
import { CursorLineComponent } from '../cursor-line.component';
import { cloudWord, fogUntil, hourOf, nextCloud, paintSky, rainFrom } from '@knapsack/contract/edits';
import { LanesStore } from '../../trip/lanes.store';
import { TripStore } from '../../trip/trip.store';
import { followPointer } from '../pointer-drag';
import { instantAt, fractionAt } from '../time-scale';
import { skyDrawing } from './sky-drawing';
import { skyView } from './sky-view';
import { SelectionStore } from '../../trip/selection.store';

/** What a press on the sky does: the next cloud word, one word, fog until the hour, rain from it. */
type Brush = 'next' | keyof typeof CLOUD_WORDS | 'fog' | 'rain';

const BRUSHES: readonly Choice<Brush>[] = [
  { value: 'next', label: 'cloudier' },
  ...(Object.keys(CLOUD_WORDS) as (keyof typeof CLOUD_WORDS)[]).map((value) => ({ value, label: value })),
  { value: 'fog', label: 'fog until' },
  { value: 'rain', label: 'rain from' },
];

/** How far sideways a stroke begins, px: less is a press, or a finger that scrolls the page. */
const STROKE_PX = 8;

/** Sun height as an arc, night dark, clouds as shading that is painted by dragging or by keys, shade hatched; on the axis of all lanes. */
@Component({
  selector: 'ks-sky-lane',
  imports: [CursorLineComponent, InlineChoiceComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (drawing(); as now) {
      <div class="lane-name">
        sky
        <ks-choice
          class="brush"
          label="What a press on the sky paints"
          [value]="brush()"
          [choices]="brushes"
          (picked)="brush.set($event)"
        />
      </div>
      <div
        #lane
        class="sky-lane"
        role="slider"
        tabindex="0"
        aria-valuemin="0"
        aria-valuemax="100"
        [attr.aria-label]="spoken()"
        [attr.aria-valuenow]="percentOfHour()"
        [attr.aria-valuetext]="spokenHour()"
        (pointerdown)="paint($event)"
        (pointermove)="hover($event)"
        (pointerleave)="selection.point(null)"
        (keydown)="press($event)"
        (focus)="begin()"
        (blur)="chosen.set(null)"
      >
        <svg viewBox="0 0 1000 60" preserveAspectRatio="none" aria-hidden="true">
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
          @for (x of now.nightEdges; track $index) {
            <line class="night-edge" [attr.x1]="x" [attr.x2]="x" y1="0" y2="60" />
          }
          @for (band of now.shade; track $index) {
            <rect [attr.x]="band.x" y="0" [attr.width]="band.width" height="60" fill="url(#shade-hatch)" />
          }
          <path class="sun-fill" [attr.d]="now.arc + ' L1000 60 L0 60 Z'" />
          <path class="sun" [attr.d]="now.arc" />
          @for (line of now.lines; track line.name) {
            <path [class]="'weather-line ' + line.name" [attr.d]="line.path" />
          }
        </svg>
        <ks-cursor-line />
        @if (box(); as chosen) {
          <span class="chosen-hours" [style.left.%]="chosen.left" [style.width.%]="chosen.width"></span>
        }
        @for (label of now.labels; track $index) {
          <span class="sky-label" [style.left.%]="label.left">{{ label.text }}</span>
        }
      </div>
      @if (now.lines.length > 0) {
        <div class="sky-legend">
          @for (line of now.lines; track line.name) {
            <span [class]="'sign ' + line.name"></span> {{ line.words }}
          }
        </div>
      }
    }
  `,
})
export class SkyLaneComponent {
  protected readonly store = inject(TripStore);
  protected readonly selection = inject(SelectionStore);
  private readonly lanes = inject(LanesStore);
  private readonly visible = this.lanes.visible;
  private readonly lane = viewChild.required<ElementRef<HTMLElement>>('lane');
  protected readonly brushes = BRUSHES;
  protected readonly brush = signal<Brush>('next');
  /** The hours that keys act on: where the choice began and where it stands, UTC epoch ms of their starts. */
  protected readonly chosen = signal<{ readonly fromMs: number; readonly atMs: number } | null>(null);

  // Each by itself, so that the sky is drawn anew only when it changes, not while a block is dragged.
  private readonly place = computed(() => this.store.trip()?.place ?? null);
  private readonly weather = computed(() => this.store.trip()?.weather ?? USUAL_WEATHER);
  private readonly start = computed(() => this.store.trip()?.start ?? '');
  private readonly shade = computed(() => this.store.trip()?.panelPlace?.shade ?? null);
  private readonly airC = computed(() => this.store.trip()?.temperatureC ?? 15);
  private readonly zone = computed(() => this.place()?.timeZone ?? 'UTC');
  private readonly sky = computed(() => {
    const place = this.place();
    const weather = this.weather();
    const start = this.start();
    return place && skyView({ place, weather, start, temperatureC: this.airC() }, this.visible());
  });

  protected readonly drawing = computed(() => {
    const sky = this.sky();
    return sky && skyDrawing(sky, this.visible(), this.shade() ?? []);
  });

  protected readonly box = computed(() => {
    const chosen = this.chosen();
    if (!chosen) return null;
    const left = 100 * fractionAt(this.visible(), Math.min(chosen.fromMs, chosen.atMs));
    const right = 100 * fractionAt(this.visible(), Math.max(chosen.fromMs, chosen.atMs) + HOUR_MS);
    return { left, width: right - left };
  });

  protected readonly spoken = computed(() => {
    const sky = this.sky();
    if (!sky) return 'Sky';
    const { timesMs, sunAltitudeDeg, cloud } = sky;
    const top = sunAltitudeDeg.indexOf(Math.max(...sunAltitudeDeg));
    const mean = cloud.reduce((sum, amount) => sum + amount, 0) / cloud.length;
    const lines = this.drawing()?.lines.map(({ words }) => words) ?? [];
    return [
      `Sky: the sun is highest at ${sayHour(timesMs[top], this.zone())}, ${fixed(sunAltitudeDeg[top], 0)} degrees up; clouds ${cloudWord(mean)} on average`,
      ...lines,
    ].join(', ');
  });
  protected readonly percentOfHour = computed(() => {
    const chosen = this.chosen();
    return chosen
      ? Math.round(100 * Math.min(1, Math.max(0, fractionAt(this.lanes.outing(), chosen.atMs))))
      : 0;
  });
  protected readonly spokenHour = computed(() => {
    const chosen = this.chosen();
    if (!chosen) return 'no hour chosen';
    const { cloud, closed } = this.skyAt(chosen.atMs);
    return `${sayTime(chosen.atMs, this.zone())}, ${closed ?? cloudWord(cloud)}`;
  });

  protected hover(event: PointerEvent): void {
    this.selection.point(this.instantUnder(event.clientX));
  }

  /** The pressed hour gets what the brush holds once it is let go; a stroke sideways paints the same over other hours. */
  protected paint(press: PointerEvent): void {
    const fromMs = this.instantUnder(press.clientX);
    const key = `paint ${press.timeStamp}`;
    const stroke = this.strokeFrom(fromMs);
    const edit = (toMs: number) => this.store.edit((trip) => stroke(trip, toMs), key);
    followPointer(
      press,
      {
        move: (event) => edit(this.instantUnder(event.clientX)),
        end: (_event, moved) => {
          if (!moved) edit(fromMs);
          this.store.settle();
        },
        off: () => this.store.callOff(key),
      },
      { afterPx: STROKE_PX },
    );
  }

  /** Arrows choose hours; 0 to 8 give them that many eighths of cloud; f: fog until them, r: rain from them. */
  protected press(event: KeyboardEvent): void {
    const chosen = this.chosen();
    if (!chosen || event.ctrlKey || event.metaKey || event.altKey) return;
    const by = { ArrowLeft: -HOUR_MS, ArrowRight: HOUR_MS }[event.key];
    if (by !== undefined) this.walk(chosen, by, event.shiftKey);
    else if (/^[0-8]$/.test(event.key)) {
      const { fromMs, atMs } = chosen;
      this.store.edit((trip) => paintSky(trip, fromMs, atMs, { cloud: Number(event.key) / 8 }));
    } else if (event.key === 'f')
      this.store.edit((trip) => fogUntil(trip, Math.max(chosen.fromMs, chosen.atMs) + HOUR_MS));
    else if (event.key === 'r')
      this.store.edit((trip) => rainFrom(trip, Math.min(chosen.fromMs, chosen.atMs)));
    else return;
    event.preventDefault();
  }

  /** The first chosen hour: that of the cursor, else the first that is seen. */
  protected begin(): void {
    const hour = hourOf(this.selection.cursorMs() ?? this.visible().startMs);
    this.chosen.set({ fromMs: hour, atMs: hour });
  }

  private walk(
    { fromMs, atMs }: { readonly fromMs: number; readonly atMs: number },
    by: number,
    extend: boolean,
  ): void {
    const { startMs, endMs } = this.lanes.outing();
    const to = Math.min(hourOf(endMs - 1), Math.max(hourOf(startMs), atMs + by));
    this.chosen.set({ fromMs: extend ? fromMs : to, atMs: to });
    this.selection.point(Math.max(startMs, to));
  }

  /** What a stroke of the brush that began at an instant does, up to where the pointer is. */
  private strokeFrom(fromMs: number): (trip: Trip, toMs: number) => Trip {
    const brush = this.brush();
    if (brush === 'fog') return (trip, toMs) => fogUntil(trip, hourOf(toMs) + HOUR_MS);
    if (brush === 'rain') return (trip, toMs) => rainFrom(trip, hourOf(toMs));
    const cloud = brush === 'next' ? nextCloud(this.skyAt(fromMs).cloud) : CLOUD_WORDS[brush];
    return (trip, toMs) => paintSky(trip, fromMs, toMs, { cloud });
  }

  private skyAt(timeMs: number): { readonly cloud: number; readonly closed: 'fog' | 'rain' | null } {
    const sky = this.sky();
    if (!sky) return { cloud: 0, closed: null };
    const step = Math.max(
      0,
      sky.timesMs.findLastIndex((other) => other <= timeMs),
    );
    return { cloud: sky.cloud[step], closed: sky.closed[step] };
  }

  private instantUnder(clientX: number): number {
    const { left, width } = this.lane().nativeElement.getBoundingClientRect();
    return instantAt(this.visible(), (clientX - left) / width);
  }
}
