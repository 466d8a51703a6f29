export { assay, type Doubt, type Sample, type SampleLine } from './assay';
export { DISH_KINDS, kindOfDish } from './kinds';
