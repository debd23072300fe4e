import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { sayQuantity, type Sum, type Swing } from '@knapsack/core';
import { SumComponent } from '../../parts/sum.component';
import { ChanceStore } from '../../trip/chance.store';

/** Space of the bars, in their own units. */
const WIDTH = 200;

interface Bar {
  readonly swing: Swing;
  readonly badX: number;
  readonly goodX: number;
  readonly bad: string;
  readonly good: string;
}

/** What a chance means, how sure it is, and what matters most: a bar for each thing that is not known, the widest on top. */
@Component({
  selector: 'ks-chances',
  imports: [SumComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (sum(); as lines) {
      <ks-sum [sum]="lines" />
    }
    @if (tornado(); as picture) {
      <h3 class="tornado-title">What matters most</h3>
      <p class="muted">
        Charge to spare at the lowest point, {{ expected() }} with all as expected; each bar from one of ten
        times worse to one of ten times better.
      </p>
      <ul class="tornado">
        @for (bar of bars(); track bar.swing.input) {
          <li>
            <span class="label">{{ bar.swing.label }}</span>
            <svg [attr.viewBox]="'0 0 ' + width + ' 14'" preserveAspectRatio="none" aria-hidden="true">
              @if (zeroX(); as x) {
                <line class="zero" [attr.x1]="x" [attr.x2]="x" y1="0" y2="14" />
              }
              <line class="expected" [attr.x1]="expectedX()" [attr.x2]="expectedX()" y1="0" y2="14" />
              <rect
                class="bad"
                [attr.x]="min(bar.badX, expectedX())"
                [attr.width]="abs(bar.badX - expectedX())"
                y="2"
                height="10"
              />
              <rect
                class="good"
                [attr.x]="min(bar.goodX, expectedX())"
                [attr.width]="abs(bar.goodX - expectedX())"
                y="4"
                height="6"
              />
            </svg>
            <span class="ends">{{ bar.bad }} · {{ bar.good }}</span>
          </li>
        }
      </ul>
    }
  `,
})
export class ChancesComponent {
  private readonly store = inject(ChanceStore);
  protected readonly tornado = this.store.tornado;
  protected readonly width = WIDTH;
  /** Without the swings: they have their picture. */
  protected readonly sum = computed<Sum | null>(() => {
    const sum = this.store.sum();
    const swings = this.tornado()?.swings.length;
    return sum && { ...sum, lines: swings === undefined ? sum.lines : sum.lines.slice(0, -swings - 1) };
  });
  protected readonly expected = computed(() =>
    sayQuantity({ value: this.tornado()?.expectedAh ?? 0, unit: 'Ah' }),
  );
  private readonly scale = computed(() => {
    const { expectedAh, swings } = this.tornado() ?? { expectedAh: 0, swings: [] };
    const all = [expectedAh, ...swings.flatMap(({ badAh, goodAh }) => [badAh, goodAh])];
    const [least, most] = [Math.min(...all), Math.max(...all)];
    const room = Math.max(most - least, 0.01);
    return (ampereHours: number) => ((ampereHours - least) / room) * WIDTH;
  });
  protected readonly expectedX = computed(() => this.scale()(this.tornado()?.expectedAh ?? 0));
  /** Where nothing is left above the reserve, if that lies in the picture. */
  protected readonly zeroX = computed(() => {
    const x = this.scale()(0);
    return x > 0 && x < WIDTH ? x : null;
  });
  protected readonly bars = computed<readonly Bar[]>(() => {
    const x = this.scale();
    const say = (words: string, ampereHours: number) =>
      `${words}: ${sayQuantity({ value: ampereHours, unit: 'Ah' })}`;
    return (this.tornado()?.swings ?? []).map((swing) => ({
      swing,
      badX: x(swing.badAh),
      goodX: x(swing.goodAh),
      bad: say(swing.bad, swing.badAh),
      good: say(swing.good, swing.goodAh),
    }));
  });
  protected readonly min = Math.min;
  protected readonly abs = Math.abs;
}
