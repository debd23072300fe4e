import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Shape } from '@knapsack/contract/harness';

/** What is drawn of one run or part of a harness; how it looks stands in the stylesheet. */
@Component({
  selector: '[ksShapes]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (shape of shapes(); track $index) {
      @if (shape.is === 'path') {
        @if (shape.look === 'run' || shape.look === 'run-gap') {
          <svg:path class="hit" [attr.d]="shape.d" />
        }
        <svg:path [attr.class]="'s-' + shape.look" [attr.d]="shape.d" />
      } @else {
        <svg:text
          [attr.class]="'s-' + shape.look"
          [attr.x]="shape.x"
          [attr.y]="shape.y"
          [attr.text-anchor]="shape.anchor"
        >
          {{ shape.text }}
        </svg:text>
      }
    }
  `,
})
export class HarnessShapesComponent {
  readonly shapes = input.required<readonly Shape[]>();
}
