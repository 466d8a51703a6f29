/** Where what went in came from and where it went: batches as lots, what is planned in them, recall. */
export { type BatchAsLot, cookedOf, lotOfBatch, mixedOf } from './lot-of-batch';
export { type PlanFood, planFoods } from './plan-foods';
export {
  type BatchFood,
  comparableLot,
  followed,
  reached,
  type Recall,
  type RecalledBatch,
  type RecalledLabel,
  type RecallEvidence,
} from './recall';
