/** Where what went in went to: what is planned in a batch, recall. */
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
