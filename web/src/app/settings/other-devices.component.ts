import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import type { ReachDevice, ReachView } from '@knapsack/contract';
import { sayDay, sayHour } from '@knapsack/core';
import { RouterLink } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { loginAddress } from '../data/logged-out.interceptor';
import { localZone } from '../data/new-trip';
import { problemText } from '../data/problem-text';

/** How Knapsack is reached from other devices, and which have logged in. */
@Component({
  selector: 'ks-other-devices',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>From other devices</h2>
    @if (view(); as view) {
      @if (view.on) {
        @if (view.addresses[0]; as address) {
          <div class="reach">
            <img
              src="/api/reach/code.svg"
              width="132"
              height="132"
              [alt]="'A code that leads a camera to ' + address"
            />
            <div>
              <p>Point a phone’s camera at the code, or open one of these in the same network:</p>
              <ul>
                @for (one of view.addresses; track one) {
                  <li>
                    <code>{{ one }}</code>
                  </li>
                }
              </ul>
              @if (view.isPlain) {
                <p class="muted">
                  Over plain http others on the network can read along, and a phone cannot keep Knapsack for
                  when the server is away. A certificate of your own (KNAPSACK_TLS_CERT, KNAPSACK_TLS_KEY)
                  mends both.
                </p>
              }
            </div>
          </div>
        } @else {
          <p>This machine is in no network just now.</p>
        }
        <table class="devices">
          <caption>
            Devices that have logged in
          </caption>
          @for (device of view.devices; track device.id) {
            <tr>
              <th scope="row">{{ device.name }}</th>
              <td class="muted">{{ device.isThis ? 'this one' : 'last seen ' + when(device.lastSeenMs) }}</td>
              <td class="muted">since {{ when(device.sinceMs) }}</td>
              <td>
                <button type="button" class="quiet" (click)="sendAway(device)">
                  {{ device.isThis ? 'Log out' : 'Send away' }}
                </button>
              </td>
            </tr>
          }
        </table>
        <p class="muted">
          A device that is sent away can neither read nor send, and clears what it holds as soon as it reaches
          the server. What it had entered and not sent is lost with it.
        </p>
      } @else {
        <p>
          Knapsack answers on this machine alone. To use it from a phone in the same network, stop it, set a
          passphrase with <code>npm run knapsack -- passphrase</code>, and start it with
          <code>KNAPSACK_LISTEN=lan npm start</code>.
        </p>
        <p><a class="quiet" routerLink="/guide/reach">How that works</a></p>
      }
    }
    @if (problem()) {
      <p role="alert">{{ problem() }}</p>
    }
  `,
  host: { class: 'other-devices' },
})
export class OtherDevicesComponent {
  private readonly api = inject(ApiService);
  protected readonly view = signal<ReachView | null>(null);
  protected readonly problem = signal('');

  constructor() {
    void this.load();
  }

  protected async sendAway({ id, isThis }: ReachDevice): Promise<void> {
    try {
      await firstValueFrom(this.api.sendAway(id));
      if (isThis) location.assign(loginAddress());
      else await this.load();
    } catch (error) {
      this.problem.set(problemText(error));
    }
  }

  protected when(timeMs: number): string {
    return `${sayDay(timeMs, localZone())}, ${sayHour(timeMs, localZone())}`;
  }

  private async load(): Promise<void> {
    try {
      this.view.set(await firstValueFrom(this.api.reach()));
      this.problem.set('');
    } catch (error) {
      this.problem.set(problemText(error));
    }
  }
}
