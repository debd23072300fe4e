import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import type { SetAside } from '../data/api-questions';
import { ApiService } from '../data/api.service';
import { problemText } from '../data/problem-text';

/** What stands in the data file and cannot be read: named, to be kept as a copy, and deleted when its owner says so. */
@Component({
  selector: 'ks-set-aside',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (rows().length > 0) {
      <section class="earlier" aria-labelledby="set-aside-title">
        <h2 id="set-aside-title">{{ title() }}</h2>
        <ul>
          @for (row of rows(); track row.kind + row.id) {
            <li>
              <b>{{ row.name }}</b>: {{ row.sentence }}
              <a
                class="quiet"
                [href]="'/api/set-aside/' + row.kind + '/' + row.id"
                [download]="row.id + '.txt'"
                >Keep a copy</a
              >
              @if (!row.isLater) {
                <button type="button" class="quiet" (click)="remove(row)">Delete</button>
              }
            </li>
          }
        </ul>
        @if (problem(); as sentence) {
          <p class="problem" role="alert">{{ sentence }}</p>
        }
      </section>
    }
  `,
})
export class SetAsideComponent {
  readonly removed = output();
  private readonly api = inject(ApiService);
  protected readonly rows = signal<readonly SetAside[]>([]);
  protected readonly problem = signal<string | null>(null);
  protected readonly title = (): string => {
    const trips = this.rows().filter(({ kind }) => kind === 'trips').length;
    const gear = this.rows().length - trips;
    const words = [
      ...(trips > 0 ? [`${trips} ${trips === 1 ? 'trip' : 'trips'}`] : []),
      ...(gear > 0 ? [`${gear} gear ${gear === 1 ? 'item' : 'items'}`] : []),
    ];
    return `${words.join(' and ')} cannot be read`;
  };

  constructor() {
    void this.load();
  }

  protected async remove({ kind, id, revision }: SetAside): Promise<void> {
    try {
      await firstValueFrom(this.api.deleteSetAside(kind, id, revision));
      await this.load();
      this.removed.emit();
    } catch (error) {
      this.problem.set(problemText(error));
    }
  }

  private async load(): Promise<void> {
    try {
      this.rows.set(await firstValueFrom(this.api.setAside()));
    } catch {
      // The list of trips says that the server does not answer.
    }
  }
}
