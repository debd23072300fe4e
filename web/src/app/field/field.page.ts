import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { RoomKeysDirective } from '../trip/room-keys.directive';
import type { WantsHeight } from '../trip/trip-header.component';
import { TripStore } from '../trip/trip.store';
import { DryRunComponent } from './dry-run.component';
import { DryRunMemory } from './dry-run-memory';
import { FieldRoomComponent } from './field-room.component';
import { OutingClock, WallClock } from './outing-clock';

/** The Field room: during the outing, in one hand; at home a dry run of it. */
@Component({
  selector: 'ks-field',
  imports: [DryRunComponent, FieldRoomComponent],
  providers: [{ provide: OutingClock, useClass: WallClock }, DryRunMemory],
  hostDirectives: [RoomKeysDirective],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (isDry()) {
      <ks-dry-run (left)="isDry.set(false)" />
    } @else {
      <ks-field-room />
      <p class="try-at-home">
        <button type="button" class="quiet" (click)="isDry.set(true)">
          <i class="bi bi-play" aria-hidden="true"></i> Dry run: this outing at home, with simulated
          instruments
        </button>
      </p>
    }
  `,
})
export class FieldPage implements WantsHeight {
  readonly wantsHeight = true;
  /** One that was left in the middle goes on where it was. */
  protected readonly isDry = signal(inject(DryRunMemory).holds(inject(TripStore).trip()?.id ?? ''));
}
