import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { ReportedRun } from '@knapsack/contract/harness';
import { sayQuantity } from '@knapsack/core';

const amps = (value: number): string => sayQuantity({ value, unit: 'A' });
const volts = (value: number): string => sayQuantity({ value, unit: 'V' });
const NOT_ENTERED = 'not entered';
const ampsOrNot = (value: number | null): string => (value === null ? NOT_ENTERED : amps(value));
const flows = (value: number, dropV: number | null, leftV: number | null): string =>
  [
    amps(value),
    ...(dropV === null ? [] : [`loses ${volts(dropV)}`]),
    ...(leftV === null ? [] : [`leaves ${volts(leftV)}`]),
  ].join(', ');

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
    const lost = (value: number) => (run.ohm === null ? null : value * run.ohm);
    return [
      ...(run.mostChargeA > 0
        ? [
            { label: 'in the best hour', value: flows(run.mostChargeA, lost(run.mostChargeA), null) },
            { label: 'charging on average', value: amps(run.chargeA) },
          ]
        : []),
      ...(run.mostChargeA > 0 && run.keyDownA === 0
        ? []
        : [
            { label: 'listening', value: flows(run.receiveA, run.receiveDropV, run.receiveV) },
            { label: 'key down', value: flows(run.keyDownA, run.keyDownDropV, run.keyDownV) },
          ]),
      {
        label: 'lost at the most',
        value:
          run.dropShare === null
            ? NOT_ENTERED
            : `${sayQuantity({ value: run.dropShare, unit: 'share', digits: 1 })}, aim ${sayQuantity({ value: run.most, unit: 'share' })}`,
      },
      { label: 'must be safe for', value: amps(run.safeForA) },
      { label: 'wire may carry', value: ampsOrNot(run.ampacityA) },
      { label: 'connectors', value: ampsOrNot(run.connectorA) },
      { label: 'fuse wanted', value: run.wantsA === null ? 'none fits this wire' : `${run.wantsA} A` },
      {
        label: 'there and back',
        value: run.ohm === null ? NOT_ENTERED : sayQuantity({ value: run.ohm, unit: 'ohm' }),
      },
    ];
  });
}
