/** Labels as they leave the kitchen: content, demands of the law, setting, release. */
export { dateOnLabel, gramsOnLabel, labelContent, type LabelContent, type LabelFacts } from './content';
export { demandsOn, type DemandStanding, isComplete, missingOn, missingWords } from './demands';
export { claimInText } from './free-text';
export { claimsOfSheet, trayFigures } from './label-extras';
export { DRAFT_ON_ROLL, type LabelOptions } from './options';
export { labelText } from './plain-text';
export {
  freeze,
  type FrozenInputs,
  type InputChange,
  type ReleaseState,
  thaw,
  thawedBook,
  whatChanged,
} from './release';
export type { BatchView, JobState, PrintJob, Release, ReleaseView, Signature } from './release-view';
export { letterFindings, setLabel, type SetLabel } from './set-label';
export { PANEL_FORMS, type PanelForm } from './type-rules';
