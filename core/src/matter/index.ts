export { waterShareOf } from './water';
export { dryingOf, residualShare, steamFrom, type Drying } from './drying';
export { bathsOf } from './baths';
export type { Bath, BathKind } from './bath';
export { type ActLine } from './moments';
export * from './uptake';
export { reductionOf, type Reduction } from './reduction';
