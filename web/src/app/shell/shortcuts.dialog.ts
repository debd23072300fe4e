import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { NgbActiveModal } from '@ng-bootstrap/ng-bootstrap/modal';
import { shortcutsWith } from './shortcuts';
import { TRIP_ROOMS } from './trip-rooms';

@Component({
  selector: 'ks-shortcuts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="dialog">
      <header>
        <h2 id="shortcuts-title">Keys</h2>
        <button type="button" class="quiet" (click)="modal.close()" aria-label="Close">
          <i class="bi bi-x-lg"></i>
        </button>
      </header>
      @for (group of groups; track group.room) {
        <h3>{{ group.room }}</h3>
        <dl class="keys">
          @for (key of group.keys; track key[0]) {
            <dt>
              <kbd>{{ key[0] }}</kbd>
            </dt>
            <dd>{{ key[1] }}</dd>
          }
        </dl>
      }
    </div>
  `,
})
export class ShortcutsDialog {
  protected readonly modal = inject(NgbActiveModal);
  protected readonly groups = shortcutsWith(inject(TRIP_ROOMS));
}
