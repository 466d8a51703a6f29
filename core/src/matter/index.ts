export { waterShareOf } from './water';
export { dryingOf, residualShare, steamFrom, type Drying } from './drying';
export { bathsOf, type Bath, type BathKind } from './baths';
export { type ActLine } from './moments';
export * from './uptake';
export { reductionOf, type Reduction } from './reduction';
