/** What a worksheet has to say about a dish, as findings. */
export { assayFindings } from './assayed';
export {
  batchFindings,
  freeFromFindings,
  innerFindings,
  missingFindings,
  scalingFindings,
  stepFindings,
} from './sheet-findings';
export { isFatLine } from './standard-findings';
export { targetFindings } from './target-findings';
