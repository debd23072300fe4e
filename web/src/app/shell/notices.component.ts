import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { NoticesService, type Notice } from './notices.service';

@Component({
  selector: 'ks-notices',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="notices">
      @if (notices.notice(); as notice) {
        <div class="notice">
          <span>{{ notice.text }}</span>
          @if (notice.action; as action) {
            <button type="button" (click)="act(notice)">{{ action.label }}</button>
          }
          <button type="button" class="quiet" (click)="notices.dismiss()" aria-label="Dismiss">
            <i class="bi bi-x-lg"></i>
          </button>
        </div>
      }
    </div>
  `,
})
export class NoticesComponent {
  protected readonly notices = inject(NoticesService);

  protected act(notice: Notice): void {
    this.notices.dismiss();
    notice.action?.run();
  }
}
