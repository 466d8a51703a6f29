/** What is cooked: target, stages, loads, components, times. */
export { type Batch, factorFor, homeTarget, type Leftover, lineFactor, planBatch } from './batch';
export { componentBatch, type ComponentBatch, type InStore, planComponents } from './components';
export { componentDemand } from './demand';
export { type Cooling, coolingAnswer, type CoolingAnswer, HEAT_LIMITS } from './heat';
export { scopeOf, worksheetLine, type WorksheetLine } from './lines';
export { type MachineChoice, machineChoices } from './machine-choices';
export { machinesFor } from './machines';
export { type StageView, stageViews } from './stages';
export {
  type AsWeighed,
  type BatchTarget,
  MOST_SIZES,
  type Serving,
  type Stored,
  type Target,
} from './target';
export { dishDepthMm, type StepTime, stepTimes } from './times';
export { homeDemand, homePortionGrams, knownShare, unweighedLines } from './wanted';
