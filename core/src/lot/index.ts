/** Lots: what a thing in the hand holds. */
export { type Lot, lotFrom, lotKey, LOTS_TOGETHER, partStockId, unknownLot, withLotFoods } from './lot';
