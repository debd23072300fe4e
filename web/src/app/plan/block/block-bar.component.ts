import { ChangeDetectionStrategy, Component } from '@angular/core';
import { stepBlock, type BlockStep } from '../../lanes/work/block-keys';
import { injectWorkHands, newBlock } from '../../lanes/work/new-block';

const STEPS: readonly { readonly step: BlockStep; readonly words: string }[] = [
  { step: 'earlier', words: 'Earlier' },
  { step: 'later', words: 'Later' },
  { step: 'shorter', words: 'Shorter' },
  { step: 'longer', words: 'Longer' },
  { step: 'lessPower', words: 'Less power' },
  { step: 'morePower', words: 'More power' },
];

/** What dragging and keys do to the chosen block, by buttons: for a thumb, a switch, a voice. */
@Component({
  selector: 'ks-block-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="block-bar" role="group" aria-label="Hours of operating">
      <button type="button" class="quiet add-hours" (click)="add()">
        <i class="bi bi-plus-lg" aria-hidden="true"></i> Add hours
      </button>
      @if (hands.selection.selected()) {
        @for (one of steps; track one.step) {
          <button type="button" class="quiet" [attr.data-step]="one.step" (click)="take(one.step)">
            {{ one.words }}
          </button>
        }
      }
    </div>
  `,
})
export class BlockBarComponent {
  protected readonly hands = injectWorkHands();
  protected readonly steps = STEPS;

  protected add(): void {
    newBlock(this.hands);
  }

  protected take(step: BlockStep): void {
    const block = this.hands.selection.selected();
    if (block) stepBlock(this.hands, block, step);
  }
}
