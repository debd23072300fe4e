import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import type { InstrumentView, NewInstrument } from '@knapsack/contract';
import { sayDay, sayHour } from '@knapsack/core';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { localZone } from '../data/new-trip';
import { problemText } from '../data/problem-text';

/** Instruments whose lines go into the log of a trip, each with a token of its own. */
@Component({
  selector: 'ks-instruments',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>Instruments</h2>
    <p>
      A program that reads a meter, a battery monitor or a charge controller may send its lines here. They are
      thinned to a reading a minute and stand in the log of the trip, as if you had typed them.
    </p>
    @if (instruments().length > 0) {
      <table class="devices">
        <caption class="visually-hidden">
          Instruments that may send
        </caption>
        @for (one of instruments(); track one.id) {
          <tr>
            <th scope="row">{{ one.name }}</th>
            <td class="muted">
              {{ one.lastMs === null ? 'has sent nothing yet' : 'last sent ' + when(one.lastMs) }}
            </td>
            <td>
              <button
                type="button"
                class="quiet"
                (click)="remove(one)"
                [attr.aria-label]="'Take away ' + one.name"
              >
                Take away
              </button>
            </td>
          </tr>
        }
      </table>
    }
    <form class="new-instrument" (submit)="make($event, name)">
      <label for="instrument-name">Name of the instrument</label>
      <input #name id="instrument-name" maxlength="60" autocomplete="off" placeholder="battery monitor" />
      <button type="submit" class="quiet">Make a token</button>
    </form>
    <div role="status">
      @if (made(); as made) {
        <p>
          The token of {{ made.name }}, shown this once: <code>{{ made.token }}</code>
        </p>
        <p>
          It sends its lines as text to <code>POST {{ address }}</code> with the header
          <code>Authorization: Bearer {{ made.token }}</code
          >. TRIP is the last part of the trip’s address.
        </p>
      }
    </div>
    @if (problem()) {
      <p role="alert">{{ problem() }}</p>
    }
  `,
  host: { class: 'instruments' },
})
export class InstrumentsComponent {
  private readonly api = inject(ApiService);
  protected readonly instruments = signal<readonly InstrumentView[]>([]);
  protected readonly made = signal<NewInstrument | null>(null);
  protected readonly problem = signal('');
  protected readonly address = `${location.origin}/api/lines/TRIP`;

  constructor() {
    void this.attempt(async () => undefined);
  }

  protected async make(event: Event, field: HTMLInputElement): Promise<void> {
    event.preventDefault();
    await this.attempt(async () => {
      this.made.set(await firstValueFrom(this.api.makeInstrument(field.value)));
      field.value = '';
    });
  }

  protected async remove({ id }: InstrumentView): Promise<void> {
    await this.attempt(async () => {
      await firstValueFrom(this.api.removeInstrument(id));
      if (this.made()?.id === id) this.made.set(null);
    });
  }

  protected when(timeMs: number): string {
    return `${sayDay(timeMs, localZone())}, ${sayHour(timeMs, localZone())}`;
  }

  private async attempt(work: () => Promise<void>): Promise<void> {
    try {
      await work();
      this.instruments.set(await firstValueFrom(this.api.instruments()));
      this.problem.set('');
    } catch (error) {
      this.problem.set(problemText(error));
    }
  }
}
