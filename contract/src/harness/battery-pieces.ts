import type { Carried } from '../resolve/look-up.js';
import { pieceId } from './piece-id.js';

/** Every battery and power station of a bag, each piece by itself. */
export const batteryPieces = (carried: readonly Carried[]) =>
  carried.flatMap(({ gear, item }) =>
    gear.kind === 'battery' || gear.kind === 'station'
      ? Array.from({ length: item.count }, (_, index) => ({
          gear,
          id: pieceId(gear.id, index),
          name: item.count > 1 ? `${gear.name} no. ${index + 1}` : gear.name,
        }))
      : [],
  );
