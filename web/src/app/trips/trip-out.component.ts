import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import type { TripSummary } from '@knapsack/contract';
import {
  NgbDropdown,
  NgbDropdownItem,
  NgbDropdownMenu,
  NgbDropdownToggle,
} from '@ng-bootstrap/ng-bootstrap/dropdown';
import { firstValueFrom } from 'rxjs';
import type { TripFormat } from '../data/api-questions';
import { ApiService } from '../data/api.service';
import { problemText } from '../data/problem-text';
import { saveFile } from '../data/save-file';

const FORMATS: readonly {
  readonly as: TripFormat;
  readonly words: string;
  readonly about: string;
  readonly ending: string;
}[] = [
  { as: 'file', words: 'Trip file', about: 'with its gear, to open in another Knapsack', ending: 'json' },
  { as: 'calendar', words: 'Calendar', about: 'charging, departure, blocks, end (.ics)', ending: 'ics' },
  { as: 'gpx', words: 'Place as GPX', about: 'a waypoint for a receiver or a map', ending: 'gpx' },
  { as: 'geojson', words: 'Place as GeoJSON', about: 'a point for a map', ending: 'geojson' },
];

/** A trip out as a file that others read. */
@Component({
  selector: 'ks-trip-out',
  imports: [NgbDropdown, NgbDropdownItem, NgbDropdownMenu, NgbDropdownToggle],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div ngbDropdown class="trip-out" placement="bottom-end" container="body">
      <button type="button" class="quiet" ngbDropdownToggle [attr.aria-label]="'Save ' + trip().name + ' as'">
        <i class="bi bi-download" aria-hidden="true"></i>
      </button>
      <div ngbDropdownMenu class="swap-menu">
        @for (format of formats; track format.as) {
          <button type="button" ngbDropdownItem (click)="save(format)">
            <b>{{ format.words }}</b> <span class="muted">{{ format.about }}</span>
          </button>
        }
      </div>
    </div>
  `,
})
export class TripOutComponent {
  readonly trip = input.required<TripSummary>();
  /** What went wrong, in a sentence. */
  readonly failed = output<string>();
  private readonly api = inject(ApiService);
  protected readonly formats = FORMATS;

  protected async save({ as, ending }: (typeof FORMATS)[number]): Promise<void> {
    const { id } = this.trip();
    try {
      const content = await firstValueFrom(this.api.tripAs(id, as));
      saveFile(`${id}.${ending}`, [content], content.type);
    } catch (error) {
      this.failed.emit(problemText(error));
    }
  }
}
