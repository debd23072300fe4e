import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { cableRunFlows, type ReportedCableRun } from '@knapsack/contract/harness';
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

const FLOW_LABELS = {
  charging: 'charging on average',
  'best hour': 'in the best hour',
  receive: 'listening',
  'key down': 'key down',
} as const;

/** What flows in a run and what it may carry, figure by figure. */
@Component({
  selector: 'ks-cable-run-figures',
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
export class CableRunFiguresComponent {
  readonly run = input.required<ReportedCableRun>();
  protected readonly lines = computed(() => {
    const run = this.run();
    return [
      ...cableRunFlows(run).map(({ what, amps: flowing, dropV, leftV }) => ({
        label: FLOW_LABELS[what],
        value: flows(flowing, dropV, leftV),
      })),
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
