import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { sayTerm, type Sum } from '@knapsack/core';

/** The arithmetic behind a figure, line by line. */
@Component({
  selector: 'ks-sum',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="sum">
      <h3>{{ sum().title }}</h3>
      <table>
        @for (line of lines(); track $index) {
          <tr>
            <th scope="row">{{ line.label }}</th>
            <td class="terms">{{ line.terms }}</td>
            <td class="result">{{ line.result }}</td>
          </tr>
        }
      </table>
      @if (sum().remark; as remark) {
        <p class="muted">{{ remark }}</p>
      }
    </div>
  `,
})
export class SumComponent {
  readonly sum = input.required<Sum>();

  protected readonly lines = computed(() =>
    this.sum().lines.map(({ label, terms, result }) => ({
      label,
      terms: terms.map(sayTerm).join(''),
      result: sayTerm(result),
    })),
  );
}
