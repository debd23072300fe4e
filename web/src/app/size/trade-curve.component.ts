import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { CHEMISTRIES, fixed, MONTH_NAMES, TRADE_CHANCES } from '@knapsack/core';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import type { PlotAxis, PlotView } from './plot-chart';
import { along, PlotComponent } from './plot.component';
import { roundTicks } from './round-ticks';
import { SizeStore } from './size.store';

/** Height of a line's name, % of the plot's. */
const NAME_PERCENT = 7;

/** Panels that are drawn, W, and where one is marked; there is room for the lines' names behind the last. */
const X_AXIS: PlotAxis = {
  least: 0,
  most: 218,
  ticks: [0, 50, 100, 150, 200].map((value) => ({ value, words: `${value} W` })),
};

/** What a battery and a panel of any size must be: the trade between them, the smallest of each chemistry, the panel that carries on for ever. */
@Component({
  selector: 'ks-trade-curve',
  imports: [InlineChoiceComponent, PlotComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <figure class="scatter trade">
      <figcaption>Smallest {{ chemistry() }}, against the panel beside it</figcaption>
      @if (points().length > 1) {
        <ks-plot role="img" [attr.aria-label]="words()" [view]="view()">
          @for (line of lines(); track line.chance) {
            <span class="words line-name" [style.left.%]="line.left" [style.bottom.%]="line.bottom">{{
              line.chance
            }}</span>
          }
        </ks-plot>
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
  private readonly yAxis = computed<PlotAxis>(() => {
    const all = this.points().flatMap(({ ampereHours }) => ampereHours.filter((value) => value !== null));
    const most = Math.max(...all, 1) * 1.04;
    // Down to the smallest, not to nothing: the lines lie near each other.
    const least = Math.min(...all, most) * 0.85;
    const ticks = roundTicks(least, most, 5).map((value) => ({ value, words: `${value} Ah` }));
    return { least, most, ticks };
  });
  protected readonly lines = computed(() => {
    let highest = -Infinity;
    return TRADE_CHANCES.map((chance, index) => {
      const known = this.points().flatMap(({ watts, ampereHours }) => {
        const value = ampereHours[index];
        return value === null ? [] : [{ x: watts, y: value }];
      });
      const last = known.at(-1) ?? { x: 0, y: 0 };
      // The names of lines that lie near each other stand above one another.
      highest = Math.max(along(this.yAxis(), last.y), highest + NAME_PERCENT);
      return {
        chance: `${chance * 100} %`,
        asked: Math.abs(chance - this.store.options().chance) < 0.005,
        known,
        left: along(X_AXIS, last.x),
        bottom: highest,
      };
    });
  });
  protected readonly view = computed<PlotView>(() => ({
    x: X_AXIS,
    y: this.yAxis(),
    marks: this.lines().map(({ known, asked }) => ({
      points: known,
      colour: 'slate',
      line: asked ? 'ridge' : 1.1,
    })),
  }));
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
        ? 'No panel up to 800 W carries the mean load under the usual sky'
        : `A panel of ${panel.watts} W carries the mean load under the usual sky`;
    return { words, month: String(panel.month) };
  });
}
