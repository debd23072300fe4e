import { inject, Injectable } from '@angular/core';
import { GEAR_SCHEMA, GEAR_VERSION, type Figure, type Gear, type GearKind } from '@knapsack/contract';
import { firstValueFrom } from 'rxjs';
import { newKey } from './new-id';
import { problemText } from './problem-text';
import { ShelfService } from './shelf.service';
import { NoticesService } from '../shell/notices.service';

/** Makes gear from nothing: every figure assumed, visibly, until someone reads a label or measures. */
@Injectable({ providedIn: 'root' })
export class NewGearService {
  private readonly shelf = inject(ShelfService);
  private readonly notices = inject(NoticesService);

  /** The new item as the shelf took it; null, with a notice, where it did not. */
  async make(kind: GearKind): Promise<Gear | null> {
    try {
      return (await firstValueFrom(this.shelf.create(blank(kind)))).document;
    } catch (error) {
      this.notices.show({ text: problemText(error) });
      return null;
    }
  }
}

function blank(kind: GearKind): Gear {
  const common = { schema: GEAR_SCHEMA, version: GEAR_VERSION, id: `${kind}-${newKey()}` } as const;
  switch (kind) {
    case 'radio':
      return {
        ...common,
        kind,
        name: 'My radio',
        receiveA: assumed(0.3),
        transmit: [{ rfW: 10, amps: 2.5, source: 'assumed' }],
        dropoutV: assumed(10.5),
      };
    case 'battery':
      return {
        ...common,
        kind,
        name: 'My battery',
        chemistry: 'lifepo4',
        cellsInSeries: 4,
        ratedAh: assumed(10),
      };
    case 'station':
      return {
        ...common,
        kind,
        name: 'My power station',
        chemistry: 'lifepo4',
        cellsInSeries: 8,
        wattHours: assumed(250),
      };
    case 'amplifier':
      return { ...common, kind, name: 'My amplifier', standbyA: assumed(0.2), transmitA: assumed(5) };
    case 'accessory':
      return { ...common, kind, name: 'My accessory', drawA: assumed(0.1), rule: { when: 'always' } };
    case 'lead':
      return { ...common, kind, name: 'My cable', loopOhm: assumed(0.025) };
    case 'panel':
      return { ...common, kind, name: 'My panel', technology: 'good_mono', watts: assumed(40) };
    case 'controller':
      return { ...common, kind, name: 'My controller', type: 'mppt', maxA: assumed(10) };
    case 'charger':
      return { ...common, kind, name: 'My charger', from: 'mains', maxA: assumed(5) };
    case 'generator':
      return { ...common, kind, name: 'My generator', ratedW: assumed(900) };
    case 'distribution':
      return { ...common, kind, name: 'My fuse box' };
    case 'antenna':
      return { ...common, kind, name: 'My antenna' };
    case 'other':
      return { ...common, kind, name: 'Something carried' };
  }
}

const assumed = (value: number): Figure => ({ value, source: 'assumed' });
