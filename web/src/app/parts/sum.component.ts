import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { sayTerm, type Sum } from '@knapsack/core';

import { anchorOf } from './anchor';

/** The arithmetic behind a figure, line by line. */
@Component({
  selector: 'ks-sum',
  imports: [RouterLink],
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
      @if (term(); as name) {
        <p class="muted">
          <a routerLink="/guide/glossary" [fragment]="anchorOf(name)">{{ name }}</a> in the glossary
        </p>
      }
      @if (sum().remark; as remark) {
        <p class="muted">{{ remark }}</p>
      }
    </div>
  `,
})
export class SumComponent {
  readonly sum = input.required<Sum>();
  /** What of it the glossary explains, as it is headed there. */
  readonly term = input<string | null>(null);
  protected readonly anchorOf = anchorOf;

  protected readonly lines = computed(() =>
    this.sum().lines.map(({ label, terms, result }) => ({
      label,
      terms: terms.map(sayTerm).join(''),
      result: sayTerm(result),
    })),
  );
}
