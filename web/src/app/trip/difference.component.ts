import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { GhostStore } from './ghost.store';

/** What the last changes did to the plan, in words, to be kept or taken back. */
@Component({
  selector: 'ks-difference',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (ghost.words(); as words) {
      @if (words.length > 0) {
        <span class="ghost-sign" aria-hidden="true"></span>
        <b>{{ words.join(' · ') }}</b>
        <button type="button" class="quiet" (click)="ghost.keep()">Keep</button>
        <button type="button" class="quiet" (click)="ghost.takeBack()">Take back</button>
      }
    }
  `,
  host: { class: 'difference' },
})
export class DifferenceComponent {
  protected readonly ghost = inject(GhostStore);
}
