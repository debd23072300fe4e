import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { InlineTextComponent } from '../../parts/inline-text.component';
import { VariantsStore } from '../../trip/variants.store';

/** The variants by name: which is in hand, take another, keep this one, compare. */
@Component({
  selector: 'ks-variants',
  imports: [InlineTextComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="variants" aria-label="Variants of this trip">
      @if (rows().length > 1) {
        <ul>
          @for (row of rows(); track row.id) {
            <li [class.in-hand]="row.id === null">
              @if (row.id; as id) {
                <button
                  type="button"
                  class="take"
                  [attr.aria-label]="'Use the variant ' + row.name"
                  (click)="store.takeInHand(id)"
                >
                  <i class="bi bi-circle" aria-hidden="true"></i>
                </button>
              } @else {
                <i class="bi bi-record-circle-fill take" role="img" aria-label="in use"></i>
              }
              <ks-text
                [label]="'Name of the variant, ' + ($index + 1)"
                [value]="row.name"
                [most]="60"
                (committed)="store.rename(row.id, $event)"
              />
              @if (row.id; as id) {
                <button
                  type="button"
                  class="quiet"
                  [attr.aria-label]="'Drop ' + row.name"
                  (click)="store.drop(id)"
                >
                  <i class="bi bi-x-lg" aria-hidden="true"></i>
                </button>
              }
            </li>
          }
        </ul>
      }
      <p>
        @if (store.mayKeep()) {
          <button type="button" class="quiet" (click)="store.keep()">
            <i class="bi bi-layers" aria-hidden="true"></i> Keep as a variant
          </button>
        }
        @if (rows().length > 1) {
          <button
            type="button"
            class="quiet"
            [attr.aria-pressed]="store.wanted()"
            (click)="store.wanted.set(!store.wanted())"
          >
            {{ store.wanted() ? 'Stop comparing' : 'Compare' }}
          </button>
        }
      </p>
    </section>
  `,
})
export class VariantsComponent {
  protected readonly store = inject(VariantsStore);
  protected readonly rows = computed(() => this.store.rows());
}
