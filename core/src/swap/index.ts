/** The work a food does in a dish, and whether a swap works where it stands. */
export { Asked, type Excluding } from './asked';
export { misfitOf } from './fit';
export { type Leaf, leavesOf } from './leaves';
export { bindingOf, LEAST_BINDING, mustSet } from './setting';
export { brokenIn, followingSwaps, ownSwaps, swapFindings } from './variant';
export { workAt } from './work';
