export { waterShareOf } from './water';
export { residualShare, steamFrom } from './drying';
export { fryingBath, pouredOff } from './baths';
