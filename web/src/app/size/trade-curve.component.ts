import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { CHEMISTRIES, fixed, MONTH_NAMES, TRADE_CHANCES } from '@knapsack/core';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import { PlotGridComponent } from './plot-grid.component';
import { pathOf, plotScale, roundTicks, isNarrow, type Plot } from './scatter-scale';
import { SizeStore } from './size.store';

const plotFor = (narrow: boolean): Plot => ({
  width: narrow ? 366 : 450,
  height: 235,
  left: 48,
  right: 40,
  top: 10,
  bottom: 26,
});

/** What a battery and a panel of any size must be: the trade between them, the smallest of each chemistry, the panel that carries on for ever. */
@Component({
  selector: 'ks-trade-curve',
  imports: [InlineChoiceComponent, PlotGridComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <figure class="scatter trade">
      <figcaption>Smallest {{ chemistry() }}, against the panel beside it</figcaption>
      @if (points().length > 1) {
        <svg [attr.viewBox]="'0 0 ' + plot.width + ' ' + plot.height" role="img" [attr.aria-label]="words()">
          <svg:g ksPlotGrid [plot]="plot" [xTicks]="xTicks()" [yTicks]="yTicks()" />
          @for (line of lines(); track line.chance) {
            <path class="trade-line" [class.asked]="line.asked" [attr.d]="line.path" />
            <text class="line-name" [attr.x]="line.nameX" [attr.y]="line.nameY">{{ line.chance }}</text>
          }
        </svg>
      } @else {
        <p class="muted">{{ waiting() }}</p>
      }
    </figure>
    @if (smallest().length > 0) {
      <p class="ideal">
        Without sun, for {{ asked() }}:
        @for (battery of smallest(); track battery.name) {
          <span class="figure"
            ><b>{{ battery.size }}</b> {{ battery.name }}</span
          >
        }
      </p>
    }
    @if (forEver(); as panel) {
      <p class="ideal">
        {{ panel.words }} in
        <ks-choice
          label="Month"
          [value]="panel.month"
          [choices]="months"
          (picked)="store.month.set(toNumber($event))"
        />.
      </p>
    }
  `,
})
export class TradeCurveComponent {
  protected readonly store = inject(SizeStore);
  protected readonly plot = plotFor(isNarrow());
  protected readonly months = MONTH_NAMES.map((label, index) => ({ value: String(index + 1), label }));
  private readonly ideal = this.store.ideal;
  protected readonly toNumber = Number;
  protected readonly asked = computed(() => `${Math.round(this.store.options().chance * 100)} of 100`);
  protected readonly chemistry = computed(() => {
    const of = this.ideal()?.trade.chemistry;
    return of ? `${CHEMISTRIES[of].label} battery` : 'battery';
  });
  protected readonly points = computed(() => this.ideal()?.trade.points ?? []);
  protected readonly waiting = computed(() =>
    this.ideal() ? 'Put a panel in the bag, and the trade with the battery is drawn here.' : 'Calculating …',
  );
  private readonly scale = computed(() => {
    const all = this.points().flatMap(({ ampereHours }) => ampereHours.filter((value) => value !== null));
    const most = Math.max(...all, 1) * 1.04;
    // Down to the smallest, not to nothing: the lines lie near each other.
    const least = Math.min(...all, most) * 0.85;
    return { ...plotScale(this.plot, [0, 200], [least, most]), least, most };
  });
  protected readonly yTicks = computed(() =>
    roundTicks(this.scale().least, this.scale().most, 5).map((value) => ({
      at: this.scale().y(value),
      words: `${value} Ah`,
    })),
  );
  protected readonly xTicks = computed(() =>
    [0, 50, 100, 150, 200].map((watts) => ({ at: this.scale().x(watts), words: `${watts} W` })),
  );
  protected readonly lines = computed(() => {
    const points = this.points();
    const scale = this.scale();
    return TRADE_CHANCES.map((chance, index) => {
      const known = points.flatMap(({ watts, ampereHours }) => {
        const value = ampereHours[index];
        return value === null ? [] : [{ x: scale.x(watts), y: scale.y(value) }];
      });
      const at = known.at(-1) ?? { x: 0, y: 0 };
      return {
        chance: `${chance * 100} %`,
        asked: Math.abs(chance - this.store.options().chance) < 0.005,
        path: pathOf(known),
        nameX: at.x + 5,
        nameY: at.y + 4,
      };
    });
  });
  protected readonly words = computed(() =>
    this.points()
      .map(
        ({ watts, ampereHours }) =>
          `${watts} W: ${ampereHours[2] === null ? 'no size' : `${fixed(ampereHours[2], 1)} Ah`}`,
      )
      .join('; '),
  );
  protected readonly smallest = computed(() =>
    (this.ideal()?.batteries ?? []).map(({ chemistry, ampereHours }) => ({
      name: CHEMISTRIES[chemistry].label,
      size: ampereHours === null ? 'no size' : `${fixed(ampereHours, ampereHours < 10 ? 1 : 0)} Ah`,
    })),
  );
  protected readonly forEver = computed(() => {
    const panel = this.ideal()?.forEver;
    if (!panel) return null;
    const words =
      panel.watts === null
        ? 'No panel up to 800 W carries the mean load for ever'
        : `A panel of ${panel.watts} W carries the mean load for ever`;
    return { words, month: String(panel.month) };
  });
}
