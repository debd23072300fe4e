import type { Gear } from '../documents/gear.js';
import type { AddedPart, CableRunNote } from '../documents/harness-notes.js';
import type { Block, LoadoutItem, Trip } from '../documents/trip.js';
import { barrels, RADIOS, run } from './sample-gear.js';
import { trip } from './documents.js';

/** A kind of kit that people carry, and what a careful practitioner says of its wiring. */
export interface SampleKit {
  readonly name: string;
  /** Nothing in it has to be changed before it is used. */
  readonly sound: boolean;
  readonly trip: Trip;
  readonly gear: readonly Gear[];
  /** The exact list, where one was written by hand before the code: severity, rule, place. */
  readonly says?: readonly string[];
}

interface KitParts {
  readonly gear: readonly (Gear | readonly [gear: Gear, count: number, inSeries?: number])[];
  readonly runs?: readonly CableRunNote[];
  readonly parts?: readonly AddedPart[];
  readonly mode?: Block['mode'];
  readonly powerW?: number;
  readonly change?: Partial<Trip>;
  readonly says?: readonly string[];
}

export function kit(
  name: string,
  sound: boolean,
  { gear, runs, parts, mode, powerW, change, says }: KitParts,
): SampleKit {
  const items = gear.map((one) => ('kind' in one ? ([one, 1] as const) : one));
  const radio = items.map(([item]) => item).find((item) => item.kind === 'radio');
  const mostW = radio?.kind === 'radio' ? radio.transmit[0].rfW : 10;
  const plain = trip();
  const { harness: changed, ...others } = change ?? {};
  return {
    name,
    sound,
    gear: items.map(([item]) => item),
    ...(says && { says }),
    trip: {
      ...plain,
      id: name
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-|-$/g, ''),
      name,
      place: { name: 'a hill', timeZone: 'Europe/Oslo', latitudeDeg: 50, longitudeDeg: 10 },
      temperatureC: 15,
      weather: { air: 'ordinary', windMS: 2, climate: 'temperate' },
      panelPlace: { aim: { how: 'fixed', tiltDeg: 40, azimuthDeg: 180 }, mount: 'propped', ground: 'grass' },
      blocks: [{ ...plain.blocks[0], mode: mode ?? 'SSB', powerW: powerW ?? mostW, share: 0.3 }],
      loadout: [
        ...items.map(([{ id }, count, inSeries]): LoadoutItem => ({
          gear: id,
          count,
          ...(inSeries && { inSeries }),
        })),
      ],
      harness: { ...(runs && { runs }), ...(parts && { parts }), ...changed },
      ...others,
    },
  };
}

export const { pocket, ten, twenty, fifty, hundred } = RADIOS;
export const sun = (area = 2.5, fuseA = 15): readonly CableRunNote[] => [
  run('controller', area, 0.5, fuseA),
  run('panel-42', area, 3),
];
export const sunOf = (watts: number, area = 2.5, fuseA = 15): readonly CableRunNote[] => [
  run('controller', area, 0.5, fuseA),
  run(`panel-${watts}`, area, 3),
];
/** A small panel on the barrel of a holder of cells. */
export const sunOnCells: readonly CableRunNote[] = [
  run('controller', 1.5, 0.5, 3, { near: barrels.near }),
  run('panel-20', 1.5, 3),
];
export const toPocket = run('pocket', 0.75, 0.5, 2, barrels);
export const toTen = run('ten', 1.5, 0.8, 3);
export const toTwenty = run('twenty', 2.5, 0.8, 7.5);
export const toFifty = run('fifty', 4, 1, 15);
export const toHundred = run('hundred', 6, 1, 30);
export const radioOn = (connector: string) => ({ connectors: [connector] });
