import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import type { Waypoint } from '@knapsack/contract';
import { sayCoordinates } from '@knapsack/core';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { problemText } from '../data/problem-text';
import { NoticesService } from '../shell/notices.service';

const LARGEST_FILE = 1_900_000;

/** A place out of a GPX or GeoJSON file; where the file has several points, one of them is chosen. */
@Component({
  selector: 'ks-place-file',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button
      type="button"
      class="quiet"
      (click)="file.click()"
      aria-label="Place from a file"
      title="Place from a file (GPX or GeoJSON)"
    >
      <i class="bi bi-geo-alt" aria-hidden="true"></i>
    </button>
    <input
      #file
      type="file"
      hidden
      accept=".gpx,.geojson,.json"
      aria-label="File with places"
      (change)="take(file)"
    />
    @if (points().length > 1) {
      <label>
        {{ points().length }} points:
        <select #choice aria-label="Point of the file" (change)="pick(+choice.value)">
          <option value="-1">choose one</option>
          @for (point of points(); track $index) {
            <option [value]="$index">{{ point.name }}, {{ say(point) }}</option>
          }
        </select>
      </label>
    }
  `,
})
export class SiteFileComponent {
  readonly picked = output<Waypoint>();
  private readonly api = inject(ApiService);
  private readonly notices = inject(NoticesService);
  protected readonly points = signal<readonly Waypoint[]>([]);
  protected readonly say = sayCoordinates;

  protected async take(field: HTMLInputElement): Promise<void> {
    const file = field.files?.[0];
    field.value = '';
    if (!file) return;
    if (file.size > LARGEST_FILE) {
      this.notices.show({
        text: `${file.name} is larger than 2 MB. Save the waypoint alone and try that; nothing was read.`,
      });
      return;
    }
    try {
      const points = await firstValueFrom(this.api.readPlaces(await file.text()));
      this.points.set(points);
      if (points.length === 1) this.pick(0);
    } catch (error) {
      this.notices.show({ text: problemText(error) });
    }
  }

  protected pick(index: number): void {
    const point = this.points()[index];
    if (!point) return;
    this.points.set([]);
    this.picked.emit(point);
  }
}
