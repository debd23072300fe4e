import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Router, RouterLink } from '@angular/router';

/** What stands at an address that leads nowhere. */
@Component({
  selector: 'ks-no-page',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <header class="page-head"><h1>There is no such page</h1></header>
      <p class="lead">
        Nothing in Knapsack has the address <code>{{ address }}</code>. Nothing was lost: your trips are where
        they were.
      </p>
      <p><a class="solid" routerLink="/">Go to the trips</a></p>
    </div>
  `,
})
export class NoPagePage {
  protected readonly address = inject(Router).url;
}
