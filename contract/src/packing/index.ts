export { batteryTrade, type TradeRow } from './battery-trade.js';
export {
  bagsOf,
  packingOf,
  shareAmong,
  type PackedBag,
  type PackedPiece,
  type PackingList,
} from './packing-of.js';
export { spareFuses, sparesOf, type Spare } from './spares.js';
export { whatFor } from './what-for.js';
