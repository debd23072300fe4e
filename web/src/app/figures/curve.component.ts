import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Gear } from '@knapsack/contract';
import { tellingCurve } from './telling-curve';

const WIDTH = 120;
const HEIGHT = 44;

/** An item's telling curve as a small drawing. */
@Component({
  selector: 'ks-curve',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (drawing(); as now) {
      <figure class="curve" role="img" [attr.aria-label]="now.words">
        <svg viewBox="0 -3 120 50" aria-hidden="true">
          <path class="area" [attr.d]="now.area" />
          <path class="line" [class.guessed]="now.guessed" [attr.d]="now.line" />
          @for (mark of now.sheet; track $index) {
            <path class="sheet" [attr.d]="mark" />
          }
          @for (mark of now.marks; track $index) {
            <circle [attr.cx]="mark.x" [attr.cy]="mark.y" r="2.6" />
          }
        </svg>
        <figcaption aria-hidden="true">
          <span>{{ now.from }}</span><span>{{ now.to }}, {{ now.top }}</span>
        </figcaption>
      </figure>
    }
  `,
})
export class CurveComponent {
  readonly gear = input.required<Gear>();

  protected readonly drawing = computed(() => {
    const curve = tellingCurve(this.gear());
    if (!curve) return null;
    const most = Math.max(...[...curve.points, ...curve.sheet].map(({ y }) => y), 1e-9);
    const place = ({ x, y }: { x: number; y: number }) => ({ x: x * WIDTH, y: HEIGHT * (1 - y / most) });
    const line = curve.points
      .map(place)
      .map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`)
      .join('');
    return {
      ...curve,
      line,
      area: `${line}L${WIDTH} ${HEIGHT}L0 ${HEIGHT}Z`,
      marks: curve.marks.map(place),
      sheet: curve.sheet
        .map(place)
        .map(({ x, y }) => `M${x - 3} ${y - 3}L${x + 3} ${y + 3}M${x - 3} ${y + 3}L${x + 3} ${y - 3}`),
    };
  });
}
