import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Span } from '@knapsack/core';
import { InlineTimeComponent } from './inline-time.component';

/** "from Sat 4 Sep 10:00 to Sat 4 Sep 12:00" within a sentence, both ends edited in place. */
@Component({
  selector: 'ks-span',
  imports: [InlineTimeComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span class="together"
      >from
      <ks-time
        [label]="startLabel()"
        [valueMs]="span().startMs"
        [zone]="zone()"
        [accept]="acceptStart()" /></span
    >&ngsp;<span class="together"
      >to <ks-time [label]="endLabel()" [valueMs]="span().endMs" [zone]="zone()" [accept]="acceptEnd()"
    /></span>
  `,
})
export class InlineSpanComponent {
  readonly span = input.required<Span>();
  readonly zone = input.required<string>();
  readonly startLabel = input.required<string>();
  readonly endLabel = input.required<string>();
  /** Takes an instant for one end, or gives the sentence that says why not. */
  readonly acceptStart = input.required<(timeMs: number) => string | null>();
  readonly acceptEnd = input.required<(timeMs: number) => string | null>();
}
