import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Plot, Tick } from './scatter-scale';

/** The hairlines of a plot with their words, under and left of it. */
@Component({
  // An attribute, since a picture holds nothing but its own elements.

  selector: 'g[ksPlotGrid]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (tick of yTicks(); track tick.at) {
      <svg:line
        class="grid"
        [attr.x1]="plot().left"
        [attr.x2]="plot().width - plot().right"
        [attr.y1]="tick.at"
        [attr.y2]="tick.at"
      />
      <svg:text class="y" [attr.x]="plot().left - 8" [attr.y]="tick.at + 4">{{ tick.words }}</svg:text>
    }
    @for (tick of xTicks(); track tick.at) {
      <svg:line
        class="grid"
        [attr.x1]="tick.at"
        [attr.x2]="tick.at"
        [attr.y1]="plot().top"
        [attr.y2]="plot().height - plot().bottom"
      />
      <svg:text class="x" [attr.x]="tick.at" [attr.y]="plot().height - plot().bottom + 17">
        {{ tick.words }}
      </svg:text>
    }
  `,
})
export class PlotGridComponent {
  readonly plot = input.required<Plot>();
  readonly xTicks = input.required<readonly Tick[]>();
  readonly yTicks = input.required<readonly Tick[]>();
}
