import { inject, Injectable } from '@angular/core';
import { GEAR_SCHEMA, GEAR_VERSION } from '@knapsack/contract';
import { freeName } from '@knapsack/contract/gear';
import { firstValueFrom } from 'rxjs';
import { NoticesService } from '../shell/notices.service';
import { newKey } from './new-id';
import { problemText } from './problem-text';
import { ShelfService } from './shelf.service';

const LONGEST_NAME = 70;

/** Puts something on the wish list that nobody has looked up yet. */
@Injectable({ providedIn: 'root' })
export class WishService {
  private readonly shelf = inject(ShelfService);
  private readonly notices = inject(NoticesService);

  /** @returns whether it stands there now; else it was told why not */
  async add(words: string): Promise<boolean> {
    const wanted = words.replace(/\.$/, '').slice(0, LONGEST_NAME);
    const isTaken = this.shelf.gear().some(({ name }) => name === wanted);
    const name = isTaken ? freeName(wanted, this.shelf.gear()) : wanted;
    const gear = {
      ...({ schema: GEAR_SCHEMA, version: GEAR_VERSION, kind: 'other' } as const),
      ...{ id: `other-${newKey()}`, name, wished: true },
    };
    try {
      await firstValueFrom(this.shelf.create(gear));
      this.notices.show({ text: `“${name}” is on the wish list in Gear.` });
      return true;
    } catch (error) {
      this.notices.show({ text: problemText(error) });
      return false;
    }
  }
}
