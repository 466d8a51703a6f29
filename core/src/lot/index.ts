/** Lots: what a thing in the hand holds. */
export { type Lot, lotFrom, lotKey, partStockId, unknownLot, withLotFoods } from './lot';
