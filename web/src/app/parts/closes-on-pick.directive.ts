import { Directive, inject } from '@angular/core';
import { NgbDropdown } from '@ng-bootstrap/ng-bootstrap/dropdown';

/** On a menu that a click inside does not close by itself: what is picked closes it, what only shows more stops its click. */
@Directive({ selector: '[ksClosesOnPick]', host: { '(click)': 'close()' } })
export class ClosesOnPickDirective {
  private readonly dropdown = inject(NgbDropdown);

  protected close(): void {
    this.dropdown.close();
  }
}
