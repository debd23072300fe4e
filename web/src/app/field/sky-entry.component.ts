import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { CLOUD_WORDS, type CloudWord } from '@knapsack/core';
import { OutingLog } from '../trip/outing-log';
import { NewerForecastComponent } from './newer-forecast.component';
import { EntryMaker } from './entry-maker';

interface Sky {
  readonly words: string;
  readonly icon: string;
  readonly cloud: number;
  readonly rain?: true;
  readonly fog?: true;
}

const ICONS: Readonly<Record<CloudWord, string>> = {
  clear: 'bi-sun',
  few: 'bi-brightness-high',
  scattered: 'bi-cloud-sun',
  broken: 'bi-clouds',
  overcast: 'bi-cloud-fill',
};

const SKIES: readonly Sky[] = [
  ...(Object.keys(CLOUD_WORDS) as CloudWord[]).map((word) => ({
    words: word === 'few' ? 'few clouds' : word,
    icon: ICONS[word],
    cloud: CLOUD_WORDS[word],
  })),
  { words: 'fog', icon: 'bi-cloud-fog2', cloud: 1, fog: true },
  { words: 'rain', icon: 'bi-cloud-rain', cloud: 1, rain: true },
];

/** What the sky does now: one press. */
@Component({
  selector: 'ks-sky-entry',
  imports: [NewerForecastComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="says">The sky now:</p>
    <div class="chips skies">
      @for (sky of skies; track sky.words) {
        <button type="button" class="chip" (click)="note(sky)">
          <i class="bi" [class]="sky.icon" aria-hidden="true"></i>{{ sky.words }}
        </button>
      }
    </div>
    @if (!isDry()) {
      <ks-newer-forecast />
    }
  `,
})
export class SkyEntryComponent {
  readonly kept = output<void>();
  private readonly log = inject(OutingLog);
  private readonly make = inject(EntryMaker);
  protected readonly skies = SKIES;
  /** A newer forecast would go into the plan, of which a dry run changes nothing. */
  protected readonly isDry = computed(() => this.log.state().is === 'dryRun');

  protected note({ cloud, rain, fog }: Sky): void {
    this.log.add({ ...this.make.head(), kind: 'sky', cloud, ...(rain && { rain }), ...(fog && { fog }) });
    this.kept.emit();
  }
}
