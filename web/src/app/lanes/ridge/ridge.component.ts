import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  viewChild,
  type ElementRef,
  type OnDestroy,
} from '@angular/core';
import { MINUTE_MS, valueAt } from '@knapsack/core';
import type { Choice } from '../../parts/choices';
import { InlineChoiceComponent } from '../../parts/inline-choice.component';
import { ThemeService } from '../../shell/theme.service';
import { QUARTER_MS } from '@knapsack/contract/edits';
import { ChanceStore } from '../../trip/chance.store';
import { CursorLineComponent } from '../cursor-line.component';
import { GhostStore } from '../../trip/ghost.store';
import { LanesStore, type RidgeFace } from '../../trip/lanes.store';
import { TripStore } from '../../trip/trip.store';
import { readoutAt } from '../readout/readout';
import { instantAt, fractionAt } from '../time-scale';
import { readPalette } from '../../parts/palette';
import type { ForecastView } from '../../work/forecast-protocol';
import { VariantsStore } from '../../trip/variants.store';
import { pictureOf } from './picture';
import { RidgeChart } from './ridge-chart';
import { readMargins, type BesideLine, type Scene } from './scene';
import { ForecastStore } from '../../trip/forecast.store';
import { SelectionStore } from '../../trip/selection.store';

/** How the lines of other variants are told apart, in their order. */
const DASHES: readonly (readonly number[])[] = [
  [9, 4],
  [2, 4],
  [9, 4, 2, 4],
];

/** Charge over time as a ridge line; the arrow keys walk the cursor along it and it reads out where it stands. */
@Component({
  selector: 'ks-ridge',
  imports: [CursorLineComponent, InlineChoiceComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="lane-name">
      <ks-choice
        label="What the ridge shows"
        [value]="lanes.face()"
        [choices]="faces"
        (picked)="lanes.face.set($event)"
      />
    </div>
    <div
      class="ridge"
      role="slider"
      tabindex="0"
      aria-label="Charge in the battery over the outing"
      aria-valuemin="0"
      aria-valuemax="100"
      [attr.aria-valuenow]="percent()"
      [attr.aria-valuetext]="spoken()"
      (pointermove)="hover($event)"
      (pointerdown)="hover($event)"
      (pointerleave)="selection.point(null)"
      (keydown)="walk($event)"
    >
      <div class="ridge-drawing"><canvas #canvas aria-hidden="true"></canvas></div>
      <div class="ridge-plot">
        <ks-cursor-line />
        @if (dot(); as at) {
          <span class="cursor-dot" [style.left.%]="at.left" [style.bottom.%]="at.bottom"></span>
        }
      </div>
    </div>
  `,
})
export class RidgeComponent implements OnDestroy {
  protected readonly store = inject(TripStore);
  protected readonly forecast = inject(ForecastStore);
  protected readonly selection = inject(SelectionStore);
  protected readonly lanes = inject(LanesStore);
  private readonly variants = inject(VariantsStore);
  private readonly ghost = inject(GhostStore);
  private readonly chances = inject(ChanceStore);
  private readonly themes = inject(ThemeService);
  protected readonly faces: readonly Choice<RidgeFace>[] = [
    { value: 'charge', label: 'charge' },
    { value: 'volts', label: 'volts' },
  ];
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private chart: RidgeChart | null = null;

  private readonly palette = computed(() => {
    this.themes.theme();
    return readPalette(this.canvas().nativeElement);
  });
  private readonly readout = computed(() => {
    const view = this.forecast.view();
    return view && readoutAt(view, this.store.trip(), this.selection.cursorMs());
  });
  private readonly picture = computed(() => {
    const view = this.forecast.view();
    return view && pictureOf(view, this.lanes.face());
  });
  private readonly beside = computed<readonly BesideLine[]>(() => {
    const face = this.lanes.face();
    const line = (name: string, view: ForecastView, dash: readonly number[]): BesideLine => ({
      name,
      edgesMs: view.edgesMs,
      picture: pictureOf(view, face),
      dash,
    });
    if (this.variants.comparing()) {
      return this.variants
        .rows()
        .flatMap(({ id, name, view }, at) =>
          id !== null && view ? [line(name, view, DASHES[at - 1] ?? [])] : [],
        );
    }
    const before = this.ghost.shown();
    return before ? [line('before', before.view, [5, 4])] : [];
  });
  private readonly zone = computed(() => this.store.trip()?.place.timeZone ?? 'UTC');
  /** Where the cursor meets the ridge, over the drawing, so that it moves without the ridge being drawn anew. */
  protected readonly dot = computed(() => {
    const view = this.forecast.view();
    const picture = this.picture();
    const cursorMs = this.selection.cursorMs();
    if (!view || !picture || cursorMs === null) return null;
    const left = fractionAt(this.lanes.visible(), cursorMs);
    if (left < 0 || left > 1) return null;
    const { least, most, values } = picture;
    return {
      left: 100 * left,
      bottom: (100 * (valueAt(view.edgesMs, values, cursorMs) - least)) / (most - least),
    };
  });
  protected readonly percent = computed(() => Math.round((this.readout()?.soc ?? 0) * 100));
  protected readonly spoken = computed(() => this.readout()?.words ?? 'no forecast yet');

  private readonly scene = computed<Scene | null>(() => {
    const view = this.forecast.view();
    const picture = this.picture();
    if (!view || !picture) return null;
    return {
      view,
      picture,
      beside: this.beside(),
      haze: this.lanes.face() === 'charge' ? this.chances.chance() : null,
      visible: this.lanes.visible(),
      zone: this.zone(),
      palette: this.palette(),
      margins: readMargins(),
    };
  });

  constructor() {
    // Once all that stands around it has its place: drawn before, it would be drawn again in another height.
    const first = afterRenderEffect(() => {
      const scene = this.scene();
      if (!scene) return;
      this.chart = new RidgeChart(this.canvas().nativeElement, scene);
      first.destroy();
    });
    effect(() => {
      const scene = this.scene();
      if (scene) this.chart?.show(scene);
    });
  }

  ngOnDestroy(): void {
    this.chart?.destroy();
  }

  protected hover(event: PointerEvent): void {
    const element = event.currentTarget as HTMLElement;
    const { left, width } = element.getBoundingClientRect();
    const margins = readMargins();
    const share = (event.clientX - left - margins.left) / (width - margins.left - margins.right);
    this.selection.point(Math.round(instantAt(this.lanes.visible(), share) / MINUTE_MS) * MINUTE_MS);
  }

  protected walk(event: KeyboardEvent): void {
    const view = this.forecast.view();
    const steps = { ArrowLeft: -1, ArrowRight: 1, PageDown: -4, PageUp: 4 }[event.key];
    if (!view) return;
    const from = this.selection.cursorMs() ?? view.verdict.lowestMs;
    const toMs =
      event.key === 'Home'
        ? view.startMs
        : event.key === 'End'
          ? view.endMs
          : steps
            ? from + steps * QUARTER_MS
            : null;
    if (toMs === null) return;
    event.preventDefault();
    this.selection.point(Math.min(view.endMs, Math.max(view.startMs, toMs)));
  }
}
