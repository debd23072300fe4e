import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { ReportedRun } from '@knapsack/contract/harness';
import { sayQuantity } from '@knapsack/core';

const amps = (value: number): string => sayQuantity({ value, unit: 'A' });
const volts = (value: number): string => sayQuantity({ value, unit: 'V' });
const ampsOrNot = (value: number | null): string => (value === null ? 'not known' : amps(value));
const flows = (value: number, dropV: number, leftV: number): string =>
  `${amps(value)}, loses ${volts(dropV)}, leaves ${volts(leftV)}`;

/** What flows in a run and what it may carry, figure by figure. */
@Component({
  selector: 'ks-run-figures',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <dl class="run-figures">
      @for (line of lines(); track line.label) {
        <div>
          <dt>{{ line.label }}</dt>
          <dd>{{ line.value }}</dd>
        </div>
      }
    </dl>
  `,
})
export class RunFiguresComponent {
  readonly run = input.required<ReportedRun>();
  protected readonly lines = computed(() => {
    const run = this.run();
    const isCharging = run.mostChargeA > 0 && run.keyDownA === 0;
    return [
      ...(isCharging
        ? [
            { label: 'in the best hour', value: `${amps(run.mostChargeA)}, loses ${volts(run.mostDropV)}` },
            { label: 'on average', value: amps(run.chargeA) },
          ]
        : [
            { label: 'listening', value: flows(run.receiveA, run.receiveDropV, run.receiveV) },
            { label: 'key down', value: flows(run.keyDownA, run.keyDownDropV, run.keyDownV) },
          ]),
      {
        label: 'lost at the most',
        value: `${sayQuantity({ value: run.dropShare, unit: 'share', digits: 1 })}, aim ${sayQuantity({ value: run.most, unit: 'share' })}`,
      },
      { label: 'must be safe for', value: amps(run.safeForA) },
      { label: 'wire may carry', value: ampsOrNot(run.ampacityA) },
      { label: 'connectors', value: ampsOrNot(run.connectorA) },
      { label: 'fuse wanted', value: run.wantsA === null ? 'none fits' : `${run.wantsA} A` },
      {
        label: 'there and back',
        value: run.ohm === null ? 'not known' : sayQuantity({ value: run.ohm, unit: 'ohm' }),
      },
    ];
  });
}
