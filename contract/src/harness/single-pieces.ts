import type { Trip } from '../documents/trip.js';
import { isKind, type Carried } from '../resolve/look-up.js';
import { stationRadios } from '../resolve/resolve-stations.js';
import { batteryPieces } from './battery-pieces.js';

/** What nobody is on the air without, of which there is only one. */
export function singlePieces(trip: Trip, carried: readonly Carried[]): readonly Carried[] {
  const radios = stationRadios(carried);
  const batteries = batteryPieces(carried);
  return carried.filter(({ gear, item }) => {
    if (item.count > 1) return false;
    switch (gear.kind) {
      case 'radio':
        return radios.length === 1;
      case 'battery':
      case 'station':
        return batteries.length === 1;
      case 'lead':
        return ['radio', 'distribution'].includes(item.run ?? gear.run ?? 'radio');
      case 'controller':
        return trip.radioOn === 'terminals';
      case 'distribution':
        return true;
      case 'antenna':
        return carried.filter(isKind('antenna')).length === 1;
      default:
        return false;
    }
  });
}
