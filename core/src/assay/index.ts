/** A second pair of eyes on matter: what a scale and a laboratory would say. */
export { assay, type Doubt, type Sample, type SampleLine } from './assay';
